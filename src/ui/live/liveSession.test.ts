import { describe, expect, it } from 'vitest';
import type { LogRecord } from '@/core/live/log';
import { LogSeries } from '@/core/live/log';
import type { MeterSample } from '@/core/live/sample';
import { KeyboardSource } from '@/devices/keyboardSource';
import type { MeterSource, SourceListener } from '@/devices/meterSource';
import { LogRecorder } from '@/store/logRecorder';
import { memoryStorage } from '@/store/memoryStorage';
import { LiveSession, TREND_MILLISECONDS } from './liveSession';

const sampleAt = (at: number, ohms = 1000): MeterSample => ({
  at,
  ohms,
  above: false,
  rangeOhms: null,
  lux: null,
});

/** A source that a test speaks through, also after it has been left. */
class SpokenSource implements MeterSource {
  readonly kind = 'bench';
  listener: SourceListener | null = null;
  closed = 0;
  async open(listener: SourceListener) {
    this.listener = listener;
    listener.onState('open');
  }
  async close() {
    this.closed += 1;
  }
}

async function connected() {
  const session = new LiveSession();
  const source = new SpokenSource();
  await session.connect(source);
  const say = (sample: MeterSample) => source.listener?.onSample(sample);
  return { session, source, say, state: () => session.store.getState() };
}

describe('a live session', () => {
  it('shows the last figure, a minute of trend, and when it has settled', async () => {
    const { say, state } = await connected();
    for (let at = 0; at <= TREND_MILLISECONDS + 5000; at += 200) say(sampleAt(at));
    expect(state().last?.at).toBe(TREND_MILLISECONDS + 5000);
    expect(state().settling.settled).toBe(true);
    expect(state().trend[0]?.at).toBeGreaterThan(5000);
    expect(state().trend).toHaveLength(300);
  });

  it('gives no resistance to take, nor to hold, while the meter is on volts', async () => {
    const { session, say, source, state } = await connected();
    say(sampleAt(0));
    source.listener?.onFigure?.({ at: 1, value: 4.9, unit: 'V' });
    expect(session.shown()).toBeNull();
    session.hold();
    expect(state().held).toBeNull();
    say(sampleAt(2, 2000));
    expect(session.shown()?.ohms).toBe(2000);
    expect(state().figure).toBeNull();
    // What is held stays, whatever the meter is turned to.
    session.hold();
    source.listener?.onFigure?.({ at: 3, value: 4.9, unit: 'V' });
    expect(session.shown()?.ohms).toBe(2000);
  });

  it('holds a figure while others come, and gives that one to a capture', async () => {
    const { session, say, state } = await connected();
    say(sampleAt(0, 500));
    session.hold();
    say(sampleAt(200, 900));
    expect(session.shown()?.ohms).toBe(500);
    expect(state().last?.ohms).toBe(900);
    session.hold();
    expect(session.shown()?.ohms).toBe(900);
  });

  it('leaves one source when it takes another, and hears it no more', async () => {
    const { session, source, say, state } = await connected();
    say(sampleAt(0));
    await session.connect(new KeyboardSource());
    expect(source.closed).toBe(1);
    say(sampleAt(200, 7));
    expect(state().last).toBeNull();
    session.typed(sampleAt(300, 42));
    expect(state()).toMatchObject({ kind: 'keyboard', state: 'open', last: { ohms: 42 } });
    await session.disconnect();
    session.typed(sampleAt(400, 43));
    expect(state()).toMatchObject({ state: 'closed', last: { ohms: 42 } });
  });

  it('counts the lines that could not be read and keeps the last trouble', async () => {
    const { source, state } = await connected();
    source.listener?.onTrouble({ code: 'line', reason: 'torn', line: 'a' });
    source.listener?.onTrouble({ code: 'line', reason: 'not-a-number', line: 'b' });
    source.listener?.onTrouble({ code: 'unplugged' });
    source.listener?.onState('closed');
    expect(state()).toMatchObject({ badLines: 2, trouble: { code: 'unplugged' }, state: 'closed' });
  });

  it('records every figure once while a log runs, with its marks', async () => {
    const { session, say, state } = await connected();
    const record: LogRecord = {
      id: 'l',
      projectId: 'p',
      name: 'L',
      source: 'bench',
      startedAt: 0,
      state: 'running',
      count: 0,
      marks: [],
      lastEvent: null,
      note: '',
    };
    const { logs } = memoryStorage();
    const recorder = new LogRecorder(
      record,
      new LogSeries(),
      logs,
      () => () => undefined,
      () => undefined,
      true,
    );
    session.record(recorder);
    say(sampleAt(100));
    say(sampleAt(100));
    say(sampleAt(300));
    session.changeLog((running) => running.mark({ id: 'm', at: 250, text: 'cloud' }));
    session.changeLog((running) => running.change({ state: 'paused' }));
    say(sampleAt(500));
    expect(state().log).toMatchObject({
      count: 2,
      lastEvent: 300,
      state: 'paused',
      marks: [{ text: 'cloud' }],
    });
    await recorder.flush();
    expect((await logs.list('p'))[0]?.count).toBe(2);
    session.record(null);
    session.changeLog(() => {
      throw new Error('there is no log to change');
    });
  });
});
