import type { Design } from '@/core/design/analysis';
import { fractionOfLux } from '@/core/light/range';

/** A stretch of the axis in which the load is in one state; ends as shares of the axis. */
export interface Zone {
  readonly kind: 'on' | 'soft' | 'off';
  readonly from: number;
  readonly to: number;
}

/** Where the load is on, partly on and off, from dark to bright; together they cover the axis. */
export function zonesOf({
  justOff,
  fullyOn,
  range,
  action,
}: Pick<Design, 'justOff' | 'fullyOn' | 'range' | 'action'>): readonly Zone[] {
  const place = (lux: number) => Math.min(1, Math.max(0, fractionOfLux(lux, range)));
  const dark = action === 'on-in-dark';
  // A point that is not reached lies at the end of the axis towards which the load would reach it.
  const edge = (point: typeof justOff) => {
    if (point.ok) return place(point.lux);
    const always = point.reason === 'stays-above';
    return always === dark ? 1 : 0;
  };
  const [off, on] = [edge(justOff), edge(fullyOn)];
  const zones: readonly Zone[] = dark
    ? [
        { kind: 'on', from: 0, to: on },
        { kind: 'soft', from: on, to: off },
        { kind: 'off', from: off, to: 1 },
      ]
    : [
        { kind: 'off', from: 0, to: off },
        { kind: 'soft', from: off, to: on },
        { kind: 'on', from: on, to: 1 },
      ];
  return zones.filter(({ from, to }) => to - from > 0.001);
}
