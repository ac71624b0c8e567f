'use client';

import { Button, Table } from 'antd';
import type { Design } from '@/core/design';
import type { Candidate } from '@/core/size/fixed';
import { changeDivider } from '@/core/project/edits';
import { formatPercentOff } from '@/core/quantity/format';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { combinationText } from '@/ui/words/dividing';
import { divideWords } from '@/ui/words/panels/divide';

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
        {
          title: divideWords.fromTheStock,
          render: (_, row) => <b className="figures">{combinationText(row)}</b>,
        },
        {
          title: divideWords.switchesAt,
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
          title: <span className="visually-hidden">{divideWords.take}</span>,
          align: 'right',
          render: (_, row) =>
            row.ohms === divider.fixedOhms ? (
              <span className="soft">{divideWords.inUse}</span>
            ) : (
              <Button
                size="small"
                aria-label={`Use ${combinationText(row)}`}
                onClick={() => apply(changeDivider({ fixedOhms: row.ohms, trimmer: null }))}
              >
                {divideWords.use}
              </Button>
            ),
        },
      ]}
    />
  );
}
