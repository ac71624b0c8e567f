'use client';

import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { betweenMidpoints } from '@/core/detectors/betweenMidpoints';
import { takeMidpoints } from '@/core/size/takeMidpoints';
import { detectorDefinition } from '@/core/detectors/registry';
import { midLimits } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useProject } from '@/ui/workbench/context';
import { ratio, volts } from '@/ui/words/figures';
import { detectorScreen } from './detectors';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** The best threshold between two midpoints read off the meter, and how much room it leaves either way. */
export function MidpointsHelper() {
  const apply = useApply();
  const project = useProject();
  const { midpoints } = detectorScreen(project.detector);
  const [dark, setDark] = useState<number | null>(null);
  const [light, setLight] = useState<number | null>(null);
  const { supplyVolts } = project.divider;
  const { detector } = project;
  const lowVolts = detectorDefinition(detector).lowVolts(detector);
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
          label={switchWords.midpointInThe}
          unit="V"
          value={dark}
          limits={limits}
          whenEmpty="read it"
          onCommit={setDark}
        />
        <OptionalQuantity
          label={switchWords.midpointInTheLight}
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
              <Button onClick={() => apply(take)}>{midpoints?.take}</Button>
            </span>
          ) : (
            <p className="soft">{midpoints?.refused}</p>
          )}
        </>
      )}
      {(dark === null || light === null) && <p className="soft">{switchWords.measurePointA}</p>}
    </div>
  );
}
