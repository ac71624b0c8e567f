import type { NextRequest } from 'next/server';
import { isSameOrigin } from '../sameOrigin';
import { answerTo, MAX_BYTES, TOO_LARGE, type Answer } from './answer';

export const dynamic = 'force-dynamic';

/** A body that is still on its way after so long is given up, in ms. */
const MAX_WAIT = 15_000;

const told = ({ status, body }: Answer) =>
  Response.json(body, { status, headers: { 'Cache-Control': 'no-store' } });

/** A project file in, its analysis out (docs/api.md). */
export async function POST(request: NextRequest): Promise<Response> {
  if (!isSameOrigin(request)) return new Response('not from this page', { status: 403 });
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BYTES) return told(TOO_LARGE);
  const text = await bodyOf(request);
  if (text === 'too-large') return told(TOO_LARGE);
  if (text === 'too-slow') return new Response('the file did not arrive in time', { status: 408 });
  return told(answerTo(text.text));
}

/** A body as text, no more of it than may be, and no later. */
async function bodyOf(request: NextRequest): Promise<{ readonly text: string } | 'too-large' | 'too-slow'> {
  const reader = request.body?.getReader();
  if (!reader) return { text: '' };
  const decoder = new TextDecoder();
  let [text, bytes, isLate] = ['', 0, false];
  const timer = setTimeout(() => {
    isLate = true;
    void reader.cancel();
  }, MAX_WAIT);
  try {
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      bytes += part.value.byteLength;
      if (bytes > MAX_BYTES) {
        void reader.cancel();
        return 'too-large';
      }
      text += decoder.decode(part.value, { stream: true });
    }
  } catch {
    return 'too-slow';
  } finally {
    clearTimeout(timer);
  }
  return isLate ? 'too-slow' : { text: text + decoder.decode() };
}
