import type { Day, Job, Work } from '../job'
import type { OutcomeName } from '../margins'
import type { Bench } from '../reading'
import { integrate, type Run } from '../transient'
import { COARSE } from './compared'
import { runSpecOf } from './run-spec'
import { afterKeyOff } from '../wiring'

/** which state of Power a kind of work belongs to */
const stateOf: Readonly<Partial<Record<Work, OutcomeName>>> = {
  idle: 'share, idle',
  slow: 'share, slow work',
  heavy: 'share, slow work',
  speed: 'share, cruise',
  towed: 'share, towed',
  charger: 'share, on its charger',
  alone: 'share, standing alone',
}

/** a fan that still runs at the end of the day is followed so much longer, s: a weekend */
const LONGEST_AFTER_S = 172_800

/** legs shorter than this say nothing about how often a fan starts, s */
const LEAST_S = 300
export type Outcomes = Partial<Record<OutcomeName, number>>

/** The outcomes of one pass: the day on the hottest and on the coldest day. */
export function outcomesOf(bench: Bench, job: Job, day: Day): Outcomes {
  const run = (season: 'hottest' | 'coldest'): Run =>
    integrate(runSpecOf(bench, job, { season, fan: 'proposed', whatIf: 'as it is' }, day), {
      ...COARSE,
      goOnS: LONGEST_AFTER_S,
    })!
  const [hot, cold] = [run('hottest'), run('coldest')]
  const found: Outcomes = { 'peak, hottest': hot.peakC, 'peak, coldest': cold.peakC }
  const perHour = [...hot.legs, ...cold.legs]
    .filter((l) => l.leg.running && l.leg.seconds >= LEAST_S)
    .map((l) => (3600 * l.starts) / l.leg.seconds)
  found.starts = perHour.length ? Math.max(...perHour) : 0
  const time = new Map<OutcomeName, { fan: number; all: number }>()
  hot.legs.forEach((l, i) => {
    const name = stateOf[day.legs[i]!.work]
    if (!name) return
    const t = time.get(name) ?? { fan: 0, all: 0 }
    time.set(name, { fan: t.fan + l.dutyS, all: t.all + l.leg.seconds })
  })
  for (const [name, { fan, all }] of time) if (all > 0) found[name] = fan / all
  if (hot.after && afterKeyOff(job) !== 'stops') found['after switch-off'] = hot.after.seconds
  return found
}
