'use client'

import { sideInWords } from '@/core/build'
import { blowing } from '@/core/electrical'
import { firstCircuit } from '@/core/fan-circuit'
import { changeDuct, type Job, turnFan } from '@/core/job'
import { percent } from '@/core/units'
import { say } from '@/core/words'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'

const states = [false, true] as const
const wiresAre = (swapped: boolean): string => (swapped ? say`wires swapped` : say`wires as marked`)
const bladeIs = (turned: boolean): string => (turned ? say`blade turned over` : say`blade as made`)

/** Every way that its wires and its blade can stand, and what each does to the air. */
function DirectionTable({ fan }: { readonly fan: Job['fans'][number] }) {
  return (
    <table className="table table-sm small mb-2" aria-label={say`Which way it blows`}>
      <tbody>
        {states.flatMap((swapped) =>
          states.map((turned) => {
            const way = blowing(swapped, turned, fan.part.motor)
            const now = swapped === fan.wiresSwapped && turned === fan.bladeTurned
            return (
              <tr key={`${swapped} ${turned}`} aria-current={now || undefined} className={now ? 'fw-medium' : ''}>
                <td>
                  {wiresAre(swapped)}, {bladeIs(turned)}
                </td>
                <td>
                  {way
                    ? `${way.air === 'as marked' ? say`as marked` : say`the other way`}, ${percent(way.effectiveness)}`
                    : say`does not run`}
                  {now ? say` (now)` : ''}
                </td>
              </tr>
            )
          }),
        )}
      </tbody>
    </table>
  )
}

/** Wires and blade of the fan: together they decide which way the air goes, and how well. */
export function Direction({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { fan } = firstCircuit(job)
  if (!fan) return null
  const way = blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  let tell = say`A brushless fan with its wires swapped does not run, or is destroyed.`
  if (way) {
    const weaker = say`, at ${percent(way.effectiveness)}: the blades work the wrong way round`
    tell = say`Air ${
      way.air === 'as marked' ? say`as marked on it` : say`the other way round`
    }${way.effectiveness < 1 ? weaker : ''}${
      way.air === 'reversed' && job.cooling ? say`; at speed it works against the travel` : ''
    }.`
  }
  return (
    <>
      <YesNoField
        label={say`Its two wires are swapped`}
        value={fan.wiresSwapped}
        onChange={(wiresSwapped) => settle((j) => turnFan(j, fan.id, { wiresSwapped }))}
      />
      <YesNoField
        label={say`Its blade is turned over`}
        value={fan.bladeTurned}
        onChange={(bladeTurned) => settle((j) => turnFan(j, fan.id, { bladeTurned }))}
        tell={tell}
      />
      {way?.air === 'reversed' && job.bay && <p className="say say-unsure">{sideInWords(job)}</p>}
      <DirectionTable fan={fan} />
    </>
  )
}

/** A hose: its bends, its splitter, and where it leads. */
export function Duct({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { duct } = job.place
  const change = (part: Partial<Job['place']['duct']>): void => settle((j) => changeDuct(j, part))
  return (
    <>
      <ChoiceField
        label={say`Bends of 90°`}
        value={String(duct.bends)}
        options={Array.from({ length: 21 }, (_, i) => ({ value: String(i), name: String(i) }))}
        onChange={(v) => change({ bends: Number(v) })}
      />
      <YesNoField
        label={say`Splitter in the hose`}
        value={duct.splitter}
        onChange={(splitter) => change({ splitter })}
      />
      <ChoiceField
        label={duct.splitter ? say`Flap leads now to` : say`Hose leads to`}
        value={duct.leadsTo}
        options={[
          { value: 'outside', name: duct.splitter ? say`the outside (summer)` : say`the outside` },
          { value: 'the cab', name: duct.splitter ? say`the cab (winter)` : say`the cab` },
        ]}
        onChange={(leadsTo) => change({ leadsTo })}
      />
    </>
  )
}
