import { type ConductorRole } from './choices'
import type { Job } from './document'
import { say, spokenWord } from '../words'

/** What a conductor is called in ids of parts, which are kept: the same in every language. */
export const roleIds = {
  feed: 'feed',
  return: 'way back',
  control: 'control feed',
  'coil-feed': "coil's feed",
  trigger: 'trigger wire',
  'coil-return': "coil's ground",
  'supply-return': "controller's ground",
  link: 'link wire',
  override: 'override wire',
  'override-out': 'wire behind the override',
  call: 'call wire',
  'call-out': 'wire behind the call',
  timer: 'timer wire',
  'timer-out': 'wire behind the timer',
  lamp: 'lamp wire',
  'lamp-return': "lamp's ground",
} as const satisfies Readonly<Record<ConductorRole, string>>

/** What a conductor is called in a sentence. */
export const roleNames = Object.fromEntries(
  (Object.keys(roleIds) as ConductorRole[]).map((role) => [role, spokenWord(roleIds[role])]),
) as Readonly<Record<ConductorRole, string>>

/** A conductor of a job by its id: "feed", and "feed of fan 2" where there are several. */
export function conductorName(job: Job, id: string): string {
  const found = job.conductors.find((c) => c.id === id)
  const n = job.runs.findIndex((r) => r.conductors.includes(id))
  return found ? `${roleNames[found.role]}${job.runs.length > 1 && n >= 0 ? say` of fan ${n + 1}` : ''}` : say`wire`
}
