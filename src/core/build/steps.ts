import { type Job, mountOf, onceAJob } from '../job'
import { plannedSteps } from './planned'
import type { Step, StepWords } from './step'
import { apartWords } from './words/apart'
import { worded } from '../units'
import { beforeWords } from './words/before'
import { fanWords } from './words/fan'
import { togetherWords } from './words/together'
import { wireWords } from './words/wires'
import { say } from '../words'

const words: Readonly<Record<string, StepWords>> = {
  ...beforeWords,
  ...apartWords,
  ...fanWords,
  ...wireWords,
  ...togetherWords,
}

/** What is said of a step that the way of fastening brings, or that was added at the bench. */
const otherWords = (job: Job, id: string): StepWords => {
  const { before, after } = mountOf(job)
  return (
    [...before, ...after].find((s) => s.id === id) ?? {
      why: say`Added at the bench.`,
      tell: say`While it is open.`,
      cautions: [],
    }
  )
}

/** Steps of the core, by their words; what the way of fastening brings is one of them. */
const ofTheCore = (id: string): boolean => id in fanWords || id === 'core-off' || !(id in words)
/** Where a step is seen on a drawing. */
const seenIn = ({ id, own }: Pick<Step, 'id' | 'own'>): Step['seenIn'] => {
  if (own) return null
  if (id in wireWords || id === 'relay' || id === 'controller') return 'circuit'
  return ofTheCore(id) ? 'place' : null
}

/** The steps of a job in their order, each with what is said of it. */
export const stepsOf = onceAJob((job): readonly Step[] =>
  plannedSteps(job).map((planned): Step => {
    const { why, tell, cautions, also, torque } = words[planned.id] ?? otherWords(job, planned.id)
    return {
      ...planned,
      why: worded(why, job.units),
      tell: worded(typeof tell === 'string' ? tell : tell(job), job.units),
      cautions: [...new Set([...cautions, ...(also?.(job) ?? [])])],
      torque: torque?.(job) ?? null,
      seenIn: seenIn(planned),
    }
  }),
)
