'use client';

import { fixed } from '@/core/quantity/notation';
import { useMemo } from 'react';
import { fractionOfLux, type LightRange } from '@/core/light/range';
import type { DayReport } from '@/core/simulate/day/dayReport';
import { hoursAtLight } from '@/core/simulate/day/hours';
import { lightGradient } from '@/ui/axis/lightColors';
import { majorTicksOf } from '@/ui/axis/ticks';
import { Panel } from '@/ui/common/Panel';
import { useLightText, useScale } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';

const COUNT = 48;

interface HoursStripProps {
  readonly report: DayReport;
  readonly range: LightRange;
  readonly onLux: number | null;
}

/** How long a day the light is where on the light axis, with the light at which the design turns on. */
export function HoursStrip({ report, range, onLux }: HoursStripProps) {
  const light = useLightText();
  const scale = useScale();
  const hours = useMemo(() => hoursAtLight(report.track, range, COUNT), [report, range]);
  const most = Math.max(...hours.map((one) => one.hours));
  const darker =
    onLux === null ? null : hours.reduce((sum, one) => sum + (one.toLux <= onLux ? one.hours : 0), 0);
  return (
    <Panel title={tryWords.hours}>
      <div
        className={styles.hours}
        role="img"
        aria-label={
          darker === null
            ? tryWords.hours
            : `${tryWords.hours}: ${fixed(darker, 1)} hours under ${light(onLux ?? 0)}`
        }
      >
        {hours.map((one) => (
          <i key={one.fromLux} style={{ height: `${(100 * one.hours) / most}%` }} />
        ))}
        {onLux !== null && (
          <b
            className={styles.hoursMark}
            style={{ left: `${100 * Math.min(1, Math.max(0, fractionOfLux(onLux, range)))}%` }}
          />
        )}
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
      {darker !== null && onLux !== null && (
        <p>
          Darker than <b className="figures">{light(onLux)}</b>, where it turns on, for{' '}
          <b className="figures">{fixed(darker, 1)} h</b> of it.
        </p>
      )}
    </Panel>
  );
}
