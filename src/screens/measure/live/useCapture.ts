import { nanoid } from 'nanoid';
import { useState } from 'react';
import { settledValue } from '@/core/live/settledValue';
import { together } from '@/core/project/edits';
import { addReading, putLevel } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { lightAsTyped, parseLight, type TypedLight } from '@/core/readings/parseLight';
import type { ReadingLight } from '@/core/readings/reading';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useLive, useLiveState } from '@/ui/live/context';
import { useApply, useEntry, useProject } from '@/ui/workbench/context';
import { ohms, partOhms } from '@/ui/words/figures';
import { readingLightText } from '@/ui/words/light';
import { lightRefusal } from '@/ui/words/measure/readings';

type Taken = { readonly ok: true; readonly text: string } | { readonly ok: false };

/** Takes the live figure as a reading: at the light that a light meter tells, or at one that was typed. */
export function useCapture() {
  const apply = useApply();
  const { session } = useLive();
  const { levels, readings, plan } = useProject();
  const [entry, change] = useEntry();
  const [byMeter, setByMeter] = useState(true);
  const [error, setError] = useState<string | null>(null);
  const hasMeter = useLiveState((live) => (live.last?.lux ?? null) !== null);
  const usesMeter = hasMeter && byMeter && plan.length === 0;
  const settled = useLiveState(
    (live) => live.settling.settled || live.held !== null || live.kind === 'keyboard',
  );
  const [unsettled, setUnsettled] = useState<'refuse' | 'extrapolate'>('extrapolate');
  const previous = plan[0] ?? readings[readings.length - 1]?.light ?? null;
  const planned = plan[0] ? lightAsTyped(plan[0], levels) : null;
  const light = useTypedText<TypedLight>(planned ?? entry.lightText, (text) => {
    const parsed = parseLight(text, { bare: 'lux', levels, previous });
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: lightRefusal(parsed) };
  });

  const take = (): Taken => {
    const sample = session.shown();
    const refuse = (sentence: string | null): Taken => {
      setError(sentence);
      return { ok: false };
    };
    if (!sample) return refuse('There is no figure to take yet.');
    if (readings.length >= LIMITS.readings)
      return refuse(`A project holds up to ${LIMITS.readings} readings.`);
    const byLightMeter = usesMeter && sample.lux !== null;
    if (byLightMeter && (sample.lux ?? 0) < LIMITS.lux.min)
      return refuse('The light meter shows 0: too dark for it. Type the light, or a name.');
    const typed = byLightMeter ? null : light.read();
    if (!byLightMeter && typed === null) return refuse('Which light is this? Type it beside Capture.');
    const newLevel =
      typed && 'newLevel' in typed ? { id: nanoid(10), name: typed.newLevel, lux: null } : null;
    const told: ReadingLight = newLevel
      ? { kind: 'level', level: newLevel.id }
      : typed && 'light' in typed
        ? typed.light
        : { kind: 'lux', lux: sample.lux ?? 1 };
    const value = settled || sample.above ? null : settledValue(session.store.getState().trend);
    if (!settled && !sample.above && (unsettled === 'refuse' || value === null))
      return refuse(
        unsettled === 'refuse'
          ? 'It has not settled yet. Wait for the mark, or let Yemko take where it will settle.'
          : 'It is still running: where it will settle is not known yet. Wait a few seconds.',
      );
    const add = addReading({
      id: nanoid(10),
      light: told,
      ohms: value ? Number(value.ohms.toPrecision(4)) : sample.ohms,
      unsettledStd: value ? Math.min(LIMITS.unsettledStd.max, value.std) : 0,
      above: sample.above,
      rangeOhms: sample.rangeOhms,
      lamp: entry.lamp,
      note: entry.note.trim(),
      takenAt: Math.round(sample.at),
    });
    apply(newLevel ? together(putLevel(newLevel), add) : add);
    if (typed) {
      change({ lightText: light.text });
      light.reset();
    }
    setError(null);
    const figure = sample.above
      ? `above ${partOhms(sample.ohms)}`
      : value
        ? `${ohms(value.ohms)}, where it will settle`
        : ohms(sample.ohms);
    const known = newLevel ? [...levels, newLevel] : levels;
    return { ok: true, text: `${figure} at ${readingLightText(told, known)}` };
  };
  return {
    take,
    light,
    hasMeter,
    usesMeter,
    byMeter,
    setByMeter,
    unsettled,
    setUnsettled,
    error: error ?? light.error,
  };
}
