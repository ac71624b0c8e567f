import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LogRecord } from '@/core/live/log';
import type { MeterSample } from '@/core/live/sample';
import { promised, runs } from '@/core/testRuns';
import { LogRecorder } from '@/store/logRecorder';
import { memoryStorage } from '@/store/memoryStorage';
import type { LogStorage } from '@/store/storage';
import { LiveSession } from './liveSession';
import { Recording, type LocksLike } from './recording';

/** Locks as a browser's: one holder, the others wait in order; a tab that is killed lets go. */
class Locks {
  private holder: symbol | null = null;
  private readonly queue: { tab: symbol; take: () => void }[] = [];

  of(tab: symbol): LocksLike {
    return {
      request: (_, { ifAvailable = false, signal }, held) =>
        new Promise((resolve, reject) => {
          const take = () => {
            this.holder = tab;
            void Promise.resolve(held({})).then(() => {
              if (this.holder === tab) this.pass();
              resolve(undefined);
            });
          };
          if (this.holder === null) return take();
          if (ifAvailable) return resolve(held(null));
          const entry = { tab, take };
          this.queue.push(entry);
          signal?.addEventListener('abort', () => {
            const at = this.queue.indexOf(entry);
            if (at >= 0) this.queue.splice(at, 1);
            reject(new Error('aborted'));
          });
        }),
    };
  }

  kill(tab: symbol): void {
    for (let at = this.queue.length - 1; at >= 0; at--)
      if (this.queue[at]?.tab === tab) this.queue.splice(at, 1);
    if (this.holder === tab) this.pass();
  }

  private pass(): void {
    this.holder = null;
    this.queue.shift()?.take();
  }
}

const record: LogRecord = {
  id: 'log',
  projectId: 'p',
  name: 'Dusk',
  source: 'bench',
  startedAt: 0,
  state: 'running',
  count: 0,
  marks: [],
  lastEvent: null,
  note: '',
};
const sampleAt = (at: number): MeterSample => ({ at, ohms: 1000, above: false, rangeOhms: null, lux: null });
/** Lets every promise that can go on do so. */
const settle = async () => {
  for (let turn = 0; turn < 60; turn++) await Promise.resolve();
};

function tabOn(logs: LogStorage, locks: Locks) {
  const tab = Symbol('tab');
  const session = new LiveSession();
  let isDead = false;
  // A tab that has been killed writes nothing any more.
  const own: LogStorage = {
    ...logs,
    write: (...args) => (isDead ? new Promise(() => undefined) : logs.write(...args)),
    extend: (...args) => (isDead ? new Promise(() => undefined) : logs.extend(...args)),
  };
  const recording = new Recording({
    projectId: 'p',
    session,
    logs: own,
    locks: locks.of(tab),
    after: (_, call) => {
      call();
      return () => undefined;
    },
    recorderOf: (from, series, isNew) =>
      new LogRecorder(
        from,
        series,
        own,
        () => () => undefined,
        () => undefined,
        isNew,
      ),
    rejoin: async () => undefined,
  });
  recording.open();
  const kill = () => {
    isDead = true;
    locks.kill(tab);
  };
  return { session, recording, kill };
}

describe('a recording', () => {
  it('is one tab’s; another follows it, may not start one, and goes on when that tab is closed', async () => {
    const { logs } = memoryStorage();
    const locks = new Locks();
    const one = tabOn(logs, locks);
    expect(await one.recording.start(record)).toBe(true);
    one.session.recorder?.add(sampleAt(1));
    await one.session.recorder?.flush();
    const other = tabOn(logs, locks);
    await settle();
    expect(other.session.recorder).toBeNull();
    expect(other.session.store.getState().elsewhere).toMatchObject({ id: 'log', count: 1 });
    expect(await other.recording.start({ ...record, id: 'second' })).toBe(false);
    one.session.recorder?.add(sampleAt(2));
    await one.recording.close();
    await settle();
    expect(other.session.recorder?.record).toMatchObject({ id: 'log', count: 2, state: 'running' });
    expect(other.session.store.getState().elsewhere).toBeNull();
  });

  it('that has ended is nobody’s, and another may be started by any tab', async () => {
    const { logs } = memoryStorage();
    const locks = new Locks();
    const [one, other] = [tabOn(logs, locks), tabOn(logs, locks)];
    await one.recording.start(record);
    await one.session.recorder?.flush();
    await settle();
    one.session.changeLog((recorder) => recorder.change({ state: 'stopped' }));
    await one.session.recorder?.flush();
    one.recording.end();
    await settle();
    expect(other.session.store.getState().elsewhere).toBeNull();
    expect(await other.recording.start({ ...record, id: 'second' })).toBe(true);
  });

  it('loses no point and no mark that was written, whichever tabs come, go and are killed', async () => {
    const move = fc.constantFrom('sample', 'sample', 'mark', 'flush', 'open', 'close', 'kill');
    let interleavings = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(move, { minLength: 5, maxLength: 30 }), async (walk) => {
        const { logs } = memoryStorage();
        const locks = new Locks();
        const first = tabOn(logs, locks);
        let tabs = [first];
        await first.recording.start(record);
        await first.session.recorder?.flush();
        let time = 0;
        let written: string[] = [];
        let waiting: string[] = [];
        for (const what of walk) {
          await settle();
          const recorders = tabs.filter(({ session }) => session.recorder !== null);
          expect(recorders.length).toBeLessThanOrEqual(1);
          const owner = recorders[0];
          const recorder = owner?.session.recorder;
          if (what === 'open' && tabs.length < 4) tabs = [...tabs, tabOn(logs, locks)];
          if (what === 'sample' && recorder?.add(sampleAt(++time))) waiting.push(`point ${time}`);
          if (what === 'mark' && recorder) {
            recorder.mark({ id: `m${++time}`, at: time, text: `mark ${time}` });
            waiting.push(`mark ${time}`);
          }
          if (what === 'flush' && recorder) {
            await recorder.flush();
            [written, waiting] = [[...written, ...waiting], []];
          }
          if (what === 'close' && owner) {
            await owner.recording.close();
            [written, waiting] = [[...written, ...waiting], []];
            tabs = tabs.filter((tab) => tab !== owner);
          }
          if (what === 'kill' && owner) {
            owner.kill();
            waiting = [];
            tabs = tabs.filter((tab) => tab !== owner);
          }
          if (tabs.length === 0) tabs = [tabOn(logs, locks)];
        }
        await settle();
        const [kept] = await logs.list('p');
        const points = (await logs.chunks('log')).flatMap(({ at }) => [...at].map((each) => `point ${each}`));
        const marks = kept?.marks.map(({ text }) => text) ?? [];
        for (const each of written) expect([...points, ...marks]).toContain(each);
        expect(new Set(points).size).toBe(points.length);
        interleavings += 1;
      }),
      { numRuns: runs(2000), seed: 8 },
    );
    promised('recording: interleavings of tabs without a point or mark lost', interleavings, '2 000');
  });
});
