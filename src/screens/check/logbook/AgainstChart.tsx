'use client';

import { precise } from '@/core/quantity/notation';
import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import type { LogbookEntry } from '@/core/logbook/entry';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { Panel } from '@/ui/common/Panel';
import { useColors } from '@/ui/theme/look';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';

type Points = { x: number; y: number }[];

/** Every voltage that was ever measured against what was predicted then. */
export function AgainstChart({ entries }: { readonly entries: readonly LogbookEntry[] }) {
  const colors = useColors();
  const points = useMemo(
    () =>
      entries.flatMap(({ figures }) =>
        figures.map(({ measured, predicted }) => ({ x: predicted, y: measured })),
      ),
    [entries],
  );
  const most = Math.max(1, ...points.flatMap(({ x, y }) => [Math.abs(x), Math.abs(y)])) * 1.05;
  const least = Math.min(0, ...points.flatMap(({ x, y }) => [x, y]));
  const data = useMemo(
    (): ChartData<'line', Points> => ({
      datasets: [
        {
          data: [
            { x: least, y: least },
            { x: most, y: most },
          ],
          borderColor: colors.line,
          borderWidth: 1.5,
        },
        {
          data: points,
          showLine: false,
          pointRadius: 4,
          pointBackgroundColor: colors.accent,
          pointBorderColor: colors.accent,
        },
      ],
    }),
    [points, least, most, colors],
  );
  const options = useMemo((): ChartOptions<'line'> => {
    const axis = (text: string) => ({
      type: 'linear' as const,
      min: least,
      max: most,
      grid: { color: colors.lineSoft },
      ticks: { color: colors.aside, callback: (value: string | number) => `${precise(Number(value), 2)}` },
      title: { display: true, text, color: colors.aside },
    });
    return { ...PLAIN_CHART, scales: { x: axis('predicted, V'), y: axis('measured, V') } };
  }, [least, most, colors]);
  if (points.length === 0) return null;
  return (
    <Panel title={checkWords.chart}>
      <p className="soft">{checkWords.chartHint}</p>
      <div className={styles.chart}>
        <Line
          data={data}
          options={options}
          role="img"
          aria-label={`${checkWords.chart}: ${points.length} figures`}
        />
      </div>
      <table className="visually-hidden">
        <caption>{checkWords.chart}</caption>
        <tbody>
          {entries.flatMap(({ id, figures }) =>
            figures.map(({ name, measured, predicted }) => (
              <tr key={`${id} ${name}`}>
                <th scope="row">{name}</th>
                <td>{measured} V</td>
                <td>{precise(predicted, 4)} V</td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </Panel>
  );
}
