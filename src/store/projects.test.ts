import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { rename } from '@/core/project/edits';
import { writeProjectFile } from '@/core/project/file';
import { migrateProject } from '@/core/project/migrate';
import { newProject } from '@/core/project/newProject';
import { sampleProjects } from '@/core/project/samples';
import { checkProject } from '@/core/project/project';
import { dexieStorage, YemkoDatabase } from './dexieStorage';
import { memoryStorage } from './memoryStorage';
import { addSamplesOnce, bringBackSamples } from './openStorage';
import { addProject, editStored, freeName, importProject, removeProject } from './projects';
import { freshBundle, type ProjectStorage } from './storage';

let count = 0;
const storages: readonly (readonly [string, () => ProjectStorage])[] = [
  ['the browser', () => dexieStorage(new YemkoDatabase(`projects-${count++}`))],
  ['memory', memoryStorage],
];
const names = async (storage: ProjectStorage) => (await storage.list()).map((stored) => stored.project.name);

describe.each(storages)('projects in %s', (_, make) => {
  it('begin with the samples, once', async () => {
    const storage = make();
    await addSamplesOnce(storage);
    expect(await names(storage)).toEqual(sampleProjects.map((project) => project.name));
    await removeProject(storage, 'sample-platform-lamps');
    await addSamplesOnce(storage);
    expect(await names(storage)).not.toContain('Platform lamps');
    expect(await bringBackSamples(storage)).toBe('saved');
    expect(await names(storage)).toContain('Platform lamps');
  });

  it('come back from deletion with all their history', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'));
    await editStored(storage, 'a', rename('Porch lamp'));
    const before = await storage.load('a');
    const bundle = await removeProject(storage, 'a');
    expect(await storage.load('a')).toBeNull();
    if (!bundle) throw new Error('nothing was removed');
    expect(await storage.add([bundle])).toBe('saved');
    expect(await storage.load('a')).toEqual(before);
  });

  it('are imported whole under a new identity and a free name', async () => {
    const storage = make();
    const project = newProject('a', 'Hall lamp');
    await addProject(storage, project);
    expect(await importProject(storage, writeProjectFile(project, 'now'), 'b')).toEqual({
      ok: true,
      id: 'b',
    });
    expect((await storage.load('b'))?.stored.project).toEqual({ ...project, id: 'b', name: 'Hall lamp 2' });
    expect((await storage.load('a'))?.stored.project).toEqual(project);
  });

  it('stay as they were when an import is refused', async () => {
    const storage = make();
    await addProject(storage, newProject('a', 'Hall lamp'));
    const before = await storage.list();
    for (const text of ['{', '{}', '{"format":"yemko-project","version":9}']) {
      expect((await importProject(storage, text, 'b')).ok).toBe(false);
    }
    expect(await storage.list()).toEqual(before);
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
    await storage.list();
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
  });
});

describe('a database of an older version', () => {
  it('is brought to the present one, history and all', async () => {
    const name = 'old-yemko';
    const old = new Dexie(name);
    old.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
    const { id, name: called, goal, divider } = newProject('a', 'Hall lamp');
    const stage = { kind: 'npn', baseOhms: null };
    const load = {
      kind: 'led',
      led: 'red',
      forwardVolts: 1.9,
      atAmps: 0.01,
      wantedAmps: 0.005,
      seriesOhms: 680,
    };
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
