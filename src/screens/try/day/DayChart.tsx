'use client';

import type { ChartData, ChartOptions } from 'chart.js';
import { Slider } from 'antd';
import { useId, useMemo, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { decimate } from '@/core/live/decimate';
import { formatQuantity } from '@/core/quantity/format';
import type { DayReport } from '@/core/simulate/day/dayReport';
import type { Sunlit } from '@/core/simulate/day/sunlit';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import { tryWords } from '@/ui/words/panels/try';
import { dayTimeText } from '@/ui/words/trying';
import styles from '../Try.module.css';

type Points = { x: number; y: number }[];

/** So many columns are drawn of the light; each switching is drawn besides, however many there are. */
const COLUMNS = 800;
/** No shorter part is shown, in s. */
const SHORTEST_SECONDS = 60;

interface DayChartProps {
  readonly report: DayReport;
  readonly onLux: number | null;
  readonly offLux: number | null;
  /** `null` for a recorded light. */
  readonly day: Sunlit | null;
}

/** Light in the day with the lights of switching, and when the load is on; a part of it as large as one likes. */
export function DayChart({ report, onLux, offLux, day }: DayChartProps) {
  const id = useId();
  const colors = useColors();
  const whole = report.wholeSeconds;
  const [range, setRange] = useState<readonly [number, number] | null>(null);
  const [from, to] = range ?? [0, whole];
  const data = useMemo(
    () => dataOf(report, { from, to }, { onLux, offLux }, day, colors),
    [report, from, to, onLux, offLux, day, colors],
  );
  const options = useMemo(() => optionsOf(report, { from, to }, colors), [report, from, to, colors]);
  return (
    <>
      <div className={styles.chart}>
        <Line
          data={data}
          options={options}
          role="img"
          aria-label={`${tryWords.chart}: ${report.switchedAt.length} switchings`}
        />
      </div>
      <div className={styles.legend}>
        <span>
          <i className={styles.key} style={{ background: colors.amber }} />
          {tryWords.light}
        </span>
        <span>
          <i className={styles.key} style={{ background: colors.teal }} />
          load on
        </span>
        <span>
          <i className={styles.key} style={{ background: colors.brick }} />
          turns on and off here
        </span>
        {day && (
          <>
            <span>
              <i className={styles.key} style={{ background: colors.offBar }} />
              night
            </span>
            <span>
              <i className={styles.key} style={{ background: `${colors.offBar}66` }} />
              {tryWords.twilight}
            </span>
          </>
        )}
      </div>
      <div className={styles.lightRow}>
        <span id={id}>{tryWords.zoom}</span>
        <b className="figures">
          {dayTimeText(from)} – {dayTimeText(to)}
        </b>
      </div>
      <Slider
        range
        min={0}
        max={whole}
        step={SHORTEST_SECONDS}
        value={[from, to]}
        ariaLabelledByForHandle={[id, id]}
        ariaValueTextFormatterForHandle={[
          (value) => dayTimeText(value ?? 0),
          (value) => dayTimeText(value ?? 0),
        ]}
        tooltip={{ open: false }}
        onChange={([low = 0, high = whole]) =>
          setRange(high - low < SHORTEST_SECONDS ? null : low <= 0 && high >= whole ? null : [low, high])
        }
      />
    </>
  );
}

interface Span {
  readonly from: number;
  readonly to: number;
}

function dataOf(
  { track, switchedAt, startsOn }: DayReport,
  { from, to }: Span,
  { onLux, offLux }: Pick<DayChartProps, 'onLux' | 'offLux'>,
  day: DayChartProps['day'],
  colors: Palette,
): ChartData<'line', Points> {
  const level = (lux: number | null): Points =>
    lux === null
      ? []
      : [
          { x: from, y: lux },
          { x: to, y: lux },
        ];
  const flat = (spans: readonly Span[], y: number): Points =>
    spans.flatMap(({ from: start, to: end }) => [
      { x: start, y: 0 },
      { x: start, y },
      { x: end, y },
      { x: end, y: 0 },
    ]);
  const [night, twilight] = day
    ? [
        [
          { from: 0, to: day.twilight.from },
          { from: day.twilight.to, to: 86_400 },
        ],
        [
          { from: day.twilight.from, to: day.sun.from },
          { from: day.sun.to, to: day.twilight.to },
        ],
      ]
    : [[], []];
  return {
    datasets: [
      {
        data: [...decimate(track.seconds, track.lux, from, to, COLUMNS)],
        yAxisID: 'light',
        borderColor: colors.amber,
        borderWidth: 1.6,
      },
      {
        data: level(onLux),
        yAxisID: 'light',
        borderColor: colors.brick,
        borderWidth: 1.4,
        borderDash: [6, 3],
      },
      {
        data: level(offLux),
        yAxisID: 'light',
        borderColor: colors.brick,
        borderWidth: 1.2,
        borderDash: [2, 3],
      },
      {
        data: flat(onSpans(switchedAt, startsOn, to), 1),
        yAxisID: 'load',
        borderColor: colors.teal,
        borderWidth: 1,
        fill: 'origin',
        backgroundColor: `${colors.teal}66`,
      },
      {
        data: flat(night, 1),
        yAxisID: 'night',
        borderWidth: 0,
        fill: 'origin',
        backgroundColor: `${colors.offBar}88`,
      },
      {
        data: flat(twilight, 1),
        yAxisID: 'night',
        borderWidth: 0,
        fill: 'origin',
        backgroundColor: `${colors.offBar}33`,
      },
    ],
  };
}

/** When the load is on: none is left out, however short. */
function onSpans(switchedAt: Float64Array, startsOn: boolean, to: number): readonly Span[] {
  const spans: Span[] = [];
  let since = startsOn ? 0 : null;
  for (const at of switchedAt) {
    if (since === null) since = at;
    else {
      spans.push({ from: since, to: at });
      since = null;
    }
  }
  if (since !== null) spans.push({ from: since, to });
  return spans;
}

function optionsOf({ track }: DayReport, { from, to }: Span, colors: Palette): ChartOptions<'line'> {
  let [low, high] = [Infinity, 0];
  for (const lux of track.lux) {
    if (lux < low) low = lux;
    if (lux > high) high = lux;
  }
  const axis = {
    grid: { color: colors.lineSoft },
    border: { display: false },
    afterFit: (scale: { width: number }) => {
      scale.width = 62;
    },
  };
  return {
    ...PLAIN_CHART,
    scales: {
      x: {
        type: 'linear',
        min: from,
        max: to,
        grid: { color: colors.lineSoft },
        ticks: {
          color: colors.inkSoft,
          stepSize: stepFor(to - from),
          maxRotation: 0,
          maxTicksLimit: 10,
          callback: (value) => dayTimeText(Number(value)),
        },
      },
      load: {
        ...axis,
        type: 'linear',
        stack: 'all',
        stackWeight: 0.22,
        min: 0,
        max: 1.15,
        grid: { display: false },
        ticks: { display: false },
      },
      light: {
        ...axis,
        type: 'logarithmic',
        stack: 'all',
        stackWeight: 1,
        min: 10 ** Math.floor(Math.log10(Math.max(low, 0.001))),
        max: 10 ** Math.ceil(Math.log10(high * 1.05)),
        ticks: {
          color: colors.inkSoft,
          callback: (value) =>
            Math.abs(Math.log10(Number(value)) % 1) < 1e-9
              ? formatQuantity(Number(value), 'lx', { digits: 2, trim: true })
              : '',
        },
      },
      night: { type: 'linear', min: 0, max: 1, display: false },
    },
  };
}

/** Whole hours, quarters or minutes, by how much is shown. */
function stepFor(seconds: number): number {
  const steps = [60, 300, 900, 1800, 3600, 7200, 10_800, 14_400];
  return steps.find((step) => seconds / step <= 9) ?? 14_400;
}
