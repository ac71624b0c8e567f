import type { NextConfig } from 'next';

const securityHeaders = [
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

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test`, beside the build and not in it: the demo starts sooner.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  headers: async () => [{ source: '/:path*', headers: securityHeaders }],
};

export default config;
