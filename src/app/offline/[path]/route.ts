import { createSerwistRoute } from '@serwist/turbopack';

/** The service worker, made while the app is built, with the list of every file of that build. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute({
  swSrc: 'src/offline/worker.ts',
  useNativeEsbuild: true,
  // Every file's name holds a hash of what is in it, but for the icon.
  globPatterns: ['.next/static/**/*.{js,css,woff2}'],
  maximumFileSizeToCacheInBytes: 8_000_000,
});
