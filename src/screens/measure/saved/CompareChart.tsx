'use client';

import { fixed } from '@/core/quantity/notation';
import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { logSpacedLux, type LightRange } from '@/core/light/range';
import { formatQuantity } from '@/core/quantity/format';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { decadeLabel, decadesOf } from '@/ui/axis/ticks';
import { Panel } from '@/ui/common/Panel';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import type { Compared } from './compared';
import styles from './Drawer.module.css';
import { lineStyle } from './lineStyle';
import { measureWords } from '@/ui/words/panels/measure';

const POINTS = 120;

/** The curves of several LDRs over one light axis, each as far as it was measured drawn full, beyond it faint. */
export function CompareChart({
  range,
  compared,
}: {
  readonly range: LightRange;
  readonly compared: readonly Compared[];
}) {
  const colors = useColors();
  const shown = useMemo(
    () =>
      compared
        .map((entry, index) => ({ ...entry, index }))
        .filter(({ inLux, model }) => inLux && model.source !== 'named'),
    [compared],
  );
  const data = useMemo(() => dataOf(shown, range, colors), [shown, range, colors]);
  const options = useMemo(() => optionsOf(range, colors), [range, colors]);
  const summary = shown
    .map(
      ({ part, model }) =>
        `${part.name}: ${formatQuantity(model.curve.r10Ohms, 'Ω')} at 10 lx, gamma ${fixed(model.curve.gamma, 2)}`,
    )
    .join('; ');
  return (
    <Panel title={measureWords.theirCurves}>
      <div className={styles.chart}>
        <Line data={data} options={options} role="img" aria-label={`Resistance against light. ${summary}.`} />
      </div>
    </Panel>
  );
}

type Shown = Compared & { readonly index: number };

function dataOf(
  shown: readonly Shown[],
  range: LightRange,
  colors: Palette,
): ChartData<'line', { x: number; y: number }[]> {
  const lights = logSpacedLux(range, POINTS);
  return {
    datasets: shown.flatMap(({ model, index }) => {
      const { key, dash } = lineStyle(index);
      const line = (from: number, to: number) =>
        Array.from(lights)
          .filter((lux) => lux >= from && lux <= to)
          .map((lux) => ({ x: lux, y: ldrOhmsAt(model.curve, lux) }));
      const faint = {
        data: line(range.minLux, range.maxLux),
        borderColor: `${colors[key]}55`,
        borderWidth: 1.2,
        borderDash: [...dash],
      };
      if (model.source !== 'measured') return [faint];
      const { minLux, maxLux } = model.fit;
      return [faint, { ...faint, data: line(minLux, maxLux), borderColor: colors[key], borderWidth: 2.5 }];
    }),
  };
}

function optionsOf(range: LightRange, colors: Palette): ChartOptions<'line'> {
  return {
    ...PLAIN_CHART,
    layout: {},
    scales: {
      x: {
        type: 'logarithmic',
        min: range.minLux,
        max: range.maxLux,
        grid: { color: colors.lineSoft },
        afterBuildTicks: (axis) => {
          axis.ticks = decadesOf(range).map((value) => ({ value }));
        },
        ticks: {
          color: colors.inkSoft,
          autoSkip: false,
          callback: (value) => `${decadeLabel(Number(value))} lx`,
        },
      },
      y: {
        type: 'logarithmic',
        grid: { color: colors.lineSoft },
        afterBuildTicks: (axis) => {
          const [from, to] = [Math.ceil(Math.log10(axis.min)), Math.floor(Math.log10(axis.max))];
          axis.ticks = Array.from({ length: to - from + 1 }, (_, index) => ({
            value: Number(`1e${from + index}`),
          }));
        },
        ticks: {
          color: colors.inkSoft,
          autoSkip: false,
          callback: (value) => formatQuantity(Number(value), 'Ω', { digits: 3, trim: true }),
        },
      },
    },
  };
}
