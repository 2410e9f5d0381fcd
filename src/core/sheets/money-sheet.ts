import type { Job } from '../job'
import { CORE_VERSION } from '../margins'
import type { Cost } from '../schedule'
import { section } from './section'
import type { Sheet } from './sheet-schema'
import { fixed } from '../units'
import { say } from '../words'

const money = (v: number | null): string => (v === null ? '–' : fixed(v, 2))

/**
 * An estimate or an invoice: a line each, what has no price without one, and what it comes to.
 * @param workshop its name
 * @param day on which it is written, 2026-01-31
 */
export function moneySheet(kind: 'Estimate' | 'Invoice', job: Job, cost: Cost, workshop: string, day: string): Sheet {
  const { lines, total, unpriced, currency } = cost
  return {
    title: `${kind}: ${job.title}`,
    subtitle: [workshop, day, job.machine.owner && say`for ${job.machine.owner}`, job.machine.name, job.identity.serial]
      .filter(Boolean)
      .join(', '),
    coreVersion: CORE_VERSION,
    sections: [
      section(
        kind === 'Estimate' ? say`By the plan` : say`Work and parts`,
        [],
        [say`what`, say`about`, say`how much`, say`each`, currency || say`sum`],
        [
          ...lines.map((l) => [l.what, l.about, `${l.count} ${l.unit}`, money(l.each), money(l.total)]),
          [unpriced ? say`at least` : say`in all`, '', '', '', money(total)],
        ],
      ),
      ...(unpriced
        ? [
            section(say`Without a price`, [
              say`${unpriced} ${unpriced === 1 ? say`line has` : say`lines have`} no price yet.`,
            ]),
          ]
        : []),
      ...(kind === 'Estimate'
        ? [section(say`Mind`, [say`An estimate by the plan: what is found when it is open may cost more.`])]
        : []),
    ],
  }
}
