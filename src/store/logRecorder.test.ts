import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { LogSeries, type LogRecord } from '@/core/live/log';
import type { MeterSample } from '@/core/live/sample';
import { YemkoDatabase } from './database';
import { dexieStorage } from './dexieStorage';
import { LogRecorder } from './logRecorder';
import { memoryStorage } from './memoryStorage';
import type { LogStorage, WriteOutcome } from './storage';

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
const sampleAt = (at: number): MeterSample => ({
  at,
  ohms: 1000 + at,
  above: at % 3 === 0,
  rangeOhms: null,
  lux: null,
});

/** A recorder whose quarter second passes when the test says so. */
function recording(logs: LogStorage, series = new LogSeries(), from = record, isNew = series.length === 0) {
  const outcomes: WriteOutcome[] = [];
  const timers: (() => void)[] = [];
  const recorder = new LogRecorder(
    from,
    series,
    logs,
    (_, call) => {
      timers.push(call);
      return () => undefined;
    },
    (outcome) => outcomes.push(outcome),
    isNew,
  );
  return { recorder, outcomes, timers };
}

let databases = 0;
const storages = [
  ['the browser', () => dexieStorage(new YemkoDatabase(`log-${++databases}`))],
  ['memory', memoryStorage],
] as const;

describe.each(storages)('a log recorded into %s', (_, open) => {
  it('comes back whole from its chunks, with its marks', async () => {
    const { logs } = open();
    const { recorder, timers } = recording(logs);
    for (let at = 1; at <= 4100; at++) recorder.add(sampleAt(at));
    expect(timers).toHaveLength(1);
    await recorder.flush();
    for (let at = 4101; at <= 4150; at++) recorder.add(sampleAt(at));
    recorder.mark({ id: 'm', at: 4120, text: 'cloud' });
    await recorder.flush();
    const [kept] = await logs.list('p');
    expect(kept).toMatchObject({ count: 4150, lastEvent: 4150, marks: [{ text: 'cloud' }] });
    const series = LogSeries.of(await logs.chunks('log'));
    expect([...series.at]).toEqual([...recorder.series.at]);
    expect([...series.ohms]).toEqual([...recorder.series.ohms]);
    expect([...series.above]).toEqual([...recorder.series.above]);
  });

  it('goes on where it was, and takes no point twice', async () => {
    const { logs } = open();
    const first = recording(logs);
    for (let at = 1; at <= 10; at++) first.recorder.add(sampleAt(at));
    await first.recorder.flush();
    const [kept] = await logs.list('p');
    const second = recording(logs, LogSeries.of(await logs.chunks('log')), kept);
    for (let at = 8; at <= 15; at++) second.recorder.add(sampleAt(at));
    await second.recorder.flush();
    expect([...LogSeries.of(await logs.chunks('log')).at]).toEqual(
      Array.from({ length: 15 }, (_, index) => index + 1),
    );
  });

  it('takes nothing while it is paused', async () => {
    const { logs } = open();
    const { recorder } = recording(logs);
    recorder.change({ state: 'paused' });
    expect(recorder.add(sampleAt(1))).toBe(false);
    recorder.change({ state: 'running' });
    expect(recorder.add(sampleAt(2))).toBe(true);
    await recorder.flush();
    expect(await logs.list('p')).toHaveLength(1);
  });

  it('does not come back when it has been deleted meanwhile, and says so', async () => {
    const { logs } = open();
    const { recorder, outcomes } = recording(logs);
    recorder.add(sampleAt(1));
    await recorder.flush();
    await logs.remove('log');
    recorder.add(sampleAt(2));
    await recorder.flush();
    expect(outcomes).toEqual(['saved', 'gone']);
    expect(await logs.list('p')).toEqual([]);
  });

  it('keeps the name and note that another tab has given it', async () => {
    const { logs } = open();
    const { recorder } = recording(logs);
    recorder.add(sampleAt(1));
    await recorder.flush();
    await logs.extend('log', { name: 'Named there', note: 'north window' }, []);
    recorder.add(sampleAt(2));
    recorder.mark({ id: 'm', at: 2, text: 'cloud' });
    await recorder.flush();
    expect((await logs.list('p'))[0]).toMatchObject({
      name: 'Named there',
      note: 'north window',
      count: 2,
      marks: [{ text: 'cloud' }],
    });
  });
});

describe('a log that cannot be stored for a while', () => {
  it('keeps its points and stores them with the next write', async () => {
    const { logs } = memoryStorage();
    let refuses = true;
    const moody: LogStorage = { ...logs, write: async (...args) => (refuses ? 'full' : logs.write(...args)) };
    const { recorder, outcomes } = recording(moody);
    recorder.add(sampleAt(1));
    await recorder.flush();
    refuses = false;
    recorder.add(sampleAt(2));
    await recorder.flush();
    expect(outcomes).toEqual(['full', 'saved']);
    expect([...LogSeries.of(await logs.chunks('log')).at]).toEqual([1, 2]);
  });
});

describe.each(storages)('records kept in %s', (_, open) => {
  it('are put, watched and removed', async () => {
    const { levels } = open();
    const seen: string[][] = [];
    const stop = levels.watch((all) => seen.push(all.map(({ name }) => name)));
    await levels.put({ id: 'a', name: 'hall', lux: null });
    await levels.put({ id: 'a', name: 'hall, evening', lux: 12 });
    expect(await levels.all()).toEqual([{ id: 'a', name: 'hall, evening', lux: 12 }]);
    await expect.poll(() => seen.at(-1)).toEqual(['hall, evening']);
    await levels.remove('a');
    await expect.poll(() => seen.at(-1)).toEqual([]);
    stop();
  });
});
