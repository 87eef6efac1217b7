/** The directions of the architecture; docs/architecture.md says why. */
const from = (path, rest) => ({ severity: 'error', from: { path, pathNot: '\\.test\\.tsx?$' }, to: rest });
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'core-stands-alone', ...from('^src/core', { path: '^src/(?!core)' }) },
    {
      name: 'core-without-platform',
      ...from('^src/core', { path: '^(node:|fs$|path$|crypto$)|node_modules/(react|next|knex|pg|@mantine)' }),
    },
    {
      name: 'data-takes-types-of-core',
      // Nothing of the core runs here but what parses a stored thing: core/*/stored-*.
      ...from('^src/data', {
        path: '^src/core',
        pathNot: '^src/core/[a-z-]+/stored-[a-z]+[.]ts$',
        dependencyTypesNot: ['type-only'],
      }),
    },
    { name: 'data-below-the-rest', ...from('^src/data', { path: '^src/(?!core|data)' }) },
    { name: 'demo-on-core-and-data', ...from('^src/demo', { path: '^src/(?!core|data|demo)' }) },
    { name: 'drawing-on-core-only', ...from('^src/drawing', { path: '^src/(?!core|drawing)' }) },
    {
      name: 'server-on-core-data-shell-types',
      ...from('^src/server', { path: '^src/(features|app|drawing|workers|demo)' }),
    },
    { name: 'shell-below-server', ...from('^src/shell', { path: '^src/(server|data|features|app)' }) },
    {
      name: 'server-takes-types-of-shell',
      ...from('^src/server', { path: '^src/shell', dependencyTypesNot: ['type-only'] }),
    },
    { name: 'features-not-of-app', ...from('^src/features', { path: '^src/app' }) },
    {
      name: 'no-feature-imports-another',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/$1/' },
    },
    { name: 'no-deprecated', severity: 'error', from: {}, to: { dependencyTypes: ['deprecated'] } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.module\\.css$' },
  },
};
