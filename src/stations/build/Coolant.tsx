'use client'

import { coolantAccount } from '@/core/build'
import { choiceEnds, noteCoolant } from '@/core/job'
import { format } from '@/core/units'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { say } from '@/core/words'

/** Coolant out and in, and what the difference tells. */
export function Coolant({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const account = coolantAccount(job)
  if (!account) return <p className="soft">{say`The coolant stays in: nothing of this job opens it.`}</p>
  const field = (which: 'outM3' | 'inM3', label: string) => (
    <QuantityField
      name={`coolant.${which}`}
      label={label}
      value={job.coolant[which]?.value ?? null}
      quantity="volume"
      system={job.units}
      range={choiceEnds.coolantM3}
      onSettle={(value, typed) => settle((j) => noteCoolant(j, which, { value, typed }))}
    />
  )
  const tone = { open: '', even: 'say-holds' }[account.verdict as string] ?? 'say-short'
  return (
    <>
      <p>{say`It holds ${format(account.capacityM3, 'volume', job.units, 3)}.`}</p>
      {field('outM3', say`came out`)}
      {field('inM3', say`went in`)}
      <p className={`say ${tone}`} role="status">
        {account.words}
      </p>
    </>
  )
}
