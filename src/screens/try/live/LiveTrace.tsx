'use client';

import type { Chart, ChartData, ChartOptions, Scale } from 'chart.js';
import { useEffect, useMemo, useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { ldrOhmsAt, type LdrCurve } from '@/core/ldr/curve';
import type { LightRange } from '@/core/light/range';
import type { LightScale } from '@/core/light/scale';
import { formatQuantity } from '@/core/quantity/format';
import type { LiveBench } from '@/core/simulate/liveBench';
import '@/ui/axis/chartSetup';
import { thinned, type CurvePoint } from '@/ui/axis/thinned';
import { isThere, PLAIN_CHART } from '@/ui/axis/plainChart';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import { useScale } from '@/ui/workbench/context';
import { lightText } from '@/ui/words/light';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';
import type { BenchRun } from './useLiveBench';

/** So many seconds are in sight, and so many points of each curve. */
const SHOWN_SECONDS = 12;
const POINTS = 240;
/** A curve may pass its points by this without being seen to. */
const UNSEEN_PIXELS = 0.3;

type Points = CurvePoint[];

interface LiveTraceProps {
  readonly run: BenchRun;
  readonly range: LightRange;
  readonly curve: LdrCurve;
  readonly minVolts: number;
  readonly maxVolts: number;
  readonly markedAt: number | null;
}

/** The last seconds as they go by: light, the LDR after it, and the load; drawn with every frame, outside of React. */
export function LiveTrace({ run, range, curve, minVolts, maxVolts, markedAt }: LiveTraceProps) {
  const chart = useRef<Chart<'line', Points>>(null);
  const colors = useColors();
  const { bench, lookedAt, frames } = run;
  const hasTwo = bench.simulations.length > 1;
  const scale = useScale();
  const options = useMemo(
    () => optionsOf({ range, curve, minVolts, maxVolts, scale }, colors),
    [range, curve, minVolts, maxVolts, scale, colors],
  );
  const data = useMemo(() => emptyData(colors, hasTwo), [colors, hasTwo]);
  useEffect(() => {
    // A frame may come between the chart’s end and this one’s.
    const draw = () =>
      chart.current && isThere(chart.current) && drawTrace(chart.current, bench, lookedAt, markedAt);
    draw();
    return frames.follow(draw);
  }, [bench, lookedAt, markedAt, frames, data, options]);
  return (
    <div className={styles.trace}>
      <Line ref={chart} data={data} options={options} role="img" aria-label={tryWords.trace} />
      {rows.map(({ name, top }) => (
        <span key={name} className={styles.traceName} style={{ top }}>
          {name}
        </span>
      ))}
    </div>
  );
}

/** What each row shows, and where it begins. */
const rows = [
  { name: tryWords.overLight, top: 0 },
  { name: tryWords.overOhms, top: '25%' },
  { name: tryWords.overVolts, top: '49%' },
  { name: tryWords.overLoad, top: '72%' },
] as const;

function emptyData(colors: Palette, hasTwo: boolean): ChartData<'line', Points> {
  return {
    datasets: [
      { data: [], yAxisID: 'light', borderColor: colors.aside, borderWidth: 2 },
      { data: [], yAxisID: 'ohms', borderColor: colors.accent, borderWidth: 2 },
      { data: [], yAxisID: 'volts', borderColor: colors.ink, borderWidth: 2 },
      { data: [], yAxisID: 'volts', borderColor: colors.teal, borderWidth: 1.5, borderDash: [6, 3] },
      { data: [], yAxisID: 'volts', borderColor: colors.brick, borderWidth: 1.5, borderDash: [2, 2] },
      {
        data: [],
        yAxisID: 'load',
        borderColor: colors.amber,
        borderWidth: 2,
        fill: 'origin',
        backgroundColor: `${colors.amber}33`,
      },
      ...(hasTwo
        ? [{ data: [], yAxisID: 'load', borderColor: colors.accent, borderWidth: 2, borderDash: [6, 3] }]
        : []),
      { data: [], yAxisID: 'load', borderColor: colors.ink, borderWidth: 1.2, borderDash: [2, 3] },
    ],
  };
}

/** Puts the samples in sight into the chart, few of them however fast they come. */
function drawTrace(
  chart: Chart<'line', Points>,
  bench: LiveBench,
  lookedAt: number | null,
  markedAt: number | null,
) {
  const end = lookedAt ?? bench.time;
  const from = end - SHOWN_SECONDS;
  const { samples } = bench;
  let last = samples.length;
  while (last > 0 && (samples[last - 1]?.time ?? 0) > end) last -= 1;
  let first = last;
  while (first > 0 && (samples[first - 1]?.time ?? 0) >= from) first -= 1;
  const step = Math.max(1, Math.floor((last - first) / POINTS));
  const sets = chart.data.datasets;
  const hasTwo = bench.simulations.length > 1;
  const curves: Points[] = sets.map(() => []);
  for (let index = first; index < last; index += step) {
    const sample = samples[index];
    if (!sample) continue;
    const x = sample.time - end;
    curves[0]?.push({ x, y: sample.lux });
    curves[1]?.push({ x, y: sample.ohms });
    curves[2]?.push({ x, y: sample.midVolts });
    // A threshold that is not there leaves a gap.
    curves[3]?.push({ x, y: sample.thresholds.brighterVolts ?? NaN });
    curves[4]?.push({ x, y: sample.thresholds.darkerVolts ?? NaN });
    curves[5]?.push({ x, y: 100 * mostShare(samples, index, step, 0) });
    if (hasTwo) curves[6]?.push({ x, y: 100 * mostShare(samples, index, step, 1) });
  }
  if (markedAt !== null && markedAt >= from)
    curves.at(-1)?.push({ x: markedAt - end, y: 0 }, { x: markedAt - end, y: 120 });
  // The scales stand still: only the curves are made anew, which costs a fraction of a whole update.
  sets.forEach((set, index) => {
    const { controller, yScale } = chart.getDatasetMeta(index);
    set.data = thinned(curves[index] ?? [], (y) => yScale?.getPixelForValue(y) ?? y, UNSEEN_PIXELS);
    controller.buildOrUpdateElements(false);
    controller.update('none');
  });
  chart.draw();
}

/** The most of a design's load in a few samples: none that is on for a moment is passed over. */
function mostShare(samples: LiveBench['samples'], from: number, count: number, design: number): number {
  let most = 0;
  for (let index = from; index < Math.min(samples.length, from + count); index++)
    most = Math.max(most, samples[index]?.shares[design] ?? 0);
  return most;
}

interface Rows extends Pick<LiveTraceProps, 'range' | 'curve' | 'minVolts' | 'maxVolts'> {
  readonly scale: LightScale;
}

function optionsOf({ range, curve, minVolts, maxVolts, scale }: Rows, colors: Palette): ChartOptions<'line'> {
  const { minLux, maxLux } = range;
  const lightDecades = decadesOnly(lightText(scale));
  const axis = (weight: number) => ({
    stack: 'all',
    stackWeight: weight,
    grid: { color: colors.lineSoft },
    border: { display: false },
    afterFit: (scale: { width: number }) => {
      scale.width = 62;
    },
  });
  return {
    ...PLAIN_CHART,
    layout: { autoPadding: false, padding: { right: 14, top: 14 } },
    scales: {
      x: {
        type: 'linear',
        min: -SHOWN_SECONDS,
        max: 0,
        grid: { color: colors.lineSoft },
        ticks: { color: colors.inkSoft, callback: (value) => (Number(value) === 0 ? 'now' : `${value} s`) },
      },
      load: {
        ...axis(1),
        type: 'linear',
        min: 0,
        max: 125,
        ticks: {
          color: colors.inkSoft,
          stepSize: 50,
          callback: (value) => (Number(value) > 100 ? '' : `${value} %`),
        },
      },
      volts: {
        ...axis(1),
        type: 'linear',
        min: minVolts - 0.1 * (maxVolts - minVolts),
        max: maxVolts + 0.25 * (maxVolts - minVolts),
        ticks: {
          color: colors.inkSoft,
          callback: (value) => formatQuantity(Number(value), 'V', { digits: 2, trim: true }),
        },
        afterBuildTicks: (axis: Scale) => {
          axis.ticks = [minVolts, (minVolts + maxVolts) / 2, maxVolts].map((value) => ({ value }));
        },
      },
      ohms: {
        ...axis(1),
        type: 'logarithmic',
        // Room above and below, so that no two scales touch.
        min: ldrOhmsAt(curve, maxLux) / 3,
        max: ldrOhmsAt(curve, minLux) * 3,
        afterBuildTicks: ohmsDecades.afterBuildTicks,
        ticks: { color: colors.inkSoft, autoSkip: false, callback: ohmsDecades.label },
      },
      light: {
        ...axis(1.1),
        type: 'logarithmic',
        min: minLux / 3,
        max: maxLux * 1.5,
        afterBuildTicks: lightDecades.afterBuildTicks,
        ticks: { color: colors.inkSoft, autoSkip: false, callback: lightDecades.label },
      },
    },
  };
}

/** Every second decade of a scale has a label: there is room for no more. */
const decadesOnly = (text: (value: number) => string) => ({
  afterBuildTicks: (axis: Scale) => {
    const [from, to] = [Math.ceil(Math.log10(axis.min)), Math.floor(Math.log10(axis.max))];
    axis.ticks = Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => ({
      value: 10 ** (from + index),
    }));
  },
  label: (value: number | string) => {
    const power = Math.round(Math.log10(Number(value)));
    return power % 2 === 0 ? text(10 ** power) : '';
  },
});
const ohmsDecades = decadesOnly((value) => formatQuantity(value, 'Ω', { digits: 2, trim: true }));
