import isEqual from 'fast-deep-equal/es6/index.js';
import { keysOf } from '../record';
import { checkProject, type Project } from './project';

/**
 * A change that was made of one state, made of another: what differs between `from` and `to` is set as in `to`, all else stays as
 * `present` has it. So an edit can be taken back after others, from another tab, have come on top of it.
 *
 * @returns the present project where the two changes cannot stand together
 */
export function carry(present: Project, from: Project, to: Project): Project {
  const whole = carried(present, from, to);
  const checked = checkProject(whole);
  if (checked.ok) return checked.project;
  const coarse = checkProject(withTops(present, from, to));
  return coarse.ok ? coarse.project : present;
}

/** The same by whole fields of the project. */
function withTops(present: Project, from: Project, to: Project): unknown {
  const changed = keysOf(to).filter((key) => !isEqual(from[key], to[key]));
  return { ...present, ...Object.fromEntries(changed.map((key) => [key, to[key]])) };
}

type Loose = Readonly<Record<string, unknown>>;

function carried(present: unknown, from: unknown, to: unknown): unknown {
  if (isEqual(from, to)) return present;
  if (isRecord(present) && isRecord(from) && isRecord(to) && isSameKind(present, from, to)) {
    const keys = new Set([...Object.keys(present), ...Object.keys(to)]);
    return Object.fromEntries(
      [...keys]
        .filter((key) => key in to || !(key in from))
        .map((key) => [key, carried(present[key], from[key], to[key])]),
    );
  }
  if (isList(present) && isList(from) && isList(to)) return carriedList(present, from, to);
  return to;
}

/** Records under ids: each by itself; what `to` has lost goes, what it has gained comes at its end. */
function carriedList(present: readonly Named[], from: readonly Named[], to: readonly Named[]): unknown {
  const [before, after] = [byId(from), byId(to)];
  const kept = present
    .filter(({ id }) => after.has(id) || !before.has(id))
    .map((entry) => carried(entry, before.get(entry.id), after.get(entry.id) ?? before.get(entry.id)));
  const has = new Set(present.map(({ id }) => id));
  return [...kept, ...to.filter(({ id }) => !has.has(id) && !before.has(id))];
}

interface Named {
  readonly id: string;
}
const byId = (list: readonly Named[]) => new Map(list.map((entry) => [entry.id, entry]));

const isRecord = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isList = (value: unknown): value is readonly Named[] =>
  Array.isArray(value) && value.every((entry) => isRecord(entry) && typeof entry.id === 'string');
const isSameKind = (...records: readonly Loose[]) => records.every(({ kind }) => kind === records[0]?.kind);
