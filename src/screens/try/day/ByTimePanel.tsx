'use client';

import { Button } from 'antd';
import { useMemo, useState } from 'react';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { goalAtTime, luxAtTime } from '@/core/simulate/day/goalByTime';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';
import { TimeField } from './DayFields';

/** Many know the time, and not the lux: the goal put on the light of a time. */
export function ByTimePanel({ day }: { readonly day: DaySettings }) {
  const apply = useApply();
  const light = useLightText();
  const [minutes, setMinutes] = useState(18 * 60 + 30);
  const lux = useMemo(() => luxAtTime(day, minutes), [day, minutes]);
  return (
    <Panel title={tryWords.byTime}>
      <div className={styles.row}>
        <TimeField label={tryWords.byTimeAt} minutes={minutes} onChange={setMinutes} />
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
