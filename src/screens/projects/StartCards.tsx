'use client';

import type { ReactElement } from 'react';
import { startings, type Starting } from '@/core/size/starting';
import { projectsWords } from '@/ui/words/panels/projects';
import { startingWords } from '@/ui/words/help/starting';
import styles from './StartCards.module.css';

interface StartCardsProps {
  readonly onStart: (starting: Starting) => void;
  readonly isReady: boolean;
}

/** Five things that someone may want, in pictures: each makes a whole project. */
export function StartCards({ onStart, isReady }: StartCardsProps) {
  return (
    <section aria-label={projectsWords.startTitle} className={styles.starts}>
      <h2>{projectsWords.startTitle}</h2>
      <div className={styles.row}>
        {startings.map((starting) => (
          <button
            key={starting}
            type="button"
            className={styles.card}
            disabled={!isReady}
            onClick={() => onStart(starting)}
          >
            <svg viewBox="0 0 96 60" aria-hidden className={styles.picture}>
              {pictures[starting]}
            </svg>
            <span>{startingWords[starting].what}</span>
          </button>
        ))}
      </div>
    </section>
  );
}

const lamp = (x: number, isOn: boolean) => (
  <>
    <circle cx={x} cy={30} r={11} className={isOn ? styles.lit : styles.unlit} />
    <path d={`M${x - 5} 43h10M${x - 4} 47h8`} className={styles.line} />
  </>
);

const pictures: Readonly<Record<Starting, ReactElement>> = {
  dark: (
    <>
      <path d="M0 0h96v60H0z" className={styles.night} />
      <path d="M30 12a13 13 0 1 0 9 22a11 11 0 0 1-9-22z" className={styles.moon} />
      {lamp(68, true)}
    </>
  ),
  light: (
    <>
      <path d="M0 0h96v60H0z" className={styles.day} />
      <path d="M14 8h30v44H14z" className={styles.line} />
      <path d="M44 8l14 6v44l-14-6z" className={styles.door} />
      <path d="M22 52L44 14" className={styles.ray} />
      {lamp(78, true)}
    </>
  ),
  beam: (
    <>
      <path d="M0 0h96v60H0z" className={styles.day} />
      <path d="M6 22h12v16H6z" className={styles.line} />
      <path d="M18 30H44" className={styles.ray} />
      <circle cx="52" cy="30" r="9" className={styles.ball} />
      <path d="M80 20v20M86 24v12" className={styles.line} />
    </>
  ),
  level: (
    <>
      <path d="M0 0h96v60H0z" className={styles.day} />
      {[0, 1, 2, 3, 4].map((step) => (
        <rect
          key={step}
          x={14 + step * 14}
          y={42 - step * 7}
          width={9}
          height={8 + step * 7}
          rx={1}
          className={step < 3 ? styles.lit : styles.unlit}
        />
      ))}
    </>
  ),
  readings: (
    <>
      <path d="M0 0h96v60H0z" className={styles.day} />
      <path d="M16 8v42h66" className={styles.line} />
      <path d="M22 14C36 34 50 42 78 46" className={styles.ray} />
      {[
        [26, 20],
        [38, 32],
        [52, 40],
        [68, 44],
      ].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={3} className={styles.ball} />
      ))}
    </>
  ),
};
