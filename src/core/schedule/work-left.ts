import { isTicked, plannedSteps } from '../build'
import type { Job } from '../job'
import type { Block, Work } from './lay-out'

const MINUTE_MS = 60_000

/**
 * What is left to do at the bench of a job, at a workshop's pace. A wait that runs already is not waited for twice.
 * @param job      id of the job
 * @param pace     real minutes over planned ones
 * @param midnight of the day it is laid out on, as an instant: minutes are told from it
 */
export function workLeft(document: Job, job: string, pace: number, midnight: string): Work {
  const blocks: Block[] = []
  let readyAt = 0
  for (const step of plannedSteps(document)) {
    if (isTicked(document, step.id)) continue
    const running = document.build.waits.find((w) => w.step === step.id)
    const wait = step.waitMinutes ?? 0
    if (running && !blocks.length) {
      // its hands were needed before the wait began
      readyAt = (Date.parse(running.since) - Date.parse(midnight)) / MINUTE_MS + wait
      continue
    }
    blocks.push({
      id: step.id,
      title: step.title,
      minutes: Math.max(1, Math.round(step.minutes * pace)),
      waitMinutes: wait,
    })
  }
  return { job, blocks, readyAt }
}
