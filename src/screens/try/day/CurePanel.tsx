'use client';

import { Button } from 'antd';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { cureEdit } from '@/core/simulate/day/cureDay';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { useApply, useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { dayCureText } from '@/ui/words/trying';
import { dayCuresClient } from '@/workers/try/clients';
import styles from '../Try.module.css';
import { WorkStart } from '@/ui/common/WorkStart';

/** The least change that leaves the same day without chatter, looked for on demand. */
export function CurePanel({ day }: { readonly day: DaySettings }) {
  const project = useProject();
  const apply = useApply();
  const work = useWork(dayCuresClient, { project, day }, JSON.stringify({ ...project, name: '', day }));
  return (
    <Panel title={tryWords.cure}>
      <WorkStart work={work} name={tryWords.seek} isDone={work.result !== null} />
      {work.result?.length === 0 && <p>{tryWords.noCure}</p>}
      <ul className={styles.bursts}>
        {(work.result ?? []).map(({ cure, bursts, switchings }) => (
          <li key={cure.kind}>
            <span>
              {dayCureText(cure)}: <b>{bursts === 0 ? 'no chatter' : `${bursts} of its bursts left`}</b>,{' '}
              {switchings} switchings
            </span>
            <Button size="small" onClick={() => apply(cureEdit(cure))}>
              {tryWords.take}
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
