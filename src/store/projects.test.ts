import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { rename } from '@/core/project/edits';
import { writeProjectFile } from '@/core/project/file';
import { migrateProject } from '@/core/project/migrate';
import { newProject } from '@/core/project/newProject';
import { sampleProjects } from '@/core/project/samples';
import { fileLog, type WholeLog } from '@/core/live/logFile';
import { checkProject } from '@/core/project/project';
import { promised, runs } from '@/core/testRuns';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { memoryStorage } from './memoryStorage';
import { addSamplesOnce, bringBackSamples } from './openStorage';
import { freeName } from '@/core/project/copy';
import { addProject, duplicateProject, editStored, importProject, sweepBin, wholeLogs } from './projects';
import { CARD_SHAPE, freshBundle, type ProjectStorage } from './storage';

let count = 0;
const storages: readonly (readonly [string, () => ProjectStorage])[] = [
  ['the browser', () => dexieStorage(new YemkoDatabase(`projects-${count++}`))],
  ['memory', memoryStorage],
];
const names = async (storage: ProjectStorage) =>
  (await storage.cards()).flatMap(({ summary, deletedAt }) =>
    summary && deletedAt === null ? [summary.name] : [],
  );
const remove = (storage: ProjectStorage, id: string) => storage.label([id], { deletedAt: 5 });
let ids = 0;
const newId = () => `fresh-${ids++}`;

const logOf = (projectId: string): WholeLog => ({
  record: {
    id: `log-${projectId}`,
    projectId,
    name: 'Dusk',
    source: 'bench',
    startedAt: 10,
    state: 'stopped',
    count: 3,
    marks: [{ id: 'm', at: 20, text: 'cloud' }],
    lastEvent: 30,
    note: '',
  },
  points: {
    at: Float64Array.of(10, 20.5, 30),
    ohms: Float64Array.of(1000, 1e6, 47.25),
    above: Uint8Array.of(0, 1, 0),
  },
});

describe.each(storages)('projects in %s', (_, make) => {
  it('begin with the samples, once', async () => {
    const storage = make();
    await addSamplesOnce(storage);
    expect(await names(storage)).toEqual(sampleProjects.map((project) => project.name));
    await remove(storage, 'sample-platform-lamps');
    await addSamplesOnce(storage);
    expect(await names(storage)).not.toContain('Platform lamps');
    expect(await bringBackSamples(storage)).toBe('saved');
    expect(await names(storage)).toContain('Platform lamps');
  });

  it('come back from deletion with all their history and logs', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'), [logOf('a')]);
    await editStored(storage, 'a', rename('Porch lamp'));
    const before = await storage.load('a');
    expect(await remove(storage, 'a')).toBe('saved');
    expect(await storage.load('a')).toBeNull();
    expect(await names(storage)).toEqual([]);
    expect(await storage.label(['a'], { deletedAt: null })).toBe('saved');
    expect(await storage.load('a')).toEqual(before);
    expect(await wholeLogs(storage, 'a')).toHaveLength(1);
  });

  it('go for good, logs and all, when they have lain in the bin for a month', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'), [logOf('a')]);
    await remove(storage, 'a');
    await sweepBin(storage, 5 + 29 * 86_400_000);
    expect(await storage.raw('a')).not.toBeNull();
    await sweepBin(storage, 5 + 31 * 86_400_000);
    expect(await storage.raw('a')).toBeNull();
    expect(await storage.logs.all()).toEqual([]);
    expect(await storage.logs.chunks('log-a')).toEqual([]);
  });

  it('are imported whole under a new identity and a free name, with their logs', async () => {
    const storage = make();
    const project = sampleProjects[0];
    await addProject(storage, project, [logOf(project.id)]);
    const logs = (await wholeLogs(storage, project.id)).map(fileLog);
    const outcome = await importProject(storage, writeProjectFile(project, 'now', logs), newId);
    if (!outcome.ok) throw new Error(outcome.reason);
    const copy = (await storage.load(outcome.id))?.stored.project;
    expect(copy).toMatchObject({ name: `${project.name} 2`, goal: project.goal, divider: project.divider });
    expect((await storage.load(project.id))?.stored.project).toEqual(project);
    const [log] = await wholeLogs(storage, outcome.id);
    expect(log?.record).toMatchObject({
      name: 'Dusk',
      count: 3,
      state: 'stopped',
      marks: [{ text: 'cloud' }],
    });
    expect(log?.record.id).not.toBe(`log-${project.id}`);
    expect(log?.points).toEqual(logOf('x').points);
  });

  it('are duplicated with their logs, and share no id with what they are a copy of', async () => {
    const storage = make();
    const project = { ...sampleProjects[0], name: 'n'.repeat(76) };
    await addProject(storage, project, [logOf(project.id)]);
    expect(await duplicateProject(storage, project.id, newId)).toBe('saved');
    const [one, other] = await Promise.all((await storage.cards()).map(({ id }) => storage.load(id)));
    const idsOf = (bundle: typeof one) =>
      [...(bundle?.stored.project.readings ?? []), ...(bundle?.stored.project.levels ?? [])].map(
        ({ id }) => id,
      );
    expect(idsOf(one)).toHaveLength(project.readings.length + project.levels.length);
    expect(idsOf(one).filter((id) => idsOf(other).includes(id))).toEqual([]);
    expect(await storage.logs.all()).toHaveLength(2);
    for (const bundle of [one, other]) expect(checkProject(bundle?.stored.project).ok).toBe(true);
  });

  it('stay as they were when an import is refused', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'));
    const before = await storage.cards();
    for (const text of ['{', '{}', '{"format":"yemko-project","version":9}']) {
      expect((await importProject(storage, text, newId)).ok).toBe(false);
    }
    expect(await storage.cards()).toEqual(before);
  });

  it('are added all or none', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'));
    const both = [freshBundle(newProject('b', 'New'), 1), freshBundle(newProject('a', 'Same identity'), 1)];
    expect(await storage.add(both)).toBe('refused');
    expect(await names(storage)).toEqual(['Hall lamp']);
  });

  it('tell those who watch', async () => {
    const storage = make();
    await storage.cards();
    let calls = 0;
    const stop = storage.watch(() => (calls += 1));
    await expect.poll(() => calls).toBeGreaterThan(0);
    const before = calls;
    await addProject(storage, newProject('a', 'Hall lamp'));
    await expect.poll(() => calls).toBeGreaterThan(before);
    stop();
  });
});

describe('freeName', () => {
  it('counts on from names that are taken', () => {
    expect(freeName('Lamp', [])).toBe('Lamp');
    expect(freeName('Lamp', ['Lamp', 'Lamp 2'])).toBe('Lamp 3');
    expect(freeName('x'.repeat(90), []).length).toBeLessThanOrEqual(75);
    // Cut at a space, it must still be a name that is taken.
    const cut = freeName(`${'x'.repeat(74)} y`, []);
    expect(checkProject(newProject('a', cut)).ok).toBe(true);
  });
});

/** How a switch and its load stood in version 1. */
const OLD_STAGE = {
  stage: { kind: 'npn', baseOhms: null },
  load: {
    kind: 'led',
    led: 'red',
    forwardVolts: 1.9,
    atAmps: 0.01,
    wantedAmps: 0.005,
    seriesOhms: 680,
  },
};

describe('a database of an older version', () => {
  it('is brought to the present one, history and all', async () => {
    const name = 'old-yemko';
    const old = new Dexie(name);
    old.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
    const { id, name: called, goal, divider } = newProject('a', 'Hall lamp');
    const { stage, load } = OLD_STAGE;
    const readings = [{ id: 'r', lux: 5, ohms: 5000 }];
    const written = { id, name: called, goal, divider, stage, load, readings };
    await old.table('projects').add({ id: 'a', project: written, changedAt: 1, revision: 1, cursor: 0 });
    await old.table('history').add({ projectId: 'a', seq: 0, project: written });
    old.close();

    const bundle = await dexieStorage(new YemkoDatabase(name)).load('a');
    const expected = migrateProject(written, 1);
    expect(expected).toMatchObject({
      meter: null,
      readings: [{ light: { kind: 'lux', lux: 5 }, above: false }],
    });
    expect(bundle?.stored.project).toEqual(expected);
    expect(bundle?.history[0]?.project).toEqual(expected);
    expect(checkProject(bundle?.stored.project).ok).toBe(true);
  });
});

describe('the list of a database that has none yet', () => {
  it('is made from the projects, once, and keeps where they stand', async () => {
    const database = new YemkoDatabase(`listed-${count++}`);
    const storage = dexieStorage(database);
    await addProject(storage, newProject('a', 'Hall lamp'));
    await addProject(storage, newProject('b', 'Porch lamp'));
    await storage.label(['a'], { tags: ['hall'], isArchived: true });
    // An older program's card has another shape; one is missing altogether.
    await database.cards.update('a', { shape: 0 });
    await database.cards.delete('b');
    const cards = await storage.cards();
    expect(cards.find(({ id }) => id === 'a')).toMatchObject({
      tags: ['hall'],
      isArchived: true,
      shape: CARD_SHAPE,
    });
    expect(cards.find(({ id }) => id === 'b')).toMatchObject({ summary: { name: 'Porch lamp' }, tags: [] });
    expect(await database.cards.count()).toBe(2);
  });

  it('keeps tags and archive over an edit, and shows what the edit has changed', async () => {
    const storage = dexieStorage(new YemkoDatabase(`listed-${count++}`));
    await addProject(storage, newProject('a', 'Hall lamp'));
    await storage.label(['a'], { tags: ['hall'], isArchived: true });
    await editStored(storage, 'a', rename('Porch lamp'));
    expect((await storage.cards())[0]).toMatchObject({
      summary: { name: 'Porch lamp' },
      tags: ['hall'],
      isArchived: true,
      revision: 2,
    });
  });
});

describe('a kill in the middle of a migration', () => {
  it('leaves the database as it was, and the next start brings all of it to the present version', async () => {
    const written = { ...newProject('p', 'Kept'), readings: [{ id: 'r', lux: 5, ohms: 5000 }] };
    const kills = runs(60);
    for (let kill = 0; kill < kills; kill++) {
      const name = `migrated-${count++}`;
      const old = new Dexie(name);
      old.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
      const { stage, load } = OLD_STAGE;
      for (let index = 0; index < 6; index++) {
        const project = { ...written, id: `p${index}`, stage, load };
        await old
          .table('projects')
          .add({ id: project.id, project, changedAt: index, revision: 1, cursor: 0 });
        await old.table('history').add({ projectId: project.id, seq: 0, project });
      }
      old.close();
      const dying = new YemkoDatabase(name);
      let left = kill % 50;
      dying.use({
        stack: 'dbcore',
        name: 'mortal',
        create: (core) => ({
          ...core,
          table: (table) => {
            const inner = core.table(table);
            const mutate: typeof inner.mutate = (request) =>
              --left < 0 ? Promise.reject(new Error('killed')) : inner.mutate(request);
            return { ...inner, mutate };
          },
        }),
      });
      await dying.open().catch(() => undefined);
      dying.close();
      const storage = dexieStorage(new YemkoDatabase(name));
      const cards = await storage.cards();
      expect(cards).toHaveLength(6);
      for (const { id, summary } of cards) {
        expect(summary?.readings).toBe(1);
        expect(checkProject((await storage.load(id))?.stored.project).ok).toBe(true);
      }
    }
    promised('kills in the middle of a migration, nothing lost', kills, '60');
  });
});
