// Refuses what no page of ours asks, and does not wait for who does not say what they want.
import { createServer } from 'node:http';
import { noPagePolicy, securityHeaders } from '../security.mjs';

/** Who has not sent all that they have to say after so long is not waited for, in ms. */
const PATIENCE = 15_000;
/** Patience is counted in so many parts. */
const PARTS = 15;

/** An answer of the doorkeeper's own: one line, with every header that other answers have. */
function refuse(response, status, sentence, headers = {}) {
  const own = { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store', ...headers };
  for (const [name, value] of Object.entries(own)) response.setHeader(name, value);
  for (const { key, value } of [...securityHeaders, noPagePolicy]) response.setHeader(key, value);
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

/**
 * Calls `late` when so long has been waited. Time in which the server itself was busy does not count: it could not have read.
 *
 * @returns what ends the waiting
 */
function wait(ms, late) {
  let parts = 0;
  const timer = setInterval(() => {
    if (++parts < PARTS) return;
    clearInterval(timer);
    // What has come in by now is read first.
    setImmediate(late);
  }, ms / PARTS);
  return () => clearInterval(timer);
}

/**
 * @param handle answers what is let through: `(request, response) => Promise`
 * @param patience how long it waits for a question to arrive, in ms
 */
export function doorkeeper(handle, patience = PATIENCE) {
  const server = createServer((request, response) => {
    request.socket.hasAsked = true;
    const { method = '', url = '/' } = request;
    const path = url.split('?')[0];
    if (!isReadable(path)) return refuse(response, 400, 'This address is malformed.');
    const allowed = path.startsWith('/api/') ? ['GET', 'HEAD', 'POST'] : ['GET', 'HEAD'];
    if (!allowed.includes(method)) {
      return refuse(response, 405, 'Not a way to ask for this.', { Allow: allowed.join(', ') });
    }
    const stopWaiting = wait(patience, () => {
      if (request.complete || response.headersSent) return;
      response.once('finish', () => request.destroy());
      refuse(response, 408, 'It did not arrive in time.', { Connection: 'close' });
    });
    request.once('close', stopWaiting);
    request.once('end', stopWaiting);
    // On its own machine squeezing an answer takes longer than sending it; who asks for another is further away.
    const isHere =
      isLoopback(request.socket.remoteAddress) && !PASSED_ON.some((name) => name in request.headers);
    if (isHere) delete request.headers['accept-encoding'];
    handle(request, response).catch(() => {
      if (!response.headersSent) refuse(response, 500, 'The server failed at this.');
      else response.end();
    });
  });

  /** Browsers open lines beforehand: an answer to one that has asked nothing would be taken for that to its first question. */
  function close(socket, status) {
    if (!socket.writable || socket.bytesRead === 0) return socket.destroy();
    socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
  }
  server.on('connection', (socket) => {
    const stopWaiting = wait(patience, () => {
      if (!socket.hasAsked) close(socket, '408 Request Timeout');
    });
    socket.once('close', stopWaiting);
  });
  server.on('clientError', ({ code }, socket) =>
    close(socket, code === 'ERR_HTTP_REQUEST_TIMEOUT' ? '408 Request Timeout' : '400 Bad Request'),
  );
  // These count the server's own busy time too: they are for who asks again on the same line, and never ends.
  server.headersTimeout = 12 * patience;
  server.requestTimeout = 24 * patience;
  return server;
}
