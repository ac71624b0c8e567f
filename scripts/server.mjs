// The production server: Next behind a doorkeeper, and one that ends at once when told to.
import { parseArgs } from 'node:util';
import next from 'next';
import { doorkeeper } from './doorkeeper.mjs';
import { root } from './prepare.mjs';

process.env.NODE_ENV = 'production';
const { values } = parseArgs({ options: { port: { type: 'string', short: 'p', default: '3000' } } });
const port = Number(values.port);
/** What is still on its way when the server is told to end gets so long, in ms. */
const GRACE = 1000;

const app = next({ dev: false, dir: root, port });
const handle = app.getRequestHandler();
await app.prepare();
const server = doorkeeper(handle);

let isEnding = false;
/** Takes nothing new, gives what is on its way a moment, and goes. Streams never end by themselves: they are cut. */
function end() {
  if (isEnding) return;
  isEnding = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => {
    server.closeAllConnections();
    setTimeout(() => process.exit(0), 200);
  }, GRACE);
}
process.on('SIGTERM', end);
process.on('SIGINT', end);
server.listen(port);
