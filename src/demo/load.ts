import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { addDays, daysBetween } from '../core/build'
import { readJobFile, readShelfFile } from '../formats'
import { shippedFindings } from './shipped-findings'
import {
  addJob,
  countJobs,
  defaultFile,
  keepFindings,
  keepWorkshop,
  newWorkshop,
  now,
  openStore,
  putParts,
} from '../store'
import { calendarDay } from '../core/units'

/** The day on which the examples are written down; everything in them moves with it to the day of loading. */
const WRITTEN_ON = '2026-01-15'
const EXAMPLES = path.join(import.meta.dirname, '..', '..', 'examples')
const DAY = /^\d{4}-\d{2}-\d{2}(T[\d:.]+Z)?$/

/** The same value with every day in it moved. */
function moved<T>(value: T, days: number): T {
  if (typeof value === 'string' && DAY.test(value)) return (addDays(value.slice(0, 10), days) + value.slice(10)) as T
  if (Array.isArray(value)) return value.map((v: unknown) => moved(v, days)) as T
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, moved(v, days)])) as T
  return value
}

/** Loads the demo yard into an empty database; one that holds jobs already is left as it is. */
async function load(): Promise<void> {
  const store = await openStore(defaultFile())
  if ((await countJobs(store)) > 0) {
    process.stdout.write(`The demo yard in ${store.file} is left as it is.\n`)
    return
  }
  const shelf = readShelfFile(readFileSync(path.join(EXAMPLES, 'shelf.json'), 'utf8'))
  if (!shelf.ok) throw new Error(shelf.message)
  await putParts(store, shelf.parts)
  await keepWorkshop(store, { ...newWorkshop, name: 'Tarn Yard', heightM: 1150 })
  const today = now().toISOString()
  const names = readdirSync(EXAMPLES)
    .filter((f) => f.endsWith('.job.json'))
    .sort()
  for (const name of names) {
    const read = readJobFile(readFileSync(path.join(EXAMPLES, name), 'utf8'))
    if (!read.ok) throw new Error(`${name}: ${read.message}`)
    const job = moved(read.job, daysBetween(WRITTEN_ON, calendarDay(today)))
    const found = shippedFindings(job, today, EXAMPLES)
    const added = await addJob(store, job, today, found)
    if (!added.ok) throw new Error(`${name}: ${added.message}`)
    if (found) await keepFindings(store, added.id, found)
  }
  await store.db.destroy()
  process.stdout.write(`Loaded ${names.length} jobs and ${shelf.parts.length} parts into ${store.file}.\n`)
}

await load()
