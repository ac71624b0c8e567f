'use client';

import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { betweenMidpoints } from '@/core/design/fromMidpoints';
import { takeMidpoints } from '@/core/design/takeMidpoints';
import { lowRailOf, type DetectorKind } from '@/core/stages/decider';
import { midLimits } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useProject } from '@/ui/workbench/context';
import { ratio, volts } from '@/ui/words/figures';
import styles from './Switch.module.css';

/** What two midpoints are to each way of deciding. */
const labels: Readonly<Record<DetectorKind, string>> = {
  transistor: '',
  comparator: 'Put the reference there',
  controller: 'Put the codes there',
  timer: 'Put the threshold there by the control pin',
  window: 'On between these two midpoints',
  ladder: 'Spread the steps between these two',
  change: 'Trigger at half of this jump',
};
/** Why it cannot be put there. */
const REFUSED: Readonly<Partial<Record<DetectorKind, string>>> = {
  timer:
    'Nothing at its control pin brings the threshold there: choose R1 so that the midpoint passes a third or two thirds of the supply.',
  comparator:
    'Its reference stands between 0 V and plus: choose R1 so that the midpoint passes a voltage above 0 V.',
  window: 'No light on your LDR’s curve gives these midpoints: check R1 and the readings.',
  ladder: 'No light on your LDR’s curve gives these midpoints: check R1 and the readings.',
};

/** The best threshold between two midpoints read off the meter, and how much room it leaves either way. */
export function MidpointsHelper() {
  const apply = useApply();
  const project = useProject();
  const [dark, setDark] = useState<number | null>(null);
  const [light, setLight] = useState<number | null>(null);
  const { supplyVolts } = project.divider;
  const { detector } = project;
  const lowVolts = lowRailOf(detector);
  const found = dark === null || light === null ? null : betweenMidpoints(supplyVolts, dark, light, lowVolts);
  const limits = midLimits(project);
  const take = useMemo(
    () => (dark === null || light === null ? null : takeMidpoints(project, dark, light)),
    [project, dark, light],
  );
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <OptionalQuantity
          label="Midpoint in the dark"
          unit="V"
          value={dark}
          limits={limits}
          whenEmpty="read it"
          onCommit={setDark}
        />
        <OptionalQuantity
          label="Midpoint in the light"
          unit="V"
          value={light}
          limits={limits}
          whenEmpty="read it"
          onCommit={setLight}
        />
      </div>
      {dark !== null && light !== null && !found && (
        <p role="alert" className={styles.trouble}>
          {dark === light
            ? 'Both midpoints are the same: nothing tells dark from light.'
            : `A midpoint lies between ${volts(lowVolts)} and the supply of ${volts(supplyVolts)}.`}
        </p>
      )}
      {found && (
        <>
          <Fact
            name="Best threshold"
            value={volts(found.volts)}
            note={`${volts(found.darkMarginVolts)} to dark, ${volts(found.lightMarginVolts)} to light`}
          />
          <Fact name="Room either way" value={ratio(found.ohmsRatio)} note="in the LDR’s resistance" />
          {take ? (
            <span>
              <Button onClick={() => apply(take)}>{labels[detector.kind]}</Button>
            </span>
          ) : (
            <p className="soft">{REFUSED[detector.kind]}</p>
          )}
        </>
      )}
      {(dark === null || light === null) && (
        <p className="soft">
          Measure point A with the LDR covered and lit as it will be: the best threshold lies between.
        </p>
      )}
    </div>
  );
}
