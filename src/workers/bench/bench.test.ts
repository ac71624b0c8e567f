import { describe, expect, it } from 'vitest';
import { BenchSource } from '@/devices/benchSource';
import { FIRST_CONTROLS } from '@/core/practice/bench';
import { BenchHub } from '@/devices/benchHub';
import type { WorkerLike } from '../client';
import { benchHost } from './host';
import { LocalBench } from './localBench';
import type { BenchQuestion } from './protocol';
import { passedOff } from '@/core/testRecord';

/** A bench whose worker runs in the same thread, with time that passes when the test says so. */
function localBench() {
  let now = 1_000_000;
  const ticks = new Set<() => void>();
  const bench = new LocalBench(() => {
    const worker: WorkerLike = {
      onmessage: null,
      onerror: null,
      postMessage: (question) => host(passedOff<BenchQuestion>(question)),
      terminate: () => undefined,
    };
    const host = benchHost(
      (data) => worker.onmessage?.(new MessageEvent('message', { data: structuredClone(data) })),
      () => now,
      (_, call) => {
        ticks.add(call);
        return () => void ticks.delete(call);
      },
    );
    return worker;
  });
  const pass = (count: number) => {
    for (let tick = 0; tick < count; tick++) {
      now += 200;
      for (const call of [...ticks]) call();
    }
  };
  return { bench, pass };
}

describe('a bench in the page', () => {
  it('speaks as the server’s does: knobs first, then samples, and what was missed to one who comes back', async () => {
    const { bench, pass } = localBench();
    const samples: number[] = [];
    const knobs: unknown[] = [];
    const states: string[] = [];
    const listener = {
      onSample: ({ at }: { at: number }) => void samples.push(at),
      onState: (state: string) => void states.push(state),
      onTrouble: (trouble: unknown) => {
        throw new Error(JSON.stringify(trouble));
      },
    };
    const first = new BenchSource(
      'abc',
      null,
      (controls) => knobs.push(controls),
      async () => bench,
    );
    await first.open(listener);
    await Promise.resolve();
    pass(5);
    expect(states).toEqual(['opening', 'open']);
    expect(knobs).toEqual([FIRST_CONTROLS]);
    expect(samples).toHaveLength(5);
    expect(await bench.control('abc', { lampOn: false })).toMatchObject({ lampOn: false });
    expect(knobs.at(-1)).toMatchObject({ lampOn: false });
    await first.close();
    pass(3);
    const second = new BenchSource(
      'abc',
      samples[4]!,
      () => undefined,
      async () => bench,
    );
    await second.open(listener);
    await Promise.resolve();
    expect(samples).toHaveLength(8);
    expect(samples).toEqual([...new Set(samples)].sort((one, other) => one - other));
  });

  it('hides the same LDR as the server’s of that name', async () => {
    const { bench } = localBench();
    const server = new BenchHub(
      () => 0,
      () => () => undefined,
    );
    expect(await bench.reveal('abc')).toEqual(server.hidden('abc'));
    expect(await bench.control('abc', { lampMetres: -1 })).toBeNull();
  });
});
