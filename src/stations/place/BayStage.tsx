'use client'

import { firstCircuit } from '@/core/fan-circuit'
import Button from 'react-bootstrap/Button'
import { bayFlowPicture } from '@/core/drawing'
import { type BayWay, bayWays, nextSizeDown } from '@/core/advice'
import { changePlace, chooseFan, type Job } from '@/core/job'
import type { FanPart } from '@/core/parts'
import { format } from '@/core/units'
import { DrawingView } from '@/ui/DrawingView'
import type { StationProps } from '../station'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

const wayName = (w: BayWay): string =>
  w.panel
    ? `${w.panel.name}, ` +
      `${w.blows === 'puller' ? say`drawing out` : say`pushing in`}${w.blows === w.side ? '' : say`, wires swapped`}`
    : say`no fan`
function flywheelInWords({ flywheel, fanFlow }: BayWay): string {
  if (flywheel === null) return '–'
  if (flywheel) return say`helps`
  return fanFlow < 0 ? say`is stronger: drives it back` : say`fights it`
}
const key = (w: BayWay): string => `${w.panel?.id ?? 'none'} ${w.side ?? ''}`
const isNow = (job: Job, w: BayWay): boolean =>
  w.panel !== null && w.panel.id === job.place.panel && w.side === job.place.side

/** What the flow and the bay's heat are with one fan, in one cell. */
function Gets({ job, way }: { readonly job: Job; readonly way: BayWay }) {
  const u = job.units
  const hot = way.bayC > job.bay!.allowedC.value
  return (
    <td className="figure-text">
      <span className={hot ? 'verdict-short' : ''}>
        {format(way.bayC, 'temperature', u, 2)}
        {hot ? say`, too hot` : ''}
      </span>
      <span className="soft small d-block">{format(Math.abs(way.flow), 'flow', u, 2)}</span>
      {way.lacksM && (
        <span className="verdict-short small d-block">
          {say`${format(way.lacksM.byM, 'length', u, 2)} too ${way.lacksM.what === 'depth' ? say`deep` : say`wide`}`}
        </span>
      )}
    </td>
  )
}

/** One way, with the chosen fan and the next size down, and a press to take it. */
function WayRow({
  job,
  settle,
  way: w,
  smaller,
}: Pick<StationProps, 'job' | 'settle'> & { readonly way: BayWay; readonly smaller: BayWay | null }) {
  return (
    <tr aria-current={isNow(job, w) ? 'true' : undefined}>
      <th scope="row" style={{ minWidth: 110 }}>
        {wayName(w)}
      </th>
      <Gets job={job} way={w} />
      {smaller && <Gets job={job} way={smaller} />}
      {job.engine && (
        <>
          <td className="figure-text">{format(w.intakeC, 'temperature', job.units, 2)}</td>
          <td className={w.operator.startsWith('hot') ? 'verdict-short' : ''}>{spokenWord(w.operator)}</td>
          <td>{flywheelInWords(w)}</td>
        </>
      )}
      <td className="text-end">
        {isNow(job, w) ? (
          <span className="fw-medium">{say`here`}</span>
        ) : (
          w.panel &&
          !w.lacksM && (
            <Button
              size="sm"
              variant="outline-dark"
              aria-label={say`Take: ${wayName(w)}`}
              onClick={() => settle((j) => changePlace(j, { panel: w.panel!.id, side: w.side! }))}
            >
              {say`Take`}
            </Button>
          )
        )}
      </td>
    </tr>
  )
}

/** Pulling out, pushing in and no fan on each panel, with the chosen fan and the next size down. */
export function BayWays({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const chosen = firstCircuit(job).fan?.part
  if (!job.bay || !chosen)
    return (
      <p className="say">{say`Choose a fan: then every panel is worked out with it, pulling out and pushing in.`}</p>
    )
  const smaller = nextSizeDown(
    job,
    chosen,
    shelf.filter((p): p is FanPart => p.kind === 'fan'),
  )
  const ways = bayWays(job, chosen)
  const small = smaller ? bayWays(job, smaller) : []
  const u = job.units
  const now = ways.find((w) => isNow(job, w))
  const other = ways.find((w) => now && w.panel?.id === now.panel?.id && w.side !== now.side)
  const pictured = [now, other, ways.at(-1)].filter((w): w is BayWay => w !== undefined)
  const most = Math.max(...ways.map((w) => Math.abs(w.flow)))
  return (
    <section aria-label={say`Ways of moving the air`}>
      <h2>{say`Where the air goes`}</h2>
      <div className="three-drawings">
        {pictured.map((w) => (
          <DrawingView key={key(w)} drawing={bayFlowPicture(job, w, most)} maxHeight={260} />
        ))}
      </div>
      <h2 className="mt-2">{say`Every panel, pulling out, pushing in, and no fan`}</h2>
      <Sideways>
        <table className="plain-table" data-testid="bay-ways">
          <thead>
            <tr>
              <th scope="col">{say`way`}</th>
              <th scope="col">{say`bay with ${chosen.name}`}</th>
              {smaller && <th scope="col">{say`${smaller.name}, next size down`}</th>}
              {job.engine && (
                <>
                  <th scope="col">{say`intake breathes`}</th>
                  <th scope="col">{say`operator’s side`}</th>
                  <th scope="col">{say`flywheel fan`}</th>
                </>
              )}
              <th>
                <span className="visually-hidden">{say`take`}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {ways.map((w, i) => (
              <WayRow key={key(w)} job={job} settle={settle} way={w} smaller={smaller ? small[i]! : null} />
            ))}
          </tbody>
        </table>
      </Sideways>
      {smaller && (
        <p className="say">
          {say`${smaller.name} takes ${format(smaller.ratedA.value, 'current', u, 2)} for
            ${format(chosen.ratedA.value, 'current', u, 2)}.`}{' '}
          <button type="button" className="word-button" onClick={() => settle((j) => chooseFan(j, smaller))}>
            {say`Take the smaller one`}
          </button>
        </p>
      )}
      <p className="say">
        {say`Hottest day, heaviest work, no breeze. Drawing out lowers the bay’s pressure, so that cool air comes in
          at every gap; pushing in raises it, so that hot air leaves at every gap, but puts the coolest air where it
          is aimed.`}
      </p>
    </section>
  )
}
