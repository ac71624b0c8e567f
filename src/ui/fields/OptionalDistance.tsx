'use client';

import { parseDistance, type DistanceRefusal } from '@/core/light/ladder';
import { metresText } from '../words/light';
import { Labelled } from './Labelled';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
import { useTypedText } from './useQuantityText';

interface OptionalDistanceProps {
  readonly label: string;
  /** 0: there is none. */
  readonly metres: number;
  /** What stands in the field while it is empty. */
  readonly whenEmpty: string;
  /** Why what is typed is not taken, in one sentence. */
  readonly refusal: (reason: DistanceRefusal) => string;
  readonly onCommit: (metres: number) => void;
}

/** A distance as people say it, `30 cm`, `1.5 m`, `10 in`; empty for none. */
export function OptionalDistance({ label, metres, whenEmpty, refusal, onCommit }: OptionalDistanceProps) {
  const field = useTypedText<number>(metres === 0 ? '' : metresText(metres), (text) => {
    if (text.trim() === '') return { ok: true, taken: 0 };
    const parsed = parseDistance(text);
    if (parsed.ok) return { ok: true, taken: parsed.metres };
    return { ok: false, sentence: refusal(parsed.reason), nearest: null };
  });
  return (
    <Labelled label={label}>
      {(id) => (
        <TypedInput
          id={id}
          field={field}
          whenEmpty={whenEmpty}
          className={styles.input}
          onCommit={(read) => read !== metres && onCommit(read)}
        />
      )}
    </Labelled>
  );
}
