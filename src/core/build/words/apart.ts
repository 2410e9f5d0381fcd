import type { Job } from '../../job'
import { format } from '../../units'
import { dealtWith, engined, pinMovesM } from '../asks'
import { holdsOf, holdWords } from '../mechanical-fan'
import type { StepWords } from '../step'
import { say } from '../../words'

/** a catch pan is this much larger than what may come (estimate) */
const PAN = 1.3

const held = (job: Job): string => {
  const holds = holdsOf(job).filter((h) => h.holds)
  const made = holds.map((h) => `${h.id}: ${h.madeGood.trim() || holdWords[h.id].good}`).join(' ')
  return say`Belt slack first; each bolt bagged with its length. ${
    holds.length ? say`It held more: ${made}` : say`It held nothing else.`
  }`
}

/** Taking apart: what comes off is written down as it does. */
export const apartWords: Readonly<Record<string, StepWords>> = {
  strip: {
    why: say`What is not written down is forgotten when it goes back.`,
    tell: say`Under "Taken off" an entry for every hose, clamp, plug, nut and washer: which way round, and where its
      small parts lie. Undo a plug by its latch, never by its wires; leave what need not come off.`,
    cautions: [],
    also: (job) => (engined(job) ? ['fuel'] : []),
  },
  'mechanical-fan-off': {
    why: say`The new fan stands in its place.`,
    tell: held,
    cautions: ['maker', 'propped'],
  },
  'make-room': {
    why: say`The fan has room only with these out of the way, and what comes off for good is told to the owner.`,
    tell: (job) =>
      dealtWith(job)
        .map(({ name, dealt }) =>
          dealt === 'moved'
            ? say`${name}: moved, then held against a tape where it is now, all of its way.`
            : say`${name}: off, labelled, handed to the owner; look at what it guarded.`,
        )
        .join(' '),
    cautions: ['maker'],
    also: (job) => (dealtWith(job).some((o) => o.kind === 'exhaust') ? ['exhaust'] : []),
  },
  drain: {
    why: say`What comes out is held against what goes back in.`,
    tell: (job) =>
      say`A pan of ${format(PAN * job.cooling!.volumeM3.value, 'volume', job.units)} or more under it, guard plates
        off. Drain bolt first, cap last: with the cap on it comes as a thin jet, with it off as a strong one to the
        side. Measure it and note it under "Coolant"; drain bolt straight back in, with a new washer, by hand.`,
    cautions: ['hotCoolant', 'poison'],
  },
  'core-off': {
    why: say`The fan goes onto its channels from behind.`,
    tell: say`Mark each hose, which end and which way round, with its clip; plug the openings with a clean rag; keep
      the fins off the bench.`,
    cautions: ['poison'],
  },
  'pin-hole': {
    why: say`The new core’s pin sits elsewhere: it cannot be drilled with the core in.`,
    tell: (job) =>
      say`The hole moves by ${format(Math.abs(pinMovesM(job)), 'length', job.units, 3)}
        ${
          pinMovesM(job) > 0 ? say`further off` : say`nearer to`
        } the new core’s face. Mark it from the core held in place, centre-punch, pilot hole, then to size;
        deburr both edges before the rubber goes in, chips out, bare metal painted.`,
    cautions: ['drilling', 'eyes'],
  },
}
