/** Rooms of the core, in the order in which each may use those before it, with their folders, likewise. */
const CORE = {
  base: ['measure', 'material', 'action', 'kind', 'learn'],
  craft: ['knot', 'floss', 'part', 'closure'],
  piece: [],
  plan: [],
  make: [],
  view: ['drawing', 'paper'],
};

/** Folders of the rope, which knows nothing of pieces, likewise. */
const ROPE = ['base', 'curves', 'engine', 'link', 'knots', 'board', 'tables', 'tying'];

/** Folders of what a workshop does around its pieces, likewise. */
const WORKSHOP = ['stock', 'cutting', 'buying', 'schedule', 'price'];

/** Folders of the web application, likewise: from what knows nothing of a piece to what pages and stages share. */
const WEB = [
  'data/device',
  'data/outbox',
  'ui/theme',
  'data/api',
  'ui/shell',
  'ui/pocket',
  'ui/fields',
  'ui/settings',
  'ui/frame',
  'features/piece/bench',
  'features/piece/space',
  'features/make/make',
  'features/piece/piece',
  'features/piece/paper',
  'features/workshop/stash',
  'features/workshop/week',
  'features/workshop/stock',
  'features/make/hand',
  'features/house/people',
  'features/workshop/lists',
  'features/piece/loom',
  'features/workshop/arrivals',
  'features/knots/board',
];
/** On top of them. */
const STAGES = 'features/[^/]+/stages';
const PAGES = 'features/[^/]+/pages';

/** Folders of the server, likewise: from errors and rows to what starts it all. */
const SERVER = [
  'config',
  'errors',
  'http',
  'openapi',
  'rows',
  'migrations',
  'identity',
  'idempotency',
  'trail',
  'workshop',
  'live',
  'queue',
  'accounts',
  'health',
  'stash',
  'knots',
  'lots',
  'cutting',
  'buying',
  'orders',
  'kits',
  'planner',
  'hand',
  'makes',
  'pieces',
  'privacy',
  'plan',
  'week',
  'instruments',
  'stream',
  'demo',
  'database',
  'backup',
  'commands',
];

/** A folder uses only the folders before it. What lies in no folder puts them together, and uses all. */
const floors = (name, root, folders) =>
  folders.map((folder, i) => ({
    name: `${name}-${folder}-looks-back-only`,
    comment: 'A folder uses only the folders before it.',
    severity: 'error',
    from: { path: `^${root}/${folder}/`, pathNot: '\\.test\\.tsx?$' },
    to: {
      path: [...folders.slice(i + 1).map((later) => `^${root}/${later}/`), `^${root}/[^/]+$`].join(
        '|',
      ),
    },
  }));

/** Rooms on one floor do not know each other. */
const apart = (floor, path) => ({
  name: `${floor}-stay-apart`,
  comment: 'What two of them share goes to a floor below.',
  severity: 'error',
  from: { path: `^${path}/([^/]+)/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: `^${path}/`, pathNot: `^${path}/$1/` },
});

/** A new folder gets its place above before anything is put into it. */
const known = (name, root, folders) => ({
  name: `${name}-folders-have-a-place`,
  severity: 'error',
  from: {},
  to: {
    path: `^${root}/[^/]+/`,
    pathNot: folders.map((folder) => `^${root}/${folder}/`).join('|'),
  },
});

/** What runs in one place does not know what runs in another. */
const strangers = (name, path, others) => ({
  name: `${name}-knows-no-other`,
  severity: 'error',
  from: { path },
  to: { path: others },
});

module.exports = {
  forbidden: [
    ...floors('core', 'packages/core/src', Object.keys(CORE)),
    ...Object.entries(CORE).flatMap(([room, folders]) =>
      floors(`core-${room}`, `packages/core/src/${room}`, folders),
    ),
    ...floors('rope', 'packages/rope/src', ROPE),
    ...floors('workshop', 'packages/workshop/src', WORKSHOP),
    ...floors('web', 'apps/web/src', [...WEB, STAGES, PAGES]),
    ...floors('server', 'apps/server/src', SERVER),
    known('core', 'packages/core/src', Object.keys(CORE)),
    known('rope', 'packages/rope/src', ROPE),
    known('workshop', 'packages/workshop/src', WORKSHOP),
    known('web', 'apps/web/src', [...WEB, STAGES, PAGES]),
    known('server', 'apps/server/src', [...SERVER, 'testing']),
    apart('stages', `apps/web/src/${STAGES}`),
    apart('pages', `apps/web/src/${PAGES}`),
    {
      name: 'migrations-stand-alone',
      comment: 'A migration is frozen with what it needs: the living core and the rows move on.',
      severity: 'error',
      from: { path: '^apps/server/src/migrations/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(packages/|apps/server/src/(?!migrations/))' },
    },
    {
      name: 'rope-stands-alone',
      comment: 'The rope knows no package and no Node module. Its tests keep what takes them long.',
      severity: 'error',
      from: { path: '^packages/rope/src', pathNot: '(\\.test|/testing)\\.ts$' },
      to: { pathNot: '^packages/rope/src' },
    },
    {
      name: 'core-uses-rope-only',
      comment: 'The core knows no Node module and no interface.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '(\\.test|/testing)\\.ts$' },
      to: { pathNot: '^packages/(core/src/|rope/src/index\\.ts$)' },
    },
    {
      name: 'workshop-uses-core-only',
      severity: 'error',
      from: { path: '^packages/workshop/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^packages/(workshop/src/|core/src/index\\.ts$)' },
    },
    {
      name: 'contract-uses-core-and-workshop-only',
      severity: 'error',
      from: { path: '^packages/contract/src' },
      to: { path: '^(apps|e2e|packages/solver)/' },
    },
    {
      name: 'solver-uses-workshop-only',
      severity: 'error',
      from: { path: '^packages/solver/src' },
      to: { path: '^(apps|e2e|packages/contract)/' },
    },
    strangers('server', '^apps/server/', '^(apps/web|e2e)/'),
    strangers('web', '^apps/web/', '^(apps/server|e2e)/'),
    {
      name: 'packages-by-name',
      comment: 'Packages are used through their entrance, never by a path into them.',
      severity: 'error',
      from: { path: '^(apps|e2e)/' },
      to: { path: '^packages/(rope|core|workshop|contract|solver)/src/(?!index\\.ts$)' },
    },
    {
      name: 'scripts-share-by-their-library',
      comment: 'What two commands share lies in scripts/lib; nothing there knows a command.',
      severity: 'error',
      from: { path: '^scripts/' },
      to: { path: '^scripts/[^/]+$' },
    },
    {
      name: 'scripts-use-what-is-built',
      comment: 'They run without a build of their own: sources are not theirs to load.',
      severity: 'error',
      from: { path: '^scripts/' },
      to: { path: '^(packages|apps|e2e)/.*\\.tsx?$', pathNot: '^packages/[^/]+/src/index\\.ts$' },
    },
    {
      name: 'no-command-in-the-program',
      comment: 'Only tests and the browser tests use what the commands share.',
      severity: 'error',
      from: { path: '^(apps|packages)/', pathNot: '\\.test\\.tsx?$|/testing/|/testing\\.ts$' },
      to: { path: '^scripts/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-unresolved',
      severity: 'error',
      from: {},
      // A test that asks for Node's types names them, which is no module; what is asked for as an address is a file.
      to: { couldNotResolve: true, pathNot: '^(node|highs/runtime.url)$' },
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
