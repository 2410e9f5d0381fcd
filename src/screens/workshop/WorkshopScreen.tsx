'use client'

import { useEffect } from 'react'
import Link from 'next/link'
import { FindButton } from '@/ui/Find'
import { ThemeButton } from '@/ui/ThemeButton'
import { Copies, type CopyLine } from './Copies'
import { SaysOfItself, type Workshop } from './SaysOfItself'

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
        <h1>Workshop</h1>
        <span className="under">{workshop.name}</span>
        <span className="right">
          <FindButton />
          <Link href="/" prefetch={false}>
            Yard
          </Link>
          <Link href="/shelf" prefetch={false}>
            Shelf
          </Link>
          <ThemeButton />
        </span>
      </header>
      <main className="workshop">
        <SaysOfItself workshop={workshop} />
        <Copies copies={copies} copying={copying} />
        <section aria-label="How the yard is">
          <h2>How the yard is</h2>
          <dl className="plain-list">
            <dt>Jobs</dt>
            <dd className="figure-text">{health.jobs}</dd>
            <dt>File</dt>
            <dd>
              {health.file}, <span className="figure-text">{(health.bytes / 1e6).toFixed(1)} MB</span>
            </dd>
            <dt>This Pyraxis</dt>
            <dd>
              core {health.coreVersion}, job version {health.jobVersion}
            </dd>
          </dl>
          <p className="soft small">
            <a href="/api/health">The same for a program that watches</a>. How it is run as a service, and moved to
            another machine, stands in docs/running.md.
          </p>
        </section>
      </main>
    </>
  )
}
