import type { Step } from '@/core/advise/advice';
import { divideWords } from '../panels/divide';
import { checkWords } from '../panels/check';
import { buildWords } from '../panels/build';
import { driveWords } from '../panels/drive';
import { switchWords } from '../panels/switch';
import { tryWords } from '../panels/try';

/** Fields and ways of steps, by the names that they have there: the palette finds them from every other step. */
export const paletteFields: readonly { readonly name: string; readonly step: Step }[] = [
  { name: divideWords.supply, step: 'divide' },
  { name: divideWords.decadeBoxFor, step: 'divide' },
  { name: switchWords.switchedBy, step: 'switch' },
  { name: switchWords.compare, step: 'switch' },
  { name: driveWords.load, step: 'drive' },
  { name: tryWords.live, step: 'try' },
  { name: tryWords.day, step: 'try' },
  { name: tryWords.spread, step: 'try' },
  { name: tryWords.predict, step: 'try' },
  { name: buildWords.parts, step: 'build' },
  { name: buildWords.board, step: 'build' },
  { name: buildWords.wiring, step: 'build' },
  { name: buildWords.sheet, step: 'build' },
  { name: buildWords.program, step: 'build' },
  { name: checkWords.points, step: 'check' },
  { name: checkWords.find, step: 'check' },
  { name: checkWords.practice, step: 'check' },
  { name: checkWords.logbook, step: 'check' },
];
