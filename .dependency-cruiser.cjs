/** Who may import whom. Layers are folders of src; a capability is a folder of a layer. */
const layers = {
  core: ['core'],
  solver: ['solver', 'core'],
  formats: ['formats', 'core'],
  devices: ['devices', 'core'],
  data: ['data', 'core'],
  workers: ['workers', 'core', 'solver', 'formats'],
  server: ['server', 'core', 'solver', 'formats', 'data', 'devices', 'workers'],
  ui: ['ui', 'core', 'workers', 'devices'],
  app: ['app', 'core', 'server', 'ui', 'workers'],
};

const layerRules = Object.entries(layers).map(([layer, allowed]) => ({
  name: `layer-${layer}`,
  comment: `src/${layer} may import ${allowed.join(', ')} only`,
  severity: 'error',
  from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: `^src/(${allowed.join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...layerRules,
    {
      name: 'layer-cli',
      severity: 'error',
      from: { path: '^cli/', pathNot: '\\.test\\.ts$|^cli/(database|audit|forget|run)\\.ts$' },
      to: { path: '^src/', pathNot: '^src/(core|solver|formats)/' },
    },
    {
      name: 'core-is-pure',
      comment: 'the core takes npm packages from this list only, and nothing of Node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-no-pkg', 'npm-unknown', 'core'],
        pathNot: 'node_modules/(yup|d3-scale|d3-array|fast-sha256)/',
      },
    },
    {
      name: 'drizzle-only-in-data',
      severity: 'error',
      from: { pathNot: '^src/data/|^node_modules/' },
      to: { path: 'node_modules/(drizzle-orm|mysql2|rate-limiter-flexible)/' },
    },
    {
      name: 'capability-front-door',
      comment: 'another capability of the core is imported through its index only',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/' },
      to: { path: '^src/core/([^/]+)/', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'capability-front-door-from-outside',
      severity: 'error',
      from: { path: '^(src/(solver|formats|devices|data|workers|server|ui|app)|cli|e2e)/' },
      to: { path: '^src/core/', pathNot: '^src/core/[^/]+/index\\.ts$' },
    },
    {
      name: 'through-the-gate',
      comment:
        'pages, actions and routes reach the server through its gate only, and whoever is nobody yet through the door of people; what is not registered there cannot be called',
      severity: 'error',
      from: { path: '^src/(app/|proxy\\.ts|instrumentation\\.ts)' },
      to: {
        path: '^src/server/',
        pathNot:
          '^src/server/(gate/index|people/index|running/index|http/[^/]+|health|as-it-was|actor|request)\\.ts$',
      },
    },
    { name: 'no-file-cycle', severity: 'error', from: { path: '^(src|cli|e2e)/' }, to: { circular: true } },
    {
      name: 'no-capability-cycle',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/core/[^/]+$' },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next/|\\.test\\.tsx?$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
