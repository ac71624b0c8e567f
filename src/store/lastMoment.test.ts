// @vitest-environment happy-dom
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { changeDivider, changeGoal, rename } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import { runs } from '@/core/testRuns';
import { keepLastMoment, takeUpLastMoment } from './lastMoment';
import { memoryStorage } from './memoryStorage';
import { openSession, type Session } from './session';
import { freshBundle, type ProjectStorage } from './storage';

let storage: ProjectStorage;
beforeEach(async () => {
  localStorage.clear();
  storage = memoryStorage();
  await storage.add([freshBundle(newProject('p', 'First name'), 1000)]);
});

const open = async (through = storage): Promise<Session> => {
  const bundle = await storage.load('p');
  if (!bundle) throw new Error('not stored');
  return openSession(bundle, through, () => 2000);
};
/** A database that the page is too soon gone for. */
const tooSlow = (): ProjectStorage => ({ ...storage, write: () => new Promise(() => undefined) });
const projectOf = (session: Session) => session.store.getState().project;

describe('what was done in the last moment', () => {
  it('is there again where the page went before it was stored, and can be undone', async () => {
    const left = await open(tooSlow());
    left.apply(rename('Last'));
    left.apply(changeGoal({ lux: 25 }));
    keepLastMoment('p', left, 2000);
    const again = await open();
    takeUpLastMoment('p', again, 1000);
    expect(projectOf(again)).toMatchObject({ name: 'Last', goal: { lux: 25 } });
    await again.settled();
    again.undo();
    expect(projectOf(again).name).toBe('First name');
    const third = await open();
    takeUpLastMoment('p', third, 2000);
    await third.settled();
    expect(projectOf(await open()).name).toBe('First name');
  });

  it('leaves alone what another tab has done since', async () => {
    const left = await open(tooSlow());
    left.apply(rename('Mine'));
    keepLastMoment('p', left, 1500);
    const other = await open();
    other.apply(rename('Theirs'));
    await other.settled();
    const again = await open();
    takeUpLastMoment('p', again, 2000);
    expect(projectOf(again).name).toBe('Theirs');
  });

  it('is forgotten when it has been stored after all', async () => {
    const left = await open();
    left.apply(rename('Stored'));
    keepLastMoment('p', left, 2000);
    expect(localStorage.length).toBe(1);
    await left.settled();
    await Promise.resolve();
    expect(localStorage.length).toBe(0);
  });

  it('is not forgotten when what another tab set down before it has been stored', async () => {
    let store = () => {};
    const slow: ProjectStorage = {
      ...storage,
      write: async (change) => {
        await new Promise<void>((resolve) => (store = resolve));
        return storage.write(change);
      },
    };
    const early = await open(slow);
    early.apply(rename('Stored late'));
    keepLastMoment('p', early, 2000);
    const left = await open(tooSlow());
    left.apply(changeGoal({ lux: 25 }));
    keepLastMoment('p', left, 2000);
    store();
    await early.settled();
    await Promise.resolve();
    const again = await open();
    takeUpLastMoment('p', again, 2000);
    expect(projectOf(again)).toMatchObject({ name: 'Stored late', goal: { lux: 25 } });
  });

  it('is nothing where all is stored, nor where what was set down cannot be read', async () => {
    const session = await open();
    keepLastMoment('p', session, 2000);
    expect(localStorage.length).toBe(0);
    localStorage.setItem('yemko-last-moment-p', '{"before":1');
    takeUpLastMoment('p', session, 0);
    localStorage.setItem('yemko-last-moment-p', '{"before":1,"after":{},"milliseconds":5}');
    takeUpLastMoment('p', session, 0);
    expect(projectOf(session).name).toBe('First name');
    expect(localStorage.length).toBe(0);
  });
});

type Step = (session: Session) => void;
const lit =
  (lux: number): Step =>
  (session) =>
    session.apply(changeGoal({ lux }));
/** Of few values, so that one often goes there and back. */
const anyStep = fc.oneof<fc.Arbitrary<Step>[]>(
  fc.constantFrom(1, 30, 621).map(lit),
  fc.constantFrom(220, 4700).map((fixedOhms) => (session) => session.apply(changeDivider({ fixedOhms }))),
  fc.constantFrom('One', 'Other').map((name) => (session) => session.apply(rename(name))),
  fc.constant<Step>((session) => session.undo()),
  fc.constant<Step>((session) => session.redo()),
);

describe('whatever is done, and whenever the page goes', () => {
  it('is there again when the project is opened anew', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(anyStep, { minLength: 1, maxLength: 8 }),
        fc.nat(8),
        fc.nat(3),
        async (steps, writes, waited) => {
          localStorage.clear();
          storage = memoryStorage();
          await storage.add([freshBundle(newProject('p', 'First name'), 1000)]);
          // The database takes so many writes, and then the page is gone before the next.
          let left = writes;
          const cut: ProjectStorage = {
            ...storage,
            write: (change) => (left-- > 0 ? storage.write(change) : new Promise(() => undefined)),
          };
          const session = await open(cut);
          for (const step of steps) {
            step(session);
            for (let turn = 0; turn < waited; turn++) await Promise.resolve();
          }
          const wanted = projectOf(session);
          session.hurry();
          keepLastMoment('p', session, 2000);
          const again = await open();
          takeUpLastMoment('p', again, 2000);
          await again.settled();
          expect(projectOf(again)).toEqual(wanted);
          expect(projectOf(await open())).toEqual(wanted);
        },
      ),
      // There and back while the way there is being written.
      { numRuns: runs(2000), examples: [[[621, 1, 621].map(lit), 2, 1]] },
    );
  });
});
