import { formFor, fuseForms, POST_DISTANCE_M } from '../electrical'
import { circuitsOf } from '../fan-circuit'
import type { Job } from '../job'
import type { Part } from '../parts'
import { format } from '../units'
import { say, spokenWord } from '../words'

/** One of the two with what speaks for and against it here. */
export interface Guarding {
  readonly what: 'fuse' | 'breaker'
  readonly inUse: boolean
  readonly speaksFor: readonly string[]
  readonly against: readonly string[]
}

/**
 * A fuse or a breaker before one fan: what each does into a short, what stands bare, where it sits, what the shelf has.
 * @param n which run, 0 the first
 * @returns null where nothing is fitted
 * @see engineering §1.4
 */
export function breakerOrFuse(job: Job, shelf: readonly Part[], n = 0): readonly [Guarding, Guarding] | null {
  const circuit = circuitsOf(job)[n]
  const fuse = circuit?.fuse
  if (!fuse) return null
  const isBreaker = fuse.kind === 'breaker'
  const form = isBreaker ? formFor(fuse.ratingA) : fuse.kind
  const stocked = shelf.some((p) => p.kind === 'fuse' && p.form === form && p.ratingA === fuse.ratingA && p.stock !== 0)
  const offM = fuse.fromPostM.value
  const tooFar =
    offM > POST_DISTANCE_M
      ? [
          say`it sits ${format(offM, 'length', job.units, 2)} from the post: the piece before it has no guard; within
            ${format(POST_DISTANCE_M, 'length', job.units, 2)} it may`,
        ]
      : []
  const wet = job.surroundings.livesIn !== 'indoors' && !job.surroundings.shielded
  return [
    {
      what: 'fuse',
      inUse: !isBreaker,
      speaksFor: [
        say`opens once and stays open: whoever puts the next one in looks first`,
        say`in a holder nothing stands bare`,
        ...(stocked ? [say`the shelf has ${fuse.ratingA} A as ${spokenWord(fuseForms[form].name)}`] : []),
      ],
      against: [
        say`a spare of its own form and rating has to travel with the machine`,
        ...(stocked ? [] : [say`the shelf has no ${spokenWord(fuseForms[form].name)} of ${fuse.ratingA} A`]),
        ...(isBreaker ? [] : tooFar),
      ],
    },
    {
      what: 'breaker',
      inUse: isBreaker,
      speaksFor: [say`needs no spare`, say`can be reset with a glove on, where it is one with a button`],
      against: [
        say`one that resets itself goes on closing into a short for ever, and the wire is heated each time`,
        say`its studs are live terminals: a boot over both, no bare metal beside them, battery off before a spanner
          nears`,
        say`opens later than a fuse of its rating when it is cold, earlier when it is hot`,
        ...(wet ? [say`wet gets into most of them`] : []),
        ...(isBreaker ? tooFar : []),
      ],
    },
  ]
}
