'use client';

import { useState } from 'react';
import { luxOfMidpoint } from '@/core/analyse/midpoints';
import type { Design } from '@/core/design';
import { BRIGHT, type TestLight } from '@/core/faults/testLights';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { changeCheck } from '@/core/project/built/checkEdits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { SelectField } from '@/ui/fields/SelectField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { makeLight, midpointRefusals, testLightWord, type Bench } from '@/ui/words/check/points';
import { ohms } from '@/ui/words/figures';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';

interface LightsPanelProps {
  readonly lights: readonly TestLight[];
  readonly design: Design;
  readonly bench: Bench;
}

/** The lights to test in: proposed, or as someone knows them. */
export function LightsPanel({ lights, design, bench }: LightsPanelProps) {
  const { check } = useProject();
  const apply = useApply();
  const light = useLightText();
  const [dark, bright] = [lights[0], lights[BRIGHT]];
  return (
    <Panel title={checkWords.lights}>
      <ul className={styles.list}>
        {lights.map((one) => (
          <li key={one.name}>
            <span>
              <b>{capital(testLightWord(one))}</b>: about {light(one.lux)}
              {!one.holds && `, the LDR at about ${ohms(ldrOhmsAt(design.ldr.curve, one.lux))}`}
              <span className={styles.hint}>{makeLight(bench, one)}</span>
            </span>
          </li>
        ))}
      </ul>
      {design.resolved.scale === 'lux' && (
        <>
          <OptionalQuantity
            label={checkWords.darkLux}
            unit="lx"
            value={check.darkLux}
            limits={LIMITS.light}
            whenEmpty={dark ? bare(light(dark.lux)) : ''}
            onCommit={(darkLux) => apply(changeCheck({ darkLux }))}
          />
          <OptionalQuantity
            label={checkWords.brightLux}
            unit="lx"
            value={check.brightLux}
            limits={LIMITS.light}
            whenEmpty={bright ? bare(light(bright.lux)) : ''}
            onCommit={(brightLux) => apply(changeCheck({ brightLux }))}
          />
        </>
      )}
      <Otherwise of="dark" onTake={(darkLux) => apply(changeCheck({ darkLux }))} />
      <Otherwise of="bright" onTake={(brightLux) => apply(changeCheck({ brightLux }))} />
      <p className="soft">{checkWords.midpointHint}</p>
      <p className="soft">{checkWords.proposed}</p>
    </Panel>
  );
}

interface OtherwiseProps {
  readonly of: 'dark' | 'bright';
  readonly onTake: (lux: number) => void;
}

/** A light told otherwise than in lx: by the midpoint that it makes, or as one of the lights that have a name. */
function Otherwise({ of, onTake }: OtherwiseProps) {
  const project = useProject();
  const [told, setTold] = useState<{ readonly volts: number; readonly refused: string | null } | null>(null);
  const take = (volts: number | null) => {
    if (volts === null) return setTold(null);
    const found = luxOfMidpoint(project, volts);
    setTold({ volts, refused: found.ok ? null : midpointRefusals[found.reason] });
    if (found.ok) onTake(Number(found.lux.toPrecision(3)));
  };
  const named = project.levels.flatMap(({ id, name, lux }) => (lux === null ? [] : [{ id, name, lux }]));
  return (
    <>
      <OptionalQuantity
        label={checkWords.byMidpoint[of]}
        unit="V"
        value={told?.volts ?? null}
        limits={LIMITS.midVolts}
        whenEmpty=""
        onCommit={take}
      />
      {told?.refused && (
        <p role="alert" className={styles.trouble}>
          {told.refused}
        </p>
      )}
      {named.length > 0 && (
        <SelectField
          label={checkWords.byLevel[of]}
          value=""
          options={[
            { value: '', label: checkWords.choose },
            ...named.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => {
            const level = named.find((one) => one.id === id);
            if (level) onTake(level.lux);
          }}
        />
      )}
    </>
  );
}

/** A light without its unit, which stands in the field. */
const bare = (text: string) => text.replace(/\u00a0?lx$/, '');
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
