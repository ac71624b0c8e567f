import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { beforeEach, describe, expect, it } from 'vitest';
import { LogSeries } from '@/core/live/log';
import type { WholeLog } from '@/core/live/logFile';
import { changeGoal, rename } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import { checkProject } from '@/core/project/project';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import { shippedTimers } from '@/core/parts/kinds/timer';
import { sampleProjects } from '@/core/project/samples';
import { mutationOf } from '@/core/project/testMutations';
import { defaultTransistor } from '@/core/drivers/registry';
import { promised, runs } from '@/core/testRuns';
import { dryRun, makeBackup, readBackup, type Backup } from './backup';
import { checkedStorage } from './checked';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { addProject, editStored, wholeLogs, writeLog } from './projects';
import { restoreBackup, type RestoreMode } from './restore';
import { readShareFragment, shareFragment } from './share';
import type { ProjectStorage } from './storage';

let databases = 0;
const fresh = () => {
  const database = new YemkoDatabase(`backup-${databases++}`);
  return { database, storage: checkedStorage(dexieStorage(database)) };
};
const silent = () => undefined;

const logOf = (projectId: string, points: number): WholeLog => {
  const series = new LogSeries();
  for (let at = 1; at <= points; at++) series.push(at * 200, 1000 + at, at % 7 === 0);
  return {
    record: {
      id: `log-${projectId}`,
      projectId,
      name: 'Dusk',
      source: 'bench',
      startedAt: 200,
      state: 'stopped',
      count: points,
      marks: [{ id: 'm', at: 400, text: 'cloud' }],
      lastEvent: points * 200,
      note: '',
    },
    points: { at: series.at, ohms: series.ohms, above: series.above },
  };
};

async function filled(): Promise<ProjectStorage> {
  const { storage } = fresh();
  for (const project of sampleProjects.slice(0, 3))
    await addProject(storage, project, [logOf(project.id, 2500)]);
  await storage.label([sampleProjects[1].id], { tags: ['hall', 'gift'], isArchived: true });
  await storage.transistors.put({ ...defaultTransistor('npn'), id: 'mine', name: 'Mine' });
  await storage.ics.put({ ...shippedComparators[0]!, id: 'own-ic', name: 'Own comparator' });
  await storage.ics.put({ ...shippedTimers[0], id: 'own-timer', name: 'Own timer' });
  await storage.levels.put({ id: 'hall', name: 'hall, evening', lux: 12 });
  return storage;
}
const backupOf = async (storage: ProjectStorage) => makeBackup(storage, new Date(5000), silent);
async function read(file: Blob): Promise<Backup> {
  const found = await readBackup(file);
  if (!found.ok) throw new Error(found.reason);
  return found.backup;
}

/** Everything that matters of a storage. */
async function contents(storage: ProjectStorage) {
  const cards = (await storage.cards()).filter(({ deletedAt }) => deletedAt === null);
  const projects = new Map<string, unknown>();
  for (const { id, tags, isArchived } of cards) {
    const project = (await storage.load(id))?.stored.project;
    projects.set(id, { project, tags, isArchived, logs: await wholeLogs(storage, id) });
  }
  const [transistors, ics, levels] = await Promise.all([
    storage.transistors.all(),
    storage.ics.all(),
    storage.levels.all(),
  ]);
  return { projects, transistors, ics, levels };
}

describe('a backup', () => {
  let full: ProjectStorage;
  let file: Blob;
  beforeEach(async () => {
    full ??= await filled();
    file ??= await backupOf(full);
  });

  it('brings everything into an empty browser: projects, logs, tags, parts, levels', async () => {
    const { storage } = fresh();
    const shares: number[] = [];
    const restored = await restoreBackup(storage, await read(file), 'merge', 9, (share) =>
      shares.push(share),
    );
    expect(restored).toEqual({ outcome: 'saved', projects: 3, logs: 3, records: 4 });
    expect(await contents(storage)).toEqual(await contents(full));
    expect(shares.at(-1)).toBe(1);
    const again = await dryRun(storage, await read(file));
    expect(again.projects.map(({ standing }) => standing)).toEqual(['same', 'same', 'same']);
    expect(again).toMatchObject({ newLogs: 0, newRecords: 0, otherRecords: 0, onlyHere: [] });
  });

  it('says before anything is done what is new, newer, older, the same, and only here', async () => {
    const { storage } = fresh();
    const backup = await read(file);
    const [one, two] = backup.projects;
    await addProject(storage, { ...one!.project, goal: { ...one!.project.goal, lux: 3 } });
    await addProject(storage, two!.project);
    await addProject(storage, newProject('own', 'Own'));
    const older = await dryRun(storage, backup);
    expect(older.projects.map(({ standing }) => standing)).toEqual(['older', 'same', 'new']);
    expect(older.onlyHere).toEqual([{ id: 'own', name: 'Own' }]);
    const late = {
      ...backup,
      projects: backup.projects.map((entry) => ({ ...entry, changedAt: Date.now() + 1e6 })),
    };
    expect((await dryRun(storage, late)).projects[0]?.standing).toBe('newer');
    await storage.label([two!.project.id], { deletedAt: 1 });
    expect((await dryRun(storage, backup)).projects[1]?.standing).toBe('binned');
  });

  it('merged, leaves what is newer here; put back whole, takes that back too, and undo brings it again', async () => {
    const { storage } = fresh();
    const backup = await read(file);
    await restoreBackup(storage, backup, 'merge', 9, silent);
    const { id } = backup.projects[0]!.project;
    await editStored(storage, id, rename('Named since'));
    await addProject(storage, newProject('own', 'Own'));
    await restoreBackup(storage, backup, 'merge', 9, silent);
    expect((await storage.load(id))?.stored.project.name).toBe('Named since');
    await restoreBackup(storage, backup, 'whole', 9, silent);
    expect(await contents(storage)).toEqual(await contents(full));
    expect((await storage.load(id))?.history.at(-2)?.project.name).toBe('Named since');
    // What was only here lies in the bin.
    expect((await storage.cards()).find((card) => card.id === 'own')?.deletedAt).toBe(9);
  });

  it('brings out of the bin what it has, and leaves what is newer there as it is', async () => {
    const { storage } = fresh();
    const backup = await read(file);
    await restoreBackup(storage, backup, 'merge', 9, silent);
    const { id, name } = backup.projects[0]!.project;
    await editStored(storage, id, rename('Named since'));
    await storage.label([id], { deletedAt: 1 });
    expect((await restoreBackup(storage, backup, 'merge', 9, silent)).projects).toBe(1);
    expect((await storage.load(id))?.stored.project.name).toBe('Named since');
    await storage.label([id], { deletedAt: 1 });
    await restoreBackup(storage, backup, 'whole', 9, silent);
    expect((await storage.load(id))?.stored.project.name).toBe(name);
  });

  it('takes the longer of two logs, and never cuts one that has gone on here', async () => {
    const { storage } = fresh();
    const backup = await read(file);
    const { project } = backup.projects[0]!;
    await addProject(storage, project, [logOf(project.id, 4000)]);
    expect((await restoreBackup(storage, backup, 'whole', 9, silent)).logs).toBe(2);
    expect((await wholeLogs(storage, project.id))[0]?.points.at).toHaveLength(4000);
    await writeLog(storage, logOf(project.id, 4000));
    expect((await dryRun(storage, backup)).newLogs).toBe(0);
  });

  it('loses only what is damaged in it, and says where', async () => {
    const files = unzipSync(new Uint8Array(await file.arrayBuffer()));
    const name = Object.keys(files).find((key) => key.startsWith('projects/'))!;
    files[name] = strToU8('{"format":"yemko-project","version":8,"project":{}}');
    const { projects, damaged } = await read(new Blob([zipSync(files)]));
    expect(projects).toHaveLength(2);
    expect(damaged).toMatchObject([{ file: name }]);
  });

  it('is refused in one word where it is none', async () => {
    const refusal = async (content: BlobPart) => readBackup(new Blob([content]));
    expect(await refusal('no zip')).toEqual({ ok: false, reason: 'not-zip' });
    expect(await refusal('')).toEqual({ ok: false, reason: 'not-zip' });
    expect(await refusal(zipSync({ 'a.txt': strToU8('hello') }))).toEqual({ ok: false, reason: 'foreign' });
    const contentsOf = (value: unknown) => zipSync({ 'backup.json': strToU8(JSON.stringify(value)) });
    const empty = { format: 'yemko-backup', version: 9, savedAt: '', projects: [] };
    expect(await refusal(contentsOf({ ...empty, version: 99 }))).toEqual({
      ok: false,
      reason: 'newer',
      version: 99,
    });
    expect(await refusal(contentsOf({ ...empty, projects: 7 }))).toMatchObject({
      reason: 'damaged',
      path: 'projects',
    });
    expect(await refusal(contentsOf({ ...empty, format: 'other' }))).toEqual({
      ok: false,
      reason: 'foreign',
    });
    expect(await refusal(contentsOf(empty))).toMatchObject({ ok: true });
  });

  it('mutated in 1 000 ways never throws, and gives sound projects or one refusal', async () => {
    const small = fresh().storage;
    await addProject(small, sampleProjects[0], [logOf(sampleProjects[0].id, 5)]);
    const bytes = new Uint8Array(await (await backupOf(small)).arrayBuffer());
    const files = unzipSync(bytes);
    const texts = Object.entries(files).map(
      ([name, content]) => [name, new TextDecoder().decode(content)] as const,
    );
    const inFile = fc
      .nat({ max: texts.length - 1 })
      .chain((index) =>
        mutationOf(texts[index]![1]).map((text) => ({ ...files, [texts[index]![0]]: strToU8(text) })),
      )
      .map((mutated) => zipSync(mutated, { level: 0 }));
    const inBytes = fc
      .array(fc.tuple(fc.nat({ max: bytes.length - 1 }), fc.nat({ max: 255 })), {
        minLength: 1,
        maxLength: 20,
      })
      .map((changes) => {
        const torn = bytes.slice();
        for (const [at, value] of changes) torn[at] = value;
        return torn;
      });
    const cut = fc.nat({ max: bytes.length }).map((length) => bytes.slice(0, length));
    let count = 0;
    await fc.assert(
      fc.asyncProperty(fc.oneof(inFile, inBytes, cut), async (mutated) => {
        const found = await readBackup(new Blob([new Uint8Array(mutated)]));
        if (found.ok)
          for (const { project } of found.backup.projects) expect(checkProject(project).ok).toBe(true);
        else expect(found.reason.length).toBeGreaterThan(0);
        count += 1;
      }),
      { numRuns: runs(1000), seed: 3 },
    );
    promised('import: mutated backups refused or sound', count, '1 000');
  });
});

describe('a kill in the middle', () => {
  /** A database in which everything fails from its n-th write on, as when the browser is killed there. */
  function mortal(name: string, writes: number) {
    const database = new YemkoDatabase(name);
    let left = writes;
    database.use({
      stack: 'dbcore',
      name: 'mortal',
      create: (core) => ({
        ...core,
        table: (table) => {
          const inner = core.table(table);
          return {
            ...inner,
            mutate: (request) => {
              left -= 1;
              return left < 0 ? Promise.reject(new Error('killed')) : inner.mutate(request);
            },
          };
        },
      }),
    });
    return checkedStorage(dexieStorage(database));
  }

  it('of a restore leaves each project as it was or as it is in the backup, whole, with all its logs’ old points', async () => {
    const source = fresh().storage;
    const projects = sampleProjects.slice(0, 3);
    for (const project of projects) await addProject(source, project, [logOf(project.id, 2100)]);
    const backup = await read(await backupOf(source));
    const kills = Math.ceil(runs(60) / 2) * 2;
    for (let kill = 0; kill < kills; kill++) {
      const name = `killed-${databases++}`;
      const before = checkedStorage(dexieStorage(new YemkoDatabase(name)));
      await addProject(before, newProject('own', 'Own'));
      await addProject(before, { ...projects[0]!, name: 'Older here' }, [logOf(projects[0]!.id, 10)]);
      const mode: RestoreMode = kill % 2 === 0 ? 'merge' : 'whole';
      await restoreBackup(mortal(name, kill % 30), backup, mode, 9, silent).catch(() => undefined);
      const after = checkedStorage(dexieStorage(new YemkoDatabase(name)));
      for (const { id } of await after.cards()) {
        const stored = await after.raw(id);
        expect(checkProject(stored?.project).ok).toBe(true);
        const isOld = stored?.project.name === 'Older here' || id === 'own';
        if (!isOld) expect(stored?.project).toEqual(projects.find((project) => project.id === id));
        for (const { record, points } of await wholeLogs(after, id))
          expect(points.at).toHaveLength(record.count);
      }
      expect((await after.raw('own'))?.project.name).toBe('Own');
      expect((await wholeLogs(after, projects[0]!.id))[0]?.points.at.length).toBeGreaterThanOrEqual(10);
    }
    promised('kills in the middle of a restore, nothing old lost', kills, '60');
  });

  it('of edits leaves the last acknowledged one', async () => {
    const kills = runs(40);
    for (let kill = 0; kill < kills; kill++) {
      const name = `edited-${databases++}`;
      await addProject(dexieStorage(new YemkoDatabase(name)), newProject('p', 'P'));
      const storage = mortal(name, 4 + kill);
      let acknowledged = newProject('p', 'P').goal.lux;
      for (let lux = 20; lux < 60; lux++) {
        if ((await editStored(storage, 'p', changeGoal({ lux })).catch(() => 'refused')) !== 'saved') break;
        acknowledged = lux;
      }
      const after = await dexieStorage(new YemkoDatabase(name)).load('p');
      expect(after?.stored.project.goal.lux).toBe(acknowledged);
      expect(after?.history.at(-1)?.project).toEqual(after?.stored.project);
    }
    promised('kills in the middle of edits, none acknowledged lost', kills, '40');
  });
});

describe('a link', () => {
  it('carries every sample whole, and what is too long is said to be', () => {
    for (const project of sampleProjects) {
      const shared = shareFragment(project);
      if (!shared.ok) throw new Error(project.name);
      expect(shared.fragment).toMatch(/^[A-Za-z0-9_-]+$/);
      expect(readShareFragment(shared.fragment)).toEqual({ ok: true, project, logs: [] });
    }
    const sample = sampleProjects[0];
    const readings = Array.from({ length: 1000 }, (_, index) => ({
      ...sample.readings[0]!,
      id: `r${index}`,
      ohms: 1000 + ((index * 7919) % 99_991),
      note: `note ${(index * 104_729) % 999_983}`,
    }));
    expect(shareFragment({ ...sample, readings })).toEqual({ ok: false, reason: 'too-long' });
  });

  it('that is cut, foreign or made to burst is refused', () => {
    const shared = shareFragment(sampleProjects[0]);
    const fragment = shared.ok ? shared.fragment : '';
    for (const wrong of ['', 'x', '%%%', fragment.slice(0, -40), fragment.slice(5), 'A'.repeat(20_000)])
      expect(readShareFragment(wrong).ok).toBe(false);
  });
});
