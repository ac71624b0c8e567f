import { spawn, type ChildProcess } from 'node:child_process';
import { request as ask } from 'node:http';
import { expect, test } from '@playwright/test';
import { writeProjectFile } from '../src/core/project/file';
import { sampleProjects } from '../src/core/project/samples';

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
}

/** Asks as no browser would: any method, any path, and without waiting for the end of a stream. */
const asked = (port: number, method: string, path: string, headers: Record<string, string> = {}) =>
  new Promise<Answer>((resolve, reject) => {
    const question = ask({ port, method, path, headers, agent: false }, (answer) => {
      resolve({ status: answer.statusCode ?? 0, headers: answer.headers });
      answer.destroy();
    });
    question.on('error', reject);
    if (method === 'POST') question.write('{"lampOn":false}');
    question.end();
  });

test('every answer carries the security headers, and what no page of ours asks is refused in its own way', async ({
  baseURL,
}) => {
  const port = Number(new URL(baseURL ?? '').port);
  const cases: readonly (readonly [number, string, string, Record<string, string>?])[] = [
    [200, 'GET', '/'],
    [404, 'GET', '/nowhere'],
    [400, 'GET', '/%E0%A4%A'],
    [400, 'GET', '/api/bench/%E0%A4%A'],
    [405, 'TRACE', '/'],
    [405, 'TRACE', '/api/bench/a'],
    [405, 'PUT', '/api/bench/a'],
    [405, 'POST', '/'],
    [404, 'GET', '/api/bench/no%20bench'],
    [200, 'HEAD', '/api/bench/a'],
    [200, 'GET', '/api/schema'],
    [422, 'POST', '/api/analyse'],
    [404, 'GET', '/api/nothing'],
    [200, 'POST', '/api/bench/a', { origin: `http://localhost:${port}`, host: `localhost:${port}` }],
    [403, 'POST', '/api/bench/a', { origin: 'http://elsewhere.example' }],
    [403, 'POST', '/api/bench/a', { origin: 'null' }],
    [403, 'POST', '/api/bench/a', { 'sec-fetch-site': 'cross-site' }],
  ];
  for (const [status, method, path, headers] of cases) {
    const answer = await asked(port, method, path, headers);
    expect([answer.status, method, path]).toEqual([status, method, path]);
    for (const name of [
      'x-content-type-options',
      'x-frame-options',
      'referrer-policy',
      'content-security-policy',
    ])
      expect([path, name, typeof answer.headers[name]]).toEqual([path, name, 'string']);
    if (status === 405) expect(answer.headers.allow).toContain('GET');
  }
});

test('an answer is squeezed for who is further away, and sent as it is on this machine', async ({
  baseURL,
}) => {
  const port = Number(new URL(baseURL ?? '').port);
  const encodingFor = async (headers: Record<string, string>) =>
    (await asked(port, 'GET', '/', { 'accept-encoding': 'gzip', ...headers })).headers['content-encoding'];
  expect(await encodingFor({})).toBeUndefined();
  expect(await encodingFor({ 'x-forwarded-for': '192.0.2.7' })).toBe('gzip');
});

test('the server ends by itself while a bench is read', async () => {
  const port = 3900 + Math.floor(Math.random() * 90);
  const server = spawn(process.execPath, ['scripts/server.mjs', '-p', String(port)], { stdio: 'ignore' });
  try {
    await isUp(port);
    const heard = new Promise<void>((resolve) => {
      const stream = ask({ port, path: '/api/bench/z' }, (answer) => answer.once('data', () => resolve()));
      stream.on('error', () => undefined);
      stream.end();
    });
    await heard;
    const ended = new Promise<number | null>((resolve) => server.once('exit', (code) => resolve(code)));
    server.kill('SIGTERM');
    // Where it waited for the stream it would never end.
    expect(await ended).toBe(0);
  } finally {
    server.kill('SIGKILL');
  }
});

/** Waits until a server answers. */
const isUp = (port: number) =>
  expect.poll(() => asked(port, 'GET', '/').then(({ status }) => status, () => 0)).toBe(200); // prettier-ignore

/** A file that never comes to its end: how long the server waits for it is counted in its own free time. */
function* dribble(): Generator<string> {
  for (;;) yield ' ';
}

/** Sends a file to be analysed, in pieces. */
const analysed = (port: number, pieces: Iterable<string>, everyMs = 0) =>
  new Promise<{ readonly status: number; readonly body: string }>((resolve, reject) => {
    // A line of its own each: one kept from the last question may just be being closed.
    const question = ask({ port, method: 'POST', path: '/api/analyse', agent: false }, (answer) => {
      let body = '';
      answer.on('data', (chunk: Buffer) => (body += chunk.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body }));
      // What it does not want to hear to its end it cuts off once it has said so.
      answer.on('error', () => resolve({ status: answer.statusCode ?? 0, body }));
    });
    question.on('error', reject);
    const send = async () => {
      for (const piece of pieces) {
        if (question.destroyed || question.closed) return;
        if (!question.write(piece)) await new Promise((after) => question.once('drain', after));
        if (everyMs > 0) await new Promise((after) => setTimeout(after, everyMs));
      }
      question.end();
    };
    void send();
  });

/** What a server started with `heldMemory.mjs` still needs, in MB: not what only waits to be collected, which is a matter of luck. */
const heldBy = (server: ChildProcess) =>
  new Promise<number>((resolve) => {
    server.once('message', (held) => resolve(Number(held)));
    server.send('held?');
  });

/** Two hundred with `npm run verify`, fewer with `npm test`. */
const AT_ONCE = process.env.YEMKO_WHOLE === undefined ? 80 : 200;

test(
  'many files at once are all answered alike, and nothing that is too large, deep or slow stays',
  { tag: '@whole' },
  async () => {
    const port = 3800 + Math.floor(Math.random() * 90);
    const asItWatches = ['--expose-gc', '--import', './e2e/heldMemory.mjs'];
    const server = spawn(process.execPath, [...asItWatches, 'scripts/server.mjs', '-p', String(port)], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    try {
      await isUp(port);
      const files = sampleProjects.map((project) => writeProjectFile(project, '2026-01-01T00:00:00.000Z'));
      const slow = analysed(port, dribble(), 500);
      const atOnce = async () => {
        const answers = await Promise.all(
          Array.from({ length: AT_ONCE }, (_, each) => analysed(port, [files[each % files.length] ?? ''])),
        );
        expect(answers.filter(({ status }) => status !== 200)).toEqual([]);
        answers.forEach(({ body }, each) => expect(body).toBe(answers[each % files.length]?.body));
      };
      await atOnce();
      const before = await heldBy(server);
      const million = 'x'.repeat(1_000_000);
      const refused: readonly (readonly [number, readonly string[]])[] = [
        [400, ['{"version":']],
        [422, ['['.repeat(10_000) + ']'.repeat(10_000)]],
        [422, [JSON.stringify({ ...JSON.parse(files[0] ?? '{}'), more: 1 })]],
        [413, ['"', ...Array.from({ length: 50 }, () => million), '"']],
      ];
      for (const [status, pieces] of refused) expect((await analysed(port, pieces)).status).toBe(status);
      await atOnce();
      // Fifty megabytes refused and hundreds of answers: a line just closed may hold a little for a moment.
      await expect.poll(async () => (await heldBy(server)) - before).toBeLessThan(20);
      expect((await slow).status).toBe(408);
    } finally {
      server.kill('SIGKILL');
    }
  },
);
