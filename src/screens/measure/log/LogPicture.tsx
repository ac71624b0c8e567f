'use client';

import { Segmented } from 'antd';
import type { InputRef } from 'antd';
import { useRef, useState } from 'react';
import type { LogMark } from '@/core/live/log';
import { Panel } from '@/ui/common/Panel';
import { ohms } from '@/ui/words/figures';
import { clockText, rateText, spanText } from '@/ui/words/time';
import { rateAt } from '@/core/live/decimate';
import styles from './Log.module.css';
import { LogChart } from './LogChart';
import { LogNote } from './LogNote';
import { MarkTable } from './MarkTable';
import { OutOfLog } from './OutOfLog';
import { useLogSeries } from './useLogSeries';
import { measureWords } from '@/ui/words/panels/measure';

const spans = [
  { value: 0, label: 'all' },
  { value: 600_000, label: measureWords.the10Min },
  { value: 60_000, label: measureWords.the1Min },
];

/** The figures this long before and after a mark are its own, in ms. */
const ABOUT_MARK = 1000;

/** A log in time: resistance, how fast it changes, and what happened when. */
export function LogPicture({ id }: { readonly id: string | null }) {
  const found = useLogSeries(id);
  const [span, setSpan] = useState(0);
  const [stretch, setStretch] = useState<readonly [number, number] | null>(null);
  const lightInput = useRef<InputRef>(null);
  /** Chooses the figures about a mark, for its light to be typed. */
  const takeAt = ({ at: time }: LogMark) => {
    setStretch([time - ABOUT_MARK, time + ABOUT_MARK]);
    lightInput.current?.focus();
  };
  if (!found || found.series.length === 0) {
    return (
      <Panel title={measureWords.resistanceInTime}>
        <p className={styles.empty}>
          {found ? 'Waiting for the first figure.' : 'Nothing recorded yet: connect a meter and start.'}
        </p>
      </Panel>
    );
  }
  const { record, series } = found;
  const { at, ohms: values, above } = series;
  const last = at[at.length - 1] ?? 0;
  const from = span === 0 ? (at[0] ?? 0) : Math.max(at[0] ?? 0, last - span);
  const rate = rateAt(at, values, above, last - 30_000, last + 1);
  return (
    <Panel
      title={record.name}
      aside={
        <Segmented
          aria-label={measureWords.howMuchOf}
          size="small"
          value={span}
          options={spans}
          onChange={setSpan}
        />
      }
    >
      <div className={styles.now}>
        <b className="figures">
          {above[at.length - 1] === 1 ? '> ' : ''}
          {ohms(values[at.length - 1] ?? 0)}
        </b>
        <span>
          {rate === null ? 'rate: not enough figures yet' : `${rateText(rate)} over the last half minute`}
        </span>
        <span className="soft">
          {clockText(at[0] ?? 0)} to {clockText(last)}, {spanText(last - (at[0] ?? 0))}, {series.length}{' '}
          points
        </span>
      </div>
      <LogChart
        series={series}
        length={series.length}
        marks={record.marks}
        from={from}
        to={Math.max(last, from + 1000)}
      />
      <LogNote key={record.id} record={record} />
      <MarkTable record={record} series={series} onTake={takeAt} />
      <OutOfLog
        record={record}
        series={series}
        stretch={stretch ?? [at[0] ?? 0, last]}
        onStretch={setStretch}
        input={lightInput}
      />
    </Panel>
  );
}
