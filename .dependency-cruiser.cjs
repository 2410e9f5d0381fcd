/** The layers of the house: arrows run one way, and nothing runs in a circle. See docs/architecture.md. */
const may = {
  core: ['core'],
  formats: ['formats', 'core'],
  layout: ['layout', 'core'],
  workers: ['workers', 'layout', 'formats', 'core'],
  store: ['store', 'layout', 'formats', 'core'],
  ui: ['ui', 'core'],
  cli: ['cli', 'formats', 'core'],
  stations: ['stations', 'ui', 'workers', 'formats', 'core'],
  screens: ['screens', 'ui', 'formats', 'core'],
  demo: ['demo', 'store', 'formats', 'core'],
}

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(may).map(([layer, allowed]) => ({
      name: `${layer}-knows-only-${allowed.join('-')}`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/', pathNot: `^src/(${allowed.join('|')})/` },
    })),
    {
      name: 'core-uses-only-zod-and-small-maths',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^(src/core/|node_modules/(zod|ml-[a-z-]+|d3-(array|interpolate|scale))/)' },
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\.scss$' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
}
