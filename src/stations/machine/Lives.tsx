'use client'

import { blowsOnto, changeGround, grounds, ingressNeeds, type Job, jobKinds, type LivesIn } from '@/core/job'
import { planWarnings } from '@/core/plan'
import { UnsaidField, YesNoField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'
import { same, Unfold } from './Unfold'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** Water, mud, and what the hot air will land on. */
export function Lives({ job, settle }: Props) {
  const { livesIn, shielded } = job.surroundings
  const change = (part: Partial<Job['surroundings']>): void =>
    settle((j) => ({ ...j, surroundings: { ...j.surroundings, ...part } }))
  const warnings = planWarnings(job).filter((w) => w.id.startsWith('ingress') || w.id === 'blows on')
  const lives = livesIn ? spokenWord(livesIn) : say`not said yet`
  return (
    <Unfold
      title={say`Where it lives, what the hot air meets`}
      says={warnings.length ? `${warnings.length} ${warnings.length === 1 ? say`warning` : say`warnings`}` : lives}
    >
      <UnsaidField
        label={say`It lives`}
        value={livesIn}
        options={(Object.keys(ingressNeeds) as LivesIn[]).map((value) => ({
          value,
          name: `${spokenWord(value)} (${ingressNeeds[value]})`,
        }))}
        onChange={(v) => change({ livesIn: v })}
      />
      <YesNoField
        label={say`Fan and controller behind a shield`}
        value={shielded}
        onChange={(v) => change({ shielded: v })}
      />
      {jobKinds[job.kind].mountsFan && job.cooling && (
        <UnsaidField
          label={say`It works on`}
          value={job.surroundings.ground}
          options={same(grounds)}
          onChange={(ground) => settle((j) => changeGround(j, ground))}
        />
      )}
      {jobKinds[job.kind].mountsFan && (
        <UnsaidField
          label={say`The hot air will blow on`}
          value={job.place.blowsOn}
          options={same(blowsOnto)}
          onChange={(blowsOn) => settle((j) => ({ ...j, place: { ...j.place, blowsOn } }))}
        />
      )}
      {warnings.map((w) => (
        <p key={w.id} className="say say-unsure">
          {w.text} {w.helps}
        </p>
      ))}
    </Unfold>
  )
}
