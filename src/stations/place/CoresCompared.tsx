import { comparedCores, coresInWords } from '@/core/advice'
import type { Job } from '@/core/job'
import { holeMove } from '@/core/placing'
import { format, percent } from '@/core/units'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

/** A hundredth more or less is none. */
function gainClass(gain: number): string {
  if (Math.abs(gain) <= 0.01) return ''
  return gain < 0 ? 'verdict-short' : 'verdict-holds'
}

/** The present core against the new one, with the same fan: the figures and one plain answer. */
export function CoresCompared({ job }: { readonly job: Job }) {
  const rows = comparedCores(job)
  if (!rows.length) return null
  const u = job.units
  const pins = holeMove(job)
  return (
    <section aria-label={say`Present core and new core`}>
      <h2 className="mt-3">{say`Present core and new core`}</h2>
      <p className={`say ${rows.some((r) => r.gain < -0.01) ? 'say-short' : ''}`} data-testid="cores-answer">
        {job.fans.length ? '' : say`Without a fan: `}
        {coresInWords(rows)}
        {pins === null || Math.abs(pins) < 0.0005
          ? ''
          : say` Pins and holes move by ${format(Math.abs(pins), 'length', u, 2)}.`}
      </p>
      <Sideways>
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">{say`duty`}</th>
              <th scope="col">{say`fins`}</th>
              <th scope="col">{say`present carries`}</th>
              <th scope="col">{say`new carries`}</th>
              <th scope="col">{say`air, present`}</th>
              <th scope="col">{say`air, new`}</th>
              <th scope="col">{say`new is`}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={`${r.duty} ${r.blocked}`}>
                <th scope="row">{r.duty}</th>
                <td>{spokenWord(r.blocked)}</td>
                <td className="figure-text">{format(r.presentW, 'cooling', u, 3)}</td>
                <td className="figure-text">{format(r.newW, 'cooling', u, 3)}</td>
                <td className="figure-text">{format(r.presentM3s, 'flow', u, 3)}</td>
                <td className="figure-text">{format(r.newM3s, 'flow', u, 3)}</td>
                <td className={gainClass(r.gain)}>
                  {Math.abs(r.gain) <= 0.01
                    ? say`as good`
                    : `${percent(Math.abs(r.gain))} ${r.gain > 0 ? say`better` : say`worse`}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
      <p className="say">
        {say`Coolant at its hottest allowed, hottest day. A third blocked is for 14 fins per inch; coarser fins block
          less.`}
      </p>
    </section>
  )
}
