import type { ProjectStorage } from './storage';

/** How much each kind of thing takes, in bytes, about. */
export interface Sizes {
  readonly projects: { readonly count: number; readonly bytes: number };
  readonly history: { readonly count: number; readonly bytes: number };
  readonly bin: { readonly count: number; readonly bytes: number };
  readonly logs: { readonly count: number; readonly points: number; readonly bytes: number };
  readonly records: { readonly count: number; readonly bytes: number };
}

/** A point of a log: two figures of eight bytes and one of one. */
export const POINT_BYTES = 17;

const bytesOf = (value: unknown) => JSON.stringify(value)?.length ?? 0;

const listBytes = (list: readonly unknown[]) => (list.length === 0 ? 0 : bytesOf(list));

/** Counts and sizes of everything that is stored; a text's characters are taken as bytes. */
export async function sizesOf(storage: ProjectStorage): Promise<Sizes> {
  const projects = { count: 0, bytes: 0 };
  const history = { count: 0, bytes: 0 };
  const bin = { count: 0, bytes: 0 };
  for (const { id, deletedAt } of await storage.cards()) {
    if (deletedAt !== null) {
      bin.count += 1;
      bin.bytes += bytesOf(await storage.raw(id));
      continue;
    }
    const bundle = await storage.load(id);
    if (!bundle) continue;
    projects.count += 1;
    projects.bytes += bytesOf(bundle.stored);
    // The states of one project are about of one size.
    history.count += bundle.history.length;
    history.bytes += bundle.history.length * bytesOf(bundle.stored.project);
  }
  const logs = await storage.logs.all();
  const points = logs.reduce((total, { count }) => total + count, 0);
  const records = (
    await Promise.all([
      storage.ldrs.all(),
      storage.meters.all(),
      storage.levels.all(),
      storage.transistors.all(),
      storage.ics.all(),
    ])
  ).flat();
  return {
    projects,
    history,
    bin,
    logs: { count: logs.length, points, bytes: points * POINT_BYTES + listBytes(logs) },
    records: { count: records.length, bytes: listBytes(records) },
  };
}
