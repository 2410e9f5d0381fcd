'use client'

import { useEffect } from 'react'
import Link from 'next/link'
import { FindButton } from '@/ui/Find'
import { ThemeButton } from '@/ui/ThemeButton'
import { Copies, type CopyLine } from './Copies'
import { SaysOfItself, type Workshop } from './SaysOfItself'
import { SpokenHere } from './SpokenHere'
import { fixed } from '@/core/units'
import { say } from '@/core/words'

interface Health {
  readonly file: string
  readonly bytes: number
  readonly jobs: number
  readonly coreVersion: string
  readonly jobVersion: number
}

interface Props {
  readonly workshop: Workshop
  readonly copies: readonly CopyLine[]
  /** copies are made at all */
  readonly copying: boolean
  readonly health: Health
}

/** What the workshop says once for all its jobs, its copies, and how its yard is. */
export function WorkshopScreen({ workshop, copies, copying, health }: Props) {
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  return (
    <>
      <header className="masthead">
        <Link href="/" className="wordmark" prefetch={false}>
          PYRAXIS
        </Link>
        <h1>{say`Workshop`}</h1>
        <span className="under">{workshop.name}</span>
        <span className="right">
          <FindButton />
          <Link href="/" prefetch={false}>
            {say`Yard`}
          </Link>
          <Link href="/shelf" prefetch={false}>
            {say`Shelf`}
          </Link>
          <ThemeButton />
        </span>
      </header>
      <main className="workshop">
        <SaysOfItself workshop={workshop} />
        <SpokenHere workshop={workshop} />
        <Copies copies={copies} copying={copying} />
        <section aria-label={say`How the yard is`}>
          <h2>{say`How the yard is`}</h2>
          <dl className="plain-list">
            <dt>{say`Jobs`}</dt>
            <dd className="figure-text">{health.jobs}</dd>
            <dt>{say`File`}</dt>
            <dd>
              {health.file}, <span className="figure-text">{say`${fixed(health.bytes / 1e6, 1)} MB`}</span>
            </dd>
            <dt>{say`This Pyraxis`}</dt>
            <dd>{say`core ${health.coreVersion}, job version ${health.jobVersion}`}</dd>
          </dl>
          <p className="soft small">
            <a href="/api/health">{say`The same for a program that watches`}</a>
            {say`. How it is run as a service, and moved to another machine, stands in docs/running.md.`}
          </p>
        </section>
      </main>
    </>
  )
}
