'use client';

import { Button, Select, type InputRef } from 'antd';
import type { KeyboardEvent, ReactNode, Ref } from 'react';
import { ohms, partOhms } from '@/ui/words/figures';
import { measureWords } from '@/ui/words/panels/measure';
import { EntryField } from '../hand/EntryField';
import styles from '../hand/ReadingEntry.module.css';
import type { Shown } from './useShown';

interface ShownFieldProps {
  readonly shown: Shown;
  /** What the figure is of, where that is not plain. */
  readonly label?: string;
  readonly input: Ref<InputRef>;
  readonly onEnter: () => void;
  readonly autoFocus?: boolean;
  readonly large?: boolean;
}

/** A field for what the meter shows: in the unit of the range, ↑ and ↓ turn the knob, and a refusal comes with its way out. */
export function ShownField({ shown, label = measureWords.meterShows, input, ...rest }: ShownFieldProps) {
  const { field, meter, range, setRange, fixes } = shown;
  const rangeKey = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (step === 0 || !meter || !range) return false;
    const next = meter.ranges[meter.ranges.indexOf(range) + step];
    if (next) setRange(next.fullOhms);
    return true;
  };
  return (
    <div>
      <EntryField
        {...rest}
        label={range ? `${label} (${partOhms(range.fullOhms)} range)` : label}
        unit={range ? unitOf(range.fullOhms) : 'Ω'}
        example={range ? 'as shown, or OL' : '4k7 or OL'}
        field={field}
        input={input}
        onKey={rangeKey}
      />
      {fixes.length > 0 && (
        <span className={styles.fixes}>
          {fixes.map(({ label: name, use }) => (
            <Button key={name} size="small" onClick={use}>
              {name}
            </Button>
          ))}
        </span>
      )}
    </div>
  );
}

function unitOf(fullOhms: number): string {
  if (fullOhms >= 1e6) return 'MΩ';
  return fullOhms >= 1000 ? 'kΩ' : 'Ω';
}

/** Where the knob is, for a meter that has one. */
export function RangeSelect({ shown: { meter, range, setRange } }: { readonly shown: Shown }) {
  if (!meter || !range) return null;
  return (
    <Select
      size="small"
      aria-label={measureWords.rangeOfThe}
      value={range.fullOhms}
      options={meter.ranges.map(({ fullOhms }) => ({ value: fullOhms, label: partOhms(fullOhms) }))}
      onChange={setRange}
    />
  );
}

/** What the figure means before it is taken, and the range that would show more of it. */
export function ShownEcho({ shown, idle }: { readonly shown: Shown; readonly idle?: ReactNode }) {
  const { hint, setRange } = shown;
  if (!hint) return <p className={styles.hint}>{idle}</p>;
  if (hint.above)
    return (
      <p className={styles.hint} role="status">
        above {partOhms(hint.ohms)}: counts as “more than this”
      </p>
    );
  const { better } = hint;
  return (
    <p className={styles.hint} role="status">
      = <b className="figures">{ohms(hint.ohms)}</b>
      {hint.offOhms !== null && <span className="figures"> ± {ohms(hint.offOhms)}</span>}
      {better && (
        <Button type="link" size="small" onClick={() => setRange(better.fullOhms)}>
          {partOhms(better.fullOhms)} shows {better.shows}
        </Button>
      )}
    </p>
  );
}
