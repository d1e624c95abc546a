import { randomUUID } from 'node:crypto';
import { createSerwistRoute } from '@serwist/turbopack';

/** The service worker, made with the build: it holds the code of the pages, and one page that shows what this device has with it. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute({
  swSrc: 'src/workers/without-server.sw.ts',
  useNativeEsbuild: true,
  globPatterns: ['.next/static/**/*.{js,css,woff2}'],
  additionalPrecacheEntries: [{ url: '/on-this-device', revision: randomUUID() }],
  esbuildOptions: { sourcemap: false },
});
