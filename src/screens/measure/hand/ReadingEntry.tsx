'use client';

import { Button, Input, Select, type InputRef } from 'antd';
import { useRef, type KeyboardEvent } from 'react';
import { LIMITS } from '@/core/project/project';
import { lampKinds } from '@/core/readings/reading';
import { useLevels } from '@/ui/library/useLevels';
import { useProject } from '@/ui/workbench/context';
import { ohms, partOhms } from '@/ui/words/figures';
import { EntryField } from './EntryField';
import { lampOptions } from './lampOptions';
import styles from './ReadingEntry.module.css';
import { useReadingEntry } from './useReadingEntry';
import { measureWords } from '@/ui/words/panels/measure';

const lamps = lampOptions('any lamp');

/** One line, no mouse: light, Enter, what the meter shows, Enter, next. Light, range and lamp stay. */
export function ReadingEntry() {
  const lightInput = useRef<InputRef>(null);
  const shownInput = useRef<InputRef>(null);
  const taking = useReadingEntry();
  const { entry, change, meter, range, light, shown } = taking;
  const nextLevel = useLevelKeys(light.text, light.type);

  const add = () => {
    const outcome = taking.add();
    if (outcome === 'shown' || (outcome === 'added' && taking.isPlanGoingOn)) shownInput.current?.focus();
    else lightInput.current?.focus({ cursor: 'all' });
  };
  const onwards = () => {
    if (shown.text !== '') return add();
    if (light.read() !== null) shownInput.current?.focus();
  };
  const rangeKey = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (step === 0 || !meter || !range) return false;
    const next = meter.ranges[meter.ranges.indexOf(range) + step];
    if (next) change({ rangeOhms: next.fullOhms });
    return true;
  };
  if (taking.full) return <p className="soft">A project holds up to {LIMITS.readings} readings.</p>;
  return (
    <div className={styles.block}>
      <div className={styles.entry}>
        <EntryField
          label={measureWords.light}
          unit={taking.bare === 'distance' ? 'cm' : 'lx'}
          example="12 or 50 cm"
          field={light}
          input={lightInput}
          onEnter={onwards}
          onKey={nextLevel}
          autoFocus={!taking.isPlanned}
        />
        <EntryField
          label={range ? `Meter shows (${partOhms(range.fullOhms)} range)` : 'Resistance'}
          unit={range ? unitOf(range.fullOhms) : 'Ω'}
          example={range ? 'as shown' : '4k7'}
          field={shown}
          input={shownInput}
          onEnter={add}
          onKey={rangeKey}
          autoFocus={taking.isPlanned}
        />
        <Button type="primary" onClick={add} className={styles.add}>
          {measureWords.add}
        </Button>
      </div>
      <Hint taking={taking} />
      <div className={styles.settings}>
        {meter && range && (
          <Select
            size="small"
            aria-label={measureWords.rangeOfThe}
            value={range.fullOhms}
            options={meter.ranges.map(({ fullOhms }) => ({ value: fullOhms, label: partOhms(fullOhms) }))}
            onChange={(rangeOhms) => change({ rangeOhms })}
          />
        )}
        <Select
          size="small"
          aria-label={measureWords.kindOfLamp}
          value={entry.lamp ?? ''}
          options={lamps}
          onChange={(value) => change({ lamp: lampKinds.find((kind) => kind === value) ?? null })}
        />
        <Input
          size="small"
          aria-label={measureWords.note2}
          placeholder={measureWords.note}
          maxLength={LIMITS.noteLength}
          value={entry.note}
          onChange={(event) => change({ note: event.target.value })}
          onKeyDown={(event) => event.key === 'Enter' && onwards()}
        />
      </div>
    </div>
  );
}

/** What the figure means before it is added, and the range that would show more of it. */
function Hint({ taking: { hint, range, change } }: { readonly taking: ReturnType<typeof useReadingEntry> }) {
  if (!hint) {
    return (
      <p className={styles.hint}>
        <kbd>{measureWords.enter}</kbd> goes on; <kbd>↑</kbd> <kbd>↓</kbd>{' '}
        {range ? 'change the range, or the level' : 'go through the levels'}
      </p>
    );
  }
  if (hint.above)
    return <p className={styles.hint}>above {partOhms(hint.ohms)}: counts as “more than this”</p>;
  return (
    <p className={styles.hint}>
      = <b className="figures">{ohms(hint.ohms)}</b>
      {hint.offOhms !== null && <span className="figures"> ± {ohms(hint.offOhms)}</span>}
      {hint.better && (
        <Button type="link" size="small" onClick={() => change({ rangeOhms: hint.better?.fullOhms ?? null })}>
          {partOhms(hint.better.fullOhms)} shows {hint.better.shows}
        </Button>
      )}
    </p>
  );
}

function unitOf(fullOhms: number): string {
  if (fullOhms >= 1e6) return 'MΩ';
  return fullOhms >= 1000 ? 'kΩ' : 'Ω';
}

/** Up and down in the light field go through the levels that are known. */
function useLevelKeys(text: string, type: (text: string) => void) {
  const { levels } = useProject();
  const kept = useLevels();
  return (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const names = [...new Set([...levels, ...kept].map(({ name }) => name))];
    if (step === 0 || names.length === 0) return false;
    const present = names.indexOf(text);
    const next =
      present < 0 ? (step > 0 ? 0 : names.length - 1) : (present + step + names.length) % names.length;
    type(names[next] ?? text);
    return true;
  };
}
