import { bracket } from './bracket'
import { duct } from './duct'
import type { MountKind } from './kind'
import { panel } from './panel'
import { shroud } from './shroud'
import { ties } from './ties'

export type { FasteningFigure, MountKind, MountStep } from './kind'

/** Ways of holding a fan, each in a file of its own; the first of a medium is the usual one. */
const kinds = { ties, bracket, shroud, panel, duct } as const satisfies Readonly<Record<string, MountKind>>
export type Mount = keyof typeof kinds

export const mounts: Readonly<Record<Mount, MountKind>> = kinds
export const mountNames = Object.keys(kinds) as [Mount, ...Mount[]]

/** The ways that can be used where coolant, or air alone, carries the heat; the usual one first. */
export const mountsIn = (medium: MountKind['medium']): readonly [Mount, ...Mount[]] =>
  mountNames.filter((m) => kinds[m].medium === medium) as [Mount, ...Mount[]]

/** The ways that suit what this job moves air through. */
export const mountsFor = (job: { readonly bay: object | null }): readonly Mount[] =>
  mountsIn(job.bay ? 'air' : 'coolant')

type Held = { readonly place: { readonly mount: Mount } }

/** How this job's fan is held. */
export const mountOf = (job: Held): MountKind => mounts[job.place.mount]

const covers = (asked: string, address: string): boolean =>
  asked.endsWith('.') ? address.startsWith(asked) : address === asked

/** Whether the chosen way asks for a reading; null where no way of holding a fan asks for it in particular. */
export function mountAsks(job: Held, address: string): boolean | null {
  if (!mountNames.some((m) => kinds[m].asks.some((a) => covers(a, address)))) return null
  return mountOf(job).asks.some((a) => covers(a, address))
}
