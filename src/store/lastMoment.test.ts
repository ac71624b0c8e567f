// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest';
import { changeGoal, rename } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
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
