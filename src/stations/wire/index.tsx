'use client'

import { firstCircuit } from '@/core/fan-circuit'
import { memo, useDeferredValue } from 'react'
import { usePathname } from 'next/navigation'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import {
  changeFuse,
  changeIntent,
  changeRun,
  changeSizes,
  changeWiring,
  chooseKeySwitch,
  chooseRelay,
  chooseSwitch,
  controlIntents,
  type Feed,
  feeds,
  type Job,
  otherSystems,
  parkedIntents,
} from '@/core/job'
import { bladeRatings } from '@/core/electrical'
import { nearestInOtherSystem, sizesOf, type UnitSystem, type WireSize } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { CircuitView } from './CircuitView'
import { CutListView } from './CutListView'
import { FindWire } from './FindWire'
import { Harness } from './Harness'
import { Fuses, Sizes } from './Sizes'
import { Ways } from './Ways'

const [Circuit, Cut] = [memo(CircuitView), memo(CutListView)]

function Stage({ job, shelf, settle }: StationProps) {
  // the margins follow every key; the circuit, its table and the cut list when there is time
  const calm = useDeferredValue(job)
  const { edits, unknowns } = job.wiring
  const files = `/api${usePathname()}`
  return (
    <Tabs defaultActiveKey="circuit" id="wire-views" mountOnEnter unmountOnExit className="mb-3">
      <Tab eventKey="circuit" title="Circuit">
        <Circuit job={calm} files={files} />
      </Tab>
      <Tab eventKey="ways" title="Ways to wire it">
        <Ways job={calm} shelf={shelf} settle={settle} />
      </Tab>
      <Tab eventKey="sizes" title="Sizes and fuse">
        {job.runs.map((run, n) => (
          <section key={run.id} className="mb-3" aria-label={job.runs.length > 1 ? `Fan ${n + 1}` : 'Sizes and fuse'}>
            <Sizes job={job} settle={settle} n={n} />
            {(n === 0 || run.fuse === null || run.fuse !== firstCircuit(job).run.fuse) && (
              <Fuses job={job} settle={settle} n={n} />
            )}
          </section>
        ))}
        <p className="say say-short">Fuse before load. Battery first off and last on; keep the positive covered.</p>
      </Tab>
      <Tab eventKey="cut" title="Cut list">
        <Cut job={calm} shelf={shelf} settle={settle} />
        <p className="mt-3">
          <a href={`${files}/cut-list.csv`}>Cut list as CSV</a>
        </p>
      </Tab>
      <Tab eventKey="harness" title={edits.length ? `Harness (${edits.length})` : 'Harness'}>
        <Harness job={job} shelf={shelf} settle={settle} />
      </Tab>
      <Tab eventKey="find" title={unknowns.length ? `Unknown wires (${unknowns.length})` : 'Unknown wires'}>
        <FindWire job={job} settle={settle} />
      </Tab>
    </Tabs>
  )
}

const sizeOptions = (units: UnitSystem, present: WireSize | null): { value: WireSize | ''; name: string }[] => {
  const own = sizesOf(units)
  return [
    ...(present === null ? [{ value: '' as const, name: 'choose …' }] : []),
    ...(present && !own.includes(present) ? [present] : []),
    ...own,
  ].map((s) => (typeof s === 'string' ? { value: s, name: `${s} (${nearestInOtherSystem(s)})` } : s))
}

const limits = (job: Job, part: Partial<Job['limits']>): Job => ({ ...job, limits: { ...job.limits, ...part } })
const named = <const V extends string>(
  values: readonly V[],
  names: Partial<Record<V, string>> = {},
): { value: V; name: string }[] => values.map((value) => ({ value, name: names[value] ?? value }))

const feedNames: Readonly<Record<Feed, string>> = {
  battery: 'the battery, fused',
  'key switch': 'a wire behind the key switch',
  'accessory block': 'an accessory block',
  'existing plug': "the loom's own plug",
  'road lights': 'a road-lighting wire',
}
const feedsFor = (job: Job): Feed[] =>
  feeds.filter((f) => (job.engine === null ? f === 'battery' || f === 'road lights' : f !== 'road lights'))

/** What the mechanic wants of the circuit, in plain choices. */
function Intent(props: StationProps) {
  const { job, settle } = props
  const { intent } = job.wiring
  return (
    <>
      <h2>What is wanted</h2>
      {job.engine !== null && (
        <ChoiceField
          label="Fan may be live"
          value={job.use.live}
          options={[
            { value: 'key only', name: 'only with the key' },
            { value: 'after-run', name: 'also after switch-off, so long' },
            { value: 'isolator', name: 'by its own isolator' },
          ]}
          onChange={(live) => settle((j) => ({ ...j, use: { ...j.use, live } }))}
        />
      )}
      {job.use.live === 'after-run' && <Readings {...props} station="power" only={(a) => a === 'use.afterRunS'} />}
      <ChoiceField
        label="Run by"
        value={intent.control}
        options={named(controlIntents)}
        onChange={(control) => settle((j) => changeIntent(j, { control }))}
      />
      <ChoiceField
        label="Controller dead"
        value={intent.ifControllerDies}
        options={[
          { value: 'nothing', name: 'nothing has to work' },
          { value: 'the override', name: 'the override must work' },
        ]}
        onChange={(ifControllerDies) => settle((j) => changeIntent(j, { ifControllerDies }))}
      />
      <ChoiceField
        label="Dead when parked"
        value={intent.deadWhenParked}
        options={named(parkedIntents)}
        onChange={(deadWhenParked) => settle((j) => changeIntent(j, { deadWhenParked }))}
      />
      <ChoiceField
        label="May also be called by"
        value={intent.alsoFor}
        options={named(otherSystems)}
        onChange={(alsoFor) => settle((j) => changeIntent(j, { alsoFor }))}
      />
    </>
  )
}

/** How the circuit is built. */
function Path({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const { run } = firstCircuit(job)
  const { wiring } = job
  const part = (id: string | null) => job.switches.find((s) => s.id === id)?.part ?? null
  const rated = wiring.feedRatedA
  return (
    <>
      <h2>How it is wired</h2>
      <ChoiceField
        label="Fed from"
        value={run.source}
        options={named(feedsFor(job), feedNames)}
        onChange={(source) =>
          settle((j) => ({
            ...changeRun(j, { source }),
            runs: changeRun(j, { source }).runs.map((r) => ({ ...r, source })),
          }))
        }
      />
      {/block|plug/.test(run.source) && (
        <ChoiceField
          label="It may be loaded with"
          value={rated === null ? '' : String(rated)}
          options={[
            { value: '', name: 'not known' },
            ...[...new Set([...[3, 5, 7.5, 10, 15, 20, 25, 30, 40], ...(rated === null ? [] : [rated])])]
              .sort((a, b) => a - b)
              .map((a) => ({ value: String(a), name: `${a} A` })),
          ]}
          onChange={(v) => settle((j) => changeWiring(j, { feedRatedA: v === '' ? null : Number(v) }))}
        />
      )}
      <ChoiceField
        label="Switched by"
        value={run.switchedBy}
        options={[
          { value: 'relay', name: 'a relay' },
          { value: 'controller', name: "the controller's own contact" },
        ]}
        onChange={(switchedBy) => settle((j) => changeRun(j, { switchedBy }))}
      />
      {run.switchedBy === 'relay' && (
        <PartPicker
          kind="relay"
          label="Relay"
          shelf={shelf}
          chosen={job.relays.find((r) => r.id === run.relay)?.part ?? null}
          onChoose={(p) => settle((j) => chooseRelay(j, p))}
        />
      )}
      <ChoiceField
        label="Thermostat switches"
        value={wiring.side}
        options={[
          { value: 'positive', name: 'the positive side' },
          { value: 'ground', name: 'the ground side' },
        ]}
        onChange={(side) => settle((j) => changeWiring(j, { side }))}
      />
      {job.engine !== null && (
        <ChoiceField
          label="Coil and controller draw"
          value={wiring.controlFrom}
          options={[
            { value: 'key', name: 'behind the key' },
            { value: 'feed', name: "from the fan's own feed" },
          ]}
          onChange={(controlFrom) => settle((j) => changeWiring(j, { controlFrom }))}
        />
      )}
      {job.engine !== null && (
        <PartPicker
          kind="switch"
          label="Key switch"
          shelf={shelf}
          chosen={part(run.keySwitch)}
          onChoose={(p) => settle((j) => chooseKeySwitch(j, p))}
        />
      )}
      <ChoiceField
        label="Override is"
        value={wiring.override}
        options={[
          { value: 'none', name: 'none' },
          ...(job.engine === null ? [] : [{ value: 'key' as const, name: 'behind the key' }]),
          { value: 'feed', name: "from the fan's own feed" },
        ]}
        onChange={(override) => settle((j) => changeWiring(j, { override }))}
      />
      {wiring.override !== 'none' && (
        <PartPicker
          kind="switch"
          label="Override switch"
          shelf={shelf}
          chosen={part(wiring.overrideSwitch)}
          onChoose={(p) => settle((j) => chooseSwitch(j, 'override', p))}
        />
      )}
      <YesNoField
        label="Own isolator"
        value={wiring.isolator}
        onChange={(isolator) => settle((j) => changeWiring(j, { isolator }))}
      />
      {wiring.isolator && (
        <PartPicker
          kind="switch"
          label="Which isolator"
          shelf={shelf}
          chosen={part(wiring.isolatorSwitch)}
          onChoose={(p) => settle((j) => chooseSwitch(j, 'isolator', p))}
        />
      )}
      {job.engine !== null && (
        <YesNoField
          label="After-run timer"
          value={wiring.timer}
          onChange={(timer) => settle((j) => changeWiring(j, { timer }))}
        />
      )}
      <YesNoField
        label="Other system’s call"
        value={wiring.call}
        onChange={(call) => settle((j) => changeWiring(j, { call }))}
      />
      <YesNoField
        label="Lamp: fan is live"
        value={wiring.lamp}
        onChange={(lamp) => settle((j) => changeWiring(j, { lamp }))}
      />
      <ChoiceField
        label="It comes back"
        value={run.frame ? 'frame' : 'battery'}
        options={[
          { value: 'battery', name: 'to the battery' },
          { value: 'frame', name: 'through the frame' },
        ]}
        onChange={(v) => settle((j) => changeRun(j, { frame: v === 'frame' }))}
      />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  const fanWires = job.conductors.filter((c) => job.runs.some((r) => r.conductors.includes(c.id)))
  const ofFan = (id: string): string => {
    const n = job.runs.findIndex((r) => r.conductors.includes(id))
    return job.runs.length > 1 ? ` of fan ${n + 1}` : ''
  }
  return (
    <>
      <Intent {...props} />
      <Path {...props} />
      <h2>Fuse</h2>
      {job.runs.map((run, n) => {
        const fuse = job.fuses.find((f) => f.id === run.fuse)
        if (n > 0 && run.fuse !== null && run.fuse === firstCircuit(job).run.fuse) return null
        const which = job.runs.length > 1 ? `, fan ${n + 1}` : ''
        return (
          <div key={run.id}>
            <ChoiceField
              label={`Rating${which}`}
              value={fuse ? String(fuse.ratingA) : ''}
              options={[
                { value: '', name: 'none fitted' },
                ...bladeRatings.map((r) => ({ value: String(r), name: `${r} A` })),
              ]}
              onChange={(v) => settle((j) => changeFuse(j, v === '' ? null : Number(v), undefined, n))}
            />
            {fuse && (
              <ChoiceField
                label={`Form${which}`}
                value={fuse.kind}
                options={[
                  { value: 'blade', name: 'blade fuse' },
                  { value: 'breaker', name: 'breaker' },
                ]}
                onChange={(kind) => settle((j) => changeFuse(j, fuse.ratingA, kind, n))}
              />
            )}
          </div>
        )
      })}
      <Readings {...props} station="wire" only={(a) => a.startsWith('fuses')} />
      <h2>Conductors</h2>
      {fanWires.map((c) => (
        <ChoiceField
          key={c.id}
          label={`${c.role === 'feed' ? 'Feed' : 'Way back'}${ofFan(c.id)}`}
          value={c.size ?? ''}
          options={sizeOptions(job.units, c.size)}
          onChange={(v) => {
            if (v) settle((j) => changeSizes(j, v, [c.id]))
          }}
        />
      ))}
      <Readings {...props} station="wire" only={(a) => a.startsWith('conductors') || a.startsWith('runs')} />
      <h2>Limits</h2>
      <ChoiceField
        label="May be lost in wires"
        value={String(job.limits.dropShare) as '0.02' | '0.03' | '0.05' | '0.1'}
        options={[
          { value: '0.02', name: '2 %' },
          { value: '0.03', name: '3 %' },
          { value: '0.05', name: '5 %' },
          { value: '0.1', name: '10 %' },
        ]}
        onChange={(v) => settle((j) => limits(j, { dropShare: Number(v) as Job['limits']['dropShare'] }))}
      />
      <ChoiceField
        label="Least for strength"
        value={job.limits.leastAreaM2 === 0.5e-6 ? '0.5' : '0.75'}
        options={[
          { value: '0.75', name: '0.75 mm² (18 AWG)' },
          { value: '0.5', name: '0.5 mm² (20 AWG)' },
        ]}
        onChange={(v) => settle((j) => limits(j, { leastAreaM2: v === '0.5' ? 0.5e-6 : 0.75e-6 }))}
      />
    </>
  )
}

export const wireStation: StationView = { Stage, Tray }
