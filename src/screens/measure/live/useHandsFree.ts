import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { MeterSample } from '@/core/live/sample';
import { addReading, putLevel, together } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { ReadingLight } from '@/core/readings/reading';
import { rising, beep } from '@/ui/live/beep';
import { HandsFree, type HandsFreeNews } from '@/ui/live/handsFree';
import { useLive } from '@/ui/live/context';
import { speak } from '@/ui/live/speech';
import { useApply, useEntry, useProject } from '@/ui/workbench/context';
import { ohms, partOhms } from '@/ui/words/figures';
import { nextInstruction } from '@/ui/words/live';

/** A run along the plan, bound to this project: takes its readings, gives its tones and speaks. */
export function useHandsFree() {
  const { session } = useLive();
  const apply = useApply();
  const project = useProject();
  const [entry] = useEntry();
  const [hasSound, setSound] = useState(true);
  const [speaks, setSpeaks] = useState(false);
  const [isMute, setMute] = useState(false);
  const present = useRef({ apply, project, entry, hasSound, speaks });
  useEffect(() => {
    present.current = { apply, project, entry, hasSound, speaks };
  });
  const [run] = useState(() => {
    // The plan of the very moment: a reading that has just been taken has left it already.
    const plan = () => present.current.project.plan;
    let left: readonly ReadingLight[] = [];
    const take = (sample: MeterSample, light: ReadingLight) => {
      const { apply: edit, project: now, entry: with_ } = present.current;
      if (now.readings.length >= LIMITS.readings) return;
      left = plan().slice(1);
      const add = addReading({
        id: nanoid(10),
        light,
        ohms: sample.ohms,
        above: sample.above,
        rangeOhms: sample.rangeOhms,
        lamp: with_.lamp,
        note: with_.note.trim(),
        takenAt: Math.round(sample.at),
      });
      const isNewLevel = light.kind === 'level' && !now.levels.some(({ id }) => id === light.level);
      const name = `light ${now.levels.length + 1}`;
      edit(isNewLevel ? together(putLevel({ id: light.level, name, lux: null }), add) : add);
      present.current = { ...present.current, project: { ...now, plan: left } };
    };
    const tell = (news: HandsFreeNews) => {
      const { hasSound: isLoud, speaks: aloud, project: now } = present.current;
      if (isLoud && news === 'taken') rising();
      if (isLoud && news === 'not-yet') beep(220, 0.25);
      if (!aloud || news === 'taken') return;
      const { last } = run_.store.getState();
      const figure = last ? (last.above ? `above ${partOhms(last.ohms)}. ` : `${ohms(last.ohms)}. `) : '';
      speak(`${figure}${nextInstruction(news, now.plan[0] ?? null, now.levels)}`, () => setMute(true));
    };
    const run_: HandsFree = new HandsFree({
      session,
      planned: () => plan()[0] ?? null,
      lightOf: (sample) =>
        sample.lux !== null && sample.lux >= LIMITS.lux.min
          ? { kind: 'lux', lux: sample.lux }
          : { kind: 'level', level: nanoid(10) },
      take,
      tell,
    });
    return run_;
  });
  useEffect(() => () => run.stop(), [run]);
  const state = useStore(run.store);
  return { run, state, hasSound, setSound, speaks, setSpeaks, isMute };
}
