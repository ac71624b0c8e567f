import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { defaultTransistor } from '@/core/drivers/registry';
import { rename } from '@/core/project/edits';
import { soundParts } from '@/core/project/soundParts';
import { newProject } from '@/core/project/newProject';
import type { Project } from '@/core/project/project';
import { flag, idField } from '@/core/schema';
import { checkedStorage } from './checked';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { memoryStorage } from './memoryStorage';
import { editStored } from './projects';
import { freshBundle, type ProjectStorage } from './storage';
import { passedOff } from '@/core/testRecord';

let count = 0;
const storages: readonly (readonly [string, () => ProjectStorage])[] = [
  ['the browser', () => dexieStorage(new YemkoDatabase(`checked-${count++}`))],
  ['memory', memoryStorage],
];
const damagedPart = { ...defaultTransistor('npn'), id: 'torn', maxAmps: -1 };
const soundPart = { ...defaultTransistor('npn'), id: 'whole', name: 'Mine' };

describe.each(storages)('what is stored in %s', (_, make) => {
  it('is checked when it is written: nothing that a schema refuses gets in', async () => {
    const storage = checkedStorage(make());
    expect(await storage.transistors.put(damagedPart)).toBe('invalid');
    expect(await storage.meters.put(passedOff({ id: 'm' }))).toBe('invalid');
    expect(await storage.levels.put(passedOff({ id: 'l', name: '', lux: -1 }))).toBe('invalid');
    expect(await storage.ldrs.put(passedOff({ id: 'x' }))).toBe('invalid');
    const broken = passedOff<Project>({ ...newProject('p', 'P'), goal: { lux: -5 } });
    expect(await storage.add([freshBundle(broken, 1)])).toBe('invalid');
    expect(await storage.cards()).toEqual([]);
    expect(await storage.logs.write(passedOff({ id: 'log' }), [])).toBe('invalid');
  });

  it('loses only the damaged record when it is read, and keeps that as it is', async () => {
    const raw = make();
    await raw.transistors.put(damagedPart);
    await raw.transistors.put(soundPart);
    const storage = checkedStorage(raw);
    expect(await storage.transistors.all()).toEqual([soundPart]);
    const damaged = await storage.damaged();
    expect(damaged).toMatchObject([{ id: 'torn', what: 'custom part', record: damagedPart }]);
    expect(await damaged[0]?.forget()).toBe('saved');
    expect(await storage.damaged()).toEqual([]);
    expect(await storage.transistors.all()).toEqual([soundPart]);
  });

  it('follows only sound records', async () => {
    const raw = make();
    await raw.transistors.put(damagedPart);
    const storage = checkedStorage(raw);
    const seen = await new Promise((resolve) => {
      const stop = storage.transistors.watch((records) => {
        if (records.length === 0) return;
        stop();
        resolve(records);
      });
      void storage.transistors.put(soundPart);
    });
    expect(seen).toEqual([soundPart]);
  });

  it('opens a project whose older states are damaged with those that are not', async () => {
    const raw = make();
    await raw.add([freshBundle(newProject('p', 'One'), 1)]);
    for (const name of ['Two', 'Three', 'Four']) await editStored(raw, 'p', rename(name));
    const bundle = await raw.load('p');
    if (!bundle) throw new Error('not stored');
    const second = bundle.history[1]!;
    const torn = { ...second, project: passedOff<Project>({ ...second.project, divider: null }) };
    await raw.write({
      base: bundle.stored.revision,
      stored: bundle.stored,
      entries: [torn],
      firstSeq: 0,
      lastSeq: 3,
    });
    const opened = await checkedStorage(raw).load('p');
    expect(opened?.history.map(({ project }) => project.name)).toEqual(['Three', 'Four']);
    expect(opened?.stored.project.name).toBe('Four');
  });

  it('shows a damaged project as one, gives it as it is, and what of it is sound', async () => {
    const raw = make();
    const torn = passedOff<Project>({ ...newProject('t', 'T'), loads: 7 });
    await raw.add([freshBundle(torn, 1)]);
    const storage = checkedStorage(raw);
    expect((await storage.cards())[0]).toMatchObject({ id: 't', summary: null });
    const stored = await storage.raw('t');
    expect(stored?.project).toEqual(torn);
    const { loads } = newProject('t', 'T');
    expect(soundParts(stored?.project)).toMatchObject({ lost: ['loads'], project: { name: 'T', loads } });
  });

  it('gives a setting only where it is what is asked for', async () => {
    const storage = checkedStorage(make());
    await storage.saveSetting('samples', 'yes');
    expect(await storage.setting('samples', flag())).toBeNull();
    await storage.saveSetting('samples', true);
    expect(await storage.setting('samples', flag())).toBe(true);
    await storage.saveSetting('bench', 'a'.repeat(500));
    expect(await storage.setting('bench', idField)).toBeNull();
  });
});
