'use client';

import { inNotation } from '@/core/quantity/notation';
import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { conflictOf } from '@/core/advise/waysOut';
import type { Conflict, Outcome, WayOut } from '@/core/advise/waysOut';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { wayOutNames } from '@/ui/words/names';
import { amps, partOhms, ratio } from '@/ui/words/figures';
import { ResistorRule } from './ResistorRule';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** Where light and load want different resistors: the conflict as a picture, and each way out with what it changes. */
export function ConflictPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const conflict = useMemo(() => conflictOf(project, design), [project, design]);
  if (!conflict) return null;
  return (
    <Panel title={switchWords.lightAndLoad}>
      <ResistorRule conflict={conflict} inUseOhms={project.divider.fixedOhms} />
      <Ways conflict={conflict} />
    </Panel>
  );
}

type Row = { readonly key: string; readonly way: WayOut | null; readonly outcome: Outcome };

function Ways({ conflict: { before, ways } }: { readonly conflict: Conflict }) {
  const apply = useApply();
  const light = useLightText();
  const rows: Row[] = [
    { key: 'before', way: null, outcome: before },
    ...ways.map((way) => ({ key: way.id, way, outcome: way.outcome })),
  ];
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={switchWords.waysOut}>
      <Table<Row>
        size="small"
        pagination={false}
        dataSource={rows}
        columns={[
          {
            title: switchWords.wayOut,
            render: (_, { way }) => (
              <span className={styles.way}>
                {way ? inNotation(wayOutNames[way.id]) : <b>{switchWords.asItIs}</b>}
              </span>
            ),
          },
          {
            title: 'R1',
            align: 'right',
            render: (_, { outcome }) => <Figure text={partOhms(outcome.fixedOhms)} />,
          },
          {
            title: switchWords.halfOnAt,
            align: 'right',
            render: (_, { outcome }) => (
              <Figure text={outcome.halfLux === null ? 'never' : light(outcome.halfLux)} />
            ),
          },
          {
            title: switchWords.sureOf,
            align: 'right',
            render: (_, { outcome }) => (
              <Figure text={`${amps(outcome.guaranteedAmps)} of ${amps(outcome.fullAmps)}`} />
            ),
          },
          {
            title: switchWords.transitionBand,
            align: 'right',
            render: (_, { outcome }) => (
              <Figure text={outcome.softBand === null ? '–' : ratio(outcome.softBand)} />
            ),
          },
          {
            title: <span className="visually-hidden">{switchWords.take}</span>,
            render: (_, { way }) =>
              way && (
                <Button
                  size="small"
                  aria-label={inNotation(`Take it: ${wayOutNames[way.id]}`)}
                  onClick={() => apply(() => way.after)}
                >
                  {switchWords.takeIt}
                </Button>
              ),
          },
        ]}
      />
    </div>
  );
}

const Figure = ({ text }: { readonly text: string }) => (
  <span className={`figures ${styles.nowrap}`}>{text}</span>
);
