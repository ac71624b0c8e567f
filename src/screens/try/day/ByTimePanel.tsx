'use client';

import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { detectorDefinition } from '@/core/detectors/registry';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { goalAtTime, luxAtTime } from '@/core/simulate/day/goalByTime';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { hearsChanges } from '@/ui/words/goal';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';
import { TimeField } from './DayFields';

/** Many know the time, and not the lux: the goal put on the light of a time. */
export function ByTimePanel({ day }: { readonly day: DaySettings }) {
  const apply = useApply();
  const light = useLightText();
  const { detector } = useProject();
  const [minutes, setMinutes] = useState(18 * 60 + 30);
  const lux = useMemo(() => luxAtTime(day, minutes), [day, minutes]);
  // What answers to a change has no light at which it turns on.
  if (hearsChanges({ detector })) return null;
  const turnsOff = detectorDefinition(detector).goalEnd(detector) === 'off';
  return (
    <Panel title={tryWords.byTime}>
      <div className={styles.row}>
        <TimeField
          label={turnsOff ? tryWords.byTimeOff : tryWords.byTimeAt}
          minutes={minutes}
          onChange={setMinutes}
        />
        <span>
          then it is <b className="figures">{light(lux)}</b> on a clear day
        </span>
      </div>
      <span>
        <Button onClick={() => apply(goalAtTime(day, minutes))}>{tryWords.setGoal}</Button>
      </span>
    </Panel>
  );
}
