import type { Draft, Part } from './part';
import { letterOf } from './registry';
import type { Role } from './roles';

/**
 * The number that the first part of a role gets, so that it keeps its name whatever else comes and goes; others, and those beyond
 * the first, get the next number of their letter that is free from there on.
 */
const firstNumber: Readonly<Partial<Record<Role, number>>> = {
  fixed: 1,
  series: 2,
  base: 3,
  'ldr-series': 4,
  'ldr-parallel': 5,
  release: 6,
  'fixed-trimmer': 2,
  'reference-upper': 21,
  'reference-lower': 22,
  'reference-middle': 23,
  feedback: 23,
  sensor: 24,
  'edge-input': 51,
  'edge-feedback': 61,
  'pull-up': 25,
  control: 26,
  bias: 27,
  timing: 28,
  'gain-upper': 29,
  'gain-lower': 30,
  string: 31,
  'timing-capacitor': 2,
  'control-filter': 3,
  decoupling: 11,
  'counter-resistor': 28,
  'counter-guard': 38,
  'counter-capacitor': 2,
  'tone-upper': 41,
  'tone-lower': 42,
  'tone-capacitor': 41,
};
/** Where a second part of a role goes on, so that it leaves the first of others theirs. */
const secondNumber: Readonly<Partial<Record<Role, number>>> = { series: 7, base: 71, release: 81 };

/** What letters parts of a role have, for naming one that is not there yet. */
const letterOfRole: Readonly<Partial<Record<Role, string>>> = {
  'fixed-trimmer': 'RV',
  'reference-trimmer': 'RV',
  coupling: 'C',
  'timing-capacitor': 'C',
  'control-filter': 'C',
};

/** What the first part of a role is called, whether it is there or not: for the label of its field. */
export function designatorFor(role: Role): string {
  return `${letterOfRole[role] ?? 'R'}${firstNumber[role] ?? 1}`;
}

/**
 * Hands out designators, each once, in the order of the list: the one place where that is done.
 * @param tolerance of resistors, as a share either way: what is bought of one sort is all of it
 */
export function withDesignators(drafts: readonly Draft[], tolerance: number): readonly Part[] {
  const taken = new Set<string>();
  const counts = new Map<Role, number>();
  return drafts.map((draft) => {
    const letter = letterOf(draft);
    const count = counts.get(draft.role) ?? 0;
    counts.set(draft.role, count + 1);
    const first = firstNumber[draft.role] ?? 1;
    let number = count > 0 ? (secondNumber[draft.role] ?? first) : first;
    while (taken.has(`${letter}${number}`)) number += 1;
    const designator = `${letter}${number}`;
    taken.add(designator);
    const index = draft.index ?? 0;
    // A spread of so many shapes takes several times as long.
    return draft.kind === 'resistor'
      ? Object.assign({ index, designator, tolerance }, draft, { index })
      : Object.assign({ index, designator }, draft, { index });
  });
}
