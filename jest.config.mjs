const transform = {
  '^.+\\.(mjs|[jt]sx?)$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2022',
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'commonjs' },
    },
  ],
};
/** Looked up in a sandbox these cost a microsecond each time, millions of times over; handed to each module they cost nothing. */
const FAST_GLOBALS = [
  'Object',
  'Array',
  'Math',
  'Number',
  'JSON',
  'Symbol',
  'Map',
  'Set',
  'Int32Array',
  'Float64Array',
];

const shared = {
  rootDir: '.',
  sandboxInjectedGlobals: FAST_GLOBALS,
  transform,
  setupFilesAfterEnv: ['<rootDir>/scripts/test-timeout.cjs'],
  transformIgnorePatterns: ['/node_modules/(?!(d3|d3-[a-z-]+|internmap|delaunator|robust-predicates)/)'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '\\.css$': '<rootDir>/scripts/css.cjs',
  },
  testPathIgnorePatterns: ['/node_modules/', '/.next/', '/.local/'],
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.local/'],
};

/** Four kinds: `unit` needs nothing, `db` a MariaDB, `nodes` three of them in a cluster, `browser` a built application and Chromium. */
const config = {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/src/{core,solver,formats,devices,workers,ui}/**/*.test.ts?(x)',
        '<rootDir>/cli/**/*.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'db',
      testMatch: ['<rootDir>/src/{data,server}/**/*.test.ts'],
      testPathIgnorePatterns: [...shared.testPathIgnorePatterns, '<rootDir>/src/server/nodes/'],
      setupFiles: ['<rootDir>/scripts/test-env.cjs'],
    },
    {
      ...shared,
      displayName: 'nodes',
      testMatch: ['<rootDir>/src/server/nodes/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'browser',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
      setupFiles: ['<rootDir>/scripts/test-env.cjs'],
    },
  ],
};
export default config;
