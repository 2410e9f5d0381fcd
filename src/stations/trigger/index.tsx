'use client'

import { probePlaces, probePlacesIn } from '@/core/control'
import { chooseController, circuitsOf, firstCircuit, ownController, shareController } from '@/core/fan-circuit'
import { changeProbePlace, choiceEnds, ownProbe, shareProbe, type Job } from '@/core/job'
import { type Evaluation, marginInWords, markRules, signedFigure } from '@/core/margins'
import { type ControllerPart, handSwitch, plainWire, type ProbePart } from '@/core/parts'
import { runWaitsFor, triggerLadder } from '@/core/run'
import { ChoiceField, UnsaidField, YesNoField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { Ladder } from './Ladder'
import { ProbeOffset } from './ProbeOffset'
import { RunViews } from './RunViews'
import { Setting } from './Setting'
import { Switches } from './Switches'
import { say, spokenWord } from '@/core/words'

function Stage(props: StationProps) {
  const { job, settle, preview } = props
  const ladder = triggerLadder(job)
  const { controller } = firstCircuit(job)
  if (!controller)
    return (
      <>
        <h2>{say`The temperature ladder`}</h2>
        <p className="say">
          {say`Choose a controller in the tray: then the ladder shows where it switches, at the probe and in the
            coolant.`}
        </p>
        <Switches job={job} shelf={props.shelf} settle={settle} />
      </>
    )
  const waits = runWaitsFor(job)
  if (waits === null && (ladder || props.fan === 0))
    return (
      <>
        {props.fan > 0 && callerOf(job) === 'shared' && (
          <p className="say">{say`One controller calls both fans: what is changed here is changed for both.`}</p>
        )}
        <RunViews {...props} />
      </>
    )
  if (!ladder)
    return (
      <>
        <h2>{say`The temperature ladder`}</h2>
        <p className="say">
          {say`${controller.part.name} has no thermostat: somebody switches it by hand, so there is no trigger to set.
            Boil needs a run.`}
        </p>
      </>
    )
  return (
    <>
      <Ladder
        ladder={ladder}
        system={job.units}
        onPreview={(change) => preview(change)}
        onSettle={(change) => settle(change)}
      />
      <p className="soft small">
        {waits === null
          ? say`The run of the day, with both fans in it, stands with the first fan.`
          : say`No run yet, it waits: ${waits}.`}
      </p>
      {waits !== null && <Switches job={job} shelf={props.shelf} settle={settle} />}
    </>
  )
}

const markNames = { on: 'on', off: 'off', band: 'band', set: 'set' } as const

/**
 * Every rule beside the mark it concerns, the one that matters most of each; above them what the two margins come to.
 */
function Rules({ evaluation, job }: { readonly evaluation: Evaluation; readonly job: Job }) {
  const two = evaluation.margins.filter((m) => m.id === 'trigger' || m.id === 'boil')
  return (
    <>
      {two.map((m) => (
        <p key={m.id} className={`say say-${m.verdict}`}>
          {marginInWords(m, job.units)}.
        </p>
      ))}
      <dl className="mark-rules">
        {markRules(evaluation).map(({ mark, verdict, part }) => (
          <div key={mark}>
            <dt>{spokenWord(markNames[mark])}</dt>
            <dd className={`verdict-${verdict}`}>
              {spokenWord(verdict)} {part.name}: {signedFigure(part.value ?? 0, part.unit, job.units)}
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}

/** Whether what calls the fan that is looked at calls another one too; null where nothing calls it yet. */
function callerOf(job: Job): 'shared' | 'own' | null {
  const [seen, ...others] = job.runs
  if (seen!.controller === null) return null
  return others.some((r) => r.controller === seen!.controller) ? 'shared' : 'own'
}

/** What the fan that is looked at has of its own: its controller and its probe, or another fan's. */
function Shared({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [seen, ...others] = job.runs
  const other = circuitsOf(job)[1]!.suffix.slice(2)
  return (
    <>
      <UnsaidField
        label={say`Called by`}
        value={callerOf(job)}
        options={[
          { value: 'shared', name: say`the controller of ${other}` },
          { value: 'own', name: say`a controller of its own` },
        ]}
        onChange={(v) => settle((j) => (v === 'own' ? ownController(j, 0) : shareController(j, 0, 1)))}
      />
      <ChoiceField
        label={say`Feels`}
        value={others.some((r) => r.probe === seen!.probe) ? 'shared' : 'own'}
        options={[
          { value: 'shared', name: say`the probe of ${other}` },
          { value: 'own', name: say`a probe of its own` },
        ]}
        onChange={(v) => settle((j) => (v === 'own' ? ownProbe(j, 0) : shareProbe(j, 0, 1)))}
      />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, shelf, settle, evaluation } = props
  const { probe } = firstCircuit(job)
  const choose = (part: ControllerPart): void => {
    const supplied = shelf.find((p): p is ProbePart => p.kind === 'probe' && p.id === part.suppliedProbeId) ?? null
    settle((j) => chooseController(j, part, supplied))
  }
  return (
    <>
      <h2>{say`Setting`}</h2>
      <PartPicker
        system={job.units}
        kind="controller"
        label={say`Controller`}
        shelf={shelf}
        chosen={firstCircuit(job).controller?.part ?? null}
        onChoose={choose}
        besides={{
          name: say`without a controller`,
          parts: [plainWire, ...shelf.flatMap((p) => (p.kind === 'switch' ? [handSwitch(p)] : []))],
        }}
      />
      {job.runs.length > 1 && <Shared job={job} settle={settle} />}
      <Setting job={job} settle={settle}>
        <Rules evaluation={evaluation} job={job} />
      </Setting>
      <h2>{say`Probe`}</h2>
      <ChoiceField
        label={say`Sits`}
        value={probe.place}
        options={probePlacesIn[job.bay ? 'air' : 'coolant'].map((value) => ({ value, name: probePlaces[value].name }))}
        onChange={(place) => settle((j) => changeProbePlace(j, place))}
      />
      {job.cooling && (
        <YesNoField
          label={say`At the outlet`}
          value={probe.atOutlet}
          onChange={(atOutlet) =>
            settle((j) => ({ ...j, probes: j.probes.map((p) => (p.id === probe.id ? { ...p, atOutlet } : p)) }))
          }
          {...(probe.atOutlet
            ? {
                tell: say`It depends: there the coolant is colder by what the core takes off, which goes with the
                  load. Measure it: “coolant leaving the core”, under What was seen.`,
              }
            : {})}
        />
      )}
      <Readings {...props} station="trigger" />
      <ProbeOffset job={job} settle={settle} />
      {job.cooling && (
        <QuantityField
          name="limits.boilKeepK"
          label={say`kept free below boiling`}
          value={job.limits.boilKeepK}
          quantity="temperatureDifference"
          system={job.units}
          range={choiceEnds.boilKeepK}
          onSettle={(boilKeepK) => settle((j) => ({ ...j, limits: { ...j.limits, boilKeepK } }))}
        />
      )}
    </>
  )
}

export const triggerStation: StationView = { Stage, Tray }
