/** The floors of the house: an import only ever points down, and rooms meet only at their doors. */
const floors = {
  app: ['contract', 'core'],
  server: ['contract', 'core', 'reader'],
  reader: ['core'],
  contract: ['core'],
  core: [],
};

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(floors).map(([floor, below]) => ({
      name: `${floor}-points-down`,
      severity: 'error',
      from: { path: `^${floor}/` },
      to: {
        path: `^(?:app|server|reader|contract|core|demo|e2e|scripts)/`,
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
