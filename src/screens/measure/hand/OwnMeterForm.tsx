'use client';

import { Button, Checkbox, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import type { Meter } from '@/core/meter/meter';
import { ownMeter, type MeterText } from '@/core/meter/ownMeter';
import { ownMeterRefusals } from '@/ui/words/measure/measuring';
import styles from './MeterChoice.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const typical: MeterText = {
  name: '',
  counts: '4000',
  ranges: '400 4k 40k 400k 4M 40M',
  accuracyPercent: '0.8',
  accuracyDigits: '2',
  inputOhms: '10M',
  autoRange: false,
};

const fields: readonly (readonly [keyof Omit<MeterText, 'autoRange'>, string])[] = [
  ['name', 'Name'],
  ['counts', 'Counts'],
  ['ranges', 'Resistance ranges, lowest first'],
  ['accuracyPercent', 'Accuracy, % of reading'],
  ['accuracyDigits', '… plus digits'],
  ['inputOhms', 'Input resistance of the voltage ranges'],
];

/** An own meter from its leaflet. @param onDone the meter, or `null` if it was given up */
export function OwnMeterForm({ onDone }: { readonly onDone: (meter: Meter | null) => void }) {
  const id = useId();
  const [text, setText] = useState(typical);
  const [wrong, setWrong] = useState<{ field: string; sentence: string } | null>(null);
  const done = () => {
    const read = ownMeter(nanoid(10), text);
    if (read.ok) return onDone(read.meter);
    setWrong({ field: read.field, sentence: ownMeterRefusals[read.field] });
  };
  return (
    <div className={styles.form}>
      <div className={styles.pair}>
        {fields.map(([field, label]) => (
          <div key={field} className={styles.field}>
            <label htmlFor={`${id}-${field}`}>{label}</label>
            <Input
              id={`${id}-${field}`}
              value={text[field]}
              status={wrong?.field === field ? 'error' : ''}
              onChange={(event) => setText({ ...text, [field]: event.target.value })}
              onKeyDown={(event) => event.key === 'Enter' && done()}
            />
            {wrong?.field === field && (
              <p role="alert" className={styles.error}>
                {wrong.sentence}
              </p>
            )}
          </div>
        ))}
      </div>
      <Checkbox
        checked={text.autoRange}
        onChange={(event) => setText({ ...text, autoRange: event.target.checked })}
      >
        {measureWords.itFindsIts}
      </Checkbox>
      <p className="soft">{measureWords.aRangeOf}</p>
      <span>
        <Button type="primary" onClick={done}>
          {measureWords.addThisMeter}
        </Button>{' '}
        <Button onClick={() => onDone(null)}>{measureWords.giveUp}</Button>
      </span>
    </div>
  );
}
