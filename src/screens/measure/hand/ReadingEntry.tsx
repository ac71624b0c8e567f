'use client';

import { Button, Input, Select, type InputRef } from 'antd';
import { useRef, type KeyboardEvent } from 'react';
import { LIMITS } from '@/core/project/project';
import { lampKinds } from '@/core/readings/reading';
import { useLevels } from '@/ui/library/useLevels';
import { useProject } from '@/ui/workbench/context';
import { RangeSelect, ShownEcho, ShownField } from '../shown/ShownField';
import { EntryField } from './EntryField';
import { lampOptions } from './lampOptions';
import { distanceExample } from '@/ui/words/light';
import styles from './ReadingEntry.module.css';
import { useReadingEntry } from './useReadingEntry';
import { measureWords } from '@/ui/words/panels/measure';

const lamps = lampOptions('any lamp');

/** One line, no mouse: light, Enter, what the meter shows, Enter, next. Light, range and lamp stay. */
export function ReadingEntry() {
  const lightInput = useRef<InputRef>(null);
  const shownInput = useRef<InputRef>(null);
  const taking = useReadingEntry();
  const { entry, change, light, shown } = taking;
  const nextLevel = useLevelKeys(light.text, light.type);

  const add = () => {
    const outcome = taking.add();
    if (outcome === 'shown' || (outcome === 'added' && taking.isPlanGoingOn)) shownInput.current?.focus();
    else lightInput.current?.focus({ cursor: 'all' });
  };
  const onwards = () => {
    if (shown.field.text !== '') return add();
    if (light.read() !== null) shownInput.current?.focus();
  };
  if (taking.full) return <p className="soft">A project holds up to {LIMITS.readings} readings.</p>;
  return (
    <div className={styles.block}>
      <div className={styles.entry}>
        <EntryField
          label={measureWords.light}
          unit="lx"
          example={`12 or ${distanceExample()}`}
          field={light}
          input={lightInput}
          onEnter={onwards}
          onKey={nextLevel}
          autoFocus={!taking.isPlanned}
        />
        <ShownField
          label={shown.range ? measureWords.meterShows : measureWords.resistance}
          shown={shown}
          input={shownInput}
          onEnter={add}
          autoFocus={taking.isPlanned}
        />
        <Button type="primary" onClick={add} className={styles.add}>
          {measureWords.add}
        </Button>
      </div>
      <ShownEcho
        shown={shown}
        idle={
          <>
            <kbd>{measureWords.enter}</kbd> goes on; <kbd>↑</kbd> <kbd>↓</kbd>{' '}
            {shown.range ? 'change the range, or the level' : 'go through the levels'}
          </>
        }
      />
      <div className={styles.settings}>
        <RangeSelect shown={shown} />
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
