'use client';

import { Button, Progress } from 'antd';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { cureEdit } from '@/core/simulate/day/cureDay';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { useApply, useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { dayCureText } from '@/ui/words/trying';
import { workTrouble } from '@/ui/words/work';
import { dayCuresClient } from '@/workers/try/clients';
import styles from '../Try.module.css';

/** The least change that leaves the same day without chatter, looked for on demand. */
export function CurePanel({ day }: { readonly day: DaySettings }) {
  const project = useProject();
  const apply = useApply();
  const work = useWork(dayCuresClient, { project, day }, JSON.stringify({ ...project, name: '', day }));
  return (
    <Panel title={tryWords.cure}>
      {work.running === null ? (
        !work.result && (
          <span>
            <Button onClick={work.start}>{tryWords.seek}</Button>
          </span>
        )
      ) : (
        <span className={styles.progress}>
          <Progress percent={Math.round(work.running * 100)} size="small" />
          <Button onClick={work.cancel}>{tryWords.cancel}</Button>
        </span>
      )}
      {work.failed && (
        <p role="alert" className={styles.trouble}>
          {workTrouble(work.failed)}
        </p>
      )}
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
