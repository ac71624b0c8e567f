import { describe, expect, it } from 'vitest';
import { WorkerClient, type WorkerLike } from './client';
import { serve, type WorkerScope } from './protocol';

/** A worker in the same thread: messages go over by a microtask, as between threads. */
function localWorker(compute: (input: number, onProgress: (share: number) => void) => Promise<number>) {
  const ended: string[] = [];
  const make = (): WorkerLike => {
    const worker: WorkerLike = {
      onmessage: null,
      onerror: null,
      postMessage: (data) => queueMicrotask(() => scope.onmessage?.({ data } as MessageEvent)),
      terminate: () => {
        ended.push('ended');
        worker.onmessage = null;
      },
    };
    const scope: WorkerScope = {
      onmessage: null,
      postMessage: (data) => queueMicrotask(() => worker.onmessage?.({ data } as MessageEvent)),
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

  it('tells all who wait when the worker dies', async () => {
    const { client, made } = localWorker(() => new Promise(() => undefined));
    const runs = [client.run(1), client.run(2)];
    made[0]?.onerror?.({ message: 'out of memory' } as ErrorEvent);
    for (const outcome of await Promise.all(runs)) {
      expect(outcome).toEqual({ ok: false, reason: 'failed', message: 'out of memory' });
    }
  });
});
