import { firstCircuit, isSettable } from '../fan-circuit'
import { MOST_STARTS } from '../control'
import { changePlace, changeRunOf, changeSetting, fieldsOf, type Job, type MarginId, mountOf } from '../job'
import { movedAir } from '../cooling'
import { type MarginResult } from '../margins'
import { format, percent } from '../units'
import { holdingSetting } from './holding-setting'
import { say } from '../words'
import { type Remedy, circuitOf, sizeRemedy, fuseRemedy } from './wire-remedies'

const settingRemedy = (job: Job, margin: MarginResult): Remedy[] => {
  const circuit = circuitOf(job, margin)
  const setting = holdingSetting(job, circuit)
  const { controller } = circuit
  if (!setting || !controller) return controller ? [] : [{ text: say`Choose a controller`, station: 'trigger' }]
  if (Math.abs(setting.setC - controller.setC) < 1e-6 && Math.abs(setting.bandK - controller.bandK) < 1e-6) return []
  return [
    {
      text: say`Set ${format(setting.setC, 'temperature', job.units)} with a band of
        ${format(setting.bandK, 'temperatureDifference', job.units)}${circuit.suffix}`,
      station: 'trigger',
      change: (j) => changeSetting(j, controller.id, setting.setC, setting.bandK),
    },
  ]
}

/** starts an hour that a wider band aims at: a little below what is allowed */
const EASY_STARTS = 22

/** A fan that starts too often wants a wider band: each start then lasts longer. */
function bandRemedy(job: Job, margin: MarginResult): Remedy[] {
  const { controller } = circuitOf(job, margin)
  const range = controller?.part.range
  if (!controller || !range || !isSettable(controller.part))
    return [{ text: say`A switch with a wider band, or the probe where it lags more`, station: 'trigger' }]
  const starts = MOST_STARTS - (margin.value ?? 0)
  const wanted = Math.ceil((controller.bandK * starts) / EASY_STARTS / range.stepK) * range.stepK
  const bandK = Math.min(range.bandMaxK, wanted)
  return bandK > controller.bandK
    ? [
        {
          text: say`Widen the band to ${format(bandK, 'temperatureDifference', job.units)}: each start then lasts
            longer`,
          station: 'trigger',
          change: (j) => changeSetting(j, controller.id, controller.setC, bandK),
        },
      ]
    : [{ text: say`The band is as wide as it goes: the probe where it lags more, or a weaker fan`, station: 'trigger' }]
}

/** Where a run is too hot, no setting alone is sure to help: the map tries them, more air does the rest. */
const heatRemedy = (job: Job): Remedy[] => [
  { text: say`Let Trigger run every setting through the day: it tells whether one is cool enough`, station: 'trigger' },
  ...(job.cooling ? coreAirRemedy(job) : []),
]

/** More air through the fins: a shroud, its gap closed, or the fan that moves most in the room there is. */
function coreAirRemedy(job: Job): Remedy[] {
  const part = firstCircuit(job).fan?.part
  if (!part) return [{ text: say`Choose a fan`, station: 'place' }]
  const moves = (j: Job): number => movedAir(j, part)?.flowM3s ?? 0
  const [now, better] = mountOf(job).shrouded
    ? [moves(job), moves(changePlace(job, { gapM: { ...job.place.gapM, value: 0 } }))]
    : [moves(job), moves(changePlace(job, { mount: 'shroud', gapM: { ...job.place.gapM, value: 0 } }))]
  const flow = (of: number): string => format(of, 'flow', job.units, 2)
  const through = say`${flow(better)} through the fins instead of ${flow(now)}`
  return [
    ...(better > now * 1.02
      ? [
          {
            text: mountOf(job).shrouded
              ? say`Close the gap round the shroud: ${through}`
              : say`A shroud over the whole core, closed all round: ${through}`,
            station: 'place' as const,
          },
        ]
      : []),
    {
      text: say`Take the best place and fan for the room there is: Place ranks them by the air through the fins`,
      station: 'place' as const,
    },
  ]
}

/** A contact that its fan overloads: a relay, another feed, or a heavier relay. */
function contactRemedy(job: Job, margin: MarginResult): Remedy[] {
  const { run } = circuitOf(job, margin)
  const through = /^(key|override|isolator|call) /.exec(margin.part ?? '')
  if (through && margin.verdict === 'open')
    return [{ text: say`Choose the ${through[1]} switch, or see what is stamped on it`, station: 'wire' }]
  if (run.switchedBy === 'controller')
    return [
      {
        text: say`Let a relay carry the fan`,
        station: 'wire',
        change: (j) => changeRunOf(j, run.id, { switchedBy: 'relay' }),
      },
    ]
  return run.source === 'key switch'
    ? [
        {
          text: say`Feed the fan from the battery and let the key switch only the coil`,
          station: 'wire',
          change: (j) => changeRunOf(j, run.id, { source: 'battery' }),
        },
      ]
    : [{ text: say`Choose a heavier relay`, station: 'wire' }]
}

/** What would help each margin most, one entry a margin. */
const choicesFor: Readonly<Record<MarginId, (job: Job, margin: MarginResult) => Remedy[]>> = {
  fit: (job) =>
    job.fans.length
      ? [
          {
            text: job.cooling
              ? say`Take one of the best places, or a shallower fan; Leads tells what to do where a lead is short`
              : say`Choose a shallower fan or another panel; Leads tells what to do where a lead is short`,
            station: 'place',
          },
        ]
      : [{ text: say`Choose a fan`, station: 'place' }],
  air: (job) => {
    if (job.cooling) return coreAirRemedy(job)
    const text = say`Larger vents, one of them high up; a fan that moves more; less heat given off inside`
    return job.bay && job.fans.length ? [{ text, station: 'place' }] : []
  },
  supply: (job, margin) =>
    margin.verdict === 'short' && margin.value === null
      ? [
          {
            text: say`Choose a fan for this voltage; without direct current a rectifier and a battery come first`,
            station: 'place',
          },
        ]
      : sizeRemedy(job, margin),
  wire: sizeRemedy,
  fuse: fuseRemedy,
  contacts: contactRemedy,
  charge: (job) => {
    if (job.trailer)
      return [{ text: say`A thicker tow cable or a stronger charger; otherwise a lighter fan`, station: 'power' }]
    if (job.charging.known !== 'rating')
      return [{ text: say`Choose a lighter fan, or switch off other loads at idle`, station: 'place' }]
    const text = say`Measure what it charges at idle, slow work and cruise; otherwise choose a lighter fan`
    return [{ text, station: 'power' }]
  },
  battery: (_, { part }) => {
    const standing = say`Take the controller off a switched feed, or put the machine on a maintainer`
    const short = say`Shorten the after-run, or keep the fan off while cranking`
    const alone = say`A larger battery, fewer loads, or a fan that runs only part of the time`
    if (part === 'standing alone') return [{ text: alone, station: 'power' }]
    return [{ text: part === 'standing' ? standing : short, station: 'power' }]
  },
  trigger: (job, margin) => {
    if (margin.part === 'starts') return bandRemedy(job, margin)
    const late = margin.basis === 'run' && margin.part?.startsWith('in time')
    return late ? heatRemedy(job) : settingRemedy(job, margin)
  },
  boil: (job, margin) => (margin.basis === 'run' ? heatRemedy(job) : settingRemedy(job, margin)),
}

/** The strongest remedies of a margin that does not hold: the choice first, then the reading to measure. */
export function remediesFor(job: Job, margin: MarginResult): Remedy[] {
  if (margin.verdict === 'holds') return []
  const choices = margin.verdict === 'unsure' && margin.toldFrom !== 'draws' ? [] : choicesFor[margin.id](job, margin)
  return [...choices, ...measureRemedy(job, margin)]
}

function measureRemedy(job: Job, margin: MarginResult): Remedy[] {
  const next = margin.measureNext
  // until draws have told, the reading whose single end hurts most, where it can be had at a bench
  const address = next?.address ?? margin.hurtsMost
  const found = address ? fieldsOf(job).get(address) : undefined
  if (!found || found.seenOnly)
    return [
      { text: say`Watch it at work and note what was seen: no reading at the bench settles it`, station: 'machine' },
    ]
  const share = next ? say` (${percent(next.share, 2)} of the doubt)` : ''
  return [
    found.reading.source === 'measured'
      ? { text: say`Measure more closely: ${found.label}, with a finer instrument${share}`, station: found.station }
      : { text: say`Measure: ${found.label}${share}`, station: found.station },
  ]
}
