import { spawn } from 'node:child_process';
import { request as ask } from 'node:http';
import { expect, test } from '@playwright/test';

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
}

/** Asks as no browser would: any method, any path, and without waiting for the end of a stream. */
const asked = (port: number, method: string, path: string, headers: Record<string, string> = {}) =>
  new Promise<Answer>((resolve, reject) => {
    const question = ask({ port, method, path, headers }, (answer) => {
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

test('the server ends within three seconds while a bench is read', async () => {
  const port = 3900 + Math.floor(Math.random() * 90);
  const server = spawn(process.execPath, ['scripts/server.mjs', '-p', String(port)], { stdio: 'ignore' });
  try {
    await expect
      .poll(
        () =>
          asked(port, 'GET', '/').then(
            ({ status }) => status,
            () => 0,
          ),
        { timeout: 30_000 },
      )
      .toBe(200);
    const heard = new Promise<void>((resolve) => {
      const stream = ask({ port, path: '/api/bench/z' }, (answer) => answer.once('data', () => resolve()));
      stream.on('error', () => undefined);
      stream.end();
    });
    await heard;
    const started = Date.now();
    const ended = new Promise<number | null>((resolve) => server.once('exit', (code) => resolve(code)));
    server.kill('SIGTERM');
    expect(await ended).toBe(0);
    expect(Date.now() - started).toBeLessThan(3000);
  } finally {
    server.kill('SIGKILL');
  }
});
