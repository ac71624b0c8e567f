'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Table } from 'antd';
import { indexAt, rateAt } from '@/core/live/decimate';
import type { LogMark, LogRecord, LogSeries } from '@/core/live/log';
import { useLive, useLiveState } from '@/ui/live/context';
import { ohms } from '@/ui/words/figures';
import { clockText, rateText } from '@/ui/words/time';
import { measureWords } from '@/ui/words/panels/measure';

interface MarkTableProps {
  readonly record: LogRecord;
  readonly series: LogSeries;
}

/** The marks as figures: when, what, the resistance then and how fast it was changing. */
export function MarkTable({ record, series }: MarkTableProps) {
  const { session } = useLive();
  const isRunning = useLiveState((live) => live.log?.id === record.id);
  if (record.marks.length === 0) return null;
  const { at, ohms: values, above } = series;
  const remove = (id: string) =>
    session.changeLog((recorder) =>
      recorder.change({ marks: recorder.record.marks.filter((mark) => mark.id !== id) }),
    );
  return (
    <Table<LogMark>
      size="small"
      rowKey="id"
      pagination={record.marks.length > 20 ? { pageSize: 20, size: 'small' } : false}
      dataSource={[...record.marks]}
      columns={[
        {
          title: measureWords.time,
          render: (_, mark) => <span className="figures">{clockText(mark.at)}</span>,
        },
        { title: measureWords.mark, dataIndex: 'text' },
        {
          title: measureWords.resistance,
          align: 'right',
          render: (_, mark) => (
            <span className="figures">
              {ohms(values[Math.min(series.length - 1, indexAt(at, mark.at))] ?? 0)}
            </span>
          ),
        },
        {
          title: measureWords.rate,
          align: 'right',
          render: (_, mark) => {
            const rate = rateAt(at, values, above, mark.at - 15_000, mark.at + 15_000);
            return <span className="figures">{rate === null ? '–' : rateText(rate)}</span>;
          },
        },
        {
          title: <span className="visually-hidden">{measureWords.delete}</span>,
          width: 34,
          render: (_, mark) =>
            isRunning && (
              <Button
                type="text"
                size="small"
                icon={<DeleteOutlined />}
                aria-label={`Delete the mark ${mark.text}`}
                onClick={() => remove(mark.id)}
              />
            ),
        },
      ]}
    />
  );
}
