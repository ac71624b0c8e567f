// The production server: Next behind a doorkeeper that refuses what no page of ours asks, and that ends at once when told to.
import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { securityHeaders } from '../security.mjs';
import { root } from './prepare.mjs';

process.env.NODE_ENV = 'production';
const { values } = parseArgs({ options: { port: { type: 'string', short: 'p', default: '3000' } } });
const port = Number(values.port);
/** Who has not sent all that they have to say after so long is not waited for, in ms. */
const PATIENCE = 15_000;
/** What is still on its way when the server is told to end gets so long, in ms. */
const GRACE = 1000;

const app = next({ dev: false, dir: root, port });
const handle = app.getRequestHandler();
await app.prepare();

/** An answer of the doorkeeper's own: one line, with every header that other answers have. */
function refuse(response, status, sentence, headers = {}) {
  const own = { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store', ...headers };
  for (const [name, value] of Object.entries(own)) response.setHeader(name, value);
  for (const { key, value } of securityHeaders) response.setHeader(key, value);
  response.setHeader('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
  response.writeHead(status);
  response.end(`${sentence}\n`);
}

const isReadable = (address) => {
  try {
    decodeURIComponent(address);
    return true;
  } catch {
    return false;
  }
};

/** What a server says that asks for somebody else. */
const PASSED_ON = ['forwarded', 'x-forwarded-for', 'via'];
const isLoopback = (address = '') => address === '::1' || /^(::ffff:)?127\./.test(address);

const server = createServer((request, response) => {
  const { method = '', url = '/' } = request;
  const path = url.split('?')[0];
  if (!isReadable(path)) return refuse(response, 400, 'This address is malformed.');
  const allowed = path.startsWith('/api/') ? ['GET', 'HEAD', 'POST'] : ['GET', 'HEAD'];
  if (!allowed.includes(method)) {
    return refuse(response, 405, 'Not a way to ask for this.', { Allow: allowed.join(', ') });
  }
  const late = setTimeout(() => {
    if (request.complete || response.headersSent) return;
    response.once('finish', () => request.destroy());
    refuse(response, 408, 'It did not arrive in time.', { Connection: 'close' });
  }, PATIENCE);
  request.once('close', () => clearTimeout(late));
  request.once('end', () => clearTimeout(late));
  // On its own machine squeezing an answer takes longer than sending it; who asks for another is further away.
  const isHere =
    isLoopback(request.socket.remoteAddress) && !PASSED_ON.some((name) => name in request.headers);
  if (isHere) delete request.headers['accept-encoding'];
  handle(request, response).catch(() => {
    if (!response.headersSent) refuse(response, 500, 'The server failed at this.');
    else response.end();
  });
});
server.on('clientError', ({ code }, socket) => {
  // Browsers open lines beforehand: an answer to one that has asked nothing would be taken for that to its first question.
  if (!socket.writable || socket.bytesRead === 0) return socket.destroy();
  const status = code === 'ERR_HTTP_REQUEST_TIMEOUT' ? '408 Request Timeout' : '400 Bad Request';
  socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
});

// Who sends nothing for so long is not waited for.
server.headersTimeout = 15_000;
server.requestTimeout = 30_000;

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
