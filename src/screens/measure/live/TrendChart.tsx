'use client';

import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { TREND_MILLISECONDS } from '@/ui/live/liveSession';
import { useLiveState } from '@/ui/live/context';
import { useColors } from '@/ui/theme/look';
import { ohms } from '@/ui/words/figures';
import '@/ui/axis/chartSetup';
import styles from './Live.module.css';

/** The last minute of the live figure, on a logarithmic scale that fits it. */
export function TrendChart() {
  const trend = useLiveState((live) => live.trend);
  const colors = useColors();
  const last = trend[trend.length - 1];
  const values = trend.map((sample) => sample.ohms);
  const [min, max] = [Math.min(...values), Math.max(...values)];
  const data = useMemo(
    () => ({
      datasets: [
        {
          data: trend.map(({ at, ohms: y }) => ({ x: at, y })),
          borderColor: colors.accent,
          borderWidth: 2,
          pointRadius: 0,
        },
      ],
    }),
    [trend, colors],
  );
  if (!last) return <div className={styles.trend} />;
  const options = {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    parsing: false,
    normalized: true,
    events: [],
    scales: {
      x: { type: 'linear', display: false, min: last.at - TREND_MILLISECONDS, max: last.at },
      y: { type: 'logarithmic', display: false, min: min / 1.05, max: max * 1.05 },
    },
  } as const;
  const summary = `The last minute: from ${ohms(min)} to ${ohms(max)}, now ${ohms(last.ohms)}.`;
  return (
    <div className={styles.trend}>
      <div className={styles.trendChart}>
        <Line data={data} options={{ ...options, events: [] }} role="img" aria-label={summary} />
      </div>
      <p className="soft">
        the last minute, <span className="figures">{ohms(min)}</span> to{' '}
        <span className="figures">{ohms(max)}</span>
      </p>
    </div>
  );
}
