import isEqual from 'fast-deep-equal/es6/index.js';
import type { Edit } from '../project/edits';
import type { Circuitry } from '../project/project';
import { circuitOf } from '../project/variants';

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const sameKeys = (one: Plain, other: Plain) =>
  Object.keys(one).length === Object.keys(other).length && Object.keys(one).every((key) => key in other);

/** A value with what differs between two states of it, as far down as all three have the same shape. */
function patched(before: unknown, after: unknown, onto: unknown): unknown {
  if (isEqual(before, after)) return onto;
  if (Array.isArray(before) && Array.isArray(after) && Array.isArray(onto))
    return before.length === after.length && before.length === onto.length
      ? before.map((value, index) => patched(value, after[index], onto[index]))
      : after;
  if (!isPlain(before) || !isPlain(after) || !isPlain(onto)) return after;
  if (!sameKeys(before, after) || !sameKeys(before, onto)) return after;
  return Object.fromEntries(
    Object.keys(onto).map((key) => [key, patched(before[key], after[key], onto[key])]),
  );
}

/**
 * The edit that takes a circuit from one state to another, value by value: done again on a project that was changed elsewhere
 * meanwhile, it leaves alone what it has nothing to do with.
 */
export function editBetween(from: Circuitry, to: Circuitry): Edit {
  return (project) => {
    const circuit = patched(from, to, circuitOf(project));
    // Each key is of the one state or the other, and so of its own type.
    return isPlain(circuit) ? { ...project, ...circuit } : project;
  };
}
