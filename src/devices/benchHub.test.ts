import { describe, expect, it } from 'vitest';
import {
  BENCH_TICK_MILLISECONDS,
  BenchHub,
  KEPT_SAMPLES,
  LINGER_MILLISECONDS,
  MAX_BENCHES,
  MAX_READERS,
  type BenchEvent,
} from './benchHub';

/** A clock that is turned by hand, with the timers that hang on it. */
function handClock() {
  let now = 1_000_000;
  const timers = new Set<{ every: number; next: number; call: () => void }>();
  return {
    timers,
    clock: () => now,
    every: (every: number, call: () => void) => {
      const timer = { every, next: now + every, call };
      timers.add(timer);
      return () => void timers.delete(timer);
    },
    pass: (milliseconds: number) => {
      const end = now + milliseconds;
      while (now < end) {
        now += BENCH_TICK_MILLISECONDS;
        for (const timer of [...timers]) {
          if (timer.next > now) continue;
          timer.next += timer.every;
          timer.call();
        }
      }
    },
  };
}

const samplesOf = (events: readonly BenchEvent[]) =>
  events.flatMap((event) => (event.kind === 'sample' ? [event.sample] : []));

describe('the benches of a server', () => {
  it('are so many and no more, and so are their readers', () => {
    const { clock, every } = handClock();
    const hub = new BenchHub(clock, every);
    for (let number = 0; number < MAX_BENCHES; number++)
      expect(hub.join(`b${number}`, null, () => undefined)).not.toBeNull();
    expect(hub.join('one-more', null, () => undefined)).toBeNull();
    expect(hub.has('one-more')).toBe(false);
    const leave = Array.from({ length: MAX_READERS - MAX_BENCHES }, () =>
      hub.join('b0', null, () => undefined),
    );
    expect(leave.every((one) => one !== null)).toBe(true);
    expect(hub.join('b0', null, () => undefined)).toBeNull();
    leave[0]?.();
    expect(hub.join('b0', null, () => undefined)).not.toBeNull();
  });

  it('tell many readers the same, and each its own share of what it has missed', () => {
    const { clock, every, pass } = handClock();
    const hub = new BenchHub(clock, every);
    const [one, other]: BenchEvent[][] = [[], []];
    const leave = hub.join('a', null, (event) => one?.push(event));
    pass(1000);
    hub.join('a', null, (event) => other?.push(event));
    pass(1000);
    expect(samplesOf(one ?? [])).toHaveLength(10);
    expect(samplesOf(one ?? []).slice(5)).toEqual(samplesOf(other ?? []));
    leave?.();
    pass(600);
    const back: BenchEvent[] = [];
    hub.join('a', samplesOf(one ?? []).at(-1)?.at ?? 0, (event) => back.push(event));
    pass(200);
    const all = [...samplesOf(one ?? []), ...samplesOf(back)].map(({ at }) => at);
    expect(all).toEqual(Array.from({ length: 14 }, (_, index) => 1_000_000 + (index + 1) * 200));
  });

  it('tick on for a while for one who may come back, then stop; nothing is left over', () => {
    const { clock, every, pass, timers } = handClock();
    const hub = new BenchHub(clock, every);
    const leave = hub.join('a', null, () => undefined);
    expect(hub.load).toEqual({ ticking: 1, readers: 1 });
    leave?.();
    leave?.();
    pass(LINGER_MILLISECONDS / 2);
    expect(hub.load).toEqual({ ticking: 1, readers: 0 });
    pass(LINGER_MILLISECONDS);
    expect(hub.load).toEqual({ ticking: 0, readers: 0 });
    expect(timers.size).toBe(0);
  });

  it('keep ten minutes and no more', () => {
    const { clock, every, pass } = handClock();
    const hub = new BenchHub(clock, every);
    hub.join('a', null, () => undefined);
    pass(KEPT_SAMPLES * 200 + 60_000);
    const back: BenchEvent[] = [];
    hub.join('a', 0, (event) => back.push(event));
    expect(samplesOf(back)).toHaveLength(KEPT_SAMPLES);
  });

  it('are so many and no more while all are read; the one left longest ago goes first', () => {
    const { clock, every, pass } = handClock();
    const hub = new BenchHub(clock, every);
    const leaves = Array.from({ length: 64 }, (_, index) => hub.join(`b${index}`, null, () => undefined));
    expect(hub.join('one too many', null, () => undefined)).toBeNull();
    pass(200);
    leaves[7]?.();
    expect(hub.join('now there is room', null, () => undefined)).not.toBeNull();
  });

  it('take changes of their knobs and tell every reader', () => {
    const { clock, every } = handClock();
    const hub = new BenchHub(clock, every);
    const told: BenchEvent[] = [];
    hub.join('a', null, (event) => told.push(event));
    expect(hub.control('a', { lampOn: false })).toMatchObject({ lampOn: false });
    expect(hub.control('a', { lampOn: 'no' })).toBeNull();
    expect(told.map(({ kind }) => kind)).toEqual(['controls', 'controls']);
    expect(hub.hidden('a')?.curve.r10Ohms).toBeGreaterThan(5000);
  });
});
