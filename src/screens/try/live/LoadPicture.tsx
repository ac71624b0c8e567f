'use client';

import { cssVars } from '@/ui/common/cssVars';
import type { ReactElement } from 'react';
import type { LoadKind } from '@/core/loads/kinds';
import { loadNames } from '@/ui/words/names';
import { percent } from '@/ui/words/figures';
import { onWords } from '@/ui/words/trying';
import styles from './LoadPicture.module.css';

interface Shown {
  /** How far it is on, 0–1. */
  readonly level: number;
  readonly isClosed: boolean;
}

interface LoadPictureProps extends Shown {
  readonly kind: LoadKind;
  readonly designator: string;
}

/** A bulb that shines as bright as its current. */
const bulb = ({ level }: Shown) => (
  <g>
    <circle cx="40" cy="36" r="30" className={styles.glow} style={{ opacity: Math.sqrt(level) }} />
    <circle cx="40" cy="36" r="15" className={styles.body} />
    <circle cx="40" cy="36" r="15" className={styles.lit} style={{ opacity: Math.sqrt(level) }} />
    <path d="M34 51v12M46 51v12" className={styles.line} />
  </g>
);

/** A coil and its contact, which moves. */
const contact = ({ level, isClosed }: Shown) => (
  <g>
    <rect x="10" y="16" width="18" height="34" className={level > 0.05 ? styles.driven : styles.body} />
    <path d="M10 42l18-18" className={styles.line} />
    <path d="M28 33h10" className={styles.link} />
    <circle cx="48" cy="54" r="3" className={styles.dot} />
    <circle cx="66" cy="20" r="3" className={styles.dot} />
    <path d={isClosed ? 'M48 54L66 20' : 'M48 54L54 18'} className={styles.blade} />
  </g>
);

/** Sound that goes out. */
const sounder = ({ level }: Shown) => (
  <g>
    <path d="M14 28h12l14-12v40L26 44H14z" className={level > 0.05 ? styles.driven : styles.body} />
    {[0, 1, 2].map((ring) => (
      <path
        key={ring}
        d={`M${48 + ring * 8} ${26 - ring * 5}q${8 + ring * 2} ${10 + ring * 5} 0 ${20 + ring * 10}`}
        className={styles.wave}
        style={{ opacity: level > 0.25 + ring * 0.25 ? 1 : 0 }}
      />
    ))}
  </g>
);

/** Something that turns. */
const turning = ({ level }: Shown) => (
  <g>
    <circle cx="40" cy="36" r="24" className={styles.body} />
    <g
      className={level > 0.05 ? styles.turns : undefined}
      style={cssVars({ '--turn': `${(1.6 - level).toFixed(2)}s` })}
    >
      <path d="M40 36L40 16M40 36L57 46M40 36L23 46" className={styles.blade} />
    </g>
  </g>
);

/** A rod that is pulled in. */
const plunger = ({ level }: Shown) => (
  <g>
    <rect x="12" y="22" width="34" height="28" className={level > 0.05 ? styles.driven : styles.body} />
    <rect x={level > 0.6 ? 30 : 40} y="31" width="32" height="10" className={styles.rod} />
  </g>
);

/** A pin or a module's input that is on or off. */
const pin = ({ level }: Shown) => (
  <g>
    <rect x="14" y="16" width="52" height="40" rx="4" className={level > 0.5 ? styles.driven : styles.body} />
    <path d="M24 44V36H34V28H46V36H56" className={styles.line} />
  </g>
);

const pictures: Readonly<Record<LoadKind, (shown: Shown) => ReactElement>> = {
  led: bulb,
  lamp: bulb,
  strip: bulb,
  relay: contact,
  buzzer: sounder,
  tone: sounder,
  motor: turning,
  fan: turning,
  solenoid: plunger,
  module: pin,
  logic: pin,
};

/** A load drawn as what it is, as far on as it is. */
export function LoadPicture({ kind, designator, level, isClosed }: LoadPictureProps) {
  const state = level < 0.01 ? 'off' : level > 0.9 ? onWords[kind] : `${percent(level)} on`;
  return (
    <figure className={styles.figure}>
      <svg viewBox="0 0 80 72" className={styles.picture} role="img" aria-label={`${designator}: ${state}`}>
        {pictures[kind]({ level, isClosed })}
      </svg>
      <figcaption>
        <b>{designator}</b> {loadNames[kind]}
        <span className="soft">{state}</span>
      </figcaption>
    </figure>
  );
}
