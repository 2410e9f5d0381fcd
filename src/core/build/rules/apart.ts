import type { Job } from '../../job'
import { format } from '../../units'
import { coreOff, engined, opensCoolant, pinMovesM } from '../asks'
import { holdsOf, holdWords } from '../mechanical-fan'
import type { StepRule } from '../step'

/** a catch pan is this much larger than what may come (estimate) */
const PAN = 1.3

const held = (job: Job): string => {
  const holds = holdsOf(job).filter((h) => h.holds)
  const made = holds.map((h) => `${h.id}: ${h.madeGood.trim() || holdWords[h.id].good}`).join(' ')
  return `Belt slack first; each bolt bagged with its length. ${
    holds.length ? `It held more: ${made}` : 'It held nothing else.'
  }`
}

/** Taking apart: what comes off is written down as it does. */
export const apartRules: readonly StepRule[] = [
  {
    id: 'strip',
    title: 'Strip what is in the way',
    why: 'What is not written down is forgotten when it goes back.',
    tell:
      'Under "Taken off" an entry for every hose, clamp, plug, nut and washer: which way round, and where its small ' +
      'parts lie. Undo a plug by its latch, never by its wires; leave what need not come off.',
    minutes: 20,
    needs: ['have-all', 'baseline', 'cool', 'bucket', 'battery-off', 'fuel'],
    at: 'under the covers',
    cautions: [],
    also: (job) => (engined(job) ? ['fuel'] : []),
  },
  {
    id: 'mechanical-fan-off',
    title: 'Take the mechanical fan off',
    why: 'The new fan stands in its place.',
    tell: held,
    minutes: 25,
    needs: ['strip'],
    at: 'under the covers',
    cautions: ['maker', 'propped'],
    when: (job) => job.mechanicalFan !== null,
  },
  {
    id: 'drain',
    title: 'Drain the coolant',
    why: 'What comes out is held against what goes back in.',
    tell: (job) =>
      `A pan of ${format(PAN * job.cooling!.volumeM3.value, 'volume', job.units)} or more under it, guard plates off. ` +
      'Drain bolt first, cap last: with the cap on it comes as a thin jet, with it off as a strong one to the side. ' +
      'Measure it and note it under "Coolant"; drain bolt straight back in, with a new washer, by hand.',
    minutes: 15,
    needs: ['cool', 'battery-off', 'strip'],
    at: 'under the covers',
    cautions: ['hotCoolant', 'poison'],
    when: opensCoolant,
  },
  {
    id: 'core-off',
    title: 'Take the core off',
    why: 'The fan goes onto its channels from behind.',
    tell:
      'Mark each hose, which end and which way round, with its clip; plug the openings with a clean rag; keep the ' +
      'fins off the bench.',
    minutes: 15,
    needs: ['drain'],
    at: 'under the covers',
    cautions: ['poison'],
    when: coreOff,
  },
  {
    id: 'pin-hole',
    title: 'Mark, drill and deburr the moved pin hole',
    why: 'The new core’s pin sits elsewhere: it cannot be drilled with the core in.',
    tell: (job) =>
      `The hole moves by ${format(Math.abs(pinMovesM(job)), 'length', job.units, 3)} ` +
      `${pinMovesM(job) > 0 ? 'away from' : 'towards'} the new core’s face. Mark it from the core held in place, ` +
      'centre-punch, pilot hole, then to size; deburr both edges before the rubber goes in, chips out, bare metal painted.',
    minutes: 20,
    needs: ['core-off'],
    at: 'the core on the bench',
    cautions: ['drilling', 'eyes'],
    when: (job) => pinMovesM(job) !== 0,
  },
]
