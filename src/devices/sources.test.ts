import { describe, expect, it } from 'vitest';
import { LogSeries } from '@/core/live/log';
import type { MeterFigure, MeterSample } from '@/core/live/sample';
import { FIRST_CONTROLS } from '@/core/practice/bench';
import { BenchSource, serverBench, type EventStream } from './benchSource';
import { KeyboardSource } from './keyboardSource';
import type { SourceListener, SourceState, SourceTrouble } from './meterSource';
import { ReplaySource } from './replaySource';
import { SerialSource, type SerialPortLike } from './serialSource';

function listening() {
  const samples: MeterSample[] = [];
  const states: SourceState[] = [];
  const troubles: SourceTrouble[] = [];
  const told = { samples, states, troubles };
  const listener: SourceListener = {
    onSample: (sample) => told.samples.push(sample),
    onState: (state) => told.states.push(state),
    onTrouble: (trouble) => told.troubles.push(trouble),
  };
  return { told, listener };
}

const sample: MeterSample = { at: 5, ohms: 4700, above: false, rangeOhms: null, lux: null };
const settle = () => new Promise((resolve) => setTimeout(resolve, 5));

describe('the keyboard as a source', () => {
  it('tells what is typed while it is open', async () => {
    const { told, listener } = listening();
    const source = new KeyboardSource();
    source.type(sample);
    await source.open(listener);
    source.type(sample);
    await source.close();
    source.type(sample);
    expect(told.samples).toEqual([sample]);
    expect(told.states).toEqual(['open', 'closed']);
  });
});

describe('a replay', () => {
  it('plays every point at its own pace, faster if wished, and says when it is over', async () => {
    const series = new LogSeries();
    for (let i = 0; i < 5; i++) series.push(1000 + i * 1000, 100 + i, i === 2);
    let now = 50_000;
    let tick: () => void = () => undefined;
    let stopped = false;
    const source = new ReplaySource(
      series,
      10,
      () => now,
      (_, call) => {
        tick = call;
        return () => (stopped = true);
      },
    );
    const { told, listener } = listening();
    await source.open(listener);
    now += 250;
    tick();
    expect(told.samples.map(({ at, ohms, above }) => [at, ohms, above])).toEqual([
      [50_000, 100, false],
      [50_100, 101, false],
      [50_200, 102, true],
    ]);
    now += 500;
    tick();
    expect(told.samples).toHaveLength(5);
    expect(told.troubles).toEqual([{ code: 'ended' }]);
    expect(stopped).toBe(true);
    expect(told.states.at(-1)).toBe('closed');
  });
});

/** A port that sends its pieces and then goes on, ends, or breaks. */
function portOf(
  pieces: readonly string[],
  end: 'stay' | 'break' | 'close' | 'stay broken',
): SerialPortLike & { closed: number } {
  const port: { closed: number; readable: ReadableStream<Uint8Array> | null } & SerialPortLike = {
    closed: 0,
    readable: null,
    open: async () => undefined,
    close: async () => void (port.closed += 1),
  };
  port.readable = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
    },
    pull(controller) {
      if (end === 'stay') return new Promise(() => undefined);
      if (end === 'close') return controller.close();
      // A port that is gone has no stream any more; a poor driver may leave the broken one standing.
      if (end === 'break') port.readable = null;
      controller.error(new Error('gone'));
    },
  });
  return port;
}

const serialOf = (port: SerialPortLike) => ({ requestPort: async () => port });
const ohms = { kind: 'ohms' } as const;

describe('a serial port', () => {
  it('tells a voltage apart from readings', async () => {
    const { told, listener } = listening();
    const figures: MeterFigure[] = [];
    const port = portOf(['x\n4700\n4.998 V\n'], 'stay');
    const own = { ...listener, onFigure: (figure: MeterFigure) => figures.push(figure) };
    await new SerialSource(serialOf(port), ohms, 9600, () => 0).open(own);
    await settle();
    expect(told.samples.map((each) => each.ohms)).toEqual([4700]);
    expect(figures).toEqual([{ at: 0, value: 4.998, unit: 'V' }]);
    expect(told.troubles).toEqual([]);
  });

  it('tells each whole line, leaves out the first piece of one, and says what could not be read', async () => {
    const { told, listener } = listening();
    const port = portOf(['99\n47', '00\nnan\n', '1.5,480', '0\n'], 'stay');
    const source = new SerialSource(serialOf(port), ohms, 9600, () => 1000);
    await source.open(listener);
    await settle();
    expect(told.samples.map(({ at, ohms: read }) => [at, read])).toEqual([
      [1000, 4700],
      [2500, 4800],
    ]);
    expect(told.troubles).toEqual([{ code: 'line', reason: 'not-a-number', line: 'nan' }]);
    await source.close();
    await settle();
    expect(told.states).toEqual(['opening', 'open', 'closed']);
    expect(port.closed).toBe(1);
  });

  it('that is pulled out says so and keeps what it has told', async () => {
    const { told, listener } = listening();
    await new SerialSource(serialOf(portOf(['x\n4700\n'], 'break')), ohms, 9600, () => 0).open(listener);
    await settle();
    expect(told.samples).toHaveLength(1);
    expect(told.troubles.map(({ code }) => code)).toContain('unplugged');
    expect(told.states.at(-1)).toBe('closed');
  });

  it.each(['close', 'stay broken'] as const)(
    'that ends with a stream left standing (%s) ends too, and says so once',
    async (end) => {
      const { told, listener } = listening();
      const port = portOf(['x\n4700\n'], end);
      await new SerialSource(serialOf(port), ohms, 9600, () => 0).open(listener);
      await settle();
      expect(told.samples).toHaveLength(1);
      expect(told.troubles.filter(({ code }) => code === 'unplugged')).toHaveLength(1);
      expect(told.troubles.length).toBeLessThanOrEqual(2);
      expect(told.states.at(-1)).toBe('closed');
      expect(port.closed).toBe(1);
    },
  );

  it('may be missing, not chosen or busy', async () => {
    const troubleOf = async (serial: ConstructorParameters<typeof SerialSource>[0]) => {
      const { told, listener } = listening();
      await new SerialSource(serial, ohms, 9600, () => 0).open(listener);
      expect(told.states.at(-1)).toBe('closed');
      return told.troubles.map(({ code }) => code);
    };
    const busy: SerialPortLike = {
      readable: null,
      open: () => Promise.reject(new Error('busy')),
      close: async () => undefined,
    };
    expect(await troubleOf(undefined)).toEqual(['unsupported']);
    expect(await troubleOf({ requestPort: () => Promise.reject(new Error('none')) })).toEqual(['not-chosen']);
    expect(await troubleOf(serialOf(busy))).toEqual(['port-busy']);
  });
});

/** An event stream that a test speaks through. */
class FakeStream implements EventStream {
  readyState = 0;
  onopen: EventStream['onopen'] = null;
  onerror: EventStream['onerror'] = null;
  closed = false;
  private readonly listeners = new Map<string, (event: MessageEvent<string>) => void>();
  constructor(readonly address: string) {}
  addEventListener(type: string, listener: (event: MessageEvent<string>) => void) {
    this.listeners.set(type, listener);
  }
  say(type: string, data: unknown) {
    this.listeners.get(type)?.(new MessageEvent('message', { data: JSON.stringify(data) }));
  }
  close() {
    this.closed = true;
  }
}

describe('the simulated bench as a source', () => {
  it('asks for what came after the last sample, comes back when lost, and says when there is none', async () => {
    const { told, listener } = listening();
    const knobs: unknown[] = [];
    const streams: FakeStream[] = [];
    const source = new BenchSource(
      'abc',
      77,
      (controls) => knobs.push(controls),
      async () =>
        serverBench((address) => {
          const stream = new FakeStream(address);
          streams.push(stream);
          return stream;
        }),
    );
    await source.open(listener);
    const [fake] = streams;
    if (!fake) throw new Error('no stream');
    expect(fake.address).toBe('/api/bench/abc?since=77');
    fake.onopen?.(new Event('open'));
    fake.say('controls', FIRST_CONTROLS);
    fake.say('controls', { lampOn: 'brightly' });
    fake.say('sample', sample);
    fake.onerror?.(new Event('error'));
    expect(told.states).toEqual(['opening', 'open', 'lost']);
    fake.readyState = 2;
    fake.onerror?.(new Event('error'));
    expect(told.troubles).toEqual([
      { code: 'line', reason: 'torn', line: '{"lampOn":"brightly"}' },
      { code: 'no-bench' },
    ]);
    expect([told.samples, knobs]).toEqual([[sample], [FIRST_CONTROLS]]);
    await source.close();
    expect(fake.closed).toBe(true);
  });
});
