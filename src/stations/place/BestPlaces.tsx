'use client'

import { useEffect, useMemo } from 'react'
import Button from 'react-bootstrap/Button'
import { circuitsOf } from '@/core/fan-circuit'
import { coreName } from '@/core/job'
import type { FanPart } from '@/core/parts'
import { heightInWords, isPlaced, nothingFits, type Placement, takePlacement, whyLost } from '@/core/placing'
import { format, percent } from '@/core/units'
import type { StationProps } from '../station'
import { usePlacements } from './use-placements'
import { say } from '@/core/words'

/** the page is there first, then the search begins */
const SETTLED_MS = 400
const SHOWN = 9

/** One place: what moves there, a press to take it, and why it lost. */
function Line({
  job,
  settle,
  place: p,
  best,
}: Pick<StationProps, 'job' | 'settle'> & { readonly place: Placement; readonly best: Placement }) {
  const u = job.units
  const name =
    `${coreName(job, p.core)}, ${heightInWords(job, p.seat.yM)}, ` +
    `${p.part.name}${p.side === 'pusher' ? say`, in front` : ''}`
  const here = isPlaced(job, p)
  return (
    <li aria-current={here ? 'true' : undefined}>
      <span>
        {name}: <span className="figure-text">{format(p.flowM3s, 'flow', u, 2)}</span>
      </span>
      {here && <span className="fw-medium">{say`here`}</span>}
      {!here && p.lacking && <span className="verdict-short">{say`no`}</span>}
      {!here && !p.lacking && (
        <Button
          size="sm"
          variant="outline-dark"
          aria-label={say`Take: ${name}`}
          onClick={() => settle((j) => takePlacement(j, p))}
        >
          {say`Take`}
        </Button>
      )}
      <span className="why">
        {p === best && !p.lacking
          ? say`covers ${percent(p.coverage)}, ${percent(p.ofBox)} of its box;
            ${format(p.spareM, 'length', u, 2)} to spare at ${p.tightest}`
          : whyLost(best, p, u)}
        {p.leadOverM < 0 ? say`; lead ${format(-p.leadOverM, 'length', u, 2)} short` : ''}
      </span>
    </li>
  )
}

/** The best place of each fan, ranked by the air that it will really move, and why the others lost. */
export function BestPlaces({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const fans = useMemo(() => shelf.filter((p): p is FanPart => p.kind === 'fan'), [shelf])
  const { found, running, message, search, cancel } = usePlacements(job, fans)
  // what the search looks at; where the fan sits now only decides between equals
  const asked = useMemo(
    () =>
      JSON.stringify([
        job.cooling,
        job.newCore,
        job.place,
        job.surroundings,
        job.machine.systemV,
        job.conductors,
        job.charging.regulatorV.value,
        // which fan it is sought for, and where the others are
        circuitsOf(job).map((c, n) => [c.number, n > 0 && c.fan]),
      ]),
    [job],
  )
  useEffect(() => {
    const timer = setTimeout(search, SETTLED_MS)
    return () => clearTimeout(timer)
  }, [asked, fans, search])
  const u = job.units
  const best = found?.[0]
  // one line a fan and core: the other side only where it is the better one
  const lines = useMemo(() => {
    const seen = new Set<string>()
    return (found ?? []).filter((p) => {
      const key = `${p.part.id} ${p.core}`
      if (seen.has(key)) return false
      seen.add(key)
      return true
    })
  }, [found])
  return (
    <section aria-label={say`Best places`}>
      <div className="d-flex justify-content-between align-items-baseline">
        <h2>{say`Best places on this machine`}</h2>
        {running ? (
          <button type="button" className="word-button small" onClick={cancel}>
            {say`stop`}
          </button>
        ) : (
          <button type="button" className="word-button small" onClick={search}>
            {say`search again`}
          </button>
        )}
      </div>
      {running && running.of > 0 && (
        <progress className="w-100" value={running.done} max={running.of} aria-label={say`Search for the best places`}>
          {say`${running.done} of ${running.of}`}
        </progress>
      )}
      {message && <p className="say">{message}</p>}
      {found && (!best || best.lacking) && <p className="say say-short">{nothingFits(found, u)}</p>}
      {best && (
        <ol className="best-places" data-testid="best-places">
          {lines.slice(0, SHOWN).map((p) => (
            <Line key={`${p.part.id} ${p.core}`} job={job} settle={settle} place={p} best={best} />
          ))}
        </ol>
      )}
    </section>
  )
}
