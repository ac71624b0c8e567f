import { NextResponse, type NextRequest } from 'next/server';

/**
 * Gives every page a content security policy with a nonce of its own. Scripts run only with that nonce and never
 * through `eval`; nothing is loaded from or sent to another host. Styles may stand inline: Ant Design writes its own.
 */
export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID());
  const evalForDevelopment = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${evalForDevelopment}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('Content-Security-Policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  return response;
}

/** What answers programs has its policy from `next.config.ts`: to go through here takes as long as a short answer. */
export const config = {
  matcher: [
    {
      source:
        '/((?!api/analyse|api/schema|api/bench/|_next/static|_next/image|icon.svg|manifest.webmanifest|offline/).*)',
    },
  ],
};
