import type { ComingOff, Leaving, UnplannedKind } from '../choices'
import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import { freshId } from './fresh-id'

/** Who did it and when, ISO. */
export interface By {
  readonly by: string
  readonly at: string
}
type Taken = Job | { readonly full: string }
type Entry = Job['ledger'][number]

/** Ticks a step, or takes its tick back; a wait of it ends with the tick. */
export function tickStep(job: Job, step: string, at: string): Job {
  const was = job.build.done.some((d) => d.step === step)
  return {
    ...job,
    build: {
      ...job.build,
      done: was ? job.build.done.filter((d) => d.step !== step) : [...job.build.done, { step, at }],
      waits: job.build.waits.filter((w) => w.step !== step),
    },
  }
}

/** Begins a wait, or ends it. */
export const waitFor = (job: Job, step: string, since: string): Job => ({
  ...job,
  build: {
    ...job.build,
    waits: job.build.waits.some((w) => w.step === step)
      ? job.build.waits.filter((w) => w.step !== step)
      : [...job.build.waits, { step, since }],
  },
})

/** Goes past a lock by name. @param what a step's id, or a proof's behind "proof:" */
export const passLock = (job: Job, what: string, why: string, by: By): Taken =>
  job.build.passed.length >= mostOf('passed')
    ? { full: tooMany('passed') }
    : { ...job, build: { ...job.build, passed: [...job.build.passed, { what, why, ...by }] } }

/** A torque that the maker gives; null takes it away. */
export const noteTorque = (job: Job, step: string, torque: { newtonMetres: number; typed: string } | null): Job => ({
  ...job,
  build: {
    ...job.build,
    torques: [...job.build.torques.filter((t) => t.step !== step), ...(torque ? [{ step, ...torque }] : [])],
  },
})

/** A step of one's own, before one that closes the way to it. */
export const addOwnStep = (job: Job, title: string, before: string, minutes: number): Taken =>
  job.build.own.length >= mostOf('ownSteps')
    ? { full: tooMany('ownSteps') }
    : {
        ...job,
        build: {
          ...job.build,
          own: [...job.build.own, { id: freshId('own', job.build.own), title, before, minutes }],
        },
      }

/** Notes what turned out otherwise at a step. */
export const noteUnplanned = (job: Job, step: string, what: UnplannedKind, words: string, by: By): Taken =>
  job.build.unplanned.length >= mostOf('unplanned')
    ? { full: tooMany('unplanned') }
    : {
        ...job,
        build: {
          ...job.build,
          unplanned: [
            ...job.build.unplanned,
            { id: freshId('unplanned', job.build.unplanned), step, what, words, ...by },
          ],
        },
      }

/** Says of things that are needed whether they are here; a reason with a name goes without. */
export const answerNeeds = (
  job: Job,
  needs: readonly string[],
  answer: { readonly here: boolean; readonly why?: string } | null,
  { by, at }: By,
): Job => ({
  ...job,
  build: {
    ...job.build,
    have: [
      ...job.build.have.filter((h) => !needs.includes(h.need)),
      ...(answer ? needs.map((need) => ({ need, here: answer.here, why: answer.why ?? '', by, at })) : []),
    ].slice(-mostOf('needs')),
  },
})

/** Leaves work lying, with what was made safe. */
export const leaveWork = (job: Job, why: string, awaits: string, safe: readonly Leaving[], by: By): Taken =>
  job.build.left.length >= mostOf('timesLeft')
    ? { full: tooMany('timesLeft') }
    : {
        ...job,
        build: {
          ...job.build,
          left: [
            ...job.build.left,
            { id: freshId('left', job.build.left), why, awaits, safe: [...safe], backAt: null, ...by },
          ],
        },
      }

export const comeBack = (job: Job, backAt: string): Job => ({
  ...job,
  build: { ...job.build, left: job.build.left.map((l) => (l.backAt === null ? { ...l, backAt } : l)) },
})

/** Notes what came off or was unplugged. */
export const takeOff = (
  job: Job,
  entry: { what: string; kind: ComingOff; way: string; smallParts: string },
  at: string,
): Taken =>
  job.ledger.length >= mostOf('ledger')
    ? { full: tooMany('ledger') }
    : { ...job, ledger: [...job.ledger, { id: freshId('off', job.ledger), ...entry, at, backAt: null }] }

export const changeEntry = (job: Job, id: string, change: Partial<Omit<Entry, 'id'>>): Job => ({
  ...job,
  ledger: job.ledger.map((e) => (e.id === id ? { ...e, ...change } : e)),
})

export const removeEntry = (job: Job, id: string): Job => ({ ...job, ledger: job.ledger.filter((e) => e.id !== id) })

/** Notes coolant that came out or went in. */
export const noteCoolant = (
  job: Job,
  which: 'outM3' | 'inM3',
  figure: { value: number; typed: string } | null,
): Job => ({ ...job, coolant: { ...job.coolant, [which]: figure } })

/** Notes what is right for now only. */
export const addDebt = (
  job: Job,
  debt: { what: string; why: string; dangerous: boolean; until: string | null },
  by: By,
): Taken =>
  job.debts.length >= mostOf('debts')
    ? { full: tooMany('debts') }
    : { ...job, debts: [...job.debts, { id: freshId('debt', job.debts), ...debt, paid: null, ...by }] }

/** Says how a fix for now was put right, or takes that back. */
export const payDebt = (job: Job, id: string, paid: { how: string } | null, by: By): Job => ({
  ...job,
  debts: job.debts.map((d) => (d.id === id ? { ...d, paid: paid && { ...paid, ...by } } : d)),
})

/** Names a picture that is kept beside the job. */
export const addPhoto = (job: Job, photo: Job['photos'][number]): Taken =>
  job.photos.length >= mostOf('photos') ? { full: tooMany('photos') } : { ...job, photos: [...job.photos, photo] }

/** Takes a picture out; older states of the job keep it. */
export const removePhoto = (job: Job, id: string): Job => ({ ...job, photos: job.photos.filter((p) => p.id !== id) })

/** Notes where a dial stood when the fan started. */
export const addDialPoint = (
  job: Job,
  point: { controller: string; position: number; startsC: number },
  at: string,
): Taken =>
  job.dial.length >= mostOf('dialPoints')
    ? { full: tooMany('dialPoints') }
    : { ...job, dial: [...job.dial, { id: freshId('dial', job.dial), ...point, at }] }

export const removeDialPoint = (job: Job, id: string): Job => ({ ...job, dial: job.dial.filter((d) => d.id !== id) })
