'use client';

import { useMemo } from 'react';
import { fractionOfLux, type LightRange } from '@/core/light/range';
import type { DayReport } from '@/core/simulate/day/dayReport';
import { hoursAtLight, hoursBetween } from '@/core/simulate/day/hours';
import { lightGradient } from '@/ui/axis/lightColors';
import { majorTicksOf } from '@/ui/axis/ticks';
import { Panel } from '@/ui/common/Panel';
import { useLightText, useScale } from '@/ui/workbench/context';
import { daySpanText, hoursWhere } from '@/ui/words/trying';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';

const COUNT = 48;

interface HoursStripProps {
  readonly report: DayReport;
  readonly range: LightRange;
  /** Between which lights it is once it has turned on, 0 and `Infinity` for no end; `null` where it turns on at none. */
  readonly on: { readonly fromLux: number; readonly toLux: number } | null;
}

/** How long a day the light is where on the light axis, and how long of it where the design turns on. */
export function HoursStrip({ report, range, on }: HoursStripProps) {
  const light = useLightText();
  const scale = useScale();
  const hours = useMemo(() => hoursAtLight(report.track, range, COUNT), [report, range]);
  const most = Math.max(...hours.map((one) => one.hours));
  const there = on && daySpanText(3600 * hoursBetween(report.track, on.fromLux, on.toLux));
  const edges = on ? [on.fromLux, on.toLux].filter((lux) => lux > 0 && lux < Infinity) : [];
  return (
    <Panel title={tryWords.hours}>
      <div
        className={styles.hours}
        role="img"
        aria-label={
          on === null || there === null
            ? tryWords.hours
            : `${tryWords.hours}: ${there} ${hoursWhere(on, light)}`
        }
      >
        {hours.map((one) => (
          <i key={one.fromLux} style={{ height: `${(100 * one.hours) / most}%` }} />
        ))}
        {edges.map((lux) => (
          <b
            key={lux}
            className={styles.hoursMark}
            style={{ left: `${100 * Math.min(1, Math.max(0, fractionOfLux(lux, range)))}%` }}
          />
        ))}
      </div>
      <div className={styles.hoursAxis} style={{ background: lightGradient(range, scale) }} />
      <div className={styles.hoursTicks} aria-hidden>
        {majorTicksOf(range, scale).map((tick) => (
          <span
            key={tick.light}
            className="figures"
            style={{ left: `${100 * fractionOfLux(tick.light, range)}%` }}
          >
            {tick.label}
          </span>
        ))}
      </div>
      {on !== null && there !== null && (
        <p>
          {tryWords.hoursIs} <b className="figures">{hoursWhere(on, light)}</b>
          {edges.length > 1 ? tryWords.hoursEdges : tryWords.hoursTurnsOn} <b className="figures">{there}</b>{' '}
          {tryWords.hoursOf}.
        </p>
      )}
    </Panel>
  );
}
