'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import type { DayReport } from '@/core/simulate/day/dayReport';
import { sitedDay } from '@/core/siting/sitedDay';
import { besideProject, openVariant } from '@/core/project/variants';
import type { VariantName } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { useApply, useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { daySpanText } from '@/ui/words/trying';
import { dayClient } from '@/workers/try/clients';
import styles from '../Try.module.css';

interface Row {
  readonly name: VariantName;
  readonly report: DayReport | null;
}

/** The same day through the other variants, each where it goes. @param day outside of any window or tube of theirs */
export function VariantDays({ day }: { readonly day: DaySettings }) {
  const project = useProject();
  const apply = useApply();
  const [found, setFound] = useState<{ readonly of: string; readonly rows: readonly Row[] } | null>(null);
  const [isRunning, setRunning] = useState(false);
  const key = JSON.stringify({ ...project, name: '', day });
  const run = async () => {
    setRunning(true);
    const rows: Row[] = [];
    for (const { name } of project.others) {
      const variant = besideProject(project, name);
      const input = { day: sitedDay(day, variant.build.siting), track: null };
      const outcome = await dayClient.run({ project: variant, input });
      rows.push({ name, report: outcome.ok && outcome.output.ok ? outcome.output.report : null });
    }
    setFound({ of: key, rows });
    setRunning(false);
  };
  const rows = found?.of === key ? found.rows : [];
  return (
    <Panel title={tryWords.variants}>
      {rows.length === 0 && (
        <span>
          <Button loading={isRunning} onClick={() => void run()}>
            {tryWords.run}
          </Button>
        </span>
      )}
      <ul className={styles.bursts}>
        {rows.map(({ name, report }) => (
          <li key={name}>
            <span>
              <b>{name}</b>{' '}
              {report
                ? `${report.switchedAt.length} switchings, ${report.bursts.length} bursts of chatter, on for ${daySpanText(report.onSeconds)}`
                : 'its circuit has no solution'}
            </span>
            <Button size="small" onClick={() => apply(openVariant(name))}>
              {tryWords.take}
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
