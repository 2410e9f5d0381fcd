'use client'

import { circuitsOf } from '@/core/fan-circuit'
import {
  changeRunOf,
  changeWiring,
  chooseKeySwitch,
  chooseRelay,
  chooseSwitch,
  type Feed,
  feeds,
  type Job,
  type Run,
} from '@/core/job'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps } from '../station'
import { Joining } from './Joining'
import { named, ratingOf, ratings } from './named'
import { say } from '@/core/words'

const feedNames: Readonly<Record<Feed, string>> = {
  battery: say`the battery, fused`,
  'key switch': say`a wire behind the key switch`,
  'accessory block': say`an accessory block`,
  'existing plug': say`the loom's own plug`,
  'road lights': say`a road-lighting wire`,
}
const feedsFor = (job: Job): Feed[] =>
  feeds.filter((f) => (job.engine === null ? f === 'battery' || f === 'road lights' : f !== 'road lights'))

/** fuses that a machine has before its key, a block or a plug, A */
const LOOM_RATINGS = [3, 5, 7.5, 10, 15, 20, 25, 30, 40]

/** Where one fan's current comes from, what switches it, and which way it goes back. */
function OneWay({
  job,
  shelf,
  settle,
  run,
  n,
}: Pick<StationProps, 'job' | 'shelf' | 'settle'> & { run: Run; n: number }) {
  const which = job.runs.length > 1 ? say`, fan ${n + 1}` : ''
  const change = (of: Partial<Run>): void => settle((j) => changeRunOf(j, run.id, of))
  const { relay } = circuitsOf(job)[n]!
  return (
    <>
      <ChoiceField
        label={say`Fed from${which}`}
        value={run.source}
        options={named(feedsFor(job), feedNames)}
        onChange={(source) => change({ source })}
      />
      <ChoiceField
        label={say`Switched by${which}`}
        value={run.switchedBy}
        options={[
          { value: 'relay', name: say`a relay` },
          { value: 'controller', name: say`the controller's own contact` },
        ]}
        onChange={(switchedBy) => change({ switchedBy })}
      />
      {run.switchedBy === 'relay' && (
        <PartPicker
          system={job.units}
          kind="relay"
          label={say`Relay${which}`}
          shelf={shelf}
          chosen={relay?.part ?? null}
          onChoose={(p) => settle((j) => chooseRelay(j, p, n))}
        />
      )}
      <ChoiceField
        label={say`It comes back${which}`}
        value={run.frame ? 'frame' : 'battery'}
        options={[
          { value: 'battery', name: say`to the battery` },
          { value: 'frame', name: say`through the frame` },
        ]}
        onChange={(v) => change({ frame: v === 'frame' })}
      />
    </>
  )
}

/** What the machine's own wires are fused with, and what hangs on them. */
function Loom(props: StationProps) {
  const { job, settle } = props
  const { wiring } = job
  const borrowed = job.runs.some((r) => r.source === 'accessory block' || r.source === 'existing plug')
  return (
    <>
      {job.engine !== null && (
        <ChoiceField
          label={say`Machine’s fuse before the key`}
          value={wiring.loomFuseA === null ? '' : String(wiring.loomFuseA)}
          options={ratings(LOOM_RATINGS, wiring.loomFuseA, say`not known: see its box`)}
          onChange={(v) => settle((j) => changeWiring(j, { loomFuseA: ratingOf(v) }))}
        />
      )}
      {borrowed && (
        <ChoiceField
          label={say`Block or plug is fused with`}
          value={wiring.feedRatedA === null ? '' : String(wiring.feedRatedA)}
          options={ratings(LOOM_RATINGS, wiring.feedRatedA, say`not known`)}
          onChange={(v) => settle((j) => changeWiring(j, { feedRatedA: ratingOf(v) }))}
        />
      )}
      <Readings {...props} station="wire" only={(a) => a === 'wiring.feedLoadA'} />
    </>
  )
}

/** Override and isolator, with the switches that they are. */
function HandSwitches({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const { wiring } = job
  const part = (id: string | null) => job.switches.find((s) => s.id === id)?.part ?? null
  return (
    <>
      <ChoiceField
        label={say`Override is`}
        value={wiring.override}
        options={[
          { value: 'none', name: say`none` },
          ...(job.engine === null ? [] : [{ value: 'key' as const, name: say`behind the key` }]),
          { value: 'feed', name: say`from the fan's own feed` },
        ]}
        onChange={(override) => settle((j) => changeWiring(j, { override }))}
      />
      {wiring.override !== 'none' && (
        <PartPicker
          system={job.units}
          kind="switch"
          label={say`Override switch`}
          shelf={shelf}
          chosen={part(wiring.overrideSwitch)}
          onChoose={(p) => settle((j) => chooseSwitch(j, 'override', p))}
        />
      )}
      <YesNoField
        label={say`Own isolator`}
        value={wiring.isolator}
        onChange={(isolator) => settle((j) => changeWiring(j, { isolator }))}
      />
      {wiring.isolator && (
        <PartPicker
          system={job.units}
          kind="switch"
          label={say`Which isolator`}
          shelf={shelf}
          chosen={part(wiring.isolatorSwitch)}
          onChoose={(p) => settle((j) => chooseSwitch(j, 'isolator', p))}
        />
      )}
    </>
  )
}

/** How the circuit is built. */
export function Path(props: StationProps) {
  const { job, shelf, settle } = props
  const { wiring } = job
  const keySwitch = circuitsOf(job).find((c) => c.keySwitch !== null)?.keySwitch ?? null
  return (
    <>
      <h2>{say`How it is wired`}</h2>
      {job.engine !== null && job.machine.fanPlug.search === 'not looked' && (
        <p className="say say-unsure">
          {say`Nobody has looked for a fan’s plug in the loom yet (station 1): it may save this feed.`}
        </p>
      )}
      {job.machine.airConditioning === true && job.wiring.intent.alsoFor !== 'air conditioning' && (
        <p className="say say-unsure">
          {say`The machine has air conditioning: its condenser wants the fan too. Choose it above, or say that it has
            its own.`}
        </p>
      )}
      {wiring.kit !== null && <p className="soft small">{say`With the ready-made harness ${wiring.kit.part.name}.`}</p>}
      {job.runs.some((r) => r.source === 'existing plug') && (
        <ChoiceField
          label={say`Which feed of the plug`}
          value={wiring.plugSpeed}
          options={[
            { value: 'one speed', name: say`it has one` },
            { value: 'high', name: say`the high speed` },
            { value: 'low', name: say`the low speed, behind its resistor` },
          ]}
          onChange={(plugSpeed) => settle((j) => changeWiring(j, { plugSpeed }))}
        />
      )}
      <Readings {...props} station="wire" only={(a) => a === 'wiring.plugResistorOhm'} />
      {job.runs.map((run, n) => (
        <OneWay key={run.id} job={job} shelf={shelf} settle={settle} run={run} n={n} />
      ))}
      <Loom {...props} />
      <ChoiceField
        label={say`Thermostat switches`}
        value={wiring.side}
        options={[
          { value: 'positive', name: say`the positive side` },
          { value: 'ground', name: say`the ground side` },
        ]}
        onChange={(side) => settle((j) => changeWiring(j, { side }))}
      />
      {job.engine !== null && (
        <>
          <ChoiceField
            label={say`Coil and controller draw`}
            value={wiring.controlFrom}
            options={[
              { value: 'key', name: say`behind the key` },
              { value: 'feed', name: say`from the fan's own feed` },
            ]}
            onChange={(controlFrom) => settle((j) => changeWiring(j, { controlFrom }))}
          />
          <PartPicker
            system={job.units}
            kind="switch"
            label={say`Key switch`}
            shelf={shelf}
            chosen={keySwitch?.part ?? null}
            onChoose={(p) => settle((j) => chooseKeySwitch(j, p))}
          />
        </>
      )}
      <HandSwitches job={job} shelf={shelf} settle={settle} />
      <Joining job={job} settle={settle} />
      <YesNoField
        label={say`Lamp: fan is live`}
        value={wiring.lamp}
        onChange={(lamp) => settle((j) => changeWiring(j, { lamp }))}
      />
    </>
  )
}
