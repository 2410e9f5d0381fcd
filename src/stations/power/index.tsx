'use client'

import { Coming, persistently } from '@/ui/persistently'
import { powerFlows, servingBattery } from '@/core/fan-circuit'
import { afterKeyOff, goesOn } from '@/core/wiring'
import dynamic from 'next/dynamic'
import { Bench } from '@/core/reading'
import {
  type Battery,
  changeCharging,
  changeTrailer,
  type Job,
  lookupOf,
  outlivesKey,
  takeBatteryLabel,
} from '@/core/job'
import { batteryOutlook, type Findings, outcomeNames } from '@/core/margins'
import { batteryKindName, batteryKinds } from '@/core/electrical'
import { format, nearestInOtherSystem, sizesOf, percent } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { say } from '@/core/words'

/** the chart package is only fetched when this station is looked at */
const FlowChart = dynamic(() => persistently(() => import('./FlowChart')), {
  ssr: false,
  loading: () => <Coming height={300} />,
})

/** A state that a run tells a share of, as it stands behind that. */
const atState: Readonly<Partial<Record<(typeof outcomeNames)[number], string>>> = {
  'share, idle': say`at idle`,
  'share, slow work': say`at slow work`,
  'share, cruise': say`at cruise`,
  'share, towed': say`towed`,
  'share, on its charger': say`on its charger`,
  'share, standing alone': say`standing alone`,
}

/** "89 % at slow work" for each state in which a run has had the fan */
const flowShares = (found: Findings | null): string[] =>
  found
    ? outcomeNames.flatMap((n) =>
        atState[n] && found.outcomes[n] ? [`${percent(found.outcomes[n].value)} ${atState[n]}`] : [],
      )
    : []

/** What the battery alone bears, each against what is asked of it. */
function Outlook({ job }: Pick<StationProps, 'job'>) {
  const u = job.units
  const { aloneS, standingS, crankingWithV, crankingWithoutV, crankingFloorV } = batteryOutlook(
    job,
    new Bench(lookupOf(job)),
  )
  const asked = outlivesKey(job) ? job.use.afterRunS.value : null
  const wanted = job.trailer ? job.trailer.aloneS.value : asked
  const unasked = goesOn(afterKeyOff(job))
    ? say`not wanted, but as it is wired it goes on`
    : say`not wanted: with the key only`
  const time = job.trailer ? 'hours' : 'minutes'
  const rows: readonly (readonly [name: string, value: string, against: string, short: boolean])[] = [
    ...(aloneS === null
      ? []
      : ([
          [
            job.trailer ? say`standing alone, everything on` : say`fan alone after switch-off`,
            format(aloneS, time, u, 3),
            wanted === null ? unasked : say`${format(wanted, time, u, 3)} wanted`,
            // how long it goes on unasked a run tells, and Battery judges
            wanted !== null && aloneS < wanted,
          ],
        ] as const)),
    ...(standingS === null
      ? []
      : ([
          [
            say`standing, controller connected`,
            format(standingS, 'days', u, 3),
            say`${format(job.use.standsS.value, 'days', u, 3)} it stands`,
            standingS < job.use.standsS.value,
          ],
        ] as const)),
    ...(crankingWithoutV === null
      ? []
      : ([
          [
            say`cranking, fan still`,
            format(crankingWithoutV, 'voltage', u, 3),
            say`${format(crankingFloorV, 'voltage', u, 3)} at least`,
            crankingWithoutV < crankingFloorV,
          ],
        ] as const)),
    ...(crankingWithV === null
      ? []
      : ([
          [
            say`cranking, fan running`,
            format(crankingWithV, 'voltage', u, 3),
            job.use.fanWhileCranking
              ? say`${format(crankingFloorV, 'voltage', u, 3)} at least`
              : say`it may not run
              then`,
            job.use.fanWhileCranking && crankingWithV < crankingFloorV,
          ],
        ] as const)),
  ]
  if (!rows.length) return null
  return (
    <>
      <h2 className="mt-3">{say`What the battery bears, on the coldest day`}</h2>
      <table className="plain-table">
        <tbody>
          {rows.map(([name, value, against, short]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td className={`figure-text ${short ? 'verdict-short' : ''}`}>
                {value}
                {short ? say`, short` : ''}
              </td>
              <td className="soft">{against}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

/** @param breakevenRpm from which engine speed on nothing is taken from the battery; null: from none */
function whatIsLeft(job: Job, flows: ReturnType<typeof powerFlows>['flows'], breakevenRpm: number | null): string {
  const u = job.units
  if (job.fans.length === 0) return say`No fan is chosen yet: only the other loads stand here. `
  if (job.trailer) {
    const told = flows
      .filter((f) => f.chargeA > 0)
      .map((f) => {
        const way = f.netA >= 0 ? say`left for` : say`taken from`
        const left = `${format(Math.abs(f.netA), 'current', u, 2)} ${way}`
        const carried = Math.round(f.largestShare * 100)
        return say`${f.name}: ${left} the battery, the fan carried ${carried} % of the time`
      })
    return `${told.join('; ')}. `
  }
  return breakevenRpm === null
    ? say`With the fan running all the time nothing is left over at any engine speed. `
    : say`Nothing is taken from the battery from ${format(breakevenRpm, 'engineSpeed', u, 2)} up. `
}

function Stage({ job, run }: StationProps) {
  const shares = flowShares(run.findings)
  const { flows, breakevenRpm } = powerFlows(job, new Bench(lookupOf(job)))
  const [first] = flows
  return (
    <>
      <h2>{say`What comes in, and what is taken out`}</h2>
      <FlowChart flows={flows} />
      <p className="say">
        {whatIsLeft(job, flows, breakevenRpm)}
        {job.fans.length > 0 &&
          !job.trailer &&
          say`At idle it can carry the fan ${percent(first!.largestShare)} of the time.`}
      </p>
      <p className="soft small">
        {shares.length
          ? say`Here the fan counts as running all the time. The run of “${run.findings!.day}” on the hottest day has
            it on ${shares.join(', ')}, and Charge is told from that.`
          : say`The fan counts as running all the time until a run is worked out.`}
      </p>
      <Outlook job={job} />
      {job.trailer && (
        <p className="say say-short">
          {say`Road-lighting circuits are never the source: only a pin meant for charging, with its own fuse at the
            tow vehicle.`}
        </p>
      )}
    </>
  )
}

const changeUse = (job: Job, part: Partial<Job['use']>): Job => ({ ...job, use: { ...job.use, ...part } })
const changeBattery = (job: Job, part: Partial<Battery>): Job => ({
  ...job,
  batteries: job.batteries.map((b, i) => (i === 0 ? { ...b, ...part } : b)),
})

function Tray(props: StationProps) {
  const { job, settle } = props
  const battery = servingBattery(job)
  return (
    <>
      {job.trailer ? (
        <>
          <h2>{say`How it is fed`}</h2>
          <ChoiceField
            label={say`Tow cable`}
            value={job.trailer.cableSize ?? ''}
            options={[
              ...(job.trailer.cableSize ? [] : [{ value: '' as const, name: say`choose …` }]),
              ...sizesOf(job.units).map((v) => ({ value: v, name: `${v} (${nearestInOtherSystem(v)})` })),
              ...(job.trailer.cableSize && !sizesOf(job.units).includes(job.trailer.cableSize)
                ? [{ value: job.trailer.cableSize, name: job.trailer.cableSize }]
                : []),
            ]}
            onChange={(v) => {
              if (v) settle((j) => changeTrailer(j, { cableSize: v }))
            }}
          />
          <Readings {...props} station="power" only={(a) => /^(trailer|charging)/.test(a)} />
        </>
      ) : (
        <>
          <h2>{say`Charging`}</h2>
          <ChoiceField
            label={say`Known by`}
            value={job.charging.known}
            options={[
              { value: 'rating', name: say`its rated output` },
              { value: 'points', name: say`a clamp at three speeds` },
            ]}
            onChange={(known) => settle((j) => changeCharging(j, known))}
          />
          <Readings {...props} station="power" only={(a) => a.startsWith('charging')} />
        </>
      )}
      <h2>{say`Battery`}</h2>
      <ChoiceField
        label={say`Kind`}
        value={battery.kind}
        options={batteryKinds.map((value) => ({ value, name: batteryKindName(value) }))}
        onChange={(kind) => settle((j) => changeBattery(j, { kind }))}
      />
      <PartPicker
        system={job.units}
        kind="battery"
        label={say`Take figures of`}
        shelf={props.shelf}
        chosen={null}
        onChoose={(part) => settle((j) => takeBatteryLabel(j, part))}
      />
      <Readings {...props} station="power" only={(a) => a.startsWith('batteries') || a.startsWith('controllers')} />
      <h2>{say`When it may run`}</h2>
      {!job.trailer && (
        <>
          <ChoiceField
            label={say`Live`}
            value={job.use.live}
            options={[
              { value: 'key only', name: say`with the key only` },
              { value: 'after-run', name: say`also after switch-off` },
              { value: 'isolator', name: say`by its own isolator` },
              { value: 'whenever hot', name: say`whenever it is hot, key or not` },
            ]}
            onChange={(live) => settle((j) => changeUse(j, { live }))}
          />
          <YesNoField
            label={say`May run while cranking`}
            value={job.use.fanWhileCranking}
            onChange={(fanWhileCranking) => settle((j) => changeUse(j, { fanWhileCranking }))}
          />
        </>
      )}
      <Readings {...props} station="power" only={(a) => a.startsWith('use')} />
    </>
  )
}

export const powerStation: StationView = { Stage, Tray }
