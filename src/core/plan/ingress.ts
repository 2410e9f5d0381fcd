import { ingressNeeds, type Job } from '../job'
import { say } from '../words'

/** A code as two classes; a letter X or a missing code counts as the least that typical asks: IP20. @see typical.md */
function classes(code: string): { readonly solids: number; readonly water: number } {
  const digit = (c: string | undefined): number => (c && /[0-9]/.test(c) ? Number(c) : 0)
  return { solids: digit(code[2]), water: digit(code[3]) }
}

/** What a part is short of, in words; null where its code will do. An unknown code counts as IP20. */
export function ingressShort(code: string | null, needed: string): string | null {
  const has = classes(code ?? 'IP20')
  const needs = classes(needed)
  // a jet class (5, 6, 9) does not promise what immersion (7, 8) does, nor the other way round: 7 and 8 count as rain
  // only
  const water = has.water === 7 || has.water === 8 ? 4 : has.water
  if (has.solids >= needs.solids && water >= needs.water) return null
  return say`${code ?? say`unknown, counts as IP20`} where ${needed} is asked`
}

/** Every chosen part with a code that is short for where the machine lives; two alike are one. */
export function ingressFaults(job: Job): { readonly name: string; readonly short: string }[] {
  const { livesIn, shielded } = job.surroundings
  if (!livesIn) return []
  const needed = ingressNeeds[livesIn === 'pressure washer' && shielded ? 'rain' : livesIn]
  const faults = [...job.fans, ...job.controllers].flatMap(({ part }) => {
    const short = ingressShort(part.ingress, needed)
    return short ? [{ name: part.name, short }] : []
  })
  return faults.filter((f, i) => faults.findIndex((o) => o.name === f.name) === i)
}
