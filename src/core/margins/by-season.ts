import type { Bench, Worked } from '../reading'
import { fixedScale, type PartDefinition } from './part'

export const seasons = [
  { id: 'coldest', address: 'surroundings.coldestC' },
  { id: 'hottest', address: 'surroundings.hottestC' },
] as const

export const kelvin = (
  id: string,
  name: string,
  required: number,
  compute: (bench: Bench) => Worked,
): PartDefinition => ({
  id,
  name,
  unit: 'K',
  required,
  scale: fixedScale(5),
  compute,
})
