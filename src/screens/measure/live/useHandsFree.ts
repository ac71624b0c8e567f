import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { MeterSample } from '@/core/live/sample';
import { together } from '@/core/project/edits';
import { addReading, putLevel } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import type { ReadingLight } from '@/core/readings/reading';
import { beep, rising } from '@/ui/live/beep';
import { useLive } from '@/ui/live/context';
import { HandsFree, type HandsFreeNews } from '@/ui/live/handsFree';
import type { LiveSession } from '@/ui/live/liveSession';
import { speak } from '@/ui/live/speech';
import { useWorkbench, type Workbench } from '@/ui/workbench/context';
import { settingsNow } from '@/ui/settings/settings';
import { ohms, partOhms } from '@/ui/words/figures';
import { nextInstruction } from '@/ui/words/measure/live';

/** How a run makes itself heard. */
interface Voice {
  readonly hasSound: boolean;
  readonly speaks: boolean;
  /** The browser would not speak. */
  readonly isMute: boolean;
  /** The project holds no more readings. */
  readonly isFull: boolean;
}

/** A run along the plan, bound to this project: takes its readings, gives its tones and speaks. */
export function useHandsFree() {
  const { session: live } = useLive();
  const workbench = useWorkbench();
  const [{ run, voice }] = useState(() => handsFreeFor(live, workbench));
  useEffect(() => () => run.stop(), [run]);
  const state = useStore(run.store);
  const heard = useStore(voice);
  return {
    run,
    state,
    ...heard,
    setSound: (hasSound: boolean) => voice.setState({ hasSound }),
    setSpeaks: (speaks: boolean) => voice.setState({ speaks }),
  };
}

function handsFreeFor(session: LiveSession, { session: edited, view }: Workbench) {
  const voice = createStore<Voice>(() => ({ hasSound: true, speaks: false, isMute: false, isFull: false }));
  const projectNow = () => edited.store.getState().project;
  const planned = () => projectNow().plan[0] ?? null;
  const take = (sample: MeterSample, light: ReadingLight) => {
    const { readings, levels } = projectNow();
    if (readings.length >= LIMITS.readings) return false;
    const { lamp, note } = view.getState().entry;
    const add = addReading({
      id: nanoid(10),
      light,
      ohms: sample.ohms,
      above: sample.above,
      rangeOhms: sample.rangeOhms,
      lamp,
      note: note.trim(),
      takenAt: Math.round(sample.at),
    });
    const isNewLevel = light.kind === 'level' && !levels.some(({ id }) => id === light.level);
    const level = isNewLevel ? { id: light.level, name: `light ${levels.length + 1}`, lux: null } : null;
    edited.apply(level ? together(putLevel(level), add) : add);
    return true;
  };
  const tell = (news: HandsFreeNews) => {
    const { hasSound, speaks } = voice.getState();
    if (news === 'full') return voice.setState({ isFull: true });
    if (hasSound && news === 'taken') rising();
    if (hasSound && news === 'not-yet') beep(220, 0.25);
    if (!speaks || !settingsNow().sound || news === 'taken') return;
    const { last } = run.store.getState();
    const figure = last ? (last.above ? `above ${partOhms(last.ohms)}. ` : `${ohms(last.ohms)}. `) : '';
    speak(`${figure}${nextInstruction(news, planned(), projectNow().levels)}`, () =>
      voice.setState({ isMute: true }),
    );
  };
  const lightOf = (sample: MeterSample): ReadingLight =>
    sample.lux !== null && sample.lux >= LIMITS.lux.min
      ? { kind: 'lux', lux: sample.lux }
      : { kind: 'level', level: nanoid(10) };
  const run: HandsFree = new HandsFree({ session, planned, lightOf, take, tell });
  return { run, voice };
}
