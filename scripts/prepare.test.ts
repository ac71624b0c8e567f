import { createServer, type Server } from 'node:net';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';

interface Prepare {
  readonly root: string;
  readonly bin: (name: string) => string;
  readonly freePort: (from: number) => Promise<number>;
}
// A plain script, so that it runs before anything is installed; it has no types of its own.
const prepare = (await import('./prepare.mjs' as string)) as Prepare;

const servers: Server[] = [];
const occupy = (port: number) =>
  new Promise<void>((resolve) => {
    const server = createServer();
    servers.push(server);
    server.listen(port, resolve);
  });
afterEach(() => {
  for (const server of servers.splice(0)) server.close();
});

describe('what the commands need first', () => {
  it('takes the next port where the wanted one is taken', async () => {
    const first = await prepare.freePort(42_100);
    await occupy(first);
    const second = await prepare.freePort(first);
    expect(second).toBeGreaterThan(first);
    await occupy(second);
    expect(await prepare.freePort(first)).toBeGreaterThan(second);
  });

  it('knows where the project and its tools are', () => {
    expect(existsSync(join(prepare.root, 'package.json'))).toBe(true);
    for (const tool of ['next', 'vitest', 'playwright', 'oxlint', 'oxfmt', 'tsc']) {
      expect(existsSync(prepare.bin(tool))).toBe(true);
    }
  });
});
