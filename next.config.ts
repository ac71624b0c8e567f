import { withSerwist } from '@serwist/turbopack';
import type { NextConfig } from 'next';
import { noPagePolicy, noPages, securityHeaders } from './security.mjs';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test`, beside the build and not in it: the demo starts sooner.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  headers: async () => [
    { source: '/:path*', headers: securityHeaders },
    ...noPages.map((source) => ({ source, headers: [noPagePolicy] })),
  ],
};

export default withSerwist(config);
