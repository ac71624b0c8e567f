import { nanoid } from 'nanoid';
import { together } from '@/core/project/edits';
import { addReading, putLevel } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { lightAsTyped, parseLight, type TypedLight } from '@/core/readings/parseLight';
import type { Level, ReadingLight } from '@/core/readings/reading';
import { openStorage } from '@/store/openStorage';
import { afterPaint } from '@/ui/common/afterPaint';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useLevels } from '@/ui/library/useLevels';
import { useApply, useEntry, useProject } from '@/ui/workbench/context';
import { lightRefusal } from '@/ui/words/measure/readings';
import { useShown } from '../shown/useShown';

/** From so many readings on a fit is felt. */
const MANY = 60;

/**
 * Taking one reading: the light as typed, the figure as shown, on a meter and a range. After it the light, the range and
 * the lamp stay, unless a planned light comes next.
 */
export function useReadingEntry() {
  const apply = useApply();
  const project = useProject();
  const [entry, change] = useEntry();
  const kept = useLevels();
  const { levels, plan, readings } = project;
  const previous = readings[readings.length - 1]?.light ?? null;
  const context = { bare: 'lux' as const, levels, previous: plan[0] ?? previous };
  const planned = plan[0] ? lightAsTyped(plan[0], levels) : null;
  const light = useTypedText<TypedLight>(planned ?? entry.lightText, (text) => {
    const parsed = parseLight(text, context);
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: lightRefusal(parsed) };
  });
  const shown = useShown();

  /** A level by its name: the one this browser keeps, or a new one that it keeps from now on. */
  const levelNamed = (name: string): Level => {
    const known = kept.find((level) => level.name.toLowerCase() === name.toLowerCase());
    if (known) return known;
    const level = { id: nanoid(10), name, lux: null };
    void openStorage().then((storage) => storage.levels.put(level));
    return level;
  };

  /** Takes what stands in both fields; tells which of them is not right yet. */
  const add = (): 'added' | 'light' | 'shown' => {
    const typed = light.read();
    if (typed === null) return 'light';
    const read = shown.field.read();
    if (read === null) return 'shown';
    const newLevel = 'newLevel' in typed ? levelNamed(typed.newLevel) : null;
    const told: ReadingLight = 'light' in typed ? typed.light : { kind: 'level', level: newLevel?.id ?? '' };
    const reading = {
      id: nanoid(10),
      light: told,
      ohms: read.ohms,
      above: read.above,
      rangeOhms: read.rangeOhms,
      lamp: entry.lamp,
      takenAt: Date.now(),
      note: entry.note.trim(),
    };
    const edit = newLevel ? together(putLevel(newLevel), addReading(reading)) : addReading(reading);
    // Fitting hundreds of readings takes longer than a frame: the fields are free for the next one before.
    if (readings.length < MANY) apply(edit);
    else afterPaint(() => apply(edit));
    change({ lightText: light.text, note: '' });
    light.reset();
    shown.field.reset();
    return 'added';
  };
  return {
    entry,
    change,
    light,
    shown,
    add,
    /** A planned light stands in its field already: only the figure is to be typed. */
    isPlanned: plan.length > 0,
    /** Another planned light comes after this one. */
    isPlanGoingOn: plan.length > 1,
    full: readings.length >= LIMITS.readings,
  };
}
