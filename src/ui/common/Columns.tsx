'use client';

import { useCallback, type ReactNode } from 'react';
import styles from './Columns.module.css';

interface ColumnsProps {
  /** The panels of the step, in a narrow column. */
  readonly left: ReactNode;
  /** What stands beside them, wide. */
  readonly right: ReactNode;
  /** Stands above the right column, first of all where there is no room for two, and stays in sight. */
  readonly axis?: ReactNode;
  /** Where there is no room for two: panels of both columns by their own order, not one column after the other. */
  readonly isWoven?: boolean;
}

/** The two columns of the workbench; one below the other where there is no room. */
export function Columns({ left, right, axis, isWoven = false }: ColumnsProps) {
  const kind = isWoven ? styles.woven : axis ? styles.axisFirst : '';
  const measure = useCallback((box: HTMLDivElement | null) => (box ? followHeight(box) : undefined), []);
  return (
    <div className={`${styles.columns} ${kind}`}>
      <div className={styles.left} data-tour="left">
        {left}
      </div>
      <div className={styles.right}>
        {axis ? (
          <>
            <div ref={measure} className={styles.axis} data-stays>
              {axis}
            </div>
            <div className={styles.rest}>{right}</div>
          </>
        ) : (
          right
        )}
      </div>
    </div>
  );
}

/** Tells the style sheet how high a box is. @returns stops it */
function followHeight(box: HTMLElement): () => void {
  const observer = new ResizeObserver(() => box.style.setProperty('--own-height', `${box.offsetHeight}px`));
  observer.observe(box);
  return () => observer.disconnect();
}
