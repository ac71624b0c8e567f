import { createStore } from 'zustand/vanilla';
import { sampleProjects } from '@/core/project/samples';
import { flag } from '@/core/schema';
import { checkedStorage } from './checked';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { sweepBin } from './projects';
import { freshBundle, type ProjectStorage, type WriteOutcome } from './storage';

/**
 * How far the storage of this page is. `slow`: the browser's database does not answer; `blocked`: another tab holds an older
 * one; `newer`: a newer program has made it into one that this one must not touch.
 */
export type StorageState = 'opening' | 'slow' | 'blocked' | 'newer' | 'open';

interface StorageStore {
  readonly state: StorageState;
  /** The projects were there when it came to this: nothing else can be opened on this page. */
  readonly wasOpen: boolean;
  /** The user goes on without the browser's database. */
  readonly isByChoice: boolean;
}

export const storageState = createStore<StorageStore>(() => ({
  state: 'opening',
  wasOpen: false,
  isByChoice: false,
}));

/** A database that has not answered after this long is said to be slow. */
const SLOW_MILLISECONDS = 5000;

const SWEEP_MILLISECONDS = 10_000;

let opened: Promise<ProjectStorage> | undefined;
let database: YemkoDatabase | null = null;
let openInMemory: () => void = () => undefined;

/** The one storage of this page: the browser's database, or memory where the browser refuses or the user goes on without. */
export function openStorage(): Promise<ProjectStorage> {
  opened ??= openBrowserStorage().then(async (kept) => {
    const storage = checkedStorage(kept);
    await addSamplesOnce(storage);
    // The bin can wait: nothing that is shown depends on it.
    setTimeout(() => void sweepBin(storage, Date.now()).catch(() => undefined), SWEEP_MILLISECONDS);
    storageState.setState({ state: 'open', wasOpen: true });
    return storage;
  });
  // What failed once may be tried again.
  opened.catch(() => (opened = undefined));
  return opened;
}

/** Goes on without the browser's database: what is done is on this page only. */
export function goOnInMemory(): void {
  storageState.setState({ isByChoice: true });
  openInMemory();
}

function openBrowserStorage(): Promise<ProjectStorage> {
  return new Promise((resolve) => {
    const slow = setTimeout(() => tell('slow'), SLOW_MILLISECONDS);
    let isDone = false;
    const tell = (state: StorageState) => {
      if (!isDone) storageState.setState({ state });
    };
    const done = (storage: ProjectStorage) => {
      clearTimeout(slow);
      isDone = true;
      resolve(storage);
    };
    openInMemory = () => {
      // Fetched where it is needed, which is next to nowhere.
      void import('./memoryStorage').then(({ memoryStorage }) => {
        if (!isDone) done(memoryStorage());
      });
    };
    try {
      const opening = (database = new YemkoDatabase());
      opening.on('blocked', () => tell('blocked'));
      opening.on('versionchange', ({ newVersion }) => {
        // Another tab brings a newer program, or clears everything: this page stops writing.
        opening.giveUp();
        if (newVersion !== null) storageState.setState({ state: 'newer' });
        return false;
      });
      opening.open().then(
        () => {
          if (!opening.isNewer) return isDone ? opening.close() : done(dexieStorage(opening));
          clearTimeout(slow);
          tell('newer');
        },
        () => openInMemory(),
      );
    } catch {
      openInMemory();
    }
  });
}

/** Everything in a database that this program cannot read, as it is: table by table. */
export async function rawDump(): Promise<string> {
  const tables: Record<string, unknown> = {};
  for (const table of database?.tables ?? []) tables[table.name] = await table.toArray();
  return JSON.stringify({ format: 'yemko-raw', tables }, (_, value: unknown) =>
    ArrayBuffer.isView(value) && !(value instanceof DataView) ? Object.values(value) : value,
  );
}

const SAMPLES_ADDED = 'samples-added';

/** The first visit finds the samples; one that has been deleted stays deleted. */
export async function addSamplesOnce(storage: ProjectStorage): Promise<void> {
  if (await storage.setting(SAMPLES_ADDED, flag())) return;
  await bringBackSamples(storage);
  await storage.saveSetting(SAMPLES_ADDED, true);
}

/** Adds the samples that are not there; those in the bin come out of it as they were. */
export async function bringBackSamples(storage: ProjectStorage): Promise<WriteOutcome> {
  const cards = await storage.cards();
  const present = new Set(cards.map(({ id }) => id));
  const ids = new Set(sampleProjects.map(({ id }) => id));
  const binned = cards.filter(({ id, deletedAt }) => ids.has(id) && deletedAt !== null);
  const missing = sampleProjects.filter(({ id }) => !present.has(id));
  // The first sample is listed first: the list goes by the time of the last change.
  const now = Date.now();
  const outcome = await storage.add(missing.map((project, index) => freshBundle(project, now - index)));
  if (outcome !== 'saved' || binned.length === 0) return outcome;
  return storage.label(
    binned.map(({ id }) => id),
    { deletedAt: null },
  );
}
