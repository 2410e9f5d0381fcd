'use client'

import { lockOf, passedBy, type Step } from '@/core/build'
import { GoPast } from '../GoPast'
import type { StationProps } from '../station'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

/** What a step waits for; a lock that was passed is told with who and why. */
export function Lock({ step, job, ...change }: Pick<StationProps, 'job' | 'settle' | 'now'> & { readonly step: Step }) {
  const lock = lockOf(job, step)
  if (lock) return <GoPast {...change} job={job} lock={lock} what={step.id} name={step.title} />
  const passed = passedBy(job, step.id)
  return passed ? (
    <p className="small soft">
      {say`Gone past its lock: ${passed.by},`} <Day at={passed.at} />: {passed.why}
    </p>
  ) : null
}
