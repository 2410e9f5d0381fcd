'use client'

import { usePathname } from 'next/navigation'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { haveOf, isTicked, missingNeeds, type Need, needGroups, needsOfJob } from '@/core/build'
import { answerNeeds } from '@/core/job'
import { worded } from '@/core/units'
import { ReasonForm } from '@/ui/ReasonForm'
import { useName } from '@/ui/use-name'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now' | 'shelf'>

const words = { 'not answered': '', here: say`here`, 'to get': say`to get`, without: say`without it` } as const

function NeedLine({ need, job, settle, now }: Omit<Props, 'shelf'> & { readonly need: Need }) {
  const [asking, setAsking] = useState(false)
  const [name] = useName()
  const state = haveOf(job, need)
  const answer = (here: boolean): void => {
    const at = now().toISOString()
    settle((j) =>
      answerNeeds(j, [need.id], haveOf(j, need) === (here ? 'here' : 'to get') ? null : { here }, { by: name, at }),
    )
  }
  const given = job.build.have.find((h) => h.need === need.id)
  return (
    <li className="need">
      <span>
        {worded(need.what, job.units)}
        {need.shelf && <span className="soft small"> {need.shelf}</span>}
        {state === 'without' && given && <span className="small"> {say`without it: ${given.by}: ${given.why}`}</span>}
      </span>
      <span className="figure-text">{need.amount}</span>
      <span className="need-buttons">
        <Button
          variant={state === 'here' ? 'primary' : 'outline-dark'}
          aria-pressed={state === 'here'}
          aria-label={say`here: ${need.what}`}
          onClick={() => answer(true)}
        >
          {say`here`}
        </Button>
        <Button
          variant={state === 'to get' ? 'danger' : 'outline-dark'}
          aria-pressed={state === 'to get'}
          aria-label={say`to get: ${need.what}`}
          onClick={() => answer(false)}
        >
          {say`to get`}
        </Button>
        {state === 'to get' && !asking && (
          <button
            type="button"
            className="word-button soft"
            aria-label={say`go without: ${need.what}`}
            onClick={() => setAsking(true)}
          >
            {say`go without`}
          </button>
        )}
        <span className="visually-hidden">{words[state]}</span>
      </span>
      {asking && (
        <ReasonForm
          id={`without-${need.id}`}
          label={say`Why it goes without`}
          act={say`Go without`}
          onCancel={() => setAsking(false)}
          onGive={(why, by) => {
            const at = now().toISOString()
            settle((j) => answerNeeds(j, [need.id], { here: false, why }, { by, at }))
            setAsking(false)
          }}
        />
      )}
    </li>
  )
}

/** Everything that the job's choices ask for, with the shelf's word beside it; here only where somebody says so. */
export function HaveAll({ job, settle, now, shelf }: Props) {
  const [name] = useName()
  const needs = needsOfJob(job, shelf)
  const missing = missingNeeds(job)
  const held = isTicked(job, 'have-all') ? say`never answered, or still to get.` : say`still hold the start.`
  const path = usePathname()
  const toGet = needs.filter((n) => haveOf(job, n) === 'to get')
  return (
    <>
      <p role="status">
        {missing.length === 0
          ? say`All of it is here, or gone without by name.`
          : say`${missing.length} of ${needs.length} ${held}`}
        {toGet.length > 0 && (
          <>
            {' '}
            <a href={`${path}/shopping`}>{say`Shopping list of ${toGet.length}`}</a>
          </>
        )}
      </p>
      {needGroups.map((group) => {
        const own = needs.filter((n) => n.group === group)
        const open = own.filter((n) => haveOf(job, n) === 'not answered')
        return own.length === 0 ? null : (
          <section key={group} aria-label={spokenWord(group)}>
            <div className="d-flex justify-content-between align-items-baseline gap-2">
              <h3>{spokenWord(group)}</h3>
              {open.length > 1 && (
                <button
                  type="button"
                  className="word-button"
                  onClick={() => {
                    const at = now().toISOString()
                    settle((j) =>
                      answerNeeds(
                        j,
                        open.map((n) => n.id),
                        { here: true },
                        { by: name, at },
                      ),
                    )
                  }}
                >
                  {say`all ${open.length} of these lie here`}
                </button>
              )}
            </div>
            <ul className="needs">
              {own.map((need) => (
                <NeedLine key={need.id} need={need} job={job} settle={settle} now={now} />
              ))}
            </ul>
          </section>
        )
      })}
    </>
  )
}
