import { each, guess, isRaw, type Raw, rawOr, valueOf, within } from './raw'

/** Wires that version 6 had no place for, with their colours, and whether they are short ones. */
const added = [
  ['coil-feed', 'orange', true],
  ['link', 'yellow', true],
  ['override-out', 'blue', false],
  ['call-out', 'green', false],
  ['timer-out', 'violet', true],
  ['lamp-return', 'black', true],
] as const

/** What lies in a bay gets the bay's heat. */
const layOf = (job: Raw): string => (isRaw(job.bay) ? 'bay' : 'engine')

const conductors = (job: Raw): Raw => {
  const list: unknown = job.conductors
  if (!Array.isArray(list)) return {}
  const old: readonly Raw[] = list.filter(isRaw)
  const feed = valueOf(old.find((c) => c.role === 'feed')?.lengthM, 1.5)
  const size = job.units === 'imperial' ? '18 AWG' : '1 mm²'
  const more = added
    .filter(([role]) => !old.some((c) => c.id === role))
    .map(([role, colour, short]) => ({
      id: role,
      role,
      size,
      colour,
      insulationC: 105,
      lies: layOf(job),
      ambientC: guess(60),
      bundled: 2,
      lengthM: guess(short ? 0.4 : Math.round(feed * 80) / 100),
    }))
  return { conductors: [...list.map((c: unknown) => (isRaw(c) ? { lies: layOf(job), ...c } : c)), ...more] }
}

/**
 * Version 6 laid the timer's wire from the battery's post and a trailer's call past its fuse, put diodes in by itself
 * where timer or call were, and knew no fuse of the machine's own before its key. What such a job has is written down
 * as it was built, so that it is told.
 */
export function fromVersion6(job: Raw): Raw {
  const trailer = job.engine === null
  return {
    ...job,
    version: 7,
    ...conductors(job),
    ...each(job, 'controllers', (c) => (isRaw(c.part) ? { ...c, part: { inputs: [], ...c.part } } : c)),
    ...each(job, 'fuses', (f) => ({ lies: layOf(job), ...f })),
    ...each(job, 'runs', (r) => ({ isolatorAtM: guess(0.15), ...r })),
    ...within(job, 'wiring', (w) => ({
      ...w,
      intent: { overrideLive: 'as the fan', ...rawOr(w.intent) },
      timerFrom: 'battery',
      callFrom: 'key',
      diodes: [...(w.timer === true && !trailer ? ['control'] : []), ...(w.call === true ? ['call'] : [])],
      loomFuseA: null,
      tapFuseA: null,
      feedLoadA: guess(2, 2),
    })),
  }
}
