import { withSerwist } from '@serwist/turbopack';
import type { NextConfig } from 'next';
import { noPagePolicy, noPages, securityHeaders } from './security.mjs';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test`, beside the build and not in it: the demo starts sooner.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  experimental: {
    // The server runs where it is built, and nobody downloads its code: as it is written, what fails there can be read
    // without maps, which took a quarter of the build's time.
    turbopackMinify: { server: false, client: true },
    turbopackSourceMaps: false,
    // What makes the next build quicker makes this one slower: not where `npm test` and `npm run demo` build once.
    turbopackFileSystemCacheForBuild: process.env.YEMKO_BUILD_ONCE === undefined,
  },
  headers: async () => [
    { source: '/:path*', headers: securityHeaders },
    ...noPages.map((source) => ({ source, headers: [noPagePolicy] })),
  ],
};

export default withSerwist(config);
