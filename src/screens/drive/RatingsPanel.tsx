'use client';

import { shortest } from '@/core/quantity/notation';
import { Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { cautionsOf } from '@/core/advise/cautions';
import { ratingsOf } from '@/core/analyse/ratings';
import type { PartRating } from '@/core/analyse/ratings';
import { Panel } from '@/ui/common/Panel';
import { useLightText, useProject } from '@/ui/workbench/context';
import { cautionTexts } from '@/ui/words/names';
import { partVolts, volts, watts } from '@/ui/words/figures';
import styles from './DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

/** What every part makes of heat at worst, and what it is rated for. */
export function RatingsPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const light = useLightText();
  const rows = useMemo(() => ratingsOf(design), [design]);
  const { part } = project.driver;
  return (
    <Panel title={driveWords.ratings}>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={driveWords.ratings}>
        <Table<PartRating>
          size="small"
          pagination={false}
          rowKey="designator"
          dataSource={[...rows]}
          columns={[
            { title: driveWords.part, dataIndex: 'designator' },
            {
              title: driveWords.heatAtWorst,
              align: 'right',
              render: (_, row) => (
                <span className={row.ok ? 'figures' : `figures ${styles.bad}`}>{watts(row.watts)}</span>
              ),
            },
            {
              title: driveWords.rated,
              align: 'right',
              render: (_, row) => <span className={row.ok ? '' : styles.bad}>{ratedText(row)}</span>,
            },
            {
              title: driveWords.at2,
              align: 'right',
              render: (_, row) => (row.lux === null ? '' : light(row.lux)),
            },
          ]}
        />
      </div>
      <p className="soft">
        When off, {design.assembly.driver?.designator ?? 'the output'} blocks{' '}
        {volts(design.extremes.worst.switchVolts)} (rated {partVolts(part.maxVolts)}).
      </p>
    </Panel>
  );
}

function ratedText({ isToBuy, ratedWatts, ok }: PartRating): string {
  if (ratedWatts === null) return isToBuy ? 'more than any common one' : 'see its datasheet';
  if (isToBuy) return `use at least ${shortest(ratedWatts, 3)} W`;
  return `${watts(ratedWatts)}${ok ? '' : ': too little'}`;
}

/** What can hurt someone or burn something here. */
export function CautionsPanel() {
  const project = useProject();
  const cautions = useMemo(() => cautionsOf(project), [project]);
  if (cautions.length === 0) return null;
  return (
    <Panel title={driveWords.takeCare}>
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
