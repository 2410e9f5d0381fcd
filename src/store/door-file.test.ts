import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { doorFileOf, hasPassphrase, isPassphrase, opened, sealed, setPassphrase, Tries } from '.'

const NOW = Date.parse('2026-01-15T10:00:00Z')
const HOUR = 3_600_000

let folder: string
let door: string
beforeEach(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-door-'))
  door = doorFileOf(path.join(folder, 'yard.db'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

test('a pass-phrase lets in whoever has it, is not written down, and is readable by nobody else', () => {
  expect(hasPassphrase(door)).toBe(false)
  expect(isPassphrase(door, 'the heron stands')).toBe(false)
  setPassphrase(door, 'the heron stands')
  expect(isPassphrase(door, ' the heron stands ')).toBe(true)
  expect(isPassphrase(door, 'the heron stood')).toBe(false)
  expect(isPassphrase(door, '')).toBe(false)
  expect(readFileSync(door, 'utf8')).not.toContain('heron')
  expect(statSync(door).mode & 0o077).toBe(0)
})

test('a pass ends, cannot be made or changed elsewhere, and another pass-phrase ends all', () => {
  expect(sealed(door, { role: 'mechanic', until: NOW + HOUR })).toBeNull()
  setPassphrase(door, 'the heron stands')
  const mine = sealed(door, { role: 'owner', job: 'j1', until: NOW + HOUR })!
  expect(opened(door, mine, NOW)).toEqual({ role: 'owner', job: 'j1', until: NOW + HOUR })
  expect(opened(door, mine, NOW + HOUR)).toBeNull()
  const [body, signature] = mine.split('.') as [string, string]
  const raised = Buffer.from(JSON.stringify({ role: 'mechanic', until: NOW + HOUR })).toString('base64url')
  for (const forged of [undefined, '', body, `${body}.`, `.${signature}`, `${raised}.${signature}`, `${mine}.x`, 'a.b'])
    expect(opened(door, forged, NOW)).toBeNull()
  setPassphrase(door, 'the wren sings now')
  expect(opened(door, mine, NOW)).toBeNull()
  writeFileSync(door, '{"half":')
  expect(opened(door, mine, NOW)).toBeNull()
})

test('a hundred wrong ones take the better part of two hours; a right one clears them', () => {
  const tries = new Tries()
  let now = NOW
  for (let n = 0; n < 100; n++) {
    now += 1000 * tries.waitS(now)
    expect(tries.waitS(now)).toBe(0)
    tries.failed(now)
  }
  // five are free, then 2, 4, 8 … s up to a minute each
  expect((now - NOW) / 60_000).toBeGreaterThan(85)
  expect(tries.waitS(now)).toBe(60)
  tries.succeeded()
  expect(tries.waitS(now)).toBe(0)
})
