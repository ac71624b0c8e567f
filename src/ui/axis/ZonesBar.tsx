import type { Design } from '@/core/design';
import { areStarved } from '@/core/operate/onAmps';
import { ratio } from '../words/figures';
import { zonesOf, type Zone } from './zones';
import styles from './ZonesBar.module.css';

/** Where on the axis the load is on, partly on and off, in words as well as in colour. */
export function ZonesBar({ design }: { readonly design: Design }) {
  return (
    <div className={styles.bar} aria-hidden>
      {zonesOf(design).map(({ kind, from, to }, index) => (
        <span
          key={index}
          className={styles[kind]}
          style={{ left: `${from * 100}%`, width: `${(to - from) * 100}%` }}
        >
          <b>{wordFor(kind, to - from, design)}</b>
        </span>
      ))}
    </div>
  );
}

function wordFor(
  kind: Zone['kind'],
  width: number,
  { softBandRatio, action, thresholds, loads }: Design,
): string {
  if (width < 0.06) return '';
  if (kind === 'soft' && thresholds) return width > 0.12 ? `holds ${ratio(thresholds.bandRatio ?? 1)}` : '';
  if (kind === 'soft')
    return width > 0.16 ? `partly on${softBandRatio ? ` ${ratio(softBandRatio)}` : ''}` : '';
  if (kind === 'off') return 'OFF';
  if (areStarved(loads)) return width > 0.16 ? 'ON, with too little current' : 'ON';
  if (thresholds && thresholds.isOn.length > 2) return 'ON';
  return action === 'on-in-dark' ? '◂ ON as it gets darker' : 'ON as it gets brighter ▸';
}
