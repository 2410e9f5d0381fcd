import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { type BandKind, bandKinds } from '@/core/control'
import { type JobKind, jobKinds, machineKinds, marginIds, mountNames, typicalMachines } from '@/core/job'

const ROOT = path.join(__dirname, '..', '..', '..')
const rows = [
  ...readFileSync(path.join(ROOT, 'docs', 'adding.md'), 'utf8').matchAll(
    /^\|\s*([^|]*?)\s*\| `([^`]+)` \| ([^|]*) \|$/gm,
  ),
]

test('docs/adding.md names files that are there, and in each of them what it says is there', () => {
  expect(rows.length).toBeGreaterThan(15)
  for (const [, , file, tell] of rows) {
    expect([file, existsSync(path.join(ROOT, file!))]).toEqual([file, true])
    const text = readFileSync(path.join(ROOT, file!), 'utf8')
    const named = [...tell!.matchAll(/`([A-Za-z]+)`/g)].map((m) => m[1]!).filter((n) => n !== 'ControlKind')
    for (const name of named) expect([file, name, text.includes(name)]).toEqual([file, name, true])
  }
})

test('every kind that a document can name has its entry: controllers, mounts, machines, margins', () => {
  // a kind of controller is one file: its folder, less what they share
  for (const kind of bandKinds satisfies readonly BandKind[])
    expect(existsSync(path.join(ROOT, 'src', 'core', 'control', 'kinds', `${kind}.ts`))).toBe(true)
  // a way of holding a fan too
  for (const mount of mountNames)
    expect(existsSync(path.join(ROOT, 'src', 'core', 'job', 'mounts', `${mount}.ts`))).toBe(true)
  expect(Object.keys(typicalMachines).sort()).toEqual([...machineKinds].sort())
  for (const t of Object.values(typicalMachines)) expect(t.jobs.every((j: JobKind) => j in jobKinds)).toBe(true)
  const margins = path.join(ROOT, 'src', 'core', 'margins')
  for (const id of marginIds) expect([id, existsSync(path.join(margins, `${id}.ts`))]).toEqual([id, true])
})
