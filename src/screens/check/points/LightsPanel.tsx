'use client';

import type { Design } from '@/core/design';
import { BRIGHT, type TestLight } from '@/core/faults/testLights';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { changeCheck } from '@/core/project/built/checkEdits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { makeLight, testLightWord } from '@/ui/words/check/points';
import { ohms } from '@/ui/words/figures';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';

interface LightsPanelProps {
  readonly lights: readonly TestLight[];
  readonly design: Design;
}

/** The lights to test in: proposed, or as someone knows them. */
export function LightsPanel({ lights, design }: LightsPanelProps) {
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
              <b>{capital(testLightWord(one))}</b>: about {light(one.lux)}, the LDR at about{' '}
              {ohms(ldrOhmsAt(design.ldr.curve, one.lux))}
              <span className={styles.hint}>{makeLight(one)}</span>
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
      <p className="soft">{checkWords.proposed}</p>
    </Panel>
  );
}

/** A light without its unit, which stands in the field. */
const bare = (text: string) => text.replace(/\u00a0?lx$/, '');
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
