'use client';

import { App, Button, Slider } from 'antd';
import { nanoid } from 'nanoid';
import { useRef, useState } from 'react';
import type { InputRef } from 'antd';
import type { LogRecord, LogSeries } from '@/core/live/log';
import { stepAnswer, type StepAnswer } from '@/core/live/stepFit';
import { stretchOf } from '@/core/live/stretch';
import { together } from '@/core/project/edits';
import { addReading, changePart, putLevel } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { LDR_LIMITS } from '@/core/readings/ldrPart';
import { parseLight, type TypedLight } from '@/core/readings/parseLight';
import type { ReadingLight } from '@/core/readings/reading';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useEntry, useProject } from '@/ui/workbench/context';
import { ohms, partOhms, percent } from '@/ui/words/figures';
import { measureWords } from '@/ui/words/panels/measure';
import { lightRefusal } from '@/ui/words/measure/readings';
import { clockText, timeText } from '@/ui/words/time';
import { EntryField } from '../hand/EntryField';
import { distanceExample } from '@/ui/words/light';
import styles from './Log.module.css';

/** A stretch that moved by less counts as at rest. */
const AT_REST = 0.01;

interface OutOfLogProps {
  readonly record: LogRecord;
  readonly series: LogSeries;
  readonly stretch: readonly [number, number];
  readonly onStretch: (stretch: readonly [number, number]) => void;
  readonly input: React.Ref<InputRef>;
}

/** A stretch of the log as a reading, and the LDR's rise and fall out of a step in it. */
export function OutOfLog({ record, series, stretch, onStretch, input }: OutOfLogProps) {
  const { at } = series;
  const [first, last] = [at[0] ?? 0, at[at.length - 1] ?? 0];
  const [from, to] = stretch;
  const found = stretchOf(series, from, to);
  return (
    <section className={styles.out} aria-label={measureWords.outOfThisLog}>
      <h3>{measureWords.outOfThisLog}</h3>
      <div className={styles.slider}>
        <Slider
          range
          min={first}
          max={last}
          step={Math.max(1, (last - first) / 2000)}
          value={[from, to]}
          ariaLabelForHandle={[measureWords.stretchFrom, measureWords.stretchTo]}
          tooltip={{ formatter: (value) => clockText(value ?? 0) }}
          onChange={([start = first, end = last]) => onStretch([start, end])}
        />
      </div>
      <p>
        {clockText(from)} to {clockText(to)}:{' '}
        {found === null
          ? measureWords.noFiguresThere
          : found.above
            ? `over range, above ${partOhms(found.ohms)}`
            : `${ohms(found.ohms)}, moving by ${percent(found.std, 1)} (${found.count} figures)`}
      </p>
      <TakeStretch series={series} from={from} to={to} note={record.name} input={input} />
      <StepOf key={`${from}-${to}`} series={series} from={from} to={to} />
    </section>
  );
}

interface StretchProps {
  readonly series: LogSeries;
  readonly from: number;
  readonly to: number;
}

function TakeStretch({
  series,
  from,
  to,
  note,
  input,
}: StretchProps & { note: string; input: React.Ref<InputRef> }) {
  const apply = useApply();
  const { message } = App.useApp();
  const [entry] = useEntry();
  const { levels, readings } = useProject();
  const own = useRef<InputRef>(null);
  const light = useTypedText<TypedLight>('', (text) => {
    const parsed = parseLight(text, { bare: 'lux', levels, previous: null });
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: lightRefusal(parsed) };
  });
  const take = () => {
    const typed = light.read();
    const found = stretchOf(series, from, to);
    if (typed === null || !found) return own.current?.focus();
    if (readings.length >= LIMITS.readings) return;
    const level = 'newLevel' in typed ? { id: nanoid(10), name: typed.newLevel, lux: null } : null;
    const told: ReadingLight = level
      ? { kind: 'level', level: level.id }
      : 'light' in typed
        ? typed.light
        : { kind: 'lux', lux: 1 };
    const add = addReading({
      id: nanoid(10),
      light: told,
      ohms: found.ohms,
      above: found.above,
      lamp: entry.lamp,
      note: `out of “${note}”`.slice(0, LIMITS.noteLength),
      takenAt: Math.round((from + to) / 2),
      unsettledStd: found.std > AT_REST ? Math.min(LIMITS.unsettledStd.max, found.std) : 0,
    });
    apply(level ? together(putLevel(level), add) : add);
    light.reset();
    void message.success(`Taken: ${found.above ? `above ${partOhms(found.ohms)}` : ohms(found.ohms)}`, 2);
  };
  return (
    <div className={styles.take}>
      <EntryField
        label={measureWords.lightOfStretch}
        unit="lx"
        example={`12, ${distanceExample()}, a name`}
        field={light}
        input={input}
        onEnter={take}
      />
      <Button onClick={take}>{measureWords.takeAsReading}</Button>
    </div>
  );
}

/** The largest step of light in the stretch, and what it says of the LDR's speed. */
function StepOf({ series, from, to }: StretchProps) {
  const apply = useApply();
  const [answer, setAnswer] = useState<StepAnswer | 'no-step' | 'too-few' | null>(null);
  const find = () => {
    const found = stepAnswer(series, from, to);
    setAnswer(found.ok ? found.answer : found.reason);
  };
  if (answer === null || typeof answer === 'string')
    return (
      <p>
        <Button onClick={find}>{measureWords.findStep}</Button>{' '}
        {answer && (
          <span role="status">
            {answer === 'no-step' ? measureWords.noStep : measureWords.tooFewAfterStep}
          </span>
        )}
      </p>
    );
  const { toward, seconds, isResolved, tailShare, tailSeconds } = answer;
  const key = toward === 'light' ? 'riseSeconds' : 'fallSeconds';
  const { min, max } = LDR_LIMITS[key];
  const value = Number(Math.min(max, Math.max(min, seconds)).toPrecision(3));
  return (
    <p role="status">
      Toward {toward}, from {ohms(answer.fromOhms)} to {ohms(answer.toOhms)} at {clockText(answer.at)}:{' '}
      {isResolved
        ? `${timeText(value)}, with a slow tail of ${percent(tailShare)} over ${timeText(tailSeconds)}. `
        : `faster than these samples show, under ${timeText(value)}. `}
      <Button size="small" disabled={!isResolved} onClick={() => apply(changePart({ [key]: value }))}>
        {toward === 'light' ? measureWords.useAsRise : measureWords.useAsFall}
      </Button>
    </p>
  );
}
