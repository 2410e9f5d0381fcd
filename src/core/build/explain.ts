import { circuitsOf } from '../fan-circuit'
import { type Job, roleNames, withReading } from '../job'
import { format, thinnerThan } from '../units'
import { ampsBeside, answerTo, missingVolts, wattsInWords } from './proof-state'
import { asPredicted, type Proof, proofsOf } from './proofs'
import { say } from '../words'

/** A battery at rest, well charged; 24 V is two of them. V. @see engineering §1.9 */
const REST_V = 12.5
/** how many sizes thinner are tried */
const SIZES = 3

const volts = (job: Job, v: number): string => format(v, 'voltage', job.units, 3)
const amps = (job: Job, a: number): string => format(a, 'current', job.units, 2)

/** What a proof would show in a job that is otherwise the same. */
const predictedIn = (job: Job, id: string) => proofsOf(job).find((p) => p.id === id)?.predicted ?? null

/** "Measured with the engine off", where the figure is what a resting battery gives. */
function atRest(job: Job, proof: Proof, measured: number): string[] {
  const restV = REST_V * (job.machine.systemV / 12)
  const there = predictedIn(
    withReading(job, 'charging.regulatorV', { ...job.charging.regulatorV, value: restV }),
    proof.id,
  )
  return there && asPredicted(there, measured)
    ? [say`The engine stood, or the battery is not being charged: at ${volts(job, restV)} it would be just so.`]
    : []
}

/** A wire that is thinner than the list has it, where that alone brings the figure. */
function thinnerWire(job: Job, proof: Proof, measured: number): string[] {
  const circuit = circuitsOf(job).find((c) => c.run.id === proof.run)
  return (circuit?.conductors ?? []).flatMap((c) => {
    let size = c.size
    for (let n = 0; n < SIZES && size !== null; n++) {
      const next = thinnerThan(size)
      if (next === size) return []
      size = next
      const there = predictedIn(
        { ...job, conductors: job.conductors.map((w) => (w.id === c.id ? { ...w, size } : w)) },
        proof.id,
      )
      if (there && asPredicted(there, measured)) return [say`The ${roleNames[c.role]} is ${size}, not ${c.size}.`]
    }
    return []
  })
}

/** A joint that keeps what is missing: volts over amps. */
function poorJoint(job: Job, proof: Proof, measured: number): string[] {
  const missing = missingVolts(proof, measured)
  const current = ampsBeside(job, proof)
  if (missing === 0 || current === 0) return []
  const ohm = missing / current
  return [
    say`A joint or ground of ${format(ohm, 'resistance', job.units, 2)} more than it should have:
      ${wattsInWords(missing * current)} of heat in it. Feel along the wire, then measure across each.`,
  ]
}

function ofCurrent(job: Job, proof: Proof, measured: number): string[] {
  const p = proof.predicted!
  const all = proofsOf(job).filter((o) => /^amps/.test(o.id) && o.predicted)
  const together = all.reduce((sum, o) => sum + o.predicted!.value, 0)
  const label = job.machine.systemV
  if (measured > p.high)
    return [
      ...(all.length > 1 && Math.abs(measured - together) <= 0.15 * together
        ? [say`The clamp was round all fans: together they take ${amps(job, together)}.`]
        : []),
      say`It is another fan, of about ${amps(job, measured)} at ${label} V.`,
      say`It labours: blade rubs, something lies in it, or a bearing is tight.`,
      say`The clamp was not set to nought, or stands on the wrong range.`,
    ]
  return [
    ...atRest(job, proof, measured),
    say`It is another fan, of about ${amps(job, measured)} at ${label} V.`,
    say`A joint or a thin wire keeps it from its volts: see the voltage at the fan.`,
    say`Clamp round both wires, or round one of several: it shows less or nothing.`,
  ]
}

function ofTemperature(job: Job, proof: Proof, measured: number): string[] {
  const p = proof.predicted!
  const by = format(Math.abs(measured - p.value), 'temperatureDifference', job.units, 2)
  return [
    job.setting.state === 'test' ? say`The controller still stands on its test setting.` : say`It is set ${by} off.`,
    say`Its band or its offset is not as it was taken: ${by} off.`,
    measured > p.high
      ? say`The gauge shows more than the probe feels: loose, in the wind, or too far from the hot side.`
      : say`The thermometer lagged behind the probe: warm it up more slowly.`,
  ]
}

const ofStandby = (more: boolean): string[] =>
  more
    ? [
        say`Something else of the machine stays alive: pull its fuses one by one.`,
        say`The controller’s display, or a relay’s coil, stays fed.`,
      ]
    : [say`The meter was on a range too coarse for it.`]

/**
 * What would explain a figure that differs, likeliest first; each with the figure that would be there.
 * @returns nothing where it does not differ
 * @see engineering §8
 */
export function explanations(job: Job, proof: Proof): string[] {
  const measured = answerTo(job, proof)?.measured?.value
  const p = proof.predicted
  if (measured === undefined || !p || asPredicted(p, measured)) return []
  switch (p.quantity) {
    case 'voltage':
      return missingVolts(proof, measured) > 0
        ? [...atRest(job, proof, measured), ...poorJoint(job, proof, measured), ...thinnerWire(job, proof, measured)]
        : [
            say`The regulator gives more than was taken: measure at the battery as well.`,
            say`The fan took less current than predicted: less is lost then. Measure the current first.`,
          ]
    case 'temperature':
      return ofTemperature(job, proof, measured)
    default:
      return proof.id === 'standby' ? ofStandby(measured > p.high) : ofCurrent(job, proof, measured)
  }
}
