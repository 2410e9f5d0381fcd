import type { Job } from '@/core/job'
import { fetchReader } from './reader'

const PREFIX = 'pyraxis-last'
/** jobs whose last state is kept; a job with a long day is some hundred kB of the five million that a browser gives */
const MOST = 8

interface Last {
  readonly id: string
  readonly revision: number
  readonly savedAt: string
  readonly job: Job
}

const keyOf = (id: string): string => `${PREFIX}:${id}`
const kept = (): string[] => Object.keys(localStorage).filter((k) => k.startsWith(`${PREFIX}:`))

/**
 * Keeps what the server has taken last: a page that is opened while it is away may be an older one from this browser's
 * own store, and would show less than was already saved.
 */
export function noteLast(last: Last): void {
  if (!('serviceWorker' in navigator)) return
  try {
    const key = keyOf(last.id)
    const others = kept().filter((k) => k !== key)
    for (const old of others.slice(0, Math.max(0, others.length + 1 - MOST))) localStorage.removeItem(old)
    localStorage.setItem(key, JSON.stringify(last))
  } catch {
    // no room: what an older page shows is then told by the server, once it is back
    localStorage.removeItem(keyOf(last.id))
  }
}

/**
 * What was saved after a page was made, while the server cannot be asked; null where the page is the newest known, or
 * the server answers: what it shows stands.
 */
export async function newerThan(id: string, revision: number): Promise<Last | null> {
  try {
    const text = localStorage.getItem(keyOf(id))
    if (text === null) return null
    const last = JSON.parse(text) as Partial<Last>
    if (typeof last.revision !== 'number' || last.revision <= revision || typeof last.savedAt !== 'string') return null
    const answers = await fetch(`/api/jobs/${encodeURIComponent(id)}/revisions/${last.revision}`).then(
      () => true,
      () => false,
    )
    if (answers) {
      localStorage.removeItem(keyOf(id))
      return null
    }
    const { readJob } = await fetchReader()
    const read = readJob(last.job)
    return read.ok ? { id, revision: last.revision, savedAt: last.savedAt, job: read.job } : null
  } catch {
    return null
  }
}
