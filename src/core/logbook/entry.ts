import { exactly, idField, listOf, oneOf, text, within, type Infer } from '../schema';

/** What is written in a logbook. */
export const entryKinds = ['note', 'check', 'fault', 'trim', 'part', 'reading'] as const;
export type EntryKind = (typeof entryKinds)[number];

export const LOGBOOK_LIMITS = {
  textLength: 4000,
  milliseconds: { min: 0, max: 1e14 },
  photos: 6,
  /** Of a photo as a data URL: some 300 kB of picture. */
  photoLength: 400_000,
  figures: 60,
  figureNameLength: 80,
  value: { min: -1e13, max: 1e13 },
} as const;

const figureField = exactly({
  /** What was measured, by the key of its probe. */
  name: text(LOGBOOK_LIMITS.figureNameLength, 1),
  measured: within(LOGBOOK_LIMITS.value),
  predicted: within(LOGBOOK_LIMITS.value),
});

/** One line of a project's logbook. */
export const logbookEntryField = exactly({
  id: idField,
  projectId: idField,
  /** Milliseconds since 1970. */
  at: within(LOGBOOK_LIMITS.milliseconds),
  kind: oneOf<EntryKind>(...entryKinds),
  text: text(LOGBOOK_LIMITS.textLength),
  /** Measured beside predicted, of a check. */
  figures: listOf(figureField, { max: LOGBOOK_LIMITS.figures }),
  /** How the circuit did then. */
  outcome: oneOf('works', 'fails', 'open'),
  /** What the circuit was then: the values that can be told apart, as `name=value`. */
  values: listOf(text(LOGBOOK_LIMITS.figureNameLength, 1), { max: 200 }),
  /** As data URLs, scaled down. */
  photos: listOf(text(LOGBOOK_LIMITS.photoLength, 1), { max: LOGBOOK_LIMITS.photos }),
});
export type LogbookEntry = Infer<typeof logbookEntryField>;

/** The last entry before one that worked, or worked not: what to hold it against. */
export function lastWorking(entries: readonly LogbookEntry[], before: LogbookEntry): LogbookEntry | null {
  const earlier = entries.filter(({ at, outcome }) => at < before.at && outcome === 'works');
  return earlier.reduce<LogbookEntry | null>((last, each) => (last && last.at > each.at ? last : each), null);
}

/** What of the circuit's values is other in one entry than in another: `R1: 10 kΩ → 22 kΩ`. */
export function changedValues(
  from: readonly string[],
  to: readonly string[],
): readonly { readonly name: string; readonly from: string | null; readonly to: string | null }[] {
  const read = (values: readonly string[]) =>
    new Map(
      values.map((value) => {
        const at = value.indexOf('=');
        return [value.slice(0, at), value.slice(at + 1)] as const;
      }),
    );
  const [before, after] = [read(from), read(to)];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((name) => {
    const [was, is] = [before.get(name) ?? null, after.get(name) ?? null];
    return was === is ? [] : [{ name, from: was, to: is }];
  });
}

/** The entries in which every word of a search stands. */
export function searched(entries: readonly LogbookEntry[], words: string): readonly LogbookEntry[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter((entry) => {
    const text = `${entry.kind} ${entry.text} ${entry.values.join(' ')}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
