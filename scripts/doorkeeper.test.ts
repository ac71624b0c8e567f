import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';

type Handle = (request: IncomingMessage, response: ServerResponse) => Promise<void>;
// A plain script; it has no types of its own.
const { doorkeeper } = (await import('./doorkeeper.mjs' as string)) as {
  readonly doorkeeper: (handle: Handle, patience?: number) => Server;
};

const PATIENCE = 150;
const servers: Server[] = [];
afterEach(() => {
  for (const server of servers.splice(0)) {
    server.close();
    server.closeAllConnections();
  }
});

/** Says back how much it was told, once it has all of it. */
const handle: Handle = async (request, response) => {
  let bytes = 0;
  for await (const chunk of request) bytes += (chunk as Buffer).length;
  response.end(`told ${bytes}`);
};

async function opened(patience = PATIENCE) {
  const server = doorkeeper(handle, patience);
  servers.push(server);
  const taken = new Promise((resolve) => server.once('connection', resolve));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const line = connect((server.address() as AddressInfo).port, '127.0.0.1');
  line.on('error', () => undefined);
  await taken;
  return line;
}

/** All that is heard until the line is closed. */
async function heardOn(line: Socket) {
  let heard = '';
  line.on('data', (data) => (heard += data.toString()));
  await new Promise((resolve) => line.once('close', resolve));
  return heard;
}

/** Nothing else is done for so long, in ms. */
function beBusy(ms: number) {
  const endsAt = performance.now() + ms;
  while (performance.now() < endsAt);
}

const HEAD = 'POST /api/x HTTP/1.1\r\nHost: x\r\nConnection: close\r\nContent-Length: 5\r\n\r\n';

describe('the doorkeeper', () => {
  it('closes a line that asks nothing without a word', async () => {
    expect(await heardOn(await opened())).toBe('');
  });

  it('says that it did not arrive in time, of a head and of a body that do not end', async () => {
    for (const part of [HEAD.slice(0, 20), `${HEAD}he`]) {
      const line = await opened();
      line.write(part);
      expect(await heardOn(line)).toMatch(/^HTTP\/1\.1 408 /);
    }
  });

  it('answers what arrived while it was busy for longer than it waits', async () => {
    const line = await opened();
    line.write(`${HEAD}hello`);
    beBusy(3 * PATIENCE);
    expect(await heardOn(line)).toMatch(/^HTTP\/1\.1 200 [^]*told 5$/);
  });

  it('waits for the rest of a question as long as it would were it never busy', async () => {
    const line = await opened();
    const heard = heardOn(line);
    line.write(HEAD);
    for (let round = 0; round < 4; round++) {
      await new Promise((resolve) => setTimeout(resolve, 1));
      beBusy(PATIENCE);
    }
    line.write('hello');
    beBusy(PATIENCE);
    expect(await heard).toMatch(/^HTTP\/1\.1 200 [^]*told 5$/);
  });

  it('refuses what no page asks', async () => {
    for (const [ask, status] of [
      ['DELETE /', 405],
      ['GET /%E0%A4%A', 400],
    ] as const) {
      const line = await opened();
      line.write(`${ask} HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n`);
      expect(await heardOn(line)).toMatch(new RegExp(`^HTTP/1\\.1 ${status} `));
    }
  });
});
