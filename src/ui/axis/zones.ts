import type { Design } from '@/core/design';
import type { SwitchPoint } from '@/core/light/crossing';
import type { Thresholds } from '@/core/detectors/thresholds';
import { fractionOfLux, type LightRange } from '@/core/light/range';

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
  thresholds,
}: Pick<Design, 'justOff' | 'fullyOn' | 'range' | 'action' | 'thresholds'>): readonly Zone[] {
  if (thresholds) return detectorZones(thresholds, range);
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

/** A detector's states from dark to bright, and between two of them the stretch in which it stays as it was. */
function detectorZones({ boundaries, isOn }: Thresholds, range: LightRange): readonly Zone[] {
  const place = (point: SwitchPoint, reason: number) =>
    point.ok ? Math.min(1, Math.max(0, fractionOfLux(point.lux, range))) : reason;
  const zones: Zone[] = [];
  let from = 0;
  boundaries.forEach(({ rising, falling }, index) => {
    const isOnBelow = isOn[index] ?? false;
    // A light that is never reached lies at the end towards which the state on this side goes on.
    const beyond = (point: SwitchPoint) =>
      !point.ok && (point.reason === 'stays-above') === isOnBelow ? 1 : 0;
    const ends = [place(falling, beyond(falling)), place(rising, beyond(rising))];
    const [low, high] = [Math.min(...ends), Math.max(...ends)];
    zones.push({ kind: isOnBelow ? 'on' : 'off', from, to: low }, { kind: 'soft', from: low, to: high });
    from = high;
  });
  zones.push({ kind: isOn[isOn.length - 1] ? 'on' : 'off', from, to: 1 });
  // The steps of a ladder are one stretch of being on.
  return zones
    .filter((zone) => zone.to - zone.from > 0.001)
    .reduce<Zone[]>((merged, zone) => {
      const last = merged[merged.length - 1];
      if (last?.kind !== zone.kind) return [...merged, zone];
      return [...merged.slice(0, -1), { ...last, to: zone.to }];
    }, []);
}
