'use client'

import Link from 'next/link'
import { useEffect, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import type { Job } from '@/core/job'
import { type Level, levels } from '@/core/practice'
import { DraftProvider } from '@/ui/drafts'
import { ThemeButton } from '@/ui/ThemeButton'
import { Drills } from './Drills'
import { type Past, Round, usePast, useUnder } from './Round'
import { minutesInWords } from './say'
import { say, spokenWord } from '@/core/words'

const MOST_PAST = 100
/** letters that are not taken for one another when somebody reads a seed out */
const LETTERS = 'bcdfghjkmnpqrtvwxz'
const freshSeed = (): string =>
  Array.from({ length: 5 }, () => LETTERS[Math.floor(Math.random() * LETTERS.length)]!).join('')

const levelTells: Readonly<Record<Level, string>> = {
  'one break': say`something is broken or blown`,
  'joints and pins': say`bad joints, wrong pins, probes, settings`,
  anything: say`any one thing`,
  'two at once': say`two things that hide each other`,
  'comes and goes': say`only while it shakes, or only while it is hot`,
}

/** Which round: a level, and a seed that makes it the same for everybody. */
function Choose({
  asked,
  onBegin,
}: {
  readonly asked: { readonly seed: string; readonly level: string }
  readonly onBegin: (seed: string, level: Level) => void
}) {
  const [level, setLevel] = useState<Level>(levels.find((l) => l === asked.level) ?? 'one break')
  const [seed, setSeed] = useState(asked.seed)
  return (
    <form
      className="choose-round"
      onSubmit={(e) => {
        e.preventDefault()
        onBegin(seed.trim().slice(0, 40) || freshSeed(), level)
      }}
    >
      <Form.Group controlId="level">
        <Form.Label className="mb-0">{say`Level`}</Form.Label>
        <Form.Select value={level} onChange={(e) => setLevel(levels.find((l) => l === e.target.value) ?? level)}>
          {levels.map((l) => (
            <option key={l} value={l}>
              {spokenWord(l)}: {levelTells[l]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="seed">
        <Form.Label className="mb-0">{say`Seed, the same for who plays against you`}</Form.Label>
        <Form.Control
          value={seed}
          maxLength={40}
          placeholder={say`none: a fresh one`}
          onChange={(e) => setSeed(e.target.value)}
        />
      </Form.Group>
      <Button type="submit" variant="dark">
        {say`Begin the round`}
      </Button>
    </form>
  )
}

function Record({ past }: { readonly past: readonly Past[] }) {
  if (!past.length) return null
  return (
    <section aria-label={say`Your rounds`}>
      <h2 className="mt-3">{say`Your rounds`}</h2>
      <ul className="plain-list">
        {past.slice(0, 12).map((p, i) => (
          <li key={i}>
            {spokenWord(p.level)}, {p.seed}: {p.solved ? minutesInWords(p.minutes) : say`ended badly`}{' '}
            <span className="soft">{say`(a short good way: ${minutesInWords(p.good)})`}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A bench to learn at: rounds with something hidden, and drills. Nothing of it touches a job. */
export function Practice({
  jobs,
  asked,
}: {
  readonly jobs: readonly Job[]
  readonly asked: { readonly seed: string; readonly level: string }
}) {
  const [under, keep] = useUnder()
  const [past, keepPast] = usePast()
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  return (
    <>
      <header className="masthead">
        <Link href="/" className="wordmark" prefetch={false}>
          PYRAXIS
        </Link>
        <h1>{say`Practice`}</h1>
        <nav className="right" aria-label={say`Elsewhere`}>
          <Link href="/library" prefetch={false}>
            {say`library`}
          </Link>
          <ThemeButton />
        </nav>
      </header>
      <main className="practice">
        <Tabs defaultActiveKey="round" id="practice-views" mountOnEnter transition={false} className="mb-2">
          <Tab eventKey="round" title={say`Find what is hidden`}>
            {under ? (
              <>
                <p className="soft small mb-1">
                  {say`Level ${spokenWord(under.level)}, seed`} <span className="figure-text">{under.seed}</span>.{' '}
                  <button type="button" className="word-button" onClick={() => keep(null)}>
                    {say`another round`}
                  </button>
                </p>
                <Round
                  key={`${under.seed} ${under.level}`}
                  jobs={jobs}
                  under={under}
                  onActs={(acts) => keep({ ...under, acts })}
                  onEnd={(p) => keepPast([p, ...(past ?? [])].slice(0, MOST_PAST))}
                />
              </>
            ) : (
              <>
                <p>
                  {say`A machine comes in with something wrong, made of the same circuit as its job. Every move costs
                    its minutes; a wrong part costs ten; what would hurt you ends the round.`}
                </p>
                <Choose asked={asked} onBegin={(seed, level) => keep({ seed, level, acts: [] })} />
                <Record past={past ?? []} />
              </>
            )}
          </Tab>
          <Tab eventKey="drills" title={say`Drills`}>
            <DraftProvider job="practice">
              <Drills jobs={jobs} />
            </DraftProvider>
          </Tab>
        </Tabs>
      </main>
    </>
  )
}
