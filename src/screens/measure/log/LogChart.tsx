'use client';

import { shortest } from '@/core/quantity/notation';
import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { decimate, ratesOver } from '@/core/live/decimate';
import type { LogMark, LogSeries } from '@/core/live/log';
import { formatQuantity } from '@/core/quantity/format';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { niceCeiling } from '@/ui/axis/ticks';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import { ohms } from '@/ui/words/figures';
import { clockText, rateText } from '@/ui/words/time';
import styles from './Log.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const COLUMNS = 700;
const RATES = 160;

interface LogChartProps {
  readonly series: LogSeries;
  /** How many points the series has: it grows in place, so this says that there is something new. */
  readonly length: number;
  readonly marks: readonly LogMark[];
  readonly from: number;
  readonly to: number;
}

type Points = { x: number; y: number }[];

/** Resistance over time with its marks, and below it the rate of change in % per minute; few points however long the log. */
export function LogChart({ series, length, marks, from, to }: LogChartProps) {
  const colors = useColors();
  const picture = useMemo(() => pictureOf(series, length, from, to), [series, length, from, to]);
  const shownMarks = useMemo(() => marks.filter(({ at }) => at >= from && at <= to), [marks, from, to]);
  const { min, max, points, rates, maxRate } = picture;
  const data = useMemo(
    (): ChartData<'line', Points> => ({
      datasets: [
        { data: points, borderColor: colors.accent, borderWidth: 1.8 },
        ...shownMarks.map(({ at }) => ({
          data: [
            { x: at, y: min },
            { x: at, y: max },
          ],
          borderColor: colors.brick,
          borderWidth: 1.2,
          borderDash: [4, 3],
        })),
      ],
    }),
    [points, shownMarks, min, max, colors],
  );
  const rateData = useMemo(
    (): ChartData<'line', Points> => ({
      datasets: [
        {
          data: [
            { x: from, y: 0 },
            { x: to, y: 0 },
          ],
          borderColor: colors.tick,
          borderWidth: 1,
        },
        { data: rates, borderColor: colors.teal, borderWidth: 1.8 },
      ],
    }),
    [rates, from, to, colors],
  );
  const top = useMemo(
    () => chartOptions(from, to, 'logarithmic', min, max, colors, false),
    [from, to, min, max, colors],
  );
  const bottom = useMemo(
    () => chartOptions(from, to, 'linear', -maxRate, maxRate, colors, true),
    [from, to, maxRate, colors],
  );
  return (
    <div className={styles.charts}>
      <h3>{measureWords.resistance}</h3>
      <div className={styles.chart}>
        <Line
          data={data}
          options={top}
          role="img"
          aria-label={`Resistance in time, from ${ohms(min)} to ${ohms(max)}; ${shownMarks.length} marks.`}
        />
        <div className={styles.markNames} aria-hidden>
          {shownMarks.map(({ id, at, text }) => (
            <span key={id} style={{ left: `${((at - from) / (to - from)) * 100}%` }}>
              {text}
            </span>
          ))}
        </div>
      </div>
      <h3>{measureWords.rateOfChange}</h3>
      <div className={styles.rates}>
        <Line
          data={rateData}
          options={bottom}
          role="img"
          aria-label={`Rate of change in per cent per minute, within ${rateText(maxRate)} either way.`}
        />
      </div>
    </div>
  );
}

/** What is drawn of a stretch: decimated resistance, its scale, and rates over a window that suits the span. */
function pictureOf(series: LogSeries, length: number, from: number, to: number) {
  const { at, ohms: values, above } = series;
  const points = [...decimate(at.subarray(0, length), values, from, to, COLUMNS)];
  const ys = points.map(({ y }) => y);
  const window = Math.max(4000, (to - from) / 40);
  const rates = [...ratesOver(at, values, above, from, to, RATES, window)];
  const size = Math.max(1, ...rates.map(({ y }) => Math.abs(y)));
  return {
    points,
    rates,
    min: Math.min(...ys) / 1.15,
    max: Math.max(...ys) * 1.15,
    maxRate: niceCeiling(size),
  };
}

function chartOptions(
  from: number,
  to: number,
  type: 'linear' | 'logarithmic',
  min: number,
  max: number,
  colors: Palette,
  isRate: boolean,
): ChartOptions<'line'> {
  return {
    ...PLAIN_CHART,
    layout: { autoPadding: false, padding: { right: 34, top: 6 } },
    scales: {
      x: {
        type: 'linear',
        min: from,
        max: to,
        grid: { color: colors.lineSoft },
        ticks: {
          color: colors.inkSoft,
          maxTicksLimit: 7,
          maxRotation: 0,
          display: isRate,
          callback: (value) => clockText(Number(value)),
        },
      },
      y: {
        type,
        min: min,
        max: max,
        grid: { color: colors.lineSoft },
        afterFit: (axis) => {
          axis.width = 74;
        },
        ticks: {
          color: colors.inkSoft,
          maxTicksLimit: isRate ? 5 : 7,
          callback: (value) =>
            isRate
              ? `${shortest(Number(value), 3)} %`
              : formatQuantity(Number(value), 'Ω', { digits: 2, trim: true }),
        },
      },
    },
  };
}
