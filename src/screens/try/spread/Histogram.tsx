'use client';

import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import type { Goal } from '@/core/project/project';
import type { LightSpread, SpreadSummary } from '@/core/spread/summary';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import { useLightText } from '@/ui/workbench/context';
import type { LightText } from '@/ui/words/light';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';

type Points = { x: number; y: number }[];

interface HistogramProps {
  readonly summary: SpreadSummary;
  readonly goal: Pick<Goal, 'lux' | 'offLux'>;
}

/** How many builds switch at which light, with the goal. */
export function Histogram({ summary, goal }: HistogramProps) {
  const colors = useColors();
  const light = useLightText();
  const data = useMemo(() => dataOf(summary, goal, colors), [summary, goal, colors]);
  const options = useMemo(() => optionsOf(summary, goal, colors, light), [summary, goal, colors, light]);
  const { on, count } = summary;
  if (on.never === count) return <p>None of them switches at any light.</p>;
  return (
    <>
      <div className={styles.chart}>
        <Line
          data={data}
          options={options}
          role="img"
          aria-label={`${tryWords.histogram}: half of them under ${light(on.middle)}`}
        />
      </div>
      <div className={styles.legend}>
        <span>
          <i className={styles.key} style={{ background: colors.teal }} /> turn on
        </span>
        {summary.off && (
          <span>
            <i className={styles.key} style={{ background: colors.brick }} /> turn off
          </span>
        )}
        <span>
          <i className={styles.key} style={{ background: colors.accent }} /> goal
        </span>
      </div>
    </>
  );
}

/** The columns of a histogram as one line with steps. */
function stepsOf({ bins }: LightSpread): Points {
  const { fromLux, toLux, counts } = bins;
  const edge = (index: number) => fromLux * (toLux / fromLux) ** (index / counts.length);
  return counts.flatMap((y, index) => [
    { x: edge(index), y },
    { x: edge(index + 1), y },
  ]);
}

function dataOf(
  { on, off }: SpreadSummary,
  { lux, offLux }: HistogramProps['goal'],
  colors: Palette,
): ChartData<'line', Points> {
  const most = Math.max(...on.bins.counts, ...(off?.bins.counts ?? []));
  const mark = (light: number): Points => [
    { x: light, y: 0 },
    { x: light, y: most * 1.05 },
  ];
  const filled = (spread: LightSpread, color: string) => ({
    data: stepsOf(spread),
    borderColor: color,
    borderWidth: 1.4,
    fill: 'origin' as const,
    backgroundColor: `${color}44`,
  });
  const goal = (light: number) => ({
    data: mark(light),
    borderColor: colors.accent,
    borderWidth: 2,
    borderDash: [6, 3],
  });
  return {
    datasets: [
      filled(on, colors.teal),
      ...(off ? [filled(off, colors.brick)] : []),
      goal(lux),
      ...(offLux === null ? [] : [goal(offLux)]),
    ],
  };
}

function optionsOf(
  { on, off }: SpreadSummary,
  { lux, offLux }: HistogramProps['goal'],
  colors: Palette,
  light: LightText,
): ChartOptions<'line'> {
  const ends = [
    on.bins.fromLux,
    on.bins.toLux,
    lux,
    ...(off ? [off.bins.fromLux, off.bins.toLux] : []),
    ...(offLux === null ? [] : [offLux]),
  ];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  return {
    ...PLAIN_CHART,
    scales: {
      x: {
        type: 'logarithmic',
        min: low / 1.1,
        max: high * 1.1,
        grid: { color: colors.lineSoft },
        afterBuildTicks: (axis) => {
          axis.ticks = Array.from({ length: 6 }, (_, index) => ({
            value: low * (high / low) ** (index / 5),
          }));
        },
        ticks: {
          color: colors.inkSoft,
          maxRotation: 0,
          callback: (value) => light(Number(Number(value).toPrecision(2))),
        },
      },
      y: {
        type: 'linear',
        min: 0,
        grid: { color: colors.lineSoft },
        ticks: { color: colors.inkSoft, maxTicksLimit: 5 },
      },
    },
  };
}
