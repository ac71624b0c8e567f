import { entryFor } from '@/core/record';
import type { DetectorKind } from '@/core/detectors/kinds';
import { detectorDefinition, type DetectorOf, type DetectorSettings } from '@/core/detectors/registry';
import { percent } from './figures';
import { timeText } from './time';

/** How a way of switching is spoken of. */
interface DetectorWords<S> {
  /** As the head of a row. */
  readonly title: string;
  /** Within a sentence. */
  readonly name: string;
  /** With its settings, in a few words. */
  readonly text: (settings: S) => string;
  /** What stands for a switching light where there is none; `null` where there is one. */
  readonly instead: ((settings: S, ldrSide: 'top' | 'bottom') => { figure: string; note: string }) | null;
}

/** One entry for each way of switching. */
export const detectorWords: { readonly [K in DetectorKind]: DetectorWords<DetectorOf<K>> } = {
  transistor: {
    title: 'Transistor alone',
    name: 'the transistor alone',
    text: () => 'transistor alone',
    instead: null,
  },
  comparator: {
    title: 'Comparator',
    name: 'a comparator',
    text: ({ feedbackOhms }) => (feedbackOhms === null ? 'comparator' : 'comparator with hysteresis'),
    instead: null,
  },
  window: {
    title: 'Window',
    name: 'a window of two comparators',
    text: ({ hysteresis }) => (hysteresis ? 'window with a band at each edge' : 'window'),
    instead: null,
  },
  ladder: {
    title: 'Ladder',
    name: 'a ladder of comparators',
    text: ({ stringOhms }) => `ladder of ${stringOhms.length - 1}`,
    instead: null,
  },
  timer: { title: 'Timer IC', name: 'a timer IC', text: () => 'timer IC', instead: null },
  controller: {
    title: 'Microcontroller',
    name: 'a microcontroller',
    text: ({ onCode }) => `code ${onCode}`,
    instead: null,
  },
  change: {
    title: 'Change detector',
    name: 'a change detector',
    text: () => 'change detector',
    instead: ({ dimming, seconds }, ldrSide) => ({
      figure: percent(dimming),
      note: `${ldrSide === 'bottom' ? 'dims' : 'brightens'} within ${timeText(seconds)} · change detector`,
    }),
  },
};

/** The words of a detector; the one place where settings and words are said to go together. */
const wordsOf = ({ kind }: DetectorSettings) =>
  entryFor<DetectorWords<DetectorSettings>>(detectorWords, kind);

/** What switches, in a few words. */
export const detectorText = (detector: DetectorSettings): string => wordsOf(detector).text(detector);

/** What switches, as a sentence begins with it. @example 'The microcontroller' */
export const detectorSubject = ({ kind }: DetectorSettings): string =>
  detectorWords[kind].name.replace(/^(an?|the) /, 'The ');

/** What stands for the switching light of a detector that has none; `null` where it has one. */
export function insteadOfLight(detector: DetectorSettings, ldrSide: 'top' | 'bottom') {
  if (detectorDefinition(detector).sizes !== 'none') return null;
  return wordsOf(detector).instead?.(detector, ldrSide) ?? null;
}
