'use client'

import Link from 'next/link'
import { say } from '@/core/words'

/** What stands in a yard with no job: where to begin. */
export const EmptyYard = () => (
  <div className="py-5" style={{ maxWidth: 520 }}>
    <h2>{say`The yard is empty`}</h2>
    <p>
      {say`Start a job for the first machine: say what kind it is, and everything that can be guessed about
      it stands there as`}{' '}
      <em>{say`typical`}</em> {say`until you know better. A file from another yard can be brought in, too.`}
    </p>
    <p>
      {say`Fans, controllers and wire come from`} <Link href="/shelf">{say`the shelf`}</Link>
      {say`: it has a set of generic parts to begin with. The workshop’s name and units are said`}{' '}
      <Link href="/workshop">{say`once for all jobs`}</Link>.
    </p>
  </div>
)
