import { NextRequest } from 'next/server';
import { afterEach, describe, expect, it } from 'vitest';
import { FIRST_CONTROLS } from '@/core/practice/bench';
import { GET as getHidden } from './[id]/hidden/route';
import { MAX_READERS } from '@/devices/benchHub';
import { GET, HEAD, POST } from './[id]/route';
import { benchHub } from './hub';
import { recordIn } from '@/core/testRecord';

const context = (id: string) => ({ params: Promise.resolve({ id }) });
const open: AbortController[] = [];

afterEach(() => {
  for (const control of open.splice(0)) control.abort();
});

/** Joins a bench and reads its frames one by one. */
async function join(
  id: string,
  address = `http://localhost/api/bench/${id}`,
  headers: Record<string, string> = {},
) {
  const control = new AbortController();
  open.push(control);
  const answer = await GET(new NextRequest(address, { signal: control.signal, headers }), context(id));
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  const frames = async (event: string, count: number) => {
    const found = () => [...text.matchAll(new RegExp(`event: ${event}\ndata: (.*)\n`, 'g'))];
    while (found().length < count) {
      const { value, done } = (await reader?.read()) ?? { value: '', done: true };
      if (done) break;
      text += value;
    }
    return found().map(([, data]) => recordIn(JSON.parse(data ?? '')));
  };
  return { answer, control, frames, ids: () => [...text.matchAll(/id: (\d+)/g)].map(([, id]) => Number(id)) };
}

const post = (id: string, body: unknown) =>
  POST(
    new NextRequest(`http://localhost/api/bench/${id}`, {
      method: 'POST',
      body: typeof body === 'string' ? body : JSON.stringify(body),
    }),
    context(id),
  );

describe('the route of the simulated bench', () => {
  it('streams the knobs first, then samples that are numbered by their time', async () => {
    const { answer, frames, ids } = await join('a');
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    expect(answer.headers.get('cache-control')).toContain('no-transform');
    expect(await frames('controls', 1)).toEqual([FIRST_CONTROLS]);
    const samples = await frames('sample', 3);
    expect(samples.map(({ at }) => at)).toEqual(ids());
    expect(samples[0]).toMatchObject({ above: false });
  });

  it('tells one who comes back what came after the event that it names, by header or by address', async () => {
    const first = await join('b');
    await first.frames('sample', 4);
    const [one = 0, ...rest] = first.ids();
    const byHeader = await join('b', undefined, { 'last-event-id': String(one) });
    await byHeader.frames('sample', 2);
    expect(byHeader.ids().slice(0, 2)).toEqual(rest.slice(0, 2));
    const byAddress = await join('b', `http://localhost/api/bench/b?since=${one}`);
    await byAddress.frames('sample', 2);
    expect(byAddress.ids().slice(0, 2)).toEqual(rest.slice(0, 2));
  });

  it('has no reader left when each has gone, however it goes', async () => {
    const before = benchHub().load.readers;
    const [aborted, cancelled] = [await join('c'), await join('c')];
    await aborted.frames('sample', 1);
    expect(benchHub().load.readers).toBe(before + 2);
    aborted.control.abort();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(benchHub().load.readers).toBe(before + 1);
    cancelled.control.abort();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(benchHub().load.readers).toBe(before);
  });

  it('takes changes of the knobs and tells them to those who read; refuses what is none', async () => {
    const { frames } = await join('d');
    await frames('controls', 1);
    expect(await (await post('d', { lampOn: false, lampMetres: 2 })).json()).toMatchObject({
      lampOn: false,
      lampMetres: 2,
    });
    expect((await frames('controls', 2))[1]).toMatchObject({ lampOn: false });
    for (const wrong of [{ lampMetres: 0 }, { unknown: 1 }, 'not json', null, [1]]) {
      expect((await post('d', wrong)).status).toBe(400);
    }
  });

  it('knows no bench by a name that cannot be one', async () => {
    for (const id of ['../etc', '', 'x'.repeat(41), 'a b']) {
      expect((await join(id, 'http://localhost/api/bench/x')).answer.status).toBe(404);
      expect((await post(id, {})).status).toBe(404);
      expect((await getHidden(new Request('http://localhost/'), context(id))).status).toBe(404);
    }
  });

  it('has an end: one more than it serves is told to come back later, and joins nothing', async () => {
    const before = benchHub().load.readers;
    const leave = Array.from({ length: MAX_READERS - before }, () =>
      benchHub().join('full', null, () => undefined),
    );
    const { answer } = await join('full');
    expect(answer.status).toBe(503);
    expect(answer.headers.get('retry-after')).toBe('30');
    for (const go of leave) go?.();
    expect((await join('full')).answer.status).toBe(200);
  });

  it('is not joined by who asks for its head alone', async () => {
    const before = benchHub().load;
    const answer = await HEAD(
      new NextRequest('http://localhost/api/bench/head', { method: 'HEAD' }),
      context('head'),
    );
    expect(answer.status).toBe(200);
    expect(benchHub().load).toEqual(before);
  });

  it('tells what it hides when it is asked, the same each time', async () => {
    const ask = async () => (await getHidden(new Request('http://localhost/'), context('e'))).json();
    const hidden = recordIn(await ask());
    expect(recordIn(hidden.curve).gamma).toBeGreaterThan(0.5);
    expect(await ask()).toEqual(hidden);
  });
});
