import { haveOf, needGroups, needsOfJob } from '../build'
import type { Job } from '../job'
import { CORE_VERSION } from '../margins'
import type { Part } from '../parts'
import { worded } from '../units'
import { section } from './section'
import type { Sheet } from './sheet-schema'
import { say, spokenWord } from '../words'

/** What is still to get and what nobody has answered, by group, with the shelf's word beside it. */
export function shoppingSheet(job: Job, shelf: readonly Part[]): Sheet {
  const needs = needsOfJob(job, shelf)
  const of = (state: ReturnType<typeof haveOf>) => needs.filter((n) => haveOf(job, n) === state)
  const table = (list: typeof needs): string[][] => list.map((n) => [worded(n.what, job.units), n.amount, n.shelf])
  const columns = [say`what`, say`how much`, say`shelf`]
  const toGet = of('to get')
  const open = of('not answered')
  return {
    title: say`Shopping list: ${job.title}`,
    subtitle: say`${toGet.length} to get, ${open.length} not looked for yet, ${of('here').length} here.`,
    coreVersion: CORE_VERSION,
    sections: [
      ...needGroups.flatMap((group) => {
        const own = toGet.filter((n) => n.group === group)
        return own.length ? [section(say`To get: ${spokenWord(group)}`, [], columns, table(own))] : []
      }),
      ...(open.length ? [section(say`Not looked for yet`, [], columns, table(open))] : []),
      ...(toGet.length + open.length === 0 ? [section(say`To get`, [say`Nothing: all of it is here.`])] : []),
    ],
  }
}
