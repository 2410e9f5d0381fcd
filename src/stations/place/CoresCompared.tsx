import { comparedCores, coresInWords } from '@/core/advice'
import type { Job } from '@/core/job'
import { holeMove } from '@/core/placing'
import { format, percent } from '@/core/units'
import { Sideways } from '@/ui/Sideways'

/** The present core against the new one, with the same fan: the figures and one plain answer. */
export function CoresCompared({ job }: { readonly job: Job }) {
  const rows = comparedCores(job)
  if (!rows.length) return null
  const u = job.units
  const pins = holeMove(job)
  return (
    <section aria-label="Present core and new core">
      <h2 className="mt-3">Present core and new core</h2>
      <p className={`say ${rows.some((r) => r.gain < -0.01) ? 'say-short' : ''}`} data-testid="cores-answer">
        {job.fans.length ? '' : 'Without a fan: '}
        {coresInWords(rows)}
        {pins === null || Math.abs(pins) < 0.0005
          ? ''
          : ` Pins and holes move by ${format(Math.abs(pins), 'length', u, 2)}.`}
      </p>
      <Sideways>
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">duty</th>
              <th scope="col">fins</th>
              <th scope="col">present carries</th>
              <th scope="col">new carries</th>
              <th scope="col">air, present</th>
              <th scope="col">air, new</th>
              <th scope="col">new is</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={`${r.duty} ${r.blocked}`}>
                <th scope="row">{r.duty}</th>
                <td>{r.blocked}</td>
                <td className="figure-text">{format(r.presentW, 'cooling', u, 3)}</td>
                <td className="figure-text">{format(r.newW, 'cooling', u, 3)}</td>
                <td className="figure-text">{format(r.presentM3s, 'flow', u, 3)}</td>
                <td className="figure-text">{format(r.newM3s, 'flow', u, 3)}</td>
                <td className={r.gain < -0.01 ? 'verdict-short' : r.gain > 0.01 ? 'verdict-holds' : ''}>
                  {Math.abs(r.gain) <= 0.01
                    ? 'as good'
                    : `${percent(Math.abs(r.gain))} ${r.gain > 0 ? 'better' : 'worse'}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
      <p className="say">
        Coolant at its hottest allowed, hottest day. A third blocked is for 14 fins per inch; coarser fins block less.
      </p>
    </section>
  )
}
