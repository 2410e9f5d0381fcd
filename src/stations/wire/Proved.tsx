'use client'

import { useMemo } from 'react'
import Table from 'react-bootstrap/Table'
import { stateInWords, turns, type Conditions } from '@/core/circuit'
import type { Job } from '@/core/job'
import { type Guard, guardsOf, type JobProof } from '@/core/wiring'
import { format, type UnitSystem } from '@/core/units'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

/** States that hold themselves: what came before decides how they end. */
export function Held({ proof, onShow }: { readonly proof: JobProof; readonly onShow: (c: Conditions) => void }) {
  if (!proof.latches.length) return null
  return (
    <section aria-label={say`What holds itself`}>
      <h2 className="mt-3">{say`What holds itself`}</h2>
      <p className="soft small mb-1">
        {say`The table begins with everything off. Switched from the state before, these end elsewhere.`}
      </p>
      <ul className="plain-list">
        {proof.latches.map((l, i) => (
          <li key={i}>
            {say`From “${stateInWords(l.from, proof.net)}” to`}{' '}
            <button type="button" className="word-button" onClick={() => onShow(l.conditions)}>
              {stateInWords(l.conditions, proof.net)}
            </button>
            : {l.fans.some(turns) ? say`the fan runs` : say`the fan stands`}.{' '}
            <span className={l.mismatch ? 'verdict-short' : 'soft'}>
              {l.mismatch ? say`Not as asked: ${l.mismatch}.` : say`As asked.`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What it draws and what is live with everything off. */
export function Parked({ proof, units }: { readonly proof: JobProof; readonly units: UnitSystem }) {
  return (
    <>
      <h2 className="mt-3">{say`Parked`}</h2>
      <p className="mb-1">
        {say`It draws`} <span className="figure-text">{format(proof.parkedDrawA, 'current', units, 2)}</span>
        {say`. Live then: ${
          proof.liveWhenParked.length
            ? proof.liveWhenParked.map((n) => `${n.label} (${format(n.volts, 'voltage', units, 3)})`).join('; ')
            : say`nothing behind the battery`
        }.`}
      </p>
    </>
  )
}

const contactLook = { short: 'verdict-short', holds: 'verdict-holds', 'rating unknown': 'soft' } as const

/** What each switch and contact carries at most, over all states. */
export function Carried({ proof, units: u }: { readonly proof: JobProof; readonly units: UnitSystem }) {
  return (
    <>
      <h2 className="mt-3">{say`What each switch carries at most`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th scope="col">{say`switch or contact`}</th>
              <th scope="col">{say`running`}</th>
              <th scope="col">{say`may carry`}</th>
              <th scope="col">{say`starting`}</th>
              <th scope="col">{say`may close on`}</th>
              <th scope="col">{say`verdict`}</th>
            </tr>
          </thead>
          <tbody>
            {proof.switches.map((s) => (
              <tr key={s.name}>
                <th scope="row" className="fw-normal">
                  {s.label}
                </th>
                <td className="figure-text">{format(s.amps, 'current', u, 2)}</td>
                <td className="figure-text">{s.mayCarryA === null ? '–' : format(s.mayCarryA, 'current', u, 2)}</td>
                <td className="figure-text">{format(s.startA, 'current', u, 2)}</td>
                <td className="figure-text">{s.mayMakeA === null ? '–' : format(s.mayMakeA, 'current', u, 2)}</td>
                <td className={contactLook[s.verdict]}>
                  {spokenWord(s.verdict)}
                  {s.verdict === 'short' && /key/.test(s.name) ? say`: a key switch must not carry the fan` : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sideways>
    </>
  )
}

const guardWords: Readonly<Record<Guard['verdict'], readonly [words: string, look: string]>> = {
  guarded: [say`guarded`, 'verdict-holds'],
  'short by practice': [say`nothing before it: kept short, in a sleeve of its own`, 'soft'],
  unknown: [say`not known: whose fuse stands before it?`, 'verdict-unsure'],
  unguarded: [say`nothing guards it`, 'verdict-short'],
}

const behind = (job: Job, g: Guard): string => {
  const u = job.units
  if (g.bare) return say`would carry ${format(g.wouldCarryA, 'current', u, 2)}`
  if (g.unknown) return say`a fuse of the machine’s own`
  if (!g.fuses.length) return say`what it comes from limits it`
  const together = g.fuses.length > 1 ? say` from ${g.fuses.length} fuses at once` : ''
  return `${format(g.letsThroughA, 'current', u, 3)}${together}`
}

/** What guards every wire that is laid, feed or signal. */
export function Guards({ job }: { readonly job: Job }) {
  const guards = useMemo(() => guardsOf(job), [job])
  if (!guards.length) return null
  return (
    <>
      <h2 className="mt-3">{say`What guards each wire`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th scope="col">{say`wire`}</th>
              <th scope="col">{say`may carry`}</th>
              <th scope="col">{say`fuse before it`}</th>
              <th scope="col">{say`verdict`}</th>
            </tr>
          </thead>
          <tbody>
            {guards.map((g) => (
              <tr key={g.wire}>
                <th scope="row" className="fw-normal">
                  {g.name}
                </th>
                <td className="figure-text">{format(g.allowedA, 'current', job.units, 2)}</td>
                <td className="figure-text">{behind(job, g)}</td>
                <td className={guardWords[g.verdict][1]}>
                  {g.verdict === 'unguarded' && !g.bare ? say`its fuse is too large for it` : guardWords[g.verdict][0]}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sideways>
    </>
  )
}
