/** The floors of the house: an import only ever points down, and rooms meet only at their doors. */
const floors = {
  app: ['contract', 'core'],
  server: ['contract', 'core', 'reader'],
  reader: ['core'],
  contract: ['core'],
  core: [],
  // The world outside knows nothing of us.
  simulators: [],
};

/** Doors of the rooms of core: what its package gives to other floors. */
const doors = Object.values(require('./core/package.json').exports).map((file) => `core/${file.replace('./', '')}`);
const exactly = (file) => `^${file.replace(/[.]/g, '\\.')}$`;

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(floors).map(([floor, below]) => ({
      name: `${floor}-points-down`,
      severity: 'error',
      from: { path: `^${floor}/` },
      to: {
        path: `^(?:app|server|reader|contract|core|simulators|demo|e2e|scripts)/`,
        pathNot: `^(?:${[floor, ...below].join('|')})/`,
      },
    })),
    {
      name: 'features-meet-at-their-index',
      severity: 'error',
      from: { path: '^(app|server)/src/features/([^/]+)/' },
      to: {
        path: '^(?:app|server)/src/features/([^/]+)/',
        pathNot: ['^(?:app|server)/src/features/$2/', '/index\\.tsx?$'],
      },
    },
    {
      name: 'rooms-of-core-meet-at-their-doors',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/src/([^/]+)/',
        // Words are data: the text room's tables are open.
        pathNot: ['^core/src/$1/', '^core/src/text/tables/', ...doors.map(exactly)],
      },
    },
    {
      name: 'stages-of-reading-meet-at-their-index',
      severity: 'error',
      from: { path: '^core/src/reading/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/src/reading/[^/]+/',
        pathNot: ['^core/src/reading/$1/', '^core/src/reading/tables/', '/index\\.ts$'],
      },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'shared-knows-no-room',
      severity: 'error',
      from: { path: '^(?:app/src/(?:ui|lib)|server/src/platform)/' },
      to: { path: '/features/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(?:css|onnx)$|/dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.cjs', '.js'],
    },
  },
};
