'use client';

import { fixed, precise } from '@/core/quantity/notation';
import { Button } from 'antd';
import { useState } from 'react';
import { displayed } from '@/core/meter/voltmeter';
import { NEVER_SECONDS, SHORTEST_SECONDS } from '@/core/faults/circuit/timed';
import { OVER_OHMS, type Probe } from '@/core/faults/probe';
import { patternOf, seenIn, seenStates, type Seen, type ToSee } from '@/core/faults/seen';
import { parseShown } from '@/core/meter/shown';
import type { Meter } from '@/core/meter/meter';
import { parseQuantity } from '@/core/quantity/parse';
import { Choice } from '@/ui/fields/Choice';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { ohmsShown, seenChoice, valueText } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import { shownRefusal } from '@/ui/words/measure/readings';
import { quantityRefusal } from '@/ui/words/refusals';
import styles from './Check.module.css';
import { LiveTake } from './LiveTake';

interface AnswerFieldProps {
  readonly probe: Probe;
  readonly label: string;
  readonly meter: Meter;
  /** `null`: nothing was found yet. */
  readonly value: number | null;
  /** The loads in their order. */
  readonly loads: readonly ToSee[];
  readonly onAnswer: (value: number | null) => void;
  /** The figure of a meter that talks is offered beside it. */
  readonly takesLive?: boolean;
}

/** Where what was found is entered: a figure, how the loads are, or whether something is as it should be. */
export function AnswerField(props: AnswerFieldProps) {
  const { probe, label, value, loads, onAnswer } = props;
  switch (probe.kind) {
    case 'volts':
      return <FigureField {...props} unit="V" />;
    case 'amps':
      return <FigureField {...props} unit="A" />;
    case 'ohms':
      return <OhmsField {...props} />;
    case 'time':
      return <TimeField {...props} />;
    case 'load':
      return <LoadsField label={label} value={value} loads={loads} onAnswer={onAnswer} />;
    case 'look':
      return (
        <span className={styles.row} role="group" aria-label={label}>
          {([1, 0] as const).map((found) => (
            <Button
              key={found}
              type={value === found ? 'primary' : 'default'}
              aria-pressed={value === found}
              onClick={() => onAnswer(value === found ? null : found)}
            >
              {found === 1 ? checkWords.asItShould : checkWords.wrong}
            </Button>
          ))}
        </span>
      );
  }
}

const LIMITS = { V: { min: -1000, max: 1000 }, A: { min: -20, max: 20 } } as const;

function FigureField({
  probe,
  label,
  meter,
  value,
  loads,
  unit,
  takesLive,
  onAnswer,
}: AnswerFieldProps & { readonly unit: 'V' | 'A' }) {
  const what = probe.kind === 'amps' ? 'amps' : 'volts';
  const shown = value === null ? '' : textOf(meter, what, value);
  const field = useTypedText<{ value: number | null }>(shown, (text) => {
    if (text.trim() === '') return { ok: true, taken: { value: null } };
    const parsed = parseQuantity(text, unit, LIMITS[unit]);
    return parsed.ok
      ? { ok: true, taken: { value: parsed.value } }
      : { ok: false, sentence: quantityRefusal(parsed, unit) };
  });
  return (
    <>
      <TypedInput
        field={field}
        label={label}
        unit={unit}
        whenEmpty="–"
        onCommit={(read) => read.value !== value && onAnswer(read.value)}
      />
      {takesLive && (
        <LiveTake
          kind={what}
          label={label}
          textOf={(live) => valueText(probe, live, meter, loads.length)}
          onTake={(live) => {
            // What was half typed is given up for it.
            field.reset();
            onAnswer(live);
          }}
        />
      )}
    </>
  );
}

function textOf(meter: Meter, what: 'volts' | 'amps', value: number): string {
  const { decimals } = displayed(meter, what, value);
  // A figure in mA is typed with its prefix; as it is kept it is plain.
  return what === 'volts' ? fixed(value, decimals) : `${precise(value * 1000, 3)}m`;
}

function OhmsField({ probe, label, meter, value, loads, takesLive, onAnswer }: AnswerFieldProps) {
  const shown = value === null ? '' : ohmsShown(value, meter).replace('\u00a0', '').replace('Ω', '');
  const field = useTypedText<{ value: number | null }>(shown, (text) => {
    if (text.trim() === '') return { ok: true, taken: { value: null } };
    const parsed = parseShown(text, meter, null, { min: 0.01, max: 1e11 });
    return parsed.ok
      ? { ok: true, taken: { value: parsed.above ? OVER_OHMS : parsed.ohms } }
      : { ok: false, sentence: shownRefusal(parsed) };
  });
  return (
    <>
      <TypedInput
        field={field}
        label={label}
        unit="Ω"
        whenEmpty="–"
        onCommit={(read) => read.value !== value && onAnswer(read.value)}
      />
      {takesLive && (
        <LiveTake
          kind="ohms"
          label={label}
          textOf={(live) => valueText(probe, live, meter, loads.length)}
          onTake={(live) => {
            // What was half typed is given up for it.
            field.reset();
            onAnswer(live);
          }}
        />
      )}
    </>
  );
}

/** What can be timed, in s; what is shorter or longer has a button. */
const TIMED = { min: SHORTEST_SECONDS, max: 1e6 } as const;

function TimeField({ label, value, onAnswer }: AnswerFieldProps) {
  const isTimed = value !== null && value > SHORTEST_SECONDS && value < NEVER_SECONDS;
  const field = useTypedText<{ value: number | null }>(isTimed ? precise(value, 3) : '', (text) => {
    if (text.trim() === '') return { ok: true, taken: { value: null } };
    const minutes = parseQuantity(text, 'min', { max: TIMED.max / 60 });
    if (/min/i.test(text) && minutes.ok) return { ok: true, taken: { value: 60 * minutes.value } };
    const parsed = parseQuantity(text, 's', TIMED);
    return parsed.ok
      ? { ok: true, taken: { value: parsed.value } }
      : { ok: false, sentence: quantityRefusal(parsed, 's') };
  });
  const ends = [
    [SHORTEST_SECONDS, checkWords.atOnce],
    [NEVER_SECONDS, checkWords.neverEnds],
  ] as const;
  return (
    <span className={styles.row}>
      <TypedInput
        field={field}
        label={label}
        unit="s"
        whenEmpty="–"
        onCommit={(read) => (isTimed || read.value !== null) && read.value !== value && onAnswer(read.value)}
      />
      {ends.map(([seconds, text]) => (
        <Button
          key={seconds}
          size="small"
          type={value === seconds ? 'primary' : 'default'}
          aria-pressed={value === seconds}
          onClick={() => {
            field.reset();
            onAnswer(value === seconds ? null : seconds);
          }}
        >
          {text}
        </Button>
      ))}
    </span>
  );
}

/** What is either on or off is never dim, unless someone said so of another load in its place. */
const statesOf = (load: ToSee | undefined, said: Seen | null): readonly Seen[] =>
  [...seenStates].reverse().filter((state) => state !== 'dim' || load?.isByDegrees || said === 'dim');

function LoadsField({
  label,
  value,
  loads,
  onAnswer,
}: Pick<AnswerFieldProps, 'label' | 'value' | 'loads' | 'onAnswer'>) {
  const nothing = loads.map(() => null);
  const answered = value === null ? null : seenIn(value, loads.length);
  // Nothing is said for anyone: of several loads each is looked at before the answer counts.
  const [sofar, setSofar] = useState<readonly (Seen | null)[]>(nothing);
  const seen = answered ?? sofar;
  const take = (next: readonly (Seen | null)[]) => {
    const said = next.filter((one) => one !== null);
    setSofar(said.length === next.length ? nothing : next);
    if (said.length === next.length) onAnswer(patternOf(said));
  };
  const choose = (index: number, one: Seen) =>
    loads.length === 1 && answered?.[0] === one
      ? onAnswer(null)
      : take(seen.map((each, at) => (at === index ? one : each)));
  return (
    <span className={styles.row}>
      {loads.length > 1 &&
        (['on', 'off'] as const).map((state) => (
          <Button key={state} size="small" onClick={() => take(loads.map(() => state))}>
            {checkWords.allLoads[state]}
          </Button>
        ))}
      {seen.map((one, index) => (
        <span key={index} className={styles.load}>
          {loads.length > 1 && <span aria-hidden>{loads[index]?.designator}</span>}
          <Choice<Seen | ''>
            size="small"
            aria-label={loads.length === 1 ? label : `${label}: ${loads[index]?.designator}`}
            value={one ?? ''}
            options={statesOf(loads[index], one).map((state) => ({
              value: state,
              label: seenChoice(state, loads[index]?.hasRows ?? false),
            }))}
            onChange={(state) => state !== '' && choose(index, state)}
          />
        </span>
      ))}
    </span>
  );
}
