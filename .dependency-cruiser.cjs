/** The walls between the rooms. Core stands alone on a short list of pure packages; nothing reaches into web or server. */
module.exports = {
  forbidden: [
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(contract|server|web|demo)' },
    },
    {
      name: 'core-no-node',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-pure-packages',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-optional'],
        pathNot:
          'node_modules/(date-fns|clipper2-ts|earcut|dxf-parser|@tarikjabiri/dxf|svgpath|fast-xml-parser|pdf-lib|@pdf-lib/fontkit)/',
      },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^src/contract' },
      to: { path: '^src/(server|web|demo)' },
    },
    { name: 'demo-on-core', severity: 'error', from: { path: '^src/demo' }, to: { path: '^src/(server|web)' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^src/server' }, to: { path: '^src/web' } },
    {
      name: 'feature-not-feature',
      severity: 'error',
      from: { path: '^src/web/features/([^/]+)/' },
      to: { path: '^src/web/(features/|app/)', pathNot: '^src/web/features/$1/' },
    },
    {
      name: 'below-the-features',
      severity: 'error',
      from: { path: '^src/web/(ui|drawing|data|words|theme|workers)/' },
      to: { path: '^src/web/(features|app)/' },
    },
    { name: 'web-not-server', severity: 'error', from: { path: '^src/web' }, to: { path: '^src/(server|demo)' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
