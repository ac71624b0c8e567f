'use client';

import type { ChartData, ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import type { Design } from '@/core/design';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { yearLightsOf, type YearDay } from '@/core/simulate/day/year';
import '@/ui/axis/chartSetup';
import { PLAIN_CHART } from '@/ui/axis/plainChart';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { useColors } from '@/ui/theme/look';
import type { Palette } from '@/ui/theme/tokens';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { dayTimeText } from '@/ui/words/trying';
import { yearClient } from '@/workers/try/clients';
import styles from '../Try.module.css';
import { WorkStart } from '@/ui/common/WorkStart';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** When daylight alone switches it on and off, over all dates, clear and overcast. */
export function YearPanel({ day, design }: { readonly day: DaySettings; readonly design: Design }) {
  const project = useProject();
  const lights = useMemo(() => yearLightsOf(project, design), [project, design]);
  const question = useMemo(
    () => ({ day, lights: lights ?? { onLux: 1, offLux: 1, isOnInDark: true } }),
    [day, lights],
  );
  const work = useWork(yearClient, question, JSON.stringify(question));
  const colors = useColors();
  const data = useMemo(() => work.result && dataOf(work.result, colors), [work.result, colors]);
  const options = useMemo(() => optionsOf(colors), [colors]);
  if (!lights) return null;
  return (
    <Panel title={tryWords.year}>
      <WorkStart work={work} name={tryWords.yearRun} isDone={work.result !== null} />
      {work.result && data && (
        <>
          <div className={styles.tall}>
            <Line data={data} options={options} role="img" aria-label={tryWords.yearChart} />
          </div>
          <div className={styles.legend}>
            <span>
              <i className={styles.key} style={{ background: colors.teal }} /> on, clear
            </span>
            <span>
              <i className={styles.key} style={{ background: colors.brick }} /> off, clear
            </span>
            <span className="soft">dashed: overcast</span>
          </div>
          {staysText(work.result).map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      )}
    </Panel>
  );
}

/** Days on which it is never switched: polar days and nights, or a light that this place never has. */
function staysText(year: readonly YearDay[]): readonly string[] {
  return (['clear', 'overcast'] as const).flatMap((sky) =>
    (['on', 'off'] as const).flatMap((state) => {
      const days = year.filter((one) => one[sky].stays === state);
      const [first, last] = [days[0], days.at(-1)];
      if (!first || !last) return [];
      return [
        days.length === year.length
          ? `Under a sky that is ${sky} it is ${state} all day, all year: daylight never passes its switching light here.`
          : `Under a sky that is ${sky} it is ${state} all day on ${days.length} days, the first ${first.date} and the last ${last.date}: the light is never passed.`,
      ];
    }),
  );
}

type Points = { x: number; y: number }[];

function dataOf(year: readonly YearDay[], colors: Palette): ChartData<'line', Points> {
  const curve = (of: 'clear' | 'overcast', end: 'on' | 'off'): Points =>
    year.flatMap((day, x) => {
      const at = day[of][end];
      return at === null ? [] : [{ x, y: at / 60 }];
    });
  const line = (of: 'clear' | 'overcast', end: 'on' | 'off') => ({
    data: curve(of, end),
    borderColor: end === 'on' ? colors.teal : colors.brick,
    borderWidth: of === 'clear' ? 2 : 1.3,
    borderDash: of === 'clear' ? [] : [5, 4],
    showLine: true,
  });
  return {
    datasets: [line('clear', 'on'), line('clear', 'off'), line('overcast', 'on'), line('overcast', 'off')],
  };
}

function optionsOf(colors: Palette): ChartOptions<'line'> {
  return {
    ...PLAIN_CHART,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: 365,
        grid: { color: colors.lineSoft },
        ticks: {
          color: colors.inkSoft,
          stepSize: 30.4,
          maxRotation: 0,
          callback: (value) => MONTHS[Math.round(Number(value) / 30.4)] ?? '',
        },
      },
      y: {
        type: 'linear',
        min: 0,
        max: 24,
        reverse: true,
        grid: { color: colors.lineSoft },
        ticks: { color: colors.inkSoft, stepSize: 3, callback: (value) => dayTimeText(Number(value) * 3600) },
        afterFit: (scale) => {
          scale.width = 62;
        },
      },
    },
  };
}
