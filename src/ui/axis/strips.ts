import { shortest } from '@/core/quantity/notation';
import type { ChartData } from 'chart.js';
import type { DrawnCurves } from '@/core/analyse/curves/drawn';
import type { Design } from '@/core/design';
import type { Project } from '@/core/project/project';
import { residualsOf } from '@/core/readings/ldrOf';
import type { Reading } from '@/core/readings/reading';
import type { ResolvedLights } from '@/core/readings/resolveLights';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { ldrOhmsBand, type LdrModel } from '@/core/ldr/model';
import { logSpacedLux, type LightRange } from '@/core/light/range';
import { formatPercentOff, formatQuantity, GAP } from '@/core/quantity/format';
import type { Palette } from '../theme/tokens';
import type { StripScale } from './chartSetup';
import { niceCeiling } from './ticks';

/** Points of the LDR's curve. */
const CURVE_POINTS = 97;

type Points = { x: number; y: number }[];
type StripData = ChartData<'line', Points>;

/** Arrays of light and value as the points of a line. */
function pointsOf(lux: ArrayLike<number>, values: ArrayLike<number>, factor = 1): Points {
  return Array.from(lux, (x, index) => ({ x, y: (values[index] ?? 0) * factor }));
}

/** Some of the readings as points, from dark to bright; those without a light have no place. */
function readingPoints(
  readings: readonly Reading[],
  resolved: ResolvedLights,
  which: (reading: Reading) => boolean,
): Points {
  return readings
    .flatMap((reading, index) => {
      const light = resolved.lights[index] ?? null;
      const isPlaced = light !== null && reading.light.kind !== 'lamp-off';
      return isPlaced && which(reading) ? [{ x: light, y: reading.ohms }] : [];
    })
    .sort((one, other) => one.x - other.x);
}

/** The LDR's curve with its band, and the readings. */
export function resistanceStrip(
  readings: readonly Reading[],
  ldr: LdrModel,
  resolved: ResolvedLights,
  range: LightRange,
  colors: Palette,
): { scale: StripScale; data: StripData } {
  const lux = logSpacedLux(range, CURVE_POINTS);
  const curve = lux.map((light) => ldrOhmsAt(ldr.curve, light));
  const bands = Array.from(lux, (light) => ldrOhmsBand(ldr, light));
  const edge = (end: 'low' | 'high'): Points =>
    Array.from(lux, (x, index) => ({ x, y: bands[index]?.[end] ?? 0 }));
  const readOhms = readings.map((reading) => reading.ohms);
  const ends = [curve[0] ?? 1e6, curve[curve.length - 1] ?? 100, ...readOhms];
  const from = Math.floor(Math.log10(Math.min(...ends) * 0.8));
  const to = Math.ceil(Math.log10(Math.max(...ends) * 1.25));
  const every = to - from > 4 ? 2 : 1;
  const ticks = Array.from({ length: to - from + 1 }, (_, index) => Number(`1e${from + index}`)).filter(
    (_, index) => index % every === 0,
  );
  return {
    scale: {
      kind: 'log',
      min: Number(`1e${from}`),
      max: Number(`1e${to}`),
      ticks,
      label: (value) => formatQuantity(value, 'Ω', { digits: 3, trim: true }),
    },
    data: {
      datasets: [
        {
          data: edge('low'),
          borderWidth: 0,
          fill: '+1',
          backgroundColor: `${colors.accent}26`,
        },
        { data: edge('high'), borderWidth: 0, fill: false },
        {
          data: pointsOf(lux, curve),
          borderColor: colors.accent,
          borderDash: ldr.source === 'measured' || ldr.source === 'named' ? [] : [6, 5],
        },
        {
          data: readingPoints(readings, resolved, (reading) => !reading.above && !reading.setAside),
          showLine: false,
          pointRadius: 4.5,
          pointBackgroundColor: colors.card,
          pointBorderColor: colors.ink,
          pointBorderWidth: 2,
        },
        // Over the meter's range: an arrow up from the limit. Set aside: grey.
        {
          data: readingPoints(readings, resolved, (reading) => reading.above && !reading.setAside),
          showLine: false,
          pointStyle: 'triangle',
          pointRadius: 6,
          pointBackgroundColor: colors.card,
          pointBorderColor: colors.ink,
          pointBorderWidth: 2,
        },
        {
          data: readingPoints(readings, resolved, (reading) => reading.setAside),
          showLine: false,
          pointStyle: 'crossRot',
          pointRadius: 4.5,
          pointBorderColor: colors.aside,
          pointBorderWidth: 2,
        },
      ],
    },
  };
}

/**
 * How far each reading lies off the curve, in per cent: those in order as rings, flagged ones filled, those set aside
 * crossed. Between the broken lines lies the usual scatter, two standard deviations either way.
 */
export function residualStrip(project: Project, design: Design, colors: Palette) {
  const residuals = residualsOf(project);
  const flagged = new Set(design.judgement.flags.map(({ id }) => id));
  const points = (which: (reading: Reading) => boolean): Points =>
    project.readings.flatMap((reading, index) => {
      const [light, off] = [design.resolved.lights[index] ?? null, residuals[index] ?? null];
      return light !== null && off !== null && which(reading) ? [{ x: light, y: held(off) }] : [];
    });
  const { ldr, range } = design;
  const scatter = ldr.source === 'measured' ? (ldr.fit.residualStd ?? 0) : 0;
  const sizes = residuals.flatMap((off) => (off === null ? [] : [Math.abs(held(off))]));
  const max = niceCeiling(Math.max(5, Math.min(100, 250 * scatter), ...sizes));
  const level = (y: number) => [
    { x: range.minLux, y },
    { x: range.maxLux, y },
  ];
  const dots = { showLine: false, pointRadius: 4.5, pointBorderWidth: 2 } as const;
  const band = { borderColor: colors.tick, borderWidth: 1, borderDash: [4, 4] };
  return {
    scale: {
      kind: 'linear',
      min: -max,
      max,
      ticks: [-max, 0, max],
      label: (value) => formatPercentOff(value / 100, 0),
    } satisfies StripScale,
    data: {
      datasets: [
        { data: level(0), borderColor: colors.accent, borderWidth: 1.5 },
        { data: level(Math.min(max, 200 * scatter)), ...band },
        { data: level(Math.max(-max, -200 * scatter)), ...band },
        {
          data: points(({ id, setAside }) => !setAside && !flagged.has(id)),
          ...dots,
          pointBackgroundColor: colors.card,
          pointBorderColor: colors.ink,
        },
        {
          data: points(({ id, setAside }) => !setAside && flagged.has(id)),
          ...dots,
          pointStyle: 'rectRot',
          pointRadius: 6,
          pointBackgroundColor: colors.brick,
          pointBorderColor: colors.brick,
        },
        {
          data: points(({ setAside }) => setAside),
          ...dots,
          pointStyle: 'crossRot',
          pointBorderColor: colors.aside,
        },
      ],
    } satisfies StripData,
  };
}

/** ln(read / curve) in per cent, held at three times either way so that one slip does not flatten the rest. */
function held(off: number): number {
  return Math.max(-100, Math.min(200, Math.expm1(off) * 100));
}

/** Where a light has no operating point there is nothing to draw. */
const NO_CURVES = { lux: [], midVolts: [], baseVolts: [], loadAmps: [] } as const;

export function voltageStrip(
  { half, range, assembly, thresholds }: Design,
  curves: DrawnCurves | null,
  halfVolts: number | null,
  colors: Palette,
) {
  const { falling = null, referenceVolts = null } = curves ?? {};
  const { lux, midVolts, baseVolts } = curves ?? NO_CURVES;
  const all = [...midVolts, ...baseVolts, ...(referenceVolts ?? [])];
  const max = niceCeiling(Math.max(...all, 0.1));
  const lowest = Math.min(0, ...midVolts);
  const datasets: StripData['datasets'] = [];
  const level = (y: number, borderColor: string, borderDash: number[]) =>
    datasets.push({
      data: [
        { x: range.minLux, y },
        { x: range.maxLux, y },
      ],
      borderColor,
      borderWidth: 1.5,
      borderDash,
    });
  if (thresholds && thresholds.isOn.length > 2 && !thresholds.isWindow) {
    for (const { risingVolts } of thresholds.boundaries)
      if (risingVolts !== null) level(risingVolts, colors.teal, [5, 4]);
  } else if (thresholds) {
    const { turnOnVolts: on, turnOffVolts: off } = thresholds;
    if (off !== null) level(off, colors.brick, [2, 3]);
    if (on !== null) level(on, colors.teal, [5, 4]);
  } else if (half.ok && halfVolts !== null) level(halfVolts, colors.teal, [5, 4]);
  if (!thresholds && assembly.testPoints.some(({ id }) => id === 'B')) {
    datasets.push({
      data: pointsOf(lux, baseVolts),
      borderColor: colors.inkSoft,
      borderDash: [2, 3],
    });
  }
  if (falling)
    datasets.push({
      data: pointsOf(lux, falling.midVolts),
      borderColor: colors.accent,
      borderWidth: 1.2,
      borderDash: [6, 4],
    });
  datasets.push({ data: pointsOf(lux, midVolts), borderColor: colors.accent });
  const min = lowest < -0.01 ? -niceCeiling(-lowest) : 0;
  return { scale: linearScale(max, 'V', min), data: { datasets } };
}

export function loadStrip(
  { drive }: Design,
  curves: DrawnCurves | null,
  colors: Palette,
): { scale: StripScale; data: StripData; factor: number } {
  const { falling = null } = curves ?? {};
  const { lux, loadAmps } = curves ?? NO_CURVES;
  const max = niceCeiling(Math.max(drive.onAmps, ...loadAmps));
  const inMicro = max < 0.001;
  const factor = inMicro ? 1e6 : 1000;
  const line = { borderColor: colors.amber, fill: 'origin' } as const;
  return {
    factor,
    scale: linearScale(max * factor, inMicro ? 'µA' : 'mA'),
    data: {
      datasets: [
        { data: pointsOf(lux, loadAmps, factor), ...line, backgroundColor: `${colors.amber}66` },
        ...(falling
          ? [
              {
                data: pointsOf(lux, falling.loadAmps, factor),
                ...line,
                borderDash: [6, 4],
                backgroundColor: `${colors.amber}33`,
              },
            ]
          : []),
      ],
    },
  };
}

/** Scales that were made before: the same one again is the same object, so that a chart can tell that nothing has changed. */
const linearScales = new Map<string, StripScale>();

function linearScale(max: number, unit: string, min = 0): StripScale {
  const key = `${min} ${max} ${unit}`;
  const scale: StripScale = linearScales.get(key) ?? {
    kind: 'linear',
    min,
    max,
    ticks: min < 0 ? [min, 0, max] : [0, max / 2, max],
    label: (value) => `${shortest(value, 3)}${GAP}${unit}`,
  };
  linearScales.set(key, scale);
  return scale;
}
