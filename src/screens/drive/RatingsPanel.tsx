'use client';

import { Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design/analysis';
import { cautionsOf } from '@/core/design/cautions';
import { ratingsOf, type PartRating } from '@/core/design/ratings';
import { Panel } from '@/ui/common/Panel';
import { useLightText, useProject } from '@/ui/workbench/context';
import { cautionTexts } from '@/ui/words/driving';
import { partVolts, volts, watts } from '@/ui/words/figures';
import styles from './DrivePanel.module.css';

/** What every part makes of heat at worst, and what it must bear. */
export function RatingsPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const light = useLightText();
  const rows = useMemo(() => ratingsOf(project, design), [project, design]);
  const { part } = project.driver;
  return (
    <Panel title="What every part bears">
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="What every part bears">
        <Table<PartRating>
          size="small"
          pagination={false}
          rowKey="designator"
          dataSource={[...rows]}
          columns={[
            { title: 'Part', dataIndex: 'designator' },
            {
              title: 'Heat at worst',
              align: 'right',
              render: (_, row) => (
                <span className={row.ok ? 'figures' : `figures ${styles.bad}`}>{watts(row.watts)}</span>
              ),
            },
            {
              title: 'Bears',
              align: 'right',
              render: (_, row) => <span className={row.ok ? '' : styles.bad}>{ratedText(row)}</span>,
            },
            { title: 'At', align: 'right', render: (_, row) => (row.lux === null ? '' : light(row.lux)) },
          ]}
        />
      </div>
      <p className="soft">
        Off, Q1 stands {volts(design.sweep.worst.switchVolts)} of the {partVolts(part.maxVolts)} it bears.
      </p>
    </Panel>
  );
}

function ratedText({ isToBuy, ratedWatts, ok }: PartRating): string {
  if (ratedWatts === null) return isToBuy ? 'more than any usual one' : 'see its datasheet';
  if (isToBuy) return `take ${ratedWatts} W`;
  return `${watts(ratedWatts)}${ok ? '' : ': too little'}`;
}

/** What can hurt someone or burn something here. */
export function CautionsPanel() {
  const project = useProject();
  const cautions = useMemo(() => cautionsOf(project), [project]);
  if (cautions.length === 0) return null;
  return (
    <Panel title="Take care">
      <ul className={styles.cautions}>
        {cautions.map((caution) => (
          <li
            key={caution}
            className={caution === 'mains' || caution === 'capacitor-fed' ? styles.grave : ''}
          >
            {cautionTexts[caution]}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
