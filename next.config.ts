import type { NextConfig } from 'next';
import { withSerwist } from '@serwist/turbopack';
import { MAX_REQUEST_BYTES } from './src/core/kernel/limits';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // The PDF writer and the driver read their own files at run time.
  serverExternalPackages: [
    '@node-rs/argon2',
    'pdfkit',
    'fontkit',
    'mysql2',
    'pino',
    'prom-client',
    'rotating-file-stream',
  ],
  // Types are checked on their own, once, by `npm run typecheck`.
  typescript: { ignoreBuildErrors: true },
  // Files that carry no data and never change; all other answers get their headers in `src/proxy.ts`.
  headers: () =>
    Promise.resolve([
      {
        source: '/_next/static/:path*',
        headers: [
          { key: 'x-content-type-options', value: 'nosniff' },
          { key: 'cross-origin-resource-policy', value: 'same-origin' },
        ],
      },
    ]),
  // Asked for by browsers where an answer names no icon: a file, a plain page.
  redirects: () => Promise.resolve([{ source: '/favicon.ico', destination: '/icon.svg', permanent: false }]),
  experimental: {
    optimizePackageImports: ['@mui/material', 'd3'],
    proxyClientMaxBodySize: MAX_REQUEST_BYTES,
  },
};

export default withSerwist(config);
