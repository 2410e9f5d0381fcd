import type { Start } from '../electrical'
import { type ChosenFan, circuitsOf, runCurrent, startOf } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { say } from '../words'
import { feedPieces, pieceOf } from './feed-pieces'
import type { ConductorLoad, Load, Piece } from './load'

/** The fans that a branch carries, with their shares. */
const fansIn = (job: Job, load: Load): { readonly fan: ChosenFan; readonly share: number }[] =>
  circuitsOf(job).flatMap((c, i) => (c.fan && load.shares[i]! > 0 ? [{ fan: c.fan, share: load.shares[i]! }] : []))

const PLUS = ['', '{0}', '{0} + {1}', '{0} + {1} + {2}', '{0} + {1} + {2} + {3}', '{0} + {1} + {2} + {3} + {4}']

/** Running current of a branch for any pass over the readings: its share of every fan's, and what is not a fan's. */
export function currentIn(bench: Bench, job: Job, load: Load): Worked {
  const fans = fansIn(job, load)
  const [only] = fans
  if (fans.length === 1 && only!.share === 1 && load.steadyA === 0) return runCurrent(bench, only!.fan)
  const each = fans.map(({ fan, share }) => ({ share, run: runCurrent(bench, fan) }))
  const terms = [
    ...each.map(({ share, run }, i) =>
      term(share === 1 ? say`fan ${i + 1}` : say`${share} of fan ${i + 1}`, share * run.value, 'current'),
    ),
    ...(load.steadyA > 0 ? [term(say`coil and controller`, load.steadyA, 'current')] : []),
  ]
  return following(
    each.map((e) => e.run),
    worked(
      say`through it, running`,
      PLUS[terms.length] ?? PLUS[1]!,
      terms,
      each.reduce((s, e) => s + e.share * e.run.value, load.steadyA),
      'current',
      '§5',
    ),
  )
}

/** A start of every fan behind a branch at once. @see engineering §1.6 */
export function startIn(bench: Bench, job: Job, load: Load): Start {
  return fansIn(job, load).reduce<Start>(
    (sum, { fan, share }) => {
      const own = startOf(bench, fan)
      return {
        runningA: sum.runningA + share * own.runningA,
        startingA: sum.startingA + share * own.startingA,
        timeConstantS: Math.max(sum.timeConstantS, own.timeConstantS),
      }
    },
    { runningA: load.steadyA, startingA: load.steadyA, timeConstantS: 0 },
  )
}

/** Length of a piece of conductor in any pass, m. */
export function pieceLength(bench: Bench, job: Job, { conductor }: ConductorLoad, piece: Piece): number {
  if (piece.length === 'whole' || piece.circuit === null) return bench.value(conductor.at.lengthM)
  return pieceOf(feedPieces(bench, piece.circuit, job.wiring.isolator), piece.length)
}
