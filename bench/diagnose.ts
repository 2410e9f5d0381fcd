// node --import tsx bench/diagnose.ts: how soon a search proposes its first move, and the next after a reading
import { readFileSync } from 'node:fs'
import { areasOf, type Found, standingOf, type Table, tableOf, within } from '../src/core/diagnose'
import type { Job } from '../src/core/job'
import { readJobFile } from '../src/formats'

const jobs = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer']

function open(name: string): Job {
  const read = readJobFile(readFileSync(`examples/${name}.job.json`, 'utf8'))
  if (!read.ok) throw new Error(read.message)
  return read.job
}

function made(job: Job): Table {
  const steps = tableOf(job)
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
}

/** CPU time of this process: the machine may have other work. */
const cpu = (): number => process.cpuUsage().user / 1000

/** Where a search stands, as the page works it out. */
const stand = (table: Table, found: readonly Found[]) => standingOf(within(table, areasOf(table, found)), found)

for (const name of jobs) {
  // the first time everything is compiled as it is needed: the second is what a page has after a moment
  const [, figures] = [0, 1].map(() => {
    const job = open(name)
    const began = cpu()
    const table = made(job)
    const first = [{ move: 'fan:called:fan1', found: 'stands' }]
    const at = stand(table, first)
    const proposed = cpu()
    const move = at.next[0]!.move
    stand(table, [...first, { move: move.id, found: move.answers?.[0]?.id ?? 12 }])
    return { first: proposed - began, next: cpu() - proposed }
  })
  process.stdout.write(
    `${name.padEnd(24)} first proposal ${figures!.first.toFixed(0).padStart(4)} ms (aim 300), ` +
      `after an answer ${figures!.next.toFixed(0).padStart(4)} ms (aim 100)\n`,
  )
}
