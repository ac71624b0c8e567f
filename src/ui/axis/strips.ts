import type { ChartData } from 'chart.js';
import type { Design } from '@/core/design/analysis';
import type { Project, Reading } from '@/core/project/project';
import { formatQuantity, GAP } from '@/core/quantity/format';
import { colors } from '../theme/tokens';
import type { StripScale } from './chartSetup';
import { niceCeiling } from './ticks';

type Points = { x: number; y: number }[];
type StripData = ChartData<'line', Points>;

/** Arrays of light and value as the points of a line. */
function pointsOf(lux: Float64Array, values: Float64Array, factor = 1): Points {
  return Array.from(lux, (x, index) => ({ x, y: (values[index] ?? 0) * factor }));
}

/** Some of the readings as points, from dark to bright. */
function readingPoints(project: Project, which: (reading: Reading) => boolean): Points {
  return project.readings
    .filter(which)
    .map(({ lux, ohms }) => ({ x: lux, y: ohms }))
    .sort((one, other) => one.x - other.x);
}

export function resistanceStrip(
  project: Project,
  { ldr, sweep }: Design,
): { scale: StripScale; data: StripData } {
  const readOhms = project.readings.map((reading) => reading.ohms);
  const ends = [sweep.ldrOhms[0] ?? 1e6, sweep.ldrOhms[sweep.ldrOhms.length - 1] ?? 100, ...readOhms];
  const from = Math.floor(Math.log10(Math.min(...ends) * 0.8));
  const to = Math.ceil(Math.log10(Math.max(...ends) * 1.25));
  const every = to - from > 4 ? 2 : 1;
  const ticks = Array.from({ length: to - from + 1 }, (_, index) => Number(`1e${from + index}`)).filter(
    (_, index) => index % every === 0,
  );
  return {
    scale: {
      kind: 'log',
      least: Number(`1e${from}`),
      most: Number(`1e${to}`),
      ticks,
      label: (value) => formatQuantity(value, 'Ω', { digits: 3, trim: true }),
    },
    data: {
      datasets: [
        {
          data: pointsOf(sweep.lux, sweep.ldrOhmsLow),
          borderWidth: 0,
          fill: '+1',
          backgroundColor: `${colors.accent}26`,
        },
        { data: pointsOf(sweep.lux, sweep.ldrOhmsHigh), borderWidth: 0, fill: false },
        {
          data: pointsOf(sweep.lux, sweep.ldrOhms),
          borderColor: colors.accent,
          borderDash: ldr.source === 'typical' ? [6, 5] : [],
        },
        {
          data: readingPoints(project, (reading) => !reading.above && !reading.setAside),
          showLine: false,
          pointRadius: 4.5,
          pointBackgroundColor: colors.card,
          pointBorderColor: colors.ink,
          pointBorderWidth: 2,
        },
        // Over the meter's range: an arrow up from the limit. Set aside: grey.
        {
          data: readingPoints(project, (reading) => reading.above && !reading.setAside),
          showLine: false,
          pointStyle: 'triangle',
          pointRadius: 6,
          pointBackgroundColor: colors.card,
          pointBorderColor: colors.ink,
          pointBorderWidth: 2,
        },
        {
          data: readingPoints(project, (reading) => reading.setAside),
          showLine: false,
          pointStyle: 'crossRot',
          pointRadius: 4.5,
          pointBorderColor: '#8D93AB',
          pointBorderWidth: 2,
        },
      ],
    },
  };
}

export function voltageStrip(project: Project, { sweep, half, range }: Design, halfVolts: number | null) {
  const most = niceCeiling(Math.max(...sweep.midVolts, ...sweep.baseVolts, 0.1));
  const datasets: StripData['datasets'] = [];
  if (half.ok && halfVolts !== null) {
    datasets.push({
      data: [
        { x: range.leastLux, y: halfVolts },
        { x: range.mostLux, y: halfVolts },
      ],
      borderColor: colors.teal,
      borderWidth: 1.5,
      borderDash: [5, 4],
    });
  }
  if (project.stage.baseOhms !== null) {
    datasets.push({
      data: pointsOf(sweep.lux, sweep.baseVolts),
      borderColor: colors.inkSoft,
      borderDash: [2, 3],
    });
  }
  datasets.push({ data: pointsOf(sweep.lux, sweep.midVolts), borderColor: colors.accent });
  return { scale: linearScale(most, 'V'), data: { datasets } };
}

export function loadStrip({ sweep, drive }: Design): { scale: StripScale; data: StripData; factor: number } {
  const most = niceCeiling(Math.max(drive.fullAmps, ...sweep.loadAmps));
  const inMicro = most < 0.001;
  const factor = inMicro ? 1e6 : 1000;
  return {
    factor,
    scale: linearScale(most * factor, inMicro ? 'µA' : 'mA'),
    data: {
      datasets: [
        {
          data: pointsOf(sweep.lux, sweep.loadAmps, factor),
          borderColor: colors.amber,
          backgroundColor: `${colors.amber}66`,
          fill: 'origin',
        },
      ],
    },
  };
}

function linearScale(most: number, unit: string): StripScale {
  return {
    kind: 'linear',
    least: 0,
    most,
    ticks: [0, most / 2, most],
    label: (value) => `${Number(value.toPrecision(3))}${GAP}${unit}`,
  };
}
