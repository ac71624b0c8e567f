import { sampleProjects } from '@/core/project/samples';
import { flag } from '@/core/schema';
import { checkedStorage } from './checked';
import { dexieStorage, YemkoDatabase } from './dexieStorage';
import { memoryStorage } from './memoryStorage';
import { freshBundle, type ProjectStorage, type WriteOutcome } from './storage';

let opened: Promise<ProjectStorage> | undefined;

/** The one storage of this page: the browser's database, or memory where the browser refuses. */
export function openStorage(): Promise<ProjectStorage> {
  opened ??= openBrowserStorage().then(async (kept) => {
    const storage = checkedStorage(kept);
    await addSamplesOnce(storage);
    // A deleted project can be brought back until the page is left; its logs go with the next page.
    const ids = (await storage.list()).map(({ id }) => id);
    await storage.logs.keepOnly(ids).catch(() => undefined);
    return storage;
  });
  return opened;
}

async function openBrowserStorage(): Promise<ProjectStorage> {
  try {
    const database = new YemkoDatabase();
    await database.open();
    return dexieStorage(database);
  } catch {
    return memoryStorage();
  }
}

const SAMPLES_ADDED = 'samples-added';

/** The first visit finds the samples; one that has been deleted stays deleted. */
export async function addSamplesOnce(storage: ProjectStorage): Promise<void> {
  if (await storage.setting(SAMPLES_ADDED, flag())) return;
  await bringBackSamples(storage);
  await storage.saveSetting(SAMPLES_ADDED, true);
}

/** Adds the samples that are not there. */
export async function bringBackSamples(storage: ProjectStorage): Promise<WriteOutcome> {
  const present = new Set((await storage.list()).map(({ id }) => id));
  const missing = sampleProjects.filter(({ id }) => !present.has(id));
  // The first sample is listed first: the list goes by the time of the last change.
  const now = Date.now();
  return storage.add(missing.map((project, index) => freshBundle(project, now - index)));
}
