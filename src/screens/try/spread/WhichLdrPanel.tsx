'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { takeLdr } from '@/core/project/readingEdits';
import { formatPercentOff } from '@/core/quantity/format';
import { whichLdr } from '@/core/spread/whichLdr';
import { Panel } from '@/ui/common/Panel';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { ohms, ratio } from '@/ui/words/figures';
import { switchesText } from '@/ui/words/goal';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';

/** Which of the saved LDRs suits this design as it stands, and which two are most alike. */
export function WhichLdrPanel() {
  const project = useProject();
  const apply = useApply();
  const light = useLightText();
  const saved = useRecords(tables.ldrs);
  const found = useMemo(() => whichLdr(project, saved ?? []), [project, saved]);
  const { choices, pair } = found;
  const take = (id: string) => {
    const ldr = saved?.find((one) => one.id === id);
    if (ldr) apply(takeLdr(ldr.part, ldr.measurement));
  };
  if (choices.length === 0) return null;
  return (
    <Panel title={tryWords.whichLdr}>
      <ul className={styles.bursts}>
        {choices.map(({ id, name, onLux, goalOhms }) => (
          <li key={id}>
            <span>
              <b>{name || tryWords.unnamed}</b>{' '}
              {onLux === null ? switchesText(project, onLux, light) : `turns on at ${light(onLux)}`}
            </span>
            <span className="soft">
              {onLux === null ? '' : `${formatPercentOff(onLux / project.goal.lux - 1)} off the goal · `}
              {ohms(goalOhms)} at the goal{' '}
              <Button
                size="small"
                aria-label={`${tryWords.take}: ${name || tryWords.unnamed}`}
                onClick={() => take(id)}
              >
                {tryWords.take}
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {pair && (
        <p>
          Most alike at the goal: <b>{pair.names[0] || tryWords.unnamed}</b> and{' '}
          <b>{pair.names[1] || tryWords.unnamed}</b>, {ratio(pair.ratio)} apart.
        </p>
      )}
    </Panel>
  );
}
