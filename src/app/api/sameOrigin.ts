import type { NextRequest } from 'next/server';

/** Whether one of our own pages asks, or no page at all. Browsers say where a request is from; what says nothing is no browser. */
export function isSameOrigin(request: NextRequest): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return (request.headers.get('sec-fetch-site') ?? 'same-origin') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === request.headers.get('host');
}
