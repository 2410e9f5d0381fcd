import { type ComponentType, createElement, Fragment } from 'react'
import fc from 'fast-check'
import { stepsOf } from '@/core/build'
import { fanFirst, ownController, withoutUnused } from '@/core/fan-circuit'
import {
  addDebt,
  addLooseJoint,
  addObservation,
  beginSearch,
  clockIn,
  type Job,
  leaveSetting,
  leaveWork,
  noteUnplanned,
  setBudget,
  takeOff,
} from '@/core/job'
import { startedJobs } from '@/core/job/test-support/started'
import { evaluate } from '@/core/margins'
import type { FanPart } from '@/core/parts'
import { findingsOf, runWaitsFor, usualCircumstances } from '@/core/run'
import { addSecondFan, addUnknown } from '@/core/wiring'
import { anyCircuit } from '@/formats/test-support/any-circuit'
import { demoJobs, exampleShelf } from '@/formats/test-support/examples'
import { inOtherUnits } from '@/formats/test-support/other-units'
import { BeforeAfter } from '../after/BeforeAfter'
import { Claims } from '../after/Claims'
import { DaysToCome } from '../after/DaysToCome'
import { SettingsLeft } from '../after/SettingsLeft'
import { Bought } from '../build/Bought'
import { Coolant } from '../build/Coolant'
import { ForNow } from '../build/ForNow'
import { HaveAll } from '../build/HaveAll'
import { LeaveIt } from '../build/Leaving'
import { LooseJoints } from '../build/LooseJoints'
import { NotAsPlanned } from '../build/NotAsPlanned'
import { TakenOff } from '../build/TakenOff'
import { EvidenceStrip } from '../evidence/EvidenceStrip'
import { NoteForm } from '../evidence/NoteForm'
import { begun, kindsFor, observationFrom, ofKind } from '../evidence/noting'
import { Fault } from '../fault'
import { Allowed } from '../machine/Allowed'
import { Baseline, Cure, Ending } from '../machine/Before'
import { Lives } from '../machine/Lives'
import { FanPlug } from '../machine/FanPlug'
import { MechanicalFan } from '../machine/MechanicalFan'
import { Noticed } from '../machine/Noticed'
import { SunHeat } from '../machine/SunHeat'
import { BestPlaces } from '../place/BestPlaces'
import { Clocking } from '../place/Clocking'
import { CoresCompared } from '../place/CoresCompared'
import { Leads } from '../place/Leads'
import { Replacing } from '../place/Replacing'
import { SideAdvice } from '../place/SideAdvice'
import { Dial } from '../prove/Dial'
import Logger from '../prove/Logger'
import type { StationProps } from '../station'
import { DayView } from '../trigger/DayView'
import { LogView } from '../trigger/LogView'
import { MapView } from '../trigger/MapView'
import { ProbeOffset } from '../trigger/ProbeOffset'
import { RunStage } from '../trigger/RunStage'
import { Switches } from '../trigger/Switches'
import { WeatherView } from '../trigger/WeatherView'
import { CutListView } from '../wire/CutListView'
import { FindWire } from '../wire/FindWire'
import { Harness } from '../wire/Harness'
import { Intent } from '../wire/Intent'
import { Joining } from '../wire/Joining'
import { Kit } from '../wire/Kit'
import { Path } from '../wire/Path'
import { Pins } from '../wire/Pins'
import { Route } from '../wire/Route'
import { BreakerOrFuse, Fuses, Sizes } from '../wire/Sizes'
import { UnknownWires } from '../wire/UnknownWires'
import { Ways } from '../wire/Ways'

const AT = '2026-01-15T09:00:00.000Z'
const shelf = exampleShelf()
const nothing = (): void => undefined

const everyRun = (View: ComponentType<StationProps & { readonly n: number }>): ComponentType<StationProps> =>
  function OfEach(props) {
    return createElement(Fragment, {}, ...props.job.runs.map((_, n) => createElement(View, { ...props, n })))
  }

/** Every kind of note that can be taken of a machine, one beneath the other. */
function Notes(props: StationProps) {
  return createElement(
    Fragment,
    {},
    ...kindsFor(props.job).map((kind) =>
      createElement(NoteForm, { ...props, note: ofKind(begun(props.job, null), kind), look: null, onChange: nothing }),
    ),
  )
}

function Unknowns(props: StationProps) {
  return createElement(
    Fragment,
    {},
    ...props.job.wiring.unknowns.map((unknown) => createElement(UnknownWires, { ...props, unknown })),
  )
}

const Otherwise = (props: StationProps) => {
  const [step] = stepsOf(props.job)
  return step ? createElement(NotAsPlanned, { ...props, step, onClose: nothing }) : null
}

/** What a station shows once somebody has asked for it: behind a tab, a fold or a button. */
export const views = {
  Allowed,
  Baseline,
  BeforeAfter,
  BestPlaces,
  Bought,
  Claims,
  Clocking,
  Coolant,
  CoresCompared,
  Cure,
  CutListView,
  DayView,
  DaysToCome,
  Dial,
  Ending,
  EvidenceStrip,
  FanPlug,
  Fault,
  FindWire,
  ForNow,
  Harness,
  HaveAll,
  Intent,
  Joining,
  Kit,
  Leads,
  LeaveIt,
  Lives,
  LogView,
  Logger,
  LooseJoints,
  MapView,
  MechanicalFan,
  Notes,
  Noticed,
  Otherwise,
  Path,
  Pins,
  ProbeOffset,
  Replacing,
  Route,
  RunStage,
  SettingsLeft,
  SideAdvice,
  SunHeat,
  Switches,
  TakenOff,
  Unknowns,
  Ways,
  WeatherView,
  Sizes: everyRun(Sizes),
  Fuses: everyRun(Fuses),
  BreakerOrFuse: everyRun(BreakerOrFuse),
} as const satisfies Readonly<Record<string, ComponentType<StationProps>>>
const perFan =
  /^(BestPlaces|Clocking|CoresCompared|Leads|Replacing|SideAdvice|DayView|LogView|MapView|ProbeOffset|RunStage|Switches|WeatherView|EvidenceStrip)$/

/** A job in which everything that can be noted is noted. */
function busy(job: Job): Job {
  const by = { by: 'Bench one', at: AT }
  const changes: readonly ((j: Job) => Job | { readonly full: string })[] = [
    (j) => addUnknown(addUnknown(j, 'plug', ['red', 'black', 'blue']), 'relay', ['1', '2', '3', '4']),
    (j) => beginSearch(j, [{ move: 'noise', found: 'rubs', typed: '' }], AT),
    (j) => addDebt(j, { what: 'tape on a sleeve', why: 'no tube', dangerous: true, until: '2026-01-10' }, by),
    (j) => leaveWork(j, 'a part is late', 'the shroud', ['machine propped'], by),
    (j) => takeOff(j, { what: 'left cover', kind: 'cover', way: 'two screws', smallParts: 'tin 2' }, AT),
    (j) => noteUnplanned(j, stepsOf(j)[0]!.id, 'something is broken', 'a clip', by),
    (j) => addLooseJoint(j, 'at the plug', AT),
    (j) => clockIn(j, 'Bench one', AT),
    (j) => setBudget(j, 'fan', 100),
    (j) =>
      leaveSetting(
        j,
        { controller: 'controller1', startsC: 88, stopsC: 83, purpose: 'summer', why: 'a hot month' },
        by,
      ),
    ...kindsFor(job).map((kind) => (j: Job) => {
      const seen = { ...ofKind(begun(j, null), kind), seen: kind === 'share' ? 0.4 : 90, fromC: 60, toC: 90, forS: 600 }
      const noted = observationFrom({ ...seen, ...(kind === 'felt' ? { seen: 2, place: 'behind' } : {}) }, new Date(AT))
      return 'trouble' in noted ? j : addObservation(j, noted)
    }),
  ]
  return changes.reduce<Job>((j, change) => {
    const next = change(j)
    if ('full' in next) throw new Error(next.full)
    return next
  }, job)
}

export function propsOf(job: Job, fan: number): StationProps {
  const first = runWaitsFor(job) === null ? findingsOf(job, AT, null).next() : null
  const findings = first && !first.done ? first.value.findings : null
  return {
    job: fanFirst(job, fan),
    fan,
    station: 'wire',
    evaluation: evaluate(job, findings),
    run: {
      runs: null,
      findings,
      stops: [],
      pending: true,
      progress: null,
      message: null,
      circumstances: usualCircumstances,
      suppose: nothing,
    },
    shelf,
    settle: nothing,
    preview: nothing,
    now: () => new Date(AT),
    goTo: nothing,
    sign: () => Promise.resolve(null),
  }
}

export const two = (job: Job): Job =>
  ownController(
    addSecondFan(
      job,
      shelf.find((p): p is FanPart => p.id === 'fan-gale-140')!,
    ),
    1,
  )
export const onlySecond = (job: Job): Job =>
  withoutUnused({ ...job, runs: job.runs.map((r, n) => (n === 0 ? { ...r, controller: null } : r)) })
const demo = demoJobs()
const begunJobs = startedJobs().filter(
  (job, n, all) => all.findIndex((o) => o.kind === job.kind && !o.bay === !job.bay) === n,
)
const jobs = [
  ...begunJobs,
  ...demo,
  // in both systems of units
  ...demo.map(busy),
  ...demo.map(busy),
  two(demo[0]!),
  // only the second one is called
  onlySecond(two(demo[0]!)),
  onlySecond(two(demo[2]!)),
  two(demo[2]!),
  ...fc.sample(anyCircuit, { seed: 11, numRuns: 2 }),
].map((job, n) => (n % 2 ? inOtherUnits(job) : { ...job, units: 'metric' as const }))
const given = jobs.flatMap((job) => job.runs.map((_, fan) => propsOf(job, fan)))

/** A view of every job, from each of its fans where a fan is looked at by itself. */
export const viewedOf = (name: keyof typeof views) => given.filter(({ fan }) => fan === 0 || perFan.test(name))
