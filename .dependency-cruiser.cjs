/** Folders of the core, in the order in which each may use those before it. */
const CORE = [
  'measure',
  'material',
  'kind',
  'knot',
  'floss',
  'part',
  'learn',
  'closure',
  'piece',
  'plan',
  'template',
  'layout',
  'make',
  'drawing',
  'format',
];

const coreOrder = CORE.map((folder, i) => ({
  name: `core-${folder}-looks-back-only`,
  comment: 'Inside the core, a folder uses only the folders before it.',
  severity: 'error',
  from: { path: `^packages/core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path:
      CORE.slice(i + 1)
        .map((later) => `^packages/core/src/${later}/`)
        .join('|') || '^$',
  },
}));

module.exports = {
  forbidden: [
    ...coreOrder,
    {
      name: 'core-stands-alone',
      comment: 'The core knows no package, no Node module, no interface.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^packages/core/src' },
    },
    {
      name: 'contract-uses-core-only',
      severity: 'error',
      from: { path: '^packages/contract/src' },
      to: { path: '^(apps|e2e)/' },
    },
    {
      name: 'server-and-web-do-not-meet',
      severity: 'error',
      from: { path: '^apps/server/' },
      to: { path: '^(apps/web|e2e)/' },
    },
    {
      name: 'web-and-server-do-not-meet',
      severity: 'error',
      from: { path: '^apps/web/' },
      to: { path: '^(apps/server|e2e)/' },
    },
    {
      name: 'packages-by-name',
      comment: 'Packages are used through their entrance, never by a path into them.',
      severity: 'error',
      from: { path: '^(apps|e2e)/' },
      to: { path: '^packages/(core|contract)/src/(?!index\\.ts$)' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-unresolved',
      severity: 'error',
      from: {},
      // A test that asks for Node's types names them, which is no module.
      to: { couldNotResolve: true, pathNot: '^node$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['types', 'import', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.css'],
    },
  },
};
