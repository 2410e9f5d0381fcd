// pages are drawn by what people get, not by what warns whoever writes them
process.env.NODE_ENV = 'production'

export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.ts'],
  // nothing here waits: a machine that is busy with something else may take long all the same
  testTimeout: 120_000,
  // a global is looked up in the sandbox's own way, many times slower than anything else here; these are handed in
  sandboxInjectedGlobals: ['Math', 'Number', 'Array', 'Object', 'Map', 'Set', 'Float64Array', 'JSON', 'String'],
  // the fitting package has ES modules only
  transformIgnorePatterns: ['/node_modules/(?!(ml-levenberg-marquardt|is-any-array|gettext-parser)/)'],
  transform: {
    '^.+\\.tsx$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2022',
        },
        module: { type: 'commonjs' },
      },
    ],
    '^.+\\.[jt]s$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    // random properties, seeded
    '^fast-check$': '<rootDir>/src/test-support/seeded.ts',
    // as the build has it for the App Router: what comes later is drawn on the server all the same
    '^next/dynamic$': '<rootDir>/node_modules/next/dist/shared/lib/app-dynamic.js',
  },
}
