'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Input, Table } from 'antd';
import { indexAt, rateAt } from '@/core/live/decimate';
import { LOG_LIMITS, type LogMark, type LogRecord, type LogSeries } from '@/core/live/log';
import { useLiveState } from '@/ui/live/context';
import { ohms } from '@/ui/words/figures';
import { clockText, rateText } from '@/ui/words/time';
import { measureWords } from '@/ui/words/panels/measure';
import { useChangeLog } from './useChangeLog';
import { useOfferUndo } from './useOfferUndo';

interface MarkTableProps {
  readonly record: LogRecord;
  readonly series: LogSeries;
  /** Takes the figures about a time as a reading. */
  readonly onTake: (mark: LogMark) => void;
}

/** The marks as figures: when, what, the resistance then and how fast it was changing; each to be changed, deleted or read. */
export function MarkTable({ record, series, onTake }: MarkTableProps) {
  const change = useChangeLog();
  const offerUndo = useOfferUndo();
  // The tab that records has the marks; here they would be lost with its next one.
  const isElsewhere = useLiveState(({ elsewhere }) => elsewhere?.id === record.id);
  if (record.marks.length === 0) return null;
  const { at, ohms: values, above } = series;
  const keep = (marks: readonly LogMark[]) => change(record.id, { marks });
  const remove = (mark: LogMark) => {
    const before = record.marks;
    void keep(before.filter(({ id }) => id !== mark.id)).then(() =>
      offerUndo(`The mark “${mark.text}” is deleted`, () => keep(before)),
    );
  };
  const retell = (mark: LogMark, text: string) => {
    const told = text.trim();
    if (told === '' || told === mark.text) return;
    const before = record.marks;
    void keep(before.map((one) => (one.id === mark.id ? { ...one, text: told } : one))).then(() =>
      offerUndo(`“${mark.text}” is now “${told}”`, () => keep(before)),
    );
  };
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
        {
          title: measureWords.mark,
          render: (_, mark) => (
            <Input
              key={mark.text}
              size="small"
              variant="filled"
              disabled={isElsewhere}
              aria-label={`Text of the mark ${mark.text}`}
              defaultValue={mark.text}
              maxLength={LOG_LIMITS.markLength}
              onBlur={(event) => retell(mark, event.target.value)}
              onPressEnter={(event) => retell(mark, event.currentTarget.value)}
            />
          ),
        },
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
          title: <span className="visually-hidden">{measureWords.do}</span>,
          width: 68,
          render: (_, mark) => (
            <>
              <Button
                type="text"
                size="small"
                icon={<PlusOutlined />}
                title={measureWords.markAsReading}
                aria-label={`Take a reading at the mark ${mark.text}`}
                onClick={() => onTake(mark)}
              />
              <Button
                type="text"
                size="small"
                icon={<DeleteOutlined />}
                disabled={isElsewhere}
                aria-label={`Delete the mark ${mark.text}`}
                onClick={() => remove(mark)}
              />
            </>
          ),
        },
      ]}
    />
  );
}
