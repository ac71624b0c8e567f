import { useId, type ReactNode } from 'react';
import styles from './QuantityField.module.css';

interface LabelledProps {
  readonly label: string;
  /** Stands right of the label, such as how the figure was found. */
  readonly aside?: ReactNode;
  /** Only for screen readers: inside tables, where the column says what it is. */
  readonly isHidden?: boolean;
  /** What is labelled, under the id that the label is for. */
  readonly children: (id: string) => ReactNode;
}

/** A label, and what is typed beside it. */
export function Labelled({ label, aside, isHidden = false, children }: LabelledProps) {
  const id = useId();
  return (
    <div className={isHidden ? styles.bare : styles.field}>
      <div className={isHidden ? 'visually-hidden' : styles.label}>
        <label htmlFor={id}>{label}</label>
        {aside}
      </div>
      {children(id)}
    </div>
  );
}
