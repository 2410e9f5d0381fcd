import { readdirSync, statSync } from 'node:fs'
import path from 'node:path'
import { alone, rooms } from './which.json'

const src = path.join(__dirname, '../..')

/** Tests that may share a sandbox, the longest first. */
const shared = rooms
  .flatMap((room) =>
    readdirSync(path.join(src, room), { recursive: true, encoding: 'utf8' }).map((f) => `${room}/${f}`),
  )
  .filter((file) => file.endsWith('.test.ts') && !alone.includes(file))
  .map((file) => ({ file, size: statSync(path.join(src, file)).size }))
  .sort((a, b) => b.size - a.size)

/**
 * A fourth of the tests that share a sandbox: what they are about is read, compiled and warm once, not once a file.
 * Each of them runs by itself too (`npx jest src/core/run`). One that leaves something behind is named `alone` in
 * which.json, once it is known why it does.
 */
export function quarter(n: 0 | 1 | 2 | 3): void {
  for (const { file } of shared.filter((_, i) => i % 4 === n))
    describe(file, () => {
      jest.requireActual(path.join(src, file))
    })
}
