import type { ReactNode } from 'react';
import styles from './Columns.module.css';

interface ColumnsProps {
  /** The panels of the step, in a narrow column. */
  readonly left: ReactNode;
  /** The wide picture beside them, which stays in sight. */
  readonly right: ReactNode;
  /** Where there is no room for two: panels of both columns by their own order, not one column after the other. */
  readonly isWoven?: boolean;
}

/** The two columns of the workbench; one below the other where there is no room. */
export function Columns({ left, right, isWoven = false }: ColumnsProps) {
  return (
    <div className={isWoven ? `${styles.columns} ${styles.woven}` : styles.columns}>
      <div className={styles.left} data-tour="left">
        {left}
      </div>
      <div className={styles.right}>{right}</div>
    </div>
  );
}
