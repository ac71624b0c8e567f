import type { Design } from '@/core/design/analysis';
import { fractionOfLux } from '@/core/light/range';
import { ratio } from '../words/figures';
import styles from './ZonesBar.module.css';

interface Zone {
  readonly kind: 'on' | 'soft' | 'off';
  readonly from: number;
  readonly to: number;
}

/** Where on the axis the load is on, partly on and off, in words as well as in colour. */
export function ZonesBar({ design }: { readonly design: Design }) {
  return (
    <div className={styles.bar} aria-hidden>
      {zonesOf(design).map(({ kind, from, to }) => (
        <span
          key={kind}
          className={styles[kind]}
          style={{ left: `${from * 100}%`, width: `${(to - from) * 100}%` }}
        >
          <b>{wordFor(kind, to - from, design)}</b>
        </span>
      ))}
    </div>
  );
}

function wordFor(kind: Zone['kind'], width: number, { softBandRatio, action }: Design): string {
  if (width < 0.06) return '';
  if (kind === 'soft')
    return width > 0.16 ? `partly on${softBandRatio ? ` ${ratio(softBandRatio)}` : ''}` : '';
  if (kind === 'off') return 'OFF';
  return action === 'on-in-dark' ? '◂ ON as it gets darker' : 'ON as it gets brighter ▸';
}

function zonesOf({ justOff, fullyOn, range, action }: Design): readonly Zone[] {
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
