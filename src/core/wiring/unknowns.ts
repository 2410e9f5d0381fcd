import { changeWiring, type Feed, freshId, type Job, type Unknown } from '../job'
import { say } from '../words'

const names = { plug: say`Plug`, pigtail: say`Pigtail`, relay: say`Relay` } as const

const withUnknowns = (job: Job, change: (list: readonly Unknown[]) => readonly Unknown[]): Job =>
  changeWiring(job, { unknowns: [...change(job.wiring.unknowns)] })

/** Something unknown with its wires or pins, by their marks. */
export const addUnknown = (job: Job, kind: Unknown['kind'], marks: readonly string[]): Job =>
  withUnknowns(job, (list) => [
    ...list,
    {
      id: freshId('unknown', list),
      kind,
      name: `${names[kind]}: ${marks.join(', ')}`.slice(0, 80),
      wires: marks.map((mark, i) => ({ id: `w${i + 1}`, mark, size: null, fuseA: null })),
      readings: [],
    },
  ])

export const changeUnknown = (job: Job, id: string, change: Partial<Unknown>): Job =>
  withUnknowns(job, (list) => list.map((x) => (x.id === id ? { ...x, ...change } : x)))

export const dropUnknown = (job: Job, id: string): Job => withUnknowns(job, (list) => list.filter((x) => x.id !== id))

/** A meter's reading; one more of the same test and wire takes the older one's place. */
export const noteReading = (job: Job, id: string, reading: Unknown['readings'][number]): Job =>
  withUnknowns(job, (list) =>
    list.map((x) =>
      x.id === id
        ? {
            ...x,
            readings: [
              ...x.readings.filter((r) => r.test !== reading.test || r.wire !== reading.wire || r.to !== reading.to),
              reading,
            ].slice(-120),
          }
        : x,
    ),
  )

export const takeBackReading = (job: Job, id: string, index: number): Job =>
  withUnknowns(job, (list) =>
    list.map((x) => (x.id === id ? { ...x, readings: x.readings.filter((_, i) => i !== index) } : x)),
  )

/**
 * Feeds the fans from a wire that was found: a switched wire is one behind the key, whatever it once fed; a fan's own
 * feed is the loom's plug.
 * @param fuseA its own fuse, where somebody has looked
 */
export const takeAsFeed = (
  job: Job,
  source: Extract<Feed, 'existing plug' | 'key switch'>,
  fuseA: number | null,
  plugSpeed: Job['wiring']['plugSpeed'] = 'one speed',
): Job => ({
  ...changeWiring(job, source === 'key switch' ? { loomFuseA: fuseA } : { feedRatedA: fuseA, plugSpeed }),
  runs: job.runs.map((r) => ({ ...r, source })),
})
