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
  tend: ['tend', 'store', 'formats', 'core'],
  demo: ['demo', 'store', 'formats', 'core'],
}

/** Rooms of the core in order: each knows only those named beside it, so that folders cannot run in circles. */
const formulas = ['words', 'units', 'reading', 'electrical', 'air', 'control', 'fit']
const rooms = {
  words: [],
  units: ['words'],
  reading: ['words', 'units'],
  electrical: ['words', 'units', 'reading'],
  air: ['words', 'units', 'reading'],
  control: ['words', 'units', 'reading'],
  fit: ['words', 'units', 'reading'],
  circuit: [...formulas],
  transient: [...formulas],
  fields: [...formulas],
  parts: [...formulas, 'fields'],
  job: [...formulas, 'fields', 'parts'],
  'fan-circuit': [...formulas, 'fields', 'parts', 'job'],
  cooling: [...formulas, 'fields', 'parts', 'job', 'fan-circuit'],
  wiring: [...formulas, 'circuit', 'fields', 'parts', 'job', 'fan-circuit'],
  placing: [...formulas, 'fields', 'parts', 'job', 'fan-circuit', 'cooling'],
  margins: [...formulas, 'fields', 'parts', 'job', 'fan-circuit', 'cooling', 'wiring', 'placing'],
  run: [...formulas, 'transient', 'fields', 'parts', 'job', 'fan-circuit', 'cooling', 'wiring', 'margins'],
}
rooms.evidence = [...rooms.run, 'run']
rooms.advice = [...rooms.evidence, 'circuit', 'placing', 'evidence']
rooms.drawing = [...rooms.advice, 'advice']
rooms.build = [...rooms.drawing, 'drawing']
rooms.schedule = [...rooms.build, 'build']
rooms.plan = [...rooms.build, 'build']
rooms.sheets = [...rooms.plan, 'plan', 'schedule']
rooms.diagnose = [...rooms.plan, 'plan']
rooms.practice = [...rooms.diagnose, 'diagnose']
rooms.library = [...rooms.diagnose, 'diagnose']

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(may).map(([layer, allowed]) => ({
      name: `${layer}-knows-only-${allowed.join('-')}`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/', pathNot: `^src/(${allowed.join('|')})/` },
    })),
    ...Object.entries(rooms).map(([room, allowed]) => ({
      name: `core-${room}-knows-only-rooms-before-it`,
      severity: 'error',
      from: { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$|/test-support/' },
      to: { path: '^src/core/', pathNot: `^src/core/(${[room, ...allowed].join('|')})/` },
    })),
    {
      name: 'migrations-are-frozen',
      comment: 'a step that has shipped uses nothing that may change after it',
      severity: 'error',
      from: { path: '^src/core/job/migrations/' },
      to: { pathNot: '^src/core/job/migrations/' },
    },
    {
      name: 'core-has-only-rooms-that-are-listed',
      severity: 'error',
      from: { path: '^src/core/', pathNot: `^src/core/(${Object.keys(rooms).join('|')})/` },
      to: {},
    },
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
