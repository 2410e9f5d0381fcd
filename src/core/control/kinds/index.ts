import { above } from './above'
import { always } from './always'
import { below } from './below'
import type { ControlKind } from './control-kind'
import { fixed } from './fixed'
import { hand } from './hand'
import { ramp } from './ramp'

export type { ControlKind, DutyByHeat, FixedPoints, Setting } from './control-kind'

/** Kinds of controller; a new one is a file beside these and its name here. */
export const controlKinds = { below, above, fixed, ramp, hand, always } as const satisfies Readonly<
  Record<string, ControlKind>
>
export type BandKind = keyof typeof controlKinds
export const bandKinds = Object.keys(controlKinds) as [BandKind, ...BandKind[]]

/** What a part of this kind can do. */
export const controlKindOf = ({ band }: { readonly band: BandKind }): ControlKind => controlKinds[band]
