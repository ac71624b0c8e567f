import type { NextRequest } from 'next/server';
import { isSameOrigin } from '../sameOrigin';
import { answerTo, MAX_BYTES, TOO_LARGE, type Answer } from './answer';

export const dynamic = 'force-dynamic';

const told = ({ status, body }: Answer) =>
  Response.json(body, { status, headers: { 'Cache-Control': 'no-store' } });

/** A project file in, its analysis out (docs/api.md); with `?ends` what fails at the ends of what it may meet as well. */
export async function POST(request: NextRequest): Promise<Response> {
  if (!isSameOrigin(request)) return new Response('not from this page', { status: 403 });
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BYTES) return told(TOO_LARGE);
  const text = await bodyOf(request);
  if (text === 'too-large') return told(TOO_LARGE);
  return told(answerTo(text.text, request.nextUrl.searchParams.has('ends')));
}

/**
 * What is too large is heard to its end so far, and let drop as it comes, in bytes: who is still sending when the line is cut
 * hears no answer.
 */
const HEARD_BYTES = 25 * MAX_BYTES;

/** A body as text, no more of it than may be. One that is too slow never comes to its end here: the server's door sees to that. */
async function bodyOf(request: NextRequest): Promise<{ readonly text: string } | 'too-large'> {
  const reader = request.body?.getReader();
  if (!reader) return { text: '' };
  const decoder = new TextDecoder();
  let [text, bytes] = ['', 0];
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    bytes += part.value.byteLength;
    if (bytes > HEARD_BYTES) {
      void reader.cancel();
      break;
    }
    text = bytes > MAX_BYTES ? '' : text + decoder.decode(part.value, { stream: true });
  }
  return bytes > MAX_BYTES ? 'too-large' : { text: text + decoder.decode() };
}
