import { describe, expect, it } from 'vitest';
import { WorkerClient, type WorkerLike } from './client';
import { serve, type Compute, type WorkerScope } from './protocol';

/** What a browser sends when a worker breaks. */
const errorOf = (message: string): ErrorEvent =>
  Object.assign(new Event('error'), { message, filename: '', lineno: 0, colno: 0, error: null });

/** A worker in the same thread: messages go over by a microtask, as between threads. */
function localWorker(compute: Compute<number, number>) {
  const ended: string[] = [];
  const make = (): WorkerLike => {
    const worker: WorkerLike = {
      onmessage: null,
      onerror: null,
      postMessage: (data) => queueMicrotask(() => scope.onmessage?.(new MessageEvent('message', { data }))),
      terminate: () => {
        ended.push('ended');
        worker.onmessage = null;
      },
    };
    const scope: WorkerScope = {
      onmessage: null,
      postMessage: (data) => queueMicrotask(() => worker.onmessage?.(new MessageEvent('message', { data }))),
    };
    serve(compute, undefined, scope);
    made.push(worker);
    return worker;
  };
  const made: WorkerLike[] = [];
  return { client: new WorkerClient<number, number>(make), made, ended };
}

describe('a worker client', () => {
  it('brings each answer to its own question', async () => {
    const { client, made } = localWorker(async (input) => input * 2);
    const outcomes = await Promise.all([client.run(1), client.run(2), client.run(3)]);
    expect(outcomes).toEqual([2, 4, 6].map((output) => ({ ok: true, output })));
    expect(made).toHaveLength(1);
  });

  it('is started before there is work, once, and where it cannot be the work tries again', async () => {
    const { client, made } = localWorker(async (input) => input + 1);
    client.warm();
    client.warm();
    expect(made).toHaveLength(1);
    // One that ends while nothing waits for it is made anew.
    made[0]?.onerror?.(errorOf('gone'));
    expect(await client.run(1)).toEqual({ ok: true, output: 2 });
    expect(made).toHaveLength(2);
    const never = new WorkerClient<number, number>(() => {
      throw new Error('no workers here');
    });
    expect(() => never.warm()).not.toThrow();
    expect(await never.run(1)).toMatchObject({ ok: false, reason: 'died' });
  });

  it('tells what is known before all is, to whoever asked', async () => {
    const { client } = localWorker(async (input, _progress, onSofar) => {
      onSofar?.(input);
      await Promise.resolve();
      return 2 * input;
    });
    const sofar: number[] = [];
    const [one, other] = await Promise.all([
      client.run(3, { onSofar: (known) => sofar.push(known) }),
      client.run(4),
    ]);
    expect([one, other].map((each) => each.ok && each.output)).toEqual([6, 8]);
    expect(sofar).toEqual([3]);
  });

  it('tells progress, and a failure as data', async () => {
    const { client } = localWorker(async (input, onProgress) => {
      onProgress(0.5);
      if (input < 0) throw new Error('negative');
      return input;
    });
    const shares: number[] = [];
    expect(await client.run(7, { onProgress: (share) => shares.push(share) })).toEqual({
      ok: true,
      output: 7,
    });
    expect(shares).toEqual([0.5]);
    expect(await client.run(-1)).toMatchObject({ ok: false, reason: 'failed', message: 'Error: negative' });
  });

  it('gives up at once when cancelled, and works again afterwards', async () => {
    const { client, made, ended } = localWorker((input) =>
      input === 0 ? new Promise(() => undefined) : Promise.resolve(input),
    );
    const control = new AbortController();
    const run = client.run(0, { signal: control.signal });
    control.abort();
    expect(await run).toMatchObject({ ok: false, reason: 'cancelled' });
    expect(ended).toEqual(['ended']);
    expect(await client.run(5)).toEqual({ ok: true, output: 5 });
    expect(made).toHaveLength(2);
    expect(await client.run(5, { signal: control.signal })).toMatchObject({ reason: 'cancelled' });
  });

  it('makes a worker that dies anew once, with all that waits; then says so', async () => {
    const { client, made } = localWorker(() => new Promise(() => undefined));
    const runs = [client.run(1), client.run(2)];
    made[0]?.onerror?.(errorOf('out of memory'));
    expect(made).toHaveLength(2);
    made[1]?.onerror?.(errorOf('out of memory'));
    for (const outcome of await Promise.all(runs)) {
      expect(outcome).toEqual({ ok: false, reason: 'died', message: 'out of memory' });
    }
  });

  it('brings the answer of the second worker where the first one died', async () => {
    let isFirst = true;
    const { client, made } = localWorker((input) => {
      if (!isFirst) return Promise.resolve(input * 2);
      isFirst = false;
      return new Promise(() => undefined);
    });
    const run = client.run(4);
    await Promise.resolve();
    made[0]?.onerror?.(errorOf('gone'));
    expect(await run).toEqual({ ok: true, output: 8 });
  });

  it('says that a worker could not be started at all', async () => {
    const client = new WorkerClient<number, number>(() => {
      throw new Error('no such script');
    });
    expect(await client.run(1)).toEqual({ ok: false, reason: 'died', message: 'Error: no such script' });
  });

  it('ends one that falls silent, after one more try; word from it puts that off', async () => {
    const timers: (() => void)[] = [];
    const clockwork = {
      set: (_: number, call: () => void) => {
        timers.push(call);
        return () => void timers.splice(timers.indexOf(call), 1);
      },
    };
    const made: WorkerLike[] = [];
    const client = new WorkerClient<number, number>(() => {
      const worker: WorkerLike = {
        onmessage: null,
        onerror: null,
        postMessage: () => undefined,
        terminate: () => undefined,
      };
      made.push(worker);
      return worker;
    }, clockwork);
    const run = client.run(1);
    const first = timers[0];
    made[0]?.onmessage?.(new MessageEvent('message', { data: { id: 1, kind: 'progress', share: 0.5 } }));
    expect(timers).toHaveLength(1);
    expect(timers[0]).not.toBe(first);
    timers[0]?.();
    expect(made).toHaveLength(2);
    timers[0]?.();
    expect(await run).toEqual({ ok: false, reason: 'silent', message: '' });
    expect(timers).toHaveLength(0);
  });
});
