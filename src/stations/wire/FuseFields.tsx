'use client'

import { circuitsOf } from '@/core/fan-circuit'
import { fuseForms, fuseFormNames } from '@/core/electrical'
import { changeFuse, type Job, type LayPlace, layPlaces } from '@/core/job'
import { ChoiceField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { named, ratingOf, ratings } from './named'
import { say, spokenWord } from '@/core/words'

/** Where a wire or fuse can lie on this machine. */
export const layOptions = (job: Job): { value: LayPlace; name: string }[] =>
  named(
    layPlaces.filter((p) => p !== 'bay' || job.bay !== null),
    {
      engine: say`by the engine`,
      bay: say`in the bay`,
      outside: say`outside`,
      exhaust: say`by the exhaust`,
    },
  )

/** Rating, form and place of each run's fuse; one that several fans hang on stands once. */
export function FuseFields({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const circuits = circuitsOf(job)
  return (
    <>
      <h2>{say`Fuse`}</h2>
      {circuits.map(({ run, fuse, suffix }, n) => {
        if (circuits.slice(0, n).some((o) => run.fuse !== null && o.run.fuse === run.fuse)) return null
        return (
          <div key={run.id}>
            <ChoiceField
              label={say`Rating${suffix}`}
              value={fuse ? String(fuse.ratingA) : ''}
              options={ratings(fuseForms[fuse?.kind ?? 'blade'].ratings, fuse?.ratingA ?? null, say`none fitted`)}
              onChange={(v) => settle((j) => changeFuse(j, ratingOf(v), undefined, n))}
            />
            {fuse && (
              <>
                <ChoiceField
                  label={say`Form${suffix}`}
                  value={fuse.kind}
                  options={fuseFormNames.map((value) => ({ value, name: spokenWord(fuseForms[value].name) }))}
                  onChange={(kind) => settle((j) => changeFuse(j, fuse.ratingA, kind, n))}
                />
                <ChoiceField
                  label={say`Lies${suffix}`}
                  value={fuse.lies}
                  options={layOptions(job)}
                  onChange={(lies) =>
                    settle((j) => ({ ...j, fuses: j.fuses.map((f) => (f.id === fuse.id ? { ...f, lies } : f)) }))
                  }
                />
              </>
            )}
          </div>
        )
      })}
    </>
  )
}
