'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design/analysis';
import { changeReading, deleteReading } from '@/core/project/edits';
import { LIMITS, type Reading } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useProject } from '@/ui/workbench/context';
import { lux } from '@/ui/words/figures';
import styles from './ReadingTable.module.css';

type Row = Reading & { readonly residual: number | null };

/** The readings by light, each to be changed where it stands, with how far it lies off the curve. */
export function ReadingTable({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { readings } = useProject();
  const residuals = design.ldr.source === 'measured' ? design.ldr.fit.residuals : null;
  const rows = useMemo(
    () =>
      readings
        .map((reading, index): Row => ({ ...reading, residual: residuals?.[index] ?? null }))
        .sort((one, other) => one.lux - other.lux),
    [readings, residuals],
  );
  return (
    <Table<Row>
      className={styles.table}
      size="small"
      rowKey="id"
      dataSource={rows}
      pagination={rows.length > 50 ? { pageSize: 50, size: 'small' } : false}
      columns={[
        {
          title: 'Light',
          width: 108,
          render: (_, row) => (
            <QuantityField
              label={`Light of the reading at ${lux(row.lux)}`}
              labelHidden
              unit="lx"
              value={row.lux}
              limits={LIMITS.lux}
              onCommit={(value) => apply(changeReading(row.id, { lux: value }))}
            />
          ),
        },
        {
          title: 'Resistance',
          width: 120,
          render: (_, row) => (
            <QuantityField
              label={`Resistance at ${lux(row.lux)}`}
              labelHidden
              unit="Ω"
              value={row.ohms}
              limits={LIMITS.readingOhms}
              onCommit={(value) => apply(changeReading(row.id, { ohms: value }))}
            />
          ),
        },
        {
          title: 'Off curve',
          align: 'right',
          render: (_, row) => (
            <span className="figures">
              {row.residual === null ? '–' : formatPercentOff(Math.expm1(row.residual))}
            </span>
          ),
        },
        {
          title: <span className="visually-hidden">Delete</span>,
          width: 36,
          render: (_, row) => (
            <Button
              type="text"
              size="small"
              icon={<DeleteOutlined />}
              aria-label={`Delete the reading at ${lux(row.lux)}`}
              onClick={() => apply(deleteReading(row.id))}
            />
          ),
        },
      ]}
    />
  );
}
