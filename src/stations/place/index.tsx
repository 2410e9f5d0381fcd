'use client'

import { firstCircuit } from '@/core/fan-circuit'
import { memo, useDeferredValue } from 'react'
import { sectionView, frontView } from '@/core/drawing'
import {
  blowsOnto,
  changeMount,
  changePlace,
  chooseFan,
  chooseProbe,
  coreName,
  inletsFrom,
  type Job,
  jobKinds,
  mountOf,
  mounts,
  mountsFor,
  moveFan,
} from '@/core/job'
import { neighbours } from '@/core/placing'
import { fasteningWords, tiesOf } from '@/core/build'
import { planWarnings } from '@/core/plan'
import { format } from '@/core/units'
import { ChoiceField, UnsaidField } from '@/ui/ChoiceField'
import { DrawingView } from '@/ui/DrawingView'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { BayWays } from './BayStage'
import { BestPlaces } from './BestPlaces'
import { CoresCompared } from './CoresCompared'
import { ToScale } from './CoreStage'
import { Direction, Duct } from './Direction'
import { FansOnTheShelf } from './FansOnTheShelf'
import { Leads } from './Leads'
import { Moves } from './Moves'
import { Replacing } from './Replacing'
import { SideAdvice } from './SideAdvice'
import { say, spokenWord } from '@/core/words'

/** How it is held here, with its own figures. */
function Held({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const words = fasteningWords(job)
  const ties = tiesOf(job)
  // what holds the other fan is told here as well
  const warnings = planWarnings(job).filter((w) => /^(ties|tie holes|inlet|inlet air|blows on)(, fan \d)?$/.test(w.id))
  if (!words.length) return null
  return (
    <section aria-label={say`How it is held`}>
      <h2 className="mt-2">{say`Held by ${mountOf(job).name}`}</h2>
      {words.map((w) => (
        <p key={w} className="mb-1">
          {w}
        </p>
      ))}
      {ties && !ties.besideFins && ties.snappedOffM < ties.offM - 5e-5 && (
        <p className="mb-1">
          <button
            type="button"
            className="word-button"
            onClick={() => settle((j) => moveFan(j, firstCircuit(j).fan!.id, ties.snapped))}
          >
            {say`Move it to where its holes meet the gaps`}
          </button>
        </p>
      )}
      {warnings.map((w) => (
        <p key={w.id} className="say say-unsure">
          {w.text} {w.helps}
        </p>
      ))}
    </section>
  )
}

const [MovesCalmly, CoresCalmly, HeldCalmly, LeadsCalmly, FansCalmly, ReplacingCalmly, WaysCalmly, SideCalmly] = [
  memo(Moves),
  memo(CoresCompared),
  memo(Held),
  memo(Leads),
  memo(FansOnTheShelf),
  memo(Replacing),
  memo(BayWays),
  memo(SideAdvice),
]

function Stage(props: StationProps) {
  const { job } = props
  // while the fan is dragged the drawing and the margins follow every frame; what is read afterwards comes when there
  // is time
  const calm = useDeferredValue<Job | null>(job, null)
  if (!jobKinds[job.kind].mountsFan) {
    return (
      <>
        <p className="say">{say`The fan stays where it is: say below which it is, with its figures as measured.`}</p>
        <FansOnTheShelf {...props} />
        <h2 className="mt-3">{say`Leads`}</h2>
        <Leads {...props} />
      </>
    )
  }
  const [front, section] = job.bay ? [frontView(job), sectionView(job)] : [null, null]
  const { shelf, settle } = props
  return (
    <>
      {job.bay && calm && <WaysCalmly job={calm} shelf={shelf} settle={settle} />}
      {front && section ? (
        <div className="two-drawings mt-3">
          <DrawingView drawing={front} maxHeight={300} />
          <DrawingView drawing={section} maxHeight={300} />
        </div>
      ) : (
        <ToScale {...props} />
      )}
      <Distances job={job} evaluation={props.evaluation} />
      {calm && (
        <>
          <MovesCalmly job={calm} />
          <CoresCalmly job={calm} />
          <HeldCalmly job={calm} settle={settle} />
          <h2 className="mt-3">{say`Leads`}</h2>
          <LeadsCalmly job={calm} settle={settle} />
          <SideCalmly job={calm} settle={settle} />
          <FansCalmly job={calm} shelf={shelf} settle={settle} />
          <ReplacingCalmly job={calm} shelf={shelf} settle={settle} />
        </>
      )}
    </>
  )
}

/** Distances of the fan from everything near it, as Fit has them, while it is dragged. */
function Distances({ job, evaluation }: Pick<StationProps, 'job' | 'evaluation'>) {
  const parts =
    evaluation.margins
      .find((m) => m.id === 'fit')
      ?.parts.filter((p) => p.value !== null && /^(depth|edge|near|panel|blades|hoses|shroud|other fan)/.test(p.id)) ??
    []
  if (!parts.length) return null
  const mm = (n: number): string => format(n / 1000, 'length', job.units, 2)
  return (
    <ul className="distances" aria-label={say`Distances`}>
      {parts.map((p) => (
        <li key={p.id} className={`verdict-${p.verdict}`}>
          {p.name} <span className="figure-text">{mm(p.value! + p.required)}</span>
          {p.required > 0 && <span className="soft"> {say`of ${mm(p.required)}`}</span>}
          {p.verdict === 'holds' ? '' : `, ${spokenWord(p.verdict)}`}
        </li>
      ))}
    </ul>
  )
}

const same = <const V extends string>(values: readonly V[]): { value: V; name: V }[] =>
  values.map((value) => ({ value, name: value }))

/** The first fan in the same place on another core. */
function toCore(job: Job, core: number): Job {
  const { fan } = firstCircuit(job)
  return fan?.seat ? moveFan(job, fan.id, { ...fan.seat, core }) : job
}

const whatOfTheCore = (job: Job): string =>
  mountOf(job).coreComesOff || job.newCore
    ? say`The core comes off: the coolant is drained and refilled.`
    : say`The core stays on: no coolant steps.`

/** The best places, and every choice of how it is held and where its air comes from and goes. */
function HowItSits(props: StationProps) {
  const { job, settle } = props
  const { cooling, bay, place } = job
  const seat = firstCircuit(job).fan?.seat
  return (
    <>
      {cooling && <BestPlaces {...props} />}
      <h2>{say`How it sits`}</h2>
      <ChoiceField
        label={say`Held by`}
        value={place.mount}
        options={mountsFor(job).map((value) => ({ value, name: mounts[value].name }))}
        onChange={(mount) => settle((j) => changeMount(j, mount))}
        tell={bay ? say`A hole in the machine: the owner is asked for it.` : whatOfTheCore(job)}
      />
      {cooling && cooling.cores > 1 && seat && (
        <ChoiceField
          label={say`On the`}
          value={String(seat.core)}
          options={Array.from({ length: cooling.cores }, (_, i) => ({ value: String(i), name: coreName(job, i) }))}
          onChange={(v) => settle((j) => toCore(j, Number(v)))}
        />
      )}
      {bay && (
        <ChoiceField
          label={say`On the`}
          value={place.panel ?? bay.panels[0]!.id}
          options={bay.panels.map((p) => ({ value: p.id, name: p.name }))}
          onChange={(panel) => settle((j) => changePlace(j, { panel }))}
        />
      )}
      <ChoiceField
        label={bay ? say`Way of the air` : say`Side`}
        value={place.side}
        options={
          bay
            ? [
                { value: 'puller', name: say`draws the hot air out` },
                { value: 'pusher', name: say`pushes cool air in` },
              ]
            : [
                { value: 'puller', name: say`behind, pulling` },
                { value: 'pusher', name: say`in front, pushing` },
              ]
        }
        onChange={(side) => settle((j) => changePlace(j, { side }))}
      />
      <ChoiceField
        label={say`Beyond it is`}
        value={place.neighbour}
        options={(Object.keys(neighbours) as (keyof typeof neighbours)[]).map((value) => ({
          value,
          name: neighbours[value].name,
        }))}
        onChange={(neighbour) => settle((j) => changePlace(j, { neighbour }))}
      />
      <UnsaidField
        label={say`The air comes from`}
        value={place.inletFrom}
        options={same(inletsFrom)}
        onChange={(inletFrom) => settle((j) => changePlace(j, { inletFrom }))}
      />
      <UnsaidField
        label={say`The hot air lands on`}
        value={place.blowsOn}
        options={same(blowsOnto)}
        onChange={(blowsOn) => settle((j) => changePlace(j, { blowsOn }))}
      />
      {mountOf(job).hosed && <Duct {...props} />}
      <Direction {...props} />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, shelf, settle } = props
  return (
    <>
      {jobKinds[job.kind].mountsFan && <HowItSits {...props} />}
      <h2>{say`Parts`}</h2>
      <PartPicker
        system={job.units}
        kind="fan"
        label={say`Fan`}
        shelf={shelf}
        chosen={firstCircuit(job).fan?.part ?? null}
        onChoose={(part) => settle((j) => chooseFan(j, part))}
      />
      <PartPicker
        system={job.units}
        kind="probe"
        label={say`Probe`}
        shelf={shelf}
        chosen={firstCircuit(job).probe.part}
        onChoose={(part) => settle((j) => chooseProbe(j, part))}
      />
      <h2>{say`Readings`}</h2>
      <Readings {...props} station="place" />
    </>
  )
}

export const placeStation: StationView = { Stage, Tray }
