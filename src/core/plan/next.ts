import { lookInWords } from '../evidence/words'
import { faultSought, fieldsOf, type Job } from '../job'
import { type Evaluation, type Look, type MarginResult, worstMargin } from '../margins'
import { stationNames, stations, type Station } from '../fields'
import { dangerousDebts, lockOf, nextStep } from '../build'
import { filled } from './filled'
import { signing } from './sign'
import { mismatchInWords } from '../circuit'
import { provedCircuit } from '../wiring'
import { remediesFor } from '../advice'
import { say, spokenWord } from '../words'

export interface NextThing {
  readonly text: string
  readonly station: Station
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
const lookAtNext = (job: Job, look: Look, margin: string): string =>
  capital(lookInWords(look, (a) => fieldsOf(job).get(a)?.label ?? say`a reading`, margin))
const lookStation = (job: Job, { address }: Look): Station =>
  (address === null ? undefined : fieldsOf(job).get(address)?.station) ?? 'machine'

/** The next step at the bench, and where that is settled which it waits for. */
function atTheBench(job: Job): NextThing | null {
  const step = nextStep(job)
  if (!step) return null
  const lock = lockOf(job, step)
  return lock && lock.station !== 'build'
    ? { text: say`Build: ${step.title}, waits ${lock.waits[0]}`, station: lock.station }
    : { text: say`Build: ${step.title}`, station: 'build' }
}

/** The first station that is not filled, or the signature. */
function firstUnfilled(job: Job): NextThing {
  const first = stations.find((s) => filled(job, s).done < filled(job, s).total)
  const step = first === 'build' ? atTheBench(job) : null
  if (step) return step
  return first
    ? { text: `${stationNames[first]}: ${filled(job, first).left}`, station: first }
    : { text: say`Sign the job`, station: 'after' }
}

/**
 * The next thing to do: a call due, the strongest remedy of the lowest short margin, what the circuit does that nobody
 * asked for, the reading to measure for the least sure margin, then the first station that is not filled.
 * @param today calendar day, 2026-01-31
 * @see margins.md
 */
export function nextThing(job: Job, evaluation: Evaluation, today: string): NextThing {
  if (job.ended) return { text: say`Ended: ${spokenWord(job.ended.why)}`, station: 'machine' }
  const debt = dangerousDebts(job)[0]
  if (debt) return { text: say`Nobody drives before it is put right: ${debt.what}`, station: 'build' }
  if (faultSought(job)) return { text: say`Find the fault: a search is under way`, station: 'prove' }
  const due = job.after.find((a) => a.dueOn !== null && a.doneOn === null && a.dueOn <= today)
  if (due) return { text: due.what, station: 'after' }
  if (job.signature) {
    const since = job.observations.some((o) => o.at > job.signature!.at)
    const short = since ? evaluation.margins.find((m) => m.verdict === 'short') : undefined
    if (short) return { text: say`${short.name} is short by what was seen since it was signed`, station: 'after' }
    const coming = job.after.find((a) => a.dueOn !== null && a.doneOn === null)
    return coming
      ? { text: say`${coming.what}, on ${coming.dueOn}`, station: 'after' }
      : { text: say`Nothing left to do`, station: 'after' }
  }
  if (job.machine.hasBattery === null || job.machine.outputDc === null)
    return { text: say`Ask first: is there a battery, is its output DC?`, station: 'machine' }
  // a doubt that somebody took on by name is not asked for again
  const { toAccept } = signing(job, evaluation)
  const takenOn = (m: MarginResult): boolean => {
    const of = toAccept.filter((a) => a.margin === m.id && a.verdict === m.verdict)
    return of.every((a) => a.accepted) && (of.length > 0 || m.verdict === 'unsure')
  }
  const worst = worstMargin({
    ...evaluation,
    margins: evaluation.margins.filter((m) => (m.verdict !== 'unsure' && m.verdict !== 'short') || !takenOn(m)),
  })
  // a circuit that does not do what was asked stands after what is short and before what is only unsure
  if (worst?.verdict !== 'short' && job.fans.length && job.controllers.length) {
    const {
      net,
      mismatches: [wrong],
    } = provedCircuit(job)
    if (wrong) return { text: say`Wire: ${mismatchInWords(net, wrong)}`, station: 'wire' }
  }
  if (worst && (worst.verdict === 'short' || worst.verdict === 'unsure')) {
    // what is only unsure is settled by looking: at what takes most of its doubt for the minutes it takes
    const look = worst.verdict === 'unsure' ? evaluation.next?.find((l) => l.margin === worst.id) : undefined
    if (look) return { text: lookAtNext(job, look, worst.name), station: lookStation(job, look) }
    const [remedy] = remediesFor(job, worst)
    if (remedy) return { text: remedy.text, station: remedy.station }
  }
  return firstUnfilled(job)
}
