import { readFileSync } from 'node:fs'
import config from './jest.config.mjs'

const { rooms, alone } = JSON.parse(
  readFileSync(new URL('src/test-support/together/which.json', import.meta.url), 'utf8'),
)

/** All tests, as the gate runs them: those that may share a sandbox do. */
export default {
  ...config,
  testMatch: [
    ...config.testMatch,
    '**/*.together.ts',
    ...rooms.map((room) => `!**/src/${room}/**/*.test.ts`),
    ...alone.map((file) => `**/src/${file}`),
  ],
}
