import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { changeDivider, changeGoal, rename, setFixed } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import { checkProject, type Project } from '@/core/project/project';
import { promised, runs } from '@/core/testRuns';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { memoryStorage } from './memoryStorage';
import { MAX_HISTORY, openSession, type Session } from './session';
import { freshBundle, type ProjectStorage, type WriteOutcome } from './storage';
import { passedOff } from '@/core/testRecord';

let count = 0;
let database: YemkoDatabase;
let storage: ProjectStorage;
let now = 0;
const clock = () => now;

beforeEach(async () => {
  database = new YemkoDatabase(`test-${count++}`);
  storage = dexieStorage(database);
  now = 1000;
  await storage.add([freshBundle(newProject('p', 'First name'), now)]);
});

async function open(from = storage): Promise<Session> {
  const bundle = await from.load('p');
  if (!bundle) throw new Error('not stored');
  return openSession(bundle, from, clock);
}
const nameOf = (session: Session) => session.store.getState().project.name;

describe('a session', () => {
  it('keeps an edit that is made and stored while it reads what another tab may have done', async () => {
    let letGo: () => void = () => undefined;
    const slow: ProjectStorage = {
      ...storage,
      load: async (id) => {
        const bundle = await storage.load(id);
        await new Promise<void>((resolve) => (letGo = resolve));
        return bundle;
      },
    };
    const bundle = await storage.load('p');
    if (!bundle) throw new Error('not stored');
    const session = openSession(bundle, slow, clock);
    const reading = session.refresh();
    await new Promise((resolve) => setTimeout(resolve, 20));
    session.apply(rename('Mine'));
    await session.settled();
    letGo();
    await reading;
    expect(nameOf(session)).toBe('Mine');
  });

  it('stores each edit at once, so that it survives the page', async () => {
    const session = await open();
    session.apply(rename('Second'));
    session.apply(changeGoal({ lux: 25 }));
    await session.settled();
    expect(session.store.getState().saving).toBe('saved');
    const again = await open();
    expect(again.store.getState().project).toMatchObject({ name: 'Second', goal: { lux: 25 } });
  });

  it('undoes and redoes, also after the page has been closed', async () => {
    const session = await open();
    for (const name of ['b', 'c', 'd']) session.apply(rename(name));
    session.undo();
    await session.settled();
    const again = await open();
    expect(nameOf(again)).toBe('c');
    expect(again.store.getState()).toMatchObject({ canUndo: true, canRedo: true });
    again.redo();
    expect(nameOf(again)).toBe('d');
    for (let step = 0; step < 9; step++) again.undo();
    expect(nameOf(again)).toBe('First name');
    expect(again.store.getState().canUndo).toBe(false);
  });

  it('forgets what was undone once something else is done', async () => {
    const session = await open();
    session.apply(rename('b'));
    session.apply(rename('c'));
    session.undo();
    session.apply(rename('x'));
    await session.settled();
    const again = await open();
    expect(again.store.getState().canRedo).toBe(false);
    again.undo();
    expect(nameOf(again)).toBe('b');
  });

  it('takes quick edits of one kind as one step', async () => {
    const session = await open();
    for (const lux of [81, 82, 83]) {
      session.apply(changeGoal({ lux }), 'goal');
      now += 200;
    }
    now += 5000;
    session.apply(changeGoal({ lux: 90 }), 'goal');
    session.undo();
    expect(session.store.getState().project.goal.lux).toBe(83);
    session.undo();
    expect(session.store.getState().project.goal.lux).toBe(80);
  });

  it('does nothing for an edit that changes nothing', async () => {
    const session = await open();
    session.apply((project) => project);
    expect(session.store.getState().canUndo).toBe(false);
  });

  it(`keeps the last ${MAX_HISTORY} states and no more`, async () => {
    const session = await open();
    for (let step = 1; step <= MAX_HISTORY + 20; step++) session.apply(rename(`name ${step}`));
    await session.settled();
    expect(await database.history.count()).toBe(MAX_HISTORY);
    const again = await open();
    for (let step = 0; step < MAX_HISTORY + 20; step++) again.undo();
    expect(nameOf(again)).toBe('name 21');
  });

  it('shows what another tab has written', async () => {
    const [one, other] = [await open(), await open()];
    one.apply(rename('from the other tab'));
    await one.settled();
    await other.refresh();
    expect(nameOf(other)).toBe('from the other tab');
    other.undo();
    await other.settled();
    await one.refresh();
    expect(nameOf(one)).toBe('First name');
  });

  it('walks like a list of states under any mix of edits, undo and redo', async () => {
    const step = fc.oneof(fc.constant('undo'), fc.constant('redo'), fc.integer({ min: 1, max: 5 }));
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 30 }), async (walk) => {
        const memory = memoryStorage();
        await memory.add([freshBundle(newProject('p', 'First name'), 0)]);
        const session = await open(memory);
        let model = ['First name'];
        let place = 0;
        for (const move of walk) {
          if (move === 'undo') {
            session.undo();
            place = Math.max(0, place - 1);
          } else if (move === 'redo') {
            session.redo();
            place = Math.min(model.length - 1, place + 1);
          } else {
            session.apply(rename(`name ${move}`));
            // The name that it has already is no edit.
            if (model[place] === `name ${move}`) continue;
            model = [...model.slice(0, place + 1), `name ${move}`];
            place += 1;
          }
          expect(nameOf(session)).toBe(model[place]);
        }
        await session.settled();
        expect(nameOf(await open(memory))).toBe(model[place]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('two tabs on one project', () => {
  const state = (session: Session) => session.store.getState();

  it('keep both edits that are made at the same moment, and come to show the same', async () => {
    const [one, other] = [await open(), await open()];
    one.apply(setFixed(4700));
    other.apply(rename('Named there'));
    await Promise.all([one.settled(), other.settled()]);
    await Promise.all([one.refresh(), other.refresh()]);
    for (const session of [one, other, await open()])
      expect(state(session).project).toMatchObject({ name: 'Named there', divider: { fixedOhms: 4700 } });
  });

  it('undo one’s own last edit and leave the other’s', async () => {
    const [one, other] = [await open(), await open()];
    one.apply(setFixed(4700));
    await one.settled();
    await other.refresh();
    other.apply(rename('Named there'));
    await other.settled();
    await one.refresh();
    one.undo();
    await one.settled();
    const { fixedOhms } = newProject('p', 'First name').divider;
    expect(state(one).project).toMatchObject({ name: 'Named there', divider: { fixedOhms } });
    one.redo();
    await one.settled();
    expect(state(one).project).toMatchObject({ name: 'Named there', divider: { fixedOhms: 4700 } });
  });

  it('say that a project has been deleted, and do not bring it back by an edit', async () => {
    const session = await open();
    await storage.label(['p'], { deletedAt: 1 });
    await session.refresh();
    expect(state(session).saving).toBe('gone');
    session.apply(rename('Still here'));
    await session.settled();
    expect(state(session)).toMatchObject({ saving: 'gone', project: { name: 'Still here' } });
    expect(await storage.load('p')).toBeNull();
  });

  it('go on with what was done meanwhile when the deletion is undone', async () => {
    const session = await open();
    await storage.label(['p'], { deletedAt: 1 });
    await session.refresh();
    session.apply(rename('Still here'));
    await session.settled();
    await storage.label(['p'], { deletedAt: null });
    await session.refresh();
    await session.settled();
    expect(state(session)).toMatchObject({ saving: 'saved', project: { name: 'Still here' } });
    expect(nameOf(await open())).toBe('Still here');
  });

  it('lose no acknowledged edit and end equal, whatever the two do in whatever order', async () => {
    type Move = readonly [
      tab: 0 | 1,
      what: 'edit' | 'undo' | 'refresh' | 'wait' | 'kill' | 'bin' | 'unbin',
      value: number,
    ];
    const move: fc.Arbitrary<Move> = fc.tuple(
      fc.constantFrom(0 as const, 1 as const),
      fc.constantFrom('edit', 'edit', 'edit', 'edit', 'undo', 'refresh', 'wait', 'kill', 'bin', 'unbin'),
      fc.integer({ min: 1, max: 900_000 }),
    );
    let interleavings = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(move, { minLength: 2, maxLength: 16 }), async (walk) => {
        const own = new YemkoDatabase(`tabs-${count++}`);
        const shared = dexieStorage(own);
        await shared.add([freshBundle(newProject('p', 'First name'), 0)]);
        const tabs = [await open(shared), await open(shared)];
        const figures = ({ divider, goal }: Project) => [divider.supplyVolts, goal.lux] as const;
        const edits = [
          (value: number) => changeDivider({ supplyVolts: 2 + (value % 200) / 10 }),
          (value: number) => changeGoal({ lux: value / 1000 }),
        ];
        // Each tab sets a figure of its own, and takes back its own edits alone: so it knows what its figure must be.
        const models = figures(newProject('p', '')).map((figure) => ({
          done: [figure],
          undone: figure === 0 ? [figure] : [],
        }));
        for (const [tab, what, value] of walk) {
          const [session, model] = [tabs[tab]!, models[tab]!];
          const shown = () => figures(session.store.getState().project)[tab];
          if (what === 'edit') {
            session.apply(edits[tab]!(value));
            if (shown() !== model.done.at(-1)) [model.done, model.undone] = [[...model.done, shown()], []];
          }
          if (what === 'undo' && model.done.length > 1) {
            session.undo();
            model.undone.push(model.done.pop()!);
          }
          if (what === 'refresh') void session.refresh();
          if (what === 'wait') await session.settled();
          if (what === 'bin') await shared.label(['p'], { deletedAt: 1 });
          if (what === 'unbin') await shared.label(['p'], { deletedAt: null });
          if (what === 'kill') {
            await session.settled();
            // What was done while it lay in the bin was not acknowledged, and goes with the page.
            const isLost = session.store.getState().saving === 'gone';
            await shared.label(['p'], { deletedAt: null });
            const next = await open(shared);
            tabs[tab] = next;
            const kept = figures(next.store.getState().project)[tab];
            model.done = isLost ? [kept] : model.done.slice(-1);
            model.undone = [];
          }
        }
        await shared.label(['p'], { deletedAt: null });
        for (let round = 0; round < 3; round++)
          for (const session of tabs) {
            await session.settled();
            await session.refresh();
            await session.settled();
          }
        const stored = await open(shared);
        for (const session of tabs)
          expect(session.store.getState().project).toEqual(stored.store.getState().project);
        expect(figures(stored.store.getState().project)).toEqual(models.map(({ done }) => done.at(-1)));
        const history = await own.history.toArray();
        history.forEach(({ seq }, index) => expect(seq).toBe((history[0]?.seq ?? 0) + index));
        for (const { project } of history) expect(checkProject(project).ok).toBe(true);
        interleavings += 1;
        await own.delete();
      }),
      { numRuns: Math.ceil(runs(2000) / (runs(2000) < 2000 ? 2 : 1)), seed: 21, endOnFailure: true },
    );
    promised('two tabs: interleavings without an edit lost', interleavings, '2 000');
  });
});

describe('a session whose storage fails', () => {
  const failing = (outcome: () => WriteOutcome): ProjectStorage => ({
    ...storage,
    write: async (change) => (outcome() === 'saved' ? storage.write(change) : outcome()),
  });

  it('keeps working, says so, and catches up when there is room again', async () => {
    let outcome: WriteOutcome = 'full';
    const bundle = await storage.load('p');
    if (!bundle) throw new Error('not stored');
    const session = openSession(
      bundle,
      failing(() => outcome),
      clock,
    );
    session.apply(rename('b'));
    session.apply(rename('c'));
    await session.settled();
    expect(session.store.getState()).toMatchObject({ saving: 'full', project: { name: 'c' }, canUndo: true });
    expect(nameOf(await open())).toBe('First name');

    outcome = 'saved';
    session.apply(rename('d'));
    await session.settled();
    expect(session.store.getState().saving).toBe('saved');
    const again = await open();
    again.undo();
    expect(nameOf(again)).toBe('c');
    again.undo();
    expect(nameOf(again)).toBe('b');
  });

  it('gives up, with the work on the page, where another tab has written what cannot be read', async () => {
    const bundle = await storage.load('p');
    if (!bundle) throw new Error('not stored');
    let writes = 0;
    const unreadable: ProjectStorage = {
      ...storage,
      write: async () => (writes++, writes > 20 ? 'saved' : 'stale'),
      load: () => Promise.reject(new Error('unreadable')),
    };
    const session = openSession(bundle, unreadable, clock);
    session.apply(rename('Mine'));
    await session.settled();
    expect(session.store.getState()).toMatchObject({ saving: 'refused', project: { name: 'Mine' } });
    expect(writes).toBe(1);
  });

  it('tells a full disk from a refusal', async () => {
    const quota = () => Promise.reject(Object.assign(new Error('full'), { name: 'QuotaExceededError' }));
    database.projects.put = passedOff(quota);
    const session = await open();
    session.apply(rename('b'));
    await session.settled();
    expect(session.store.getState().saving).toBe('full');
    database.projects.put = passedOff(() => Promise.reject(new Error('no')));
    session.apply(rename('c'));
    await session.settled();
    expect(session.store.getState().saving).toBe('refused');
    expect(nameOf(session)).toBe('c');
  });
});

describe('a run of quick edits', () => {
  /** A storage whose writes are counted. */
  const counting = (): { storage: ProjectStorage; names: string[] } => {
    const names: string[] = [];
    const write: ProjectStorage['write'] = (change) => {
      names.push(change.stored.project.name);
      return storage.write(change);
    };
    return { storage: { ...storage, write }, names };
  };
  const openResting = async (from: ProjectStorage, rest: number) => {
    const bundle = await from.load('p');
    if (!bundle) throw new Error('not stored');
    return openSession(bundle, from, clock, rest);
  };

  it('is written at its first step and then as one, with every state in the history', async () => {
    const { storage: counted, names } = counting();
    const session = await openResting(counted, 30);
    for (let step = 1; step <= 20; step++) session.apply(rename(`Step ${step}`));
    await session.settled();
    expect(names).toEqual(['Step 1', 'Step 20']);
    const again = await open();
    expect(nameOf(again)).toBe('Step 20');
    again.undo();
    expect(nameOf(again)).toBe('Step 19');
    await again.settled();
  });

  it('is written without waiting when the page is left', async () => {
    const { storage: counted, names } = counting();
    const session = await openResting(counted, 60_000);
    session.apply(rename('One'));
    session.apply(rename('Two'));
    await expect.poll(() => names).toEqual(['One']);
    await expect.poll(() => session.store.getState().saving).toBe('saving');
    await expect
      .poll(() => {
        session.hurry();
        return names;
      })
      .toEqual(['One', 'Two']);
    session.hurry();
  });

  it('leaves no change unwritten for longer than one rest, however many come after it', async () => {
    const bundle = await storage.load('p');
    if (!bundle) throw new Error('not stored');
    vi.useFakeTimers();
    try {
      const written: { name: string; at: number }[] = [];
      const made: { name: string; at: number }[] = [];
      const write: ProjectStorage['write'] = async ({ stored }) => {
        written.push({ name: stored.project.name, at: Date.now() });
        return 'saved';
      };
      const session = openSession(bundle, { ...storage, write }, Date.now, 100);
      for (let step = 1; step <= 60; step++) {
        made.push({ name: `Step ${step}`, at: Date.now() });
        session.apply(rename(`Step ${step}`));
        await vi.advanceTimersByTimeAsync(30);
      }
      await vi.advanceTimersByTimeAsync(1000);
      for (const [index, { at }] of made.entries()) {
        const later = new Set(made.slice(index).map(({ name }) => name));
        const first = written.find(({ name }) => later.has(name));
        expect((first?.at ?? Infinity) - at).toBeLessThanOrEqual(100);
      }
      expect(written.length).toBeLessThan(21);
      expect(written.at(-1)?.name).toBe('Step 60');
      expect(session.store.getState().saving).toBe('saved');
    } finally {
      vi.useRealTimers();
    }
  });
});
