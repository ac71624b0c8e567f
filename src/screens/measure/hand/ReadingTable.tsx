'use client';

import { DeleteOutlined, EyeInvisibleOutlined, EyeOutlined } from '@ant-design/icons';
import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design/analysis';
import { residualsOf } from '@/core/design/ldrOf';
import { changeReading, deleteReading, setReadingAside } from '@/core/project/edits';
import { LIMITS, type Reading } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useProject } from '@/ui/workbench/context';
import { lux, partOhms } from '@/ui/words/figures';
import styles from './ReadingTable.module.css';

type Row = Reading & { readonly residual: number | null };

/** The readings by light, each to be changed where it stands, with how far it lies off the curve. */
export function ReadingTable({ design }: { readonly design: Design }) {
  const apply = useApply();
  const project = useProject();
  const { ldr } = design;
  const rows = useMemo(() => {
    const residuals = ldr.source === 'measured' ? residualsOf(project, ldr) : null;
    return project.readings
      .map((reading, index): Row => ({ ...reading, residual: residuals?.[index] ?? null }))
      .sort((one, other) => one.lux - other.lux);
  }, [project, ldr]);
  return (
    <Table<Row>
      className={styles.table}
      size="small"
      rowKey="id"
      rowClassName={(row) => (row.setAside ? (styles.aside ?? '') : '')}
      dataSource={rows}
      pagination={rows.length > 50 ? { pageSize: 50, size: 'small' } : false}
      columns={[
        {
          title: 'Light',
          width: 104,
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
          width: 118,
          render: (_, row) =>
            row.above ? (
              <span className={styles.above}>above {partOhms(row.ohms)}</span>
            ) : (
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
          title: <span className="visually-hidden">Set aside or delete</span>,
          width: 62,
          render: (_, row) => (
            <span className={styles.tools}>
              <Button
                type="text"
                size="small"
                icon={row.setAside ? <EyeInvisibleOutlined /> : <EyeOutlined />}
                title={row.setAside ? 'Set aside: take it into the fit again' : 'In the fit: set it aside'}
                aria-label={`Set the reading at ${lux(row.lux)} aside`}
                aria-pressed={row.setAside}
                onClick={() => apply(setReadingAside(row.id, !row.setAside))}
              />
              <Button
                type="text"
                size="small"
                icon={<DeleteOutlined />}
                aria-label={`Delete the reading at ${lux(row.lux)}`}
                onClick={() => apply(deleteReading(row.id))}
              />
            </span>
          ),
        },
      ]}
    />
  );
}
