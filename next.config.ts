import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // The PDF writer and the driver read their own files at run time.
  serverExternalPackages: ['pdfkit', 'mysql2', 'pino'],
  // Types are checked on their own, once, by `npm run typecheck`.
  typescript: { ignoreBuildErrors: true },
  experimental: { optimizePackageImports: ['@mui/material', 'd3'] },
};

export default config;
