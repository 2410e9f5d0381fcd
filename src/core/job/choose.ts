import { probePlaces, type ProbePlace } from '../control'
import { chargeFromRating } from '../electrical'
import { measured, typical } from '../reading'
import type { WireSize } from '../units'
import type { Cooling, Fan, Ground, Job, LeadName, Obstacle, Panel, Run, Seat } from './document'
import type { BatteryPart, Part, ControllerPart, FanPart, ProbePart, RelayPart, SwitchPart } from '../parts'
import { jobKinds } from './kinds'
import { sharesContact } from './wiring/fan-run'
import { proposedSetting } from './propose'
import { tieCare, USUAL_SPAN_K } from './start'

/** Changes of a job by one choice. Each returns a new job and leaves the old one as it was. */

const replaceRun = (job: Job, change: Partial<Run>): Job => ({
  ...job,
  runs: job.runs.map((r, i) => (i === 0 ? { ...r, ...change } : r)),
})

/** Another way for one of the runs. */
export const changeRunOf = (job: Job, id: string, change: Partial<Run>): Job => ({
  ...job,
  runs: job.runs.map((r) => (r.id === id ? { ...r, ...change } : r)),
})
export const changeWiring = (job: Job, change: Partial<Job['wiring']>): Job => ({
  ...job,
  wiring: { ...job.wiring, ...change },
})
export const changeIntent = (job: Job, change: Partial<Job['wiring']['intent']>): Job =>
  changeWiring(job, { intent: { ...job.wiring.intent, ...change } })

/** The fan of the first run; its part is kept as it is now, whatever the shelf does later. */
export const chooseFan = (job: Job, part: FanPart): Job => {
  const old = job.fans.find((f) => f.id === 'fan1')
  const seat =
    job.cooling && jobKinds[job.kind].mountsFan
      ? (old?.seat ?? { core: 0, xM: job.cooling.coreWidthM.value / 2, yM: job.cooling.coreHeightM.value / 2 })
      : null
  const fan = { id: 'fan1', part, seat, wiresSwapped: false, bladeTurned: false }
  return replaceRun({ ...job, fans: [fan, ...job.fans.filter((f) => f.id !== 'fan1')] }, { fan: 'fan1' })
}

const changeFan = (job: Job, id: string, change: Partial<Pick<Fan, 'seat' | 'wiresSwapped' | 'bladeTurned'>>): Job => ({
  ...job,
  fans: job.fans.map((f) => (f.id === id ? { ...f, ...change } : f)),
})

/** to a tenth of a millimetre: finer than anybody can place a fan */
const settled = ({ core, xM, yM }: Seat): Seat => ({
  core,
  xM: Math.round(xM * 1e4) / 1e4,
  yM: Math.round(yM * 1e4) / 1e4,
})

export const moveFan = (job: Job, id: string, seat: Seat): Job => changeFan(job, id, { seat: settled(seat) })
export const turnFan = (job: Job, id: string, change: Partial<Pick<Fan, 'wiresSwapped' | 'bladeTurned'>>): Job =>
  changeFan(job, id, change)
export const moveProbe = (job: Job, id: string, seat: Seat): Job => ({
  ...job,
  probes: job.probes.map((p) => (p.id === id ? { ...p, seat: settled(seat) } : p)),
})

export const changePlace = (job: Job, change: Partial<Job['place']>): Job => ({
  ...job,
  place: { ...job.place, ...change },
})
/** Another way of holding the fan; ties bring their own look after the first hour, and take it with them. */
export function changeMount(job: Job, mount: Job['place']['mount']): Job {
  const others = job.after.filter((a) => a.id !== tieCare.id || a.doneOn !== null)
  const cared = others.some((a) => a.id === tieCare.id)
  return {
    ...changePlace(job, { mount }),
    after:
      mount === 'ties' && !cared
        ? [...others, { id: tieCare.id, what: tieCare.what, dueOn: null, doneOn: null }]
        : others,
  }
}
export const changeCooling = (job: Job, change: Partial<Cooling>): Job => ({
  ...job,
  cooling: job.cooling && { ...job.cooling, ...change },
})
export const changeBay = (job: Job, change: Partial<NonNullable<Job['bay']>>): Job => ({
  ...job,
  bay: job.bay && { ...job.bay, ...change },
})

/** share blocked at 14 fins per inch by each kind of ground (estimates). @see typical.md */
const blocks: Readonly<Record<Ground, number>> = { clean: 0, dust: 0.1, 'mud or seed fluff': 0.3 }

/** Another ground brings its own share, typical again. */
export const changeGround = (job: Job, ground: Ground): Job => ({
  ...job,
  surroundings: { ...job.surroundings, ground, blockedShare: typical(blocks[ground]) },
})

/** an id that nothing in the list has yet */
export const freshId = (stem: string, list: readonly { readonly id: string }[]): string => {
  let n = list.length + 1
  while (list.some((e) => e.id === `${stem}${n}`)) n++
  return `${stem}${n}`
}

/**
 * Where things of each kind usually are, in widths and heights of the core: a tube beside it, a pipe further down, a
 * fork above.
 */
const usually: Readonly<
  Record<
    Obstacle['kind'],
    { readonly left: number; readonly top: number; readonly wide: number; readonly high: number }
  >
> = {
  fixed: { left: 1.08, top: 0, wide: 0.22, high: 1 },
  exhaust: { left: 1.4, top: 0.65, wide: 0.3, high: 0.35 },
  moves: { left: -0.15, top: -0.15, wide: 0.45, high: 0.28 },
}

/** Something near the core, about where such a thing usually is until it is measured; each next one a little aside. */
export function addObstacle(job: Job, kind: Obstacle['kind'], name: string): Job {
  const { cooling, place } = job
  if (!cooling) return job
  const [w, h] = [cooling.coreWidthM.value, cooling.coreHeightM.value]
  const { left, top, wide, high } = usually[kind]
  const aside = 0.06 * w * place.obstacles.filter((o) => o.kind === kind).length
  const about = (m: number) => typical(Math.round(m * 1000) / 1000, 0.01)
  const obstacle: Obstacle = {
    id: freshId('near', place.obstacles),
    name,
    kind,
    side: place.side === 'puller' ? 'behind' : 'front',
    core: job.fans[0]?.seat?.core ?? 0,
    fromLeftM: about(left * w + aside),
    fromTopM: about(top * h + aside),
    wideM: about(wide * w),
    highM: about(high * h),
    freeM: typical(0.02),
    travelM: kind === 'moves' ? typical(0.02) : typical(0, 0),
  }
  return changePlace(job, { obstacles: [...place.obstacles, obstacle] })
}
export const changeObstacle = (job: Job, id: string, change: Partial<Obstacle>): Job =>
  changePlace(job, { obstacles: job.place.obstacles.map((o) => (o.id === id ? { ...o, ...change } : o)) })
export const dropObstacle = (job: Job, id: string): Job =>
  changePlace(job, { obstacles: job.place.obstacles.filter((o) => o.id !== id) })

export function addPanel(job: Job, name: string): Job {
  if (!job.bay) return job
  const like = job.bay.panels[0]!
  return changeBay(job, {
    panels: [
      ...job.bay.panels,
      {
        ...like,
        id: freshId('panel', job.bay.panels),
        name,
        faces: 'neither',
        flywheel: 'neither',
        wideM: typical(like.wideM.value),
        highM: typical(like.highM.value),
        freeM: typical(like.freeM.value),
      },
    ],
  })
}
export const changePanel = (job: Job, id: string, change: Partial<Panel>): Job =>
  job.bay ? changeBay(job, { panels: job.bay.panels.map((p) => (p.id === id ? { ...p, ...change } : p)) }) : job
/** The last panel stays: a fan has to sit somewhere. */
export function dropPanel(job: Job, id: string): Job {
  if (!job.bay || job.bay.panels.length < 2) return job
  const panels = job.bay.panels.filter((p) => p.id !== id)
  return changePlace(changeBay(job, { panels }), { panel: job.place.panel === id ? panels[0]!.id : job.place.panel })
}

/** Says whether the engine has a fan of its own, with a guess of what it moves. */
export const changeFlywheel = (job: Job, has: boolean): Job =>
  changeBay(job, {
    flywheel: has ? (job.bay?.flywheel ?? { freeFlowM3s: typical(0.08), maxPressurePa: typical(150) }) : null,
  })

const withLegs = (job: Job, lead: LeadName, legs: Job['place']['leads'][LeadName]): Job =>
  changePlace(job, { leads: { ...job.place.leads, [lead]: legs } })
export const addLeg = (job: Job, lead: LeadName, name: string): Job =>
  withLegs(job, lead, [
    ...job.place.leads[lead],
    { id: freshId('leg', job.place.leads[lead]), name, lengthM: typical(0.1) },
  ])
export const dropLeg = (job: Job, lead: LeadName, id: string): Job =>
  job.place.leads[lead].length > 1
    ? withLegs(
        job,
        lead,
        job.place.leads[lead].filter((l) => l.id !== id),
      )
    : job

/** The fan that is there now, to hold the chosen one against. */
export const chooseOldFan = (job: Job, part: FanPart | null): Job => ({ ...job, oldFan: part && { part } })

/** The controller of the first run, with the probe that comes with it and a proposed setting. */
export function chooseController(job: Job, part: ControllerPart, supplied: ProbePart | null): Job {
  const probes = supplied ? job.probes.map((p, i) => (i === 0 ? { ...p, part: supplied } : p)) : job.probes
  const chosen = replaceRun(
    {
      ...job,
      probes,
      controllers: [
        { id: 'controller1', part, setC: 90, bandK: 5, spanK: USUAL_SPAN_K },
        ...job.controllers.filter((c) => c.id !== 'controller1'),
      ],
    },
    { controller: 'controller1' },
  )
  const setting = proposedSetting(chosen)
  return setting ? changeSetting(chosen, 'controller1', setting.setC, setting.bandK) : chosen
}

export const chooseProbe = (job: Job, part: ProbePart): Job => ({
  ...job,
  probes: job.probes.map((p, i) => (i === 0 ? { ...p, part } : p)),
})

export const chooseRelay = (job: Job, part: RelayPart): Job =>
  replaceRun(
    { ...job, relays: [{ id: 'relay1', part }, ...job.relays.filter((r) => r.id !== 'relay1')] },
    { relay: 'relay1', switchedBy: 'relay' },
  )

export const chooseKeySwitch = (job: Job, part: SwitchPart): Job =>
  replaceRun(
    { ...job, switches: [{ id: 'key1', part }, ...job.switches.filter((x) => x.id !== 'key1')] },
    { keySwitch: 'key1' },
  )

/** The part that override or isolator is. */
export const chooseSwitch = (job: Job, role: 'override' | 'isolator', part: SwitchPart): Job =>
  changeWiring(
    { ...job, switches: [...job.switches.filter((x) => x.id !== role), { id: role, part }] },
    role === 'override' ? { overrideSwitch: role } : { isolatorSwitch: role },
  )

/** How the first run is fed, switched and brought back. */
export const changeRun = (
  job: Job,
  change: Partial<Pick<Run, 'source' | 'switchedBy' | 'frame' | 'crimps' | 'rings'>>,
): Job => replaceRun(job, change)

export const changeSizes = (
  job: Job,
  size: WireSize | null,
  ids: readonly string[] = job.runs.flatMap((r) => r.conductors),
): Job => ({ ...job, conductors: job.conductors.map((c) => (ids.includes(c.id) ? { ...c, size } : c)) })

/**
 * Puts a fuse into a run and every run that hangs on the same one, or takes it out (null): without one the job cannot
 * be signed.
 * @param n which run, 0 the first
 */
export function changeFuse(job: Job, ratingA: number | null, kind?: 'blade' | 'breaker', n = 0): Job {
  const run = job.runs[n]!
  const here = (r: Run): boolean =>
    r.id === run.id || (run.fuse !== null && r.fuse === run.fuse) || sharesContact(r, run)
  const old = job.fuses.find((f) => f.id === run.fuse)
  if (ratingA === null)
    return {
      ...job,
      fuses: job.fuses.filter((f) => f.id !== run.fuse),
      runs: job.runs.map((r) => (here(r) ? { ...r, fuse: null } : r)),
    }
  const fuse = {
    ...(old ?? {
      id: freshId('fuse', job.fuses),
      kind: 'blade' as const,
      fromPostM: typical(0.15),
      ambientC: typical(40),
    }),
    ...(kind ? { kind } : {}),
    ratingA,
  }
  return {
    ...job,
    fuses: old ? job.fuses.map((f) => (f.id === fuse.id ? fuse : f)) : [...job.fuses, fuse],
    runs: job.runs.map((r) => (here(r) ? { ...r, fuse: fuse.id } : r)),
  }
}

/** A ramp's span. */
export const changeSpan = (job: Job, controllerId: string, spanK: number): Job => ({
  ...job,
  controllers: job.controllers.map((c) => (c.id === controllerId ? { ...c, spanK } : c)),
})
export const changeSetting = (job: Job, controllerId: string, setC: number, bandK: number): Job => ({
  ...job,
  controllers: job.controllers.map((c) => (c.id === controllerId ? { ...c, setC, bandK } : c)),
})

/** Another place for the probe brings its own share and overshoot, typical again. */
export const changeProbePlace = (job: Job, place: ProbePlace): Job => ({
  ...job,
  probes: job.probes.map((p, i) =>
    i === 0
      ? {
          ...p,
          place,
          kappa: typical(probePlaces[place].kappa, place === 'threaded' ? 0 : 0.1),
          overshootK: typical(probePlaces[place].overshootK),
        }
      : p,
  ),
})

/** Charging known from the rating, or from a clamp at three speeds, which begin as what the rating promises. */
export function changeCharging(job: Job, known: 'rating' | 'points'): Job {
  if (known === 'rating' || job.charging.points.length) return { ...job, charging: { ...job.charging, known } }
  const { ratedA, ratedRpm } = job.charging
  const { engine } = job
  if (!engine) return job
  const points = (['idle', 'slow', 'cruise'] as const).map((id) => {
    const rpm = engine[`${id}Rpm`].value
    return {
      id,
      rpm: measured(rpm, 50),
      currentA: typical(chargeFromRating(rpm, ratedA.value, ratedRpm.value, engine.idleRpm.value).value),
    }
  })
  return { ...job, charging: { ...job.charging, known, points } }
}

/** Two 12 V batteries in series: a regulator's voltage that is still a guess doubles with them. */
export function changeSystemVoltage(job: Job, systemV: 12 | 24): Job {
  const { regulatorV } = job.charging
  const guess = regulatorV.source === 'typical'
  return {
    ...job,
    machine: { ...job.machine, systemV },
    charging: guess
      ? { ...job.charging, regulatorV: { ...regulatorV, value: 14.2 * (systemV / 12), spread: 0.3 * (systemV / 12) } }
      : job.charging,
  }
}

/** The complaint's own figures, noted on a run before anything comes apart. */
export const changeComplaintReading = (job: Job, which: 'after' | 'aboveC', value: number, typed: string): Job => ({
  ...job,
  complaint: { ...job.complaint, [which]: { value, source: 'measured', typed } },
})

/** The first battery's figures from its label. */
export const takeBatteryLabel = (job: Job, { chemistry, hourRateH, capacityAh, coldCrankingA }: BatteryPart): Job => ({
  ...job,
  batteries: job.batteries.map((b, i) =>
    i === 0
      ? {
          ...b,
          kind: chemistry,
          hourRateH,
          capacityAh,
          coldCrankingA: b.crankingA === null ? null : (coldCrankingA ?? b.coldCrankingA),
        }
      : b,
  ),
})

/** Parts that a job keeps copies of, with the lists they stand in. */
const lists = ['fans', 'controllers', 'relays', 'switches', 'probes'] as const

/** Every part that the job has chosen, as it was when chosen. */
export const chosenParts = (job: Job): Part[] =>
  lists.flatMap((l) => job[l].flatMap((e): Part[] => (e.part ? [e.part] : [])))

/** Takes up a part as the shelf has it now, in place of the copy with the same id; what was set stays as it is. */
export function takeUpPart(job: Job, part: Part): Job {
  const swap = <E extends { readonly part: Part | null }>(entries: readonly E[]): E[] =>
    entries.map((e) => (e.part?.id === part.id && e.part.kind === part.kind ? { ...e, part } : e))
  return {
    ...job,
    fans: swap(job.fans),
    controllers: swap(job.controllers),
    relays: swap(job.relays),
    switches: swap(job.switches),
    probes: swap(job.probes),
  }
}

/** How one of a machine's "is a fan the cure?" questions was answered; null takes the answer back. */
export const answerCheck = (job: Job, id: string, found: 'ruled out' | 'looks like it' | null, at: string): Job => ({
  ...job,
  checks: [...job.checks.filter((c) => c.id !== id), ...(found ? [{ id, found, at }] : [])],
})
