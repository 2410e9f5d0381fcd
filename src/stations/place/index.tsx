'use client'

import { mountOf } from '@/core/job'
import { mountsFor } from '@/core/job'
import { mounts } from '@/core/job'
import { Coming, persistently } from '@/ui/persistently'
import { firstCircuit } from '@/core/fan-circuit'
import dynamic from 'next/dynamic'
import { memo, useDeferredValue, useMemo } from 'react'
import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { sectionView, frontView } from '@/core/drawing'
import { blowing } from '@/core/electrical'
import { comparedFans } from '@/core/advice'
import { coverage, type Curves, fanCurves } from '@/core/cooling'
import {
  blowsOnto,
  changeMount,
  changeDuct,
  changePlace,
  chooseFan,
  chooseProbe,
  coreName,
  inletsFrom,
  type Job,
  jobKinds,
  moveFan,
  turnFan,
} from '@/core/job'
import type { FanPart } from '@/core/parts'
import { neighbours } from '@/core/placing'
import { fasteningWords, sideInWords, tiesOf } from '@/core/build'
import { planWarnings } from '@/core/plan'
import { format, percent } from '@/core/units'
import { ChoiceField, UnsaidField, YesNoField } from '@/ui/ChoiceField'
import { DrawingView } from '@/ui/DrawingView'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { BayWays } from './BayStage'
import { BestPlaces } from './BestPlaces'
import { CoresCompared } from './CoresCompared'
import { ToScale } from './CoreStage'
import { Leads } from './Leads'
import { Replacing } from './Replacing'
import { SideAdvice } from './SideAdvice'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

/** the chart package is only fetched when this station is looked at */
const FanChart = dynamic(() => persistently(() => import('./FanChart')), {
  ssr: false,
  loading: () => <Coming height={190} />,
})

/** The fan's curve against what it works against, in words and as a chart. */
function Moves({ job }: Pick<StationProps, 'job'>) {
  const found = useMemo(() => fanCurves(job), [job])
  // the same figures are the same curves: a chart is costly, and a fan moved over whole fins changes nothing in it
  const said = JSON.stringify(found)
  const curves = useMemo(() => JSON.parse(said) as Curves | null, [said])
  if (!curves) return null
  const u = job.units
  const covers = coverage(job)
  return (
    <section aria-label={say`Air that it really moves`}>
      <h2 className="mt-2">{say`Air that it really moves, standing`}</h2>
      {curves.at.flow < 0 && (
        <p className="say say-short">
          {say`The engine’s own fan is stronger here: it drives the air back through this one.`}
        </p>
      )}
      <p className="say" data-testid="moves">
        {say`Moves`} <strong>{format(curves.at.flow, 'flow', u, 3)}</strong>{' '}
        {say`${
          job.bay ? say`through the vents` : say`through the fins`
        } (${format(curves.at.low, 'flow', u, 2)} to ${format(curves.at.high, 'flow', u, 2)}), of
          ${format(curves.free, 'flow', u, 3)} on the box${
            covers === null ? '' : say`; it covers ${percent(covers)} of the core`
          }. Black is the fan at the voltage that reaches it${
            job.bay?.flywheel ? say`, with the flywheel fan where they share a panel` : ''
          }, dashed is what the ${spokenWord(curves.against)} takes.`}
      </p>
      <FanChart curves={curves} units={u} />
    </section>
  )
}

function FansOnTheShelf({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const u = job.units
  const rows = comparedFans(
    job,
    shelf.filter((p): p is FanPart => p.kind === 'fan'),
  )
  const mountsFan = jobKinds[job.kind].mountsFan
  return (
    <>
      <h2 className="mt-3">{say`Fans on the shelf, in this place`}</h2>
      {rows.length === 0 ? (
        <p className="say">{say`No fan is on the shelf yet.`}</p>
      ) : (
        <Sideways>
          <Table size="sm" className="align-middle">
            <thead>
              <tr>
                <th>{say`fan`}</th>
                <th>{say`depth over what it needs`}</th>
                {mountsFan && <th>{job.bay ? say`moves through the vents` : say`moves through the fins`}</th>}
                <th>{say`takes, running`}</th>
                <th>{job.trailer ? say`left over, leanest state` : say`left over at idle`}</th>
                <th>
                  <span className="visually-hidden">{say`choose`}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ part, depthOverM, moved, runA, leanestNetA, otherVoltage, chosen }) => (
                <tr key={part.id} aria-current={chosen ? 'true' : undefined}>
                  <td>
                    <strong className="fw-medium">{part.name}</strong>{' '}
                    <span className="soft small">
                      {part.maker}, {format(part.housingM.value, 'length', u)}
                    </span>
                    {otherVoltage && <span className="verdict-short small"> {say`for ${part.ratedV} V`}</span>}
                  </td>
                  <td className={`figure-text ${depthOverM < 0 ? 'verdict-short' : ''}`}>
                    {format(depthOverM, 'length', u)}
                    {depthOverM < 0 ? say`, short` : ''}
                  </td>
                  {mountsFan && (
                    <td className="figure-text">
                      {moved ? `${format(moved.flowM3s, 'flow', u, 2)}` : '–'}
                      {moved && <span className="soft small"> {say`${percent(moved.ofBox)} of its box`}</span>}
                    </td>
                  )}
                  <td className="figure-text">{format(runA, 'current', u, 2)}</td>
                  <td className={`figure-text ${leanestNetA < 0 ? 'verdict-short' : ''}`}>
                    {format(leanestNetA, 'current', u, 2)}
                    {leanestNetA < 0 ? say`, short` : ''}
                  </td>
                  <td className="text-end">
                    {chosen ? (
                      <span className="fw-medium">{say`chosen`}</span>
                    ) : (
                      <Button
                        size="sm"
                        variant="outline-dark"
                        onClick={() => settle((j) => chooseFan(j, part))}
                        aria-label={say`Choose ${part.name}`}
                      >
                        {say`Choose`}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Sideways>
      )}
    </>
  )
}

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
          {p.name}
          <span className="figure-text">{mm(p.value! + p.required)}</span>
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

const states = [false, true] as const
const wiresAre = (swapped: boolean): string => (swapped ? say`wires swapped` : say`wires as marked`)
const bladeIs = (turned: boolean): string => (turned ? say`blade turned over` : say`blade as made`)

/** Every way that its wires and its blade can stand, and what each does to the air. */
function DirectionTable({ fan }: { readonly fan: Job['fans'][number] }) {
  return (
    <table className="table table-sm small mb-2" aria-label={say`Which way it blows`}>
      <tbody>
        {states.flatMap((swapped) =>
          states.map((turned) => {
            const way = blowing(swapped, turned, fan.part.motor)
            const now = swapped === fan.wiresSwapped && turned === fan.bladeTurned
            return (
              <tr key={`${swapped} ${turned}`} aria-current={now || undefined} className={now ? 'fw-medium' : ''}>
                <td>
                  {wiresAre(swapped)}, {bladeIs(turned)}
                </td>
                <td>
                  {way
                    ? `${way.air === 'as marked' ? say`as marked` : say`the other way`}, ${percent(way.effectiveness)}`
                    : say`does not run`}
                  {now ? say` (now)` : ''}
                </td>
              </tr>
            )
          }),
        )}
      </tbody>
    </table>
  )
}

/** Wires and blade of the fan: together they decide which way the air goes, and how well. */
function Direction({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { fan } = firstCircuit(job)
  if (!fan) return null
  const way = blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  let tell = say`A brushless fan with its wires swapped does not run, or is destroyed.`
  if (way) {
    const weaker = say`, at ${percent(way.effectiveness)}: the blades work the wrong way round`
    tell = say`Air ${
      way.air === 'as marked' ? say`as marked on it` : say`the other way round`
    }${way.effectiveness < 1 ? weaker : ''}${
      way.air === 'reversed' && job.cooling ? say`; at speed it works against the travel` : ''
    }.`
  }
  return (
    <>
      <YesNoField
        label={say`Its two wires are swapped`}
        value={fan.wiresSwapped}
        onChange={(wiresSwapped) => settle((j) => turnFan(j, fan.id, { wiresSwapped }))}
      />
      <YesNoField
        label={say`Its blade is turned over`}
        value={fan.bladeTurned}
        onChange={(bladeTurned) => settle((j) => turnFan(j, fan.id, { bladeTurned }))}
        tell={tell}
      />
      {way?.air === 'reversed' && job.bay && <p className="say say-unsure">{sideInWords(job)}</p>}
      <DirectionTable fan={fan} />
    </>
  )
}

function Duct({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { duct } = job.place
  const change = (part: Partial<Job['place']['duct']>): void => settle((j) => changeDuct(j, part))
  return (
    <>
      <ChoiceField
        label={say`Bends of 90°`}
        value={String(duct.bends)}
        options={Array.from({ length: 21 }, (_, i) => ({ value: String(i), name: String(i) }))}
        onChange={(v) => change({ bends: Number(v) })}
      />
      <YesNoField
        label={say`Splitter in the hose`}
        value={duct.splitter}
        onChange={(splitter) => change({ splitter })}
      />
      <ChoiceField
        label={duct.splitter ? say`Flap leads now to` : say`Hose leads to`}
        value={duct.leadsTo}
        options={[
          { value: 'outside', name: duct.splitter ? say`the outside (summer)` : say`the outside` },
          { value: 'the cab', name: duct.splitter ? say`the cab (winter)` : say`the cab` },
        ]}
        onChange={(leadsTo) => change({ leadsTo })}
      />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, shelf, settle } = props
  const { cooling, bay, place } = job
  const seat = firstCircuit(job).fan?.seat
  return (
    <>
      {jobKinds[job.kind].mountsFan && (
        <>
          {cooling && <BestPlaces {...props} />}
          <h2>{say`How it sits`}</h2>
          <ChoiceField
            label={say`Held by`}
            value={place.mount}
            options={mountsFor(job).map((value) => ({ value, name: mounts[value].name }))}
            onChange={(mount) => settle((j) => changeMount(j, mount))}
            tell={
              bay
                ? say`A hole in the machine: the owner is asked for it.`
                : mountOf(job).coreComesOff || job.newCore
                  ? say`The core comes off: the coolant is drained and refilled.`
                  : say`The core stays on: no coolant steps.`
            }
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
      )}
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
