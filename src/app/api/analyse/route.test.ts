import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { MAX_BYTES } from './answer';
import { POST } from './route';

const PIECE = 1_000_000;

/** A question of so many pieces, and what was heard of it. */
function question(pieces: number) {
  const heard = { pieces: 0, isCut: false };
  const body = new ReadableStream<Uint8Array>(
    {
      pull(line) {
        if (heard.pieces === pieces) return line.close();
        heard.pieces += 1;
        line.enqueue(new Uint8Array(PIECE).fill(0x20));
      },
      cancel() {
        heard.isCut = true;
      },
    },
    { highWaterMark: 0 },
  );
  const asked = new NextRequest('http://localhost/api/analyse', { method: 'POST', body, duplex: 'half' });
  return { asked, heard };
}

describe('a question from outside that is too large', () => {
  it('is heard to its end, so that who is still sending hears the answer', async () => {
    const pieces = (12 * MAX_BYTES) / PIECE;
    const { asked, heard } = question(pieces);
    expect((await POST(asked)).status).toBe(413);
    expect(heard).toEqual({ pieces, isCut: false });
  });

  it('is cut off where it does not end', async () => {
    const { asked, heard } = question(Infinity);
    expect((await POST(asked)).status).toBe(413);
    expect(heard.isCut).toBe(true);
    expect(heard.pieces).toBeLessThan(200);
  });

  it('is answered unheard where its length is said beforehand', async () => {
    const { asked, heard } = question(Infinity);
    asked.headers.set('content-length', String(MAX_BYTES + 1));
    expect((await POST(asked)).status).toBe(413);
    expect(heard.pieces).toBe(0);
  });
});
