'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { holdingSetting, settingShortOf } from '@/core/advice'
import { whatToPress } from '@/core/build'
import { controlKindOf, nearestSetting } from '@/core/control'
import { firstCircuit, isSettable } from '@/core/fan-circuit'
import { changeSetting, changeSpan, choiceEnds, type Job } from '@/core/job'
import { type ControllerPart, shownBy } from '@/core/parts'
import { probeLeadError } from '@/core/placing'
import { format } from '@/core/units'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'

/** What the proposed setting comes short of; in a bay the one that is proposed is the nearest that there is. */
const ComesShort = ({ of, bay }: { readonly of: readonly string[]; readonly bay: boolean }) => (
  <p className="say say-short small mt-2">
    {bay
      ? say`By rule of thumb no setting of this controller does here: the nearest comes short
        ${of.join(say`; for `)}. More air, or a higher limit that its maker allows, makes room; another trigger does
        not.`
      : say`By rule of thumb what is proposed comes short ${of.join('; ')}. “Which setting” tries the
        others.`}
  </p>
)

/** What the controller does when its probe's lead fails, and what the lead's own resistance makes it read. */
function ProbeLead({ job, part }: { readonly job: Job; readonly part: ControllerPart }) {
  const leadK = probeLeadError(job)
  return (
    <p className="small soft">
      {say`Probe lead open: ${spokenWord(part.probeOpen)}; shorted: ${spokenWord(part.probeShorted)}.`}
      {leadK !== null &&
        say` For the length of its lead it reads ${format(-leadK, 'temperatureDifference', job.units, 2)} cold:
          strain and interference limit a lead, not this.`}
    </p>
  )
}

/** What it is set to, as its own display counts; what that does not have is not set. */
function SetFields({
  job,
  settle,
  controller: { part, setC, bandK, id },
}: Pick<StationProps, 'job' | 'settle'> & { readonly controller: Job['controllers'][number] }) {
  const own = shownBy(part)
  const [told, setTold] = useState<string | null>(null)
  /** what was typed, up to what its display has */
  const set = (typedC: number, typedK: number): void => {
    const near = part.range ? nearestSetting(typedC, typedK, part.range) : { setC: typedC, bandK: typedK }
    const off = Math.abs(near.setC - typedC) > 1e-6 || Math.abs(near.bandK - typedK) > 1e-6
    setTold(
      off
        ? say`It cannot show that: nearest is ${format(near.setC, 'temperature', own)} with a band of
          ${format(near.bandK, 'temperatureDifference', own)}, which is set.`
        : null,
    )
    settle((j) => changeSetting(j, id, near.setC, near.bandK))
  }
  return (
    <>
      <QuantityField
        name="setting.set"
        label={say`set`}
        value={setC}
        quantity="temperature"
        system={own}
        onSettle={(v) => set(v, bandK)}
        range={choiceEnds.setC}
      />
      <QuantityField
        name="setting.band"
        label={say`band ${spokenWord(part.band)}`}
        value={bandK}
        quantity="temperatureDifference"
        system={own}
        onSettle={(v) => set(setC, v)}
        range={choiceEnds.bandK}
      />
      {own !== job.units && (
        <p className="soft small mb-0">
          {say`As its display counts; ${format(setC, 'temperature', job.units, 3)} in the units of this job.`}
        </p>
      )}
      {told && (
        <p className="say small mb-0" role="status">
          {told}
        </p>
      )}
    </>
  )
}

/** What the controller is set to, what is proposed, and how its keys do it. */
export function Setting({
  job,
  settle,
  children,
}: Pick<StationProps, 'job' | 'settle'> & { readonly children: React.ReactNode }) {
  const { controller } = firstCircuit(job)
  if (!controller) return null
  const { part, setC, bandK, id } = controller
  const keys = whatToPress(part, setC, bandK, controller.spanK)
  const proposal = holdingSetting(job)
  const shortOf = proposal ? settingShortOf(job, proposal) : []
  const own = shownBy(part)
  const already = proposal !== null && Math.abs(proposal.setC - setC) < 1e-6 && Math.abs(proposal.bandK - bandK) < 1e-6
  return (
    <>
      {isSettable(part) && <SetFields job={job} settle={settle} controller={controller} />}
      {controlKindOf(part).pulses && (
        <QuantityField
          name="setting.span"
          label={say`span to full`}
          value={controller.spanK}
          quantity="temperatureDifference"
          system={job.units}
          onSettle={(v) => settle((j) => changeSpan(j, id, v))}
          range={choiceEnds.spanK}
        />
      )}
      {proposal && !already && (
        <Button
          size="sm"
          variant="outline-dark"
          className="mt-2"
          onClick={() => settle((j) => changeSetting(j, id, proposal.setC, proposal.bandK))}
        >
          {say`${shortOf.length && job.bay ? say`Nearest` : say`Propose`}: set
            ${format(proposal.setC, 'temperature', own)}`}
        </Button>
      )}
      {shortOf.length > 0 && <ComesShort of={shortOf} bay={job.bay !== null} />}
      {children}
      {keys.length > 0 && (
        <>
          <h2>{say`On this controller`}</h2>
          <ol className="soft small ps-3">
            {keys.map((k) => (
              <li key={k}>{k}</li>
            ))}
          </ol>
        </>
      )}
      <ProbeLead job={job} part={part} />
    </>
  )
}
