'use client';

import {
  DeleteOutlined,
  ExclamationCircleFilled,
  EyeInvisibleOutlined,
  EyeOutlined,
} from '@ant-design/icons';
import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { deleteReading, setReadingAside } from '@/core/project/readingEdits';
import { formatPercentOff } from '@/core/quantity/format';
import { residualsOf } from '@/core/readings/ldrOf';
import type { Reading } from '@/core/readings/reading';
import { useApply, useProject } from '@/ui/workbench/context';
import { readingLightText } from '@/ui/words/light';
import { LightCell } from './LightCell';
import { OhmsCell } from './OhmsCell';
import { ReadingDetails } from './ReadingDetails';
import styles from './ReadingTable.module.css';
import { measureWords } from '@/ui/words/panels/measure';

interface Row extends Reading {
  readonly name: string;
  readonly place: number | null;
  readonly residual: number | null;
  readonly flagged: boolean;
}

/** The readings from dark to bright, each to be changed where it stands, with how far it lies off the curve. */
export function ReadingTable({ design }: { readonly design: Design }) {
  const apply = useApply();
  const project = useProject();
  const { resolved, judgement, ldr } = design;
  const rows = useMemo(() => {
    const residuals = ldr.source === 'measured' ? residualsOf(project) : null;
    const flagged = new Set(judgement.flags.map(({ id }) => id));
    return project.readings
      .map((reading, index): Row => ({
        ...reading,
        name: readingLightText(reading.light, project.levels),
        place: resolved.lights[index] ?? null,
        residual: residuals?.[index] ?? null,
        flagged: flagged.has(reading.id),
      }))
      .sort((one, other) => (one.place ?? Infinity) - (other.place ?? Infinity));
  }, [project, ldr, resolved, judgement]);
  return (
    <Table<Row>
      className={styles.table}
      size="small"
      rowKey="id"
      rowClassName={(row) => (row.setAside ? (styles.aside ?? '') : '')}
      dataSource={rows}
      pagination={rows.length > 50 ? { pageSize: 50, size: 'small' } : false}
      expandable={{
        expandedRowRender: (row) => <ReadingDetails reading={row} name={row.name} />,
        columnWidth: 24,
        columnTitle: <span className="visually-hidden">{measureWords.moreOf}</span>,
      }}
      columns={[
        {
          title: measureWords.light,
          width: ldr.source === 'named' ? undefined : 108,
          render: (_, row) => <LightCell reading={row} name={row.name} />,
        },
        {
          title: measureWords.resistance,
          width: 106,
          render: (_, row) => <OhmsCell reading={row} name={row.name} />,
        },
        ...(ldr.source === 'named' ? [] : [offColumn]),
        {
          title: <span className="visually-hidden">{measureWords.setAsideOr}</span>,
          width: 52,
          render: (_, row) => (
            <span className={styles.tools}>
              <Button
                type="text"
                size="small"
                icon={row.setAside ? <EyeInvisibleOutlined /> : <EyeOutlined />}
                title={row.setAside ? 'Set aside: take it into the fit again' : 'In the fit: set it aside'}
                aria-label={`Set the reading at ${row.name} aside`}
                aria-pressed={row.setAside}
                onClick={() => apply(setReadingAside(row.id, !row.setAside))}
              />
              <Button
                type="text"
                size="small"
                icon={<DeleteOutlined />}
                aria-label={`Delete the reading at ${row.name}`}
                onClick={() => apply(deleteReading(row.id))}
              />
            </span>
          ),
        },
      ]}
    />
  );
}

const offColumn = {
  title: measureWords.off,
  align: 'right' as const,
  render: (_: unknown, row: Row) => (
    <span className={`figures ${styles.off} ${row.flagged ? styles.flagged : ''}`}>
      {row.flagged && <ExclamationCircleFilled title={measureWords.worthALook} />}{' '}
      {row.residual === null ? '–' : formatPercentOff(Math.expm1(row.residual), 0)}
    </span>
  ),
};
