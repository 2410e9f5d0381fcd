import {
  bandInWords,
  contradictionInWords,
  heatInWords,
  lookInWords,
  quantityIn,
  seenInWords,
  seenLines,
  silentInWords,
} from '../evidence/words'
import { beforeAndAfter } from '../evidence/before-after'
import { pairInWords } from '../evidence/before-after-words'
import { claimNames, heldInWords } from '../evidence/claim-words'
import { claimHeld } from '../evidence/claims'
import { fieldsOf, type Job } from '../job'
import type { Evaluation } from '../margins'
import { section, type Section } from './section'
import { say } from '../words'

/** What was seen of the machine, beside what was predicted for it; nothing where nothing was. */
export function seenSection(job: Job, evaluation: Evaluation): Section[] {
  const lines = seenLines(job, evaluation.evidence ?? [])
  if (!lines.length && !job.claims.length) return []
  const { units } = job
  const label = (address: string): string => fieldsOf(job).get(address)?.label ?? say`a reading`
  const rows = lines.map(({ seen, result, doubted }) => [
    seenInWords(seen, units),
    result?.predicted ? bandInWords(quantityIn(seen), result.predicted, units) : '',
    standing(job, doubted, result),
  ])
  return [
    section(
      say`What was seen`,
      [
        ...heatInWords(job, evaluation.heat ?? []),
        ...[silentInWords(job) ?? []].flat(),
        ...(evaluation.contradiction ? contradictionInWords(job, evaluation.contradiction, label) : []),
        ...beforeAndAfter(job).map((pair) => {
          const { before, after, verdict, change } = pairInWords(pair, units)
          return say`Before and after, ${verdict}: ${change}. Before: ${before}; now: ${after}.`
        }),
        ...job.claims.map(
          (claim) => say`Claim of ${claimNames[claim.what]}. ${heldInWords(claimHeld(claim), job.units)}`,
        ),
        ...(evaluation.next ?? []).map(
          (look) => say`Look at next: ${lookInWords(look, label, nameOf(evaluation, look.margin))}.`,
        ),
      ],
      [say`seen`, say`predicted`, say`agrees`],
      rows,
    ),
  ]
}

const nameOf = (evaluation: Evaluation, id: string): string => evaluation.margins.find((m) => m.id === id)?.name ?? id

function standing(job: Job, doubted: boolean, result: ReturnType<typeof seenLines>[number]['result']): string {
  if (doubted) return say`doubted`
  if (!result) return job.signature ? say`not weighed when it was signed` : say`not weighed yet`
  if (result.apart) return result.apart
  return result.agrees ? say`yes` : say`no`
}
