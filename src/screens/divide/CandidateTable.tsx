'use client';

import { Button, Table } from 'antd';
import type { Design } from '@/core/design/analysis';
import type { Candidate } from '@/core/design/sizing';
import { changeDivider } from '@/core/project/edits';
import { formatPercentOff } from '@/core/quantity/format';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';

/** The real values on either side of the exact one, and where each would switch. */
export function CandidateTable({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { divider, goal } = useProject();
  const light = useLightText();
  return (
    <Table<Candidate>
      size="small"
      rowKey="ohms"
      pagination={false}
      dataSource={[...design.candidates]}
      columns={[
        { title: 'Value', render: (_, row) => <b className="figures">{partOhms(row.ohms)}</b> },
        { title: 'Series', render: (_, row) => row.series.join(', ') },
        {
          title: 'Switches at',
          align: 'right',
          render: (_, row) => (
            <span className="figures">
              {row.switching.ok
                ? `${light(row.switching.lux)} ${formatPercentOff(row.switching.lux / goal.lux - 1)}`
                : 'never'}
            </span>
          ),
        },
        {
          title: <span className="visually-hidden">Take</span>,
          align: 'right',
          render: (_, row) =>
            row.ohms === divider.fixedOhms ? (
              <span className="soft">in use</span>
            ) : (
              <Button
                size="small"
                aria-label={`Use ${partOhms(row.ohms)}`}
                onClick={() => apply(changeDivider({ fixedOhms: row.ohms }))}
              >
                Use
              </Button>
            ),
        },
      ]}
    />
  );
}
