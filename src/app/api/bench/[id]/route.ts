import type { NextRequest } from 'next/server';
import type { BenchEvent } from '@/devices/benchHub';
import { isSameOrigin } from '../../sameOrigin';
import { benchHub, isBenchId } from '../hub';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A reader this many events behind has gone away without saying so. */
const MAX_BEHIND = 4000;

/** The bench as server-sent events: `sample` with its time as the event's id, and `controls` when they change. */
export async function GET(request: NextRequest, { params }: Context): Promise<Response> {
  const { id } = await params;
  if (!isBenchId(id)) return new Response('no such bench', { status: 404 });
  const last = Number(
    request.headers.get('last-event-id') ?? request.nextUrl.searchParams.get('since') ?? NaN,
  );
  let leave: (() => void) | null = null;
  const stream = new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const encoder = new TextEncoder();
        const end = () => {
          leave?.();
          leave = null;
          try {
            controller.close();
          } catch {
            // It is closed already: the reader has left.
          }
        };
        const tell = (event: BenchEvent) => {
          if ((controller.desiredSize ?? 0) < -MAX_BEHIND) return end();
          try {
            controller.enqueue(encoder.encode(frame(event)));
          } catch {
            end();
          }
        };
        controller.enqueue(encoder.encode('retry: 1000\n\n'));
        leave = benchHub().join(id, Number.isFinite(last) ? last : null, tell);
        if (!leave) end();
        request.signal.addEventListener('abort', end);
      },
      cancel() {
        leave?.();
        leave = null;
      },
    },
    { highWaterMark: 64 },
  );
  // Joining has happened by now, or there was no room.
  return leave ? new Response(stream, { headers: STREAM_HEADERS }) : full();
}

/** What {@link GET} would answer; no bench is joined for it. */
export async function HEAD(_request: NextRequest, { params }: Context): Promise<Response> {
  const { id } = await params;
  return isBenchId(id)
    ? new Response(null, { headers: STREAM_HEADERS })
    : new Response(null, { status: 404 });
}

const STREAM_HEADERS = { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' };

/** As many benches or readers as this server serves are there already. */
const full = () =>
  new Response('too many benches', {
    status: 503,
    headers: { 'Retry-After': '30', 'Cache-Control': 'no-store' },
  });

function frame(event: BenchEvent): string {
  if (event.kind === 'controls') return `event: controls\ndata: ${JSON.stringify(event.controls)}\n\n`;
  return `id: ${event.sample.at}\nevent: sample\ndata: ${JSON.stringify(event.sample)}\n\n`;
}

/** Turns knobs of the bench. */
export async function POST(request: NextRequest, { params }: Context): Promise<Response> {
  const { id } = await params;
  if (!isBenchId(id)) return new Response('no such bench', { status: 404 });
  if (!isSameOrigin(request)) return new Response('not from this page', { status: 403 });
  if (!benchHub().has(id)) return full();
  const change: unknown = await request.json().catch(() => null);
  const controls = benchHub().control(id, change);
  return controls ? Response.json(controls) : new Response('not a change of the controls', { status: 400 });
}
