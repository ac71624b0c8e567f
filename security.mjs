/** What stands in the head of every answer. */
export const securityHeaders = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  {
    key: 'Permissions-Policy',
    value: 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(self)',
  },
];

/** The policy of what is no page: it shows, runs and loads nothing. Pages have one of their own, with a nonce (src/proxy.ts). */
export const noPagePolicy = {
  key: 'Content-Security-Policy',
  value: "default-src 'none'; frame-ancestors 'none'",
};
/** Addresses that answer programs. */
export const noPages = ['/api/analyse', '/api/schema', '/api/bench/:path*'];
