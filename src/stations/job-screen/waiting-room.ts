import { readJob } from '@/formats'
import type { PendingSave, WaitingRoom } from './saver'

const PREFIX = 'pyraxis-unsaved'

/** A name of this tab that outlives its reloads. */
async function claimTab(): Promise<string> {
  const known = sessionStorage.getItem('pyraxis-tab')
  const held = new Set((await navigator.locks.query()).held?.map((l) => l.name))
  // a duplicated tab copies the name of the one it came from, which still holds its lock
  const tab = known && !held.has(`${PREFIX}-tab-${known}`) ? known : crypto.randomUUID()
  sessionStorage.setItem('pyraxis-tab', tab)
  void navigator.locks.request(`${PREFIX}-tab-${tab}`, () => new Promise<never>(() => undefined))
  return tab
}

let claimed: Promise<string> | undefined
const thisTab = (): Promise<string> => (claimed ??= claimTab())

function parsed(text: string | null): PendingSave[] {
  try {
    const list: unknown = JSON.parse(text ?? '[]')
    if (!Array.isArray(list)) return []
    return list.flatMap((w: Partial<PendingSave>) => {
      const read = readJob(w.job)
      return read.ok && typeof w.from === 'number' && typeof w.key === 'string'
        ? [{ from: w.from, key: w.key, job: read.job }]
        : []
    })
  } catch {
    return []
  }
}

/**
 * The browser's storage as a waiting room for one job of this tab. Saves that a closed tab left behind are taken over;
 * those of a tab that is still open are left to it.
 */
export async function openWaitingRoom(jobId: string): Promise<WaitingRoom> {
  const tab = await thisTab()
  const own = `${PREFIX}:${jobId}:${tab}`
  if (!localStorage.getItem(own)) {
    const held = new Set((await navigator.locks.query()).held?.map((l) => l.name))
    const left = Object.keys(localStorage).find(
      (k) => k.startsWith(`${PREFIX}:${jobId}:`) && !held.has(`${PREFIX}-tab-${k.split(':')[2]}`),
    )
    if (left) {
      localStorage.setItem(own, localStorage.getItem(left)!)
      localStorage.removeItem(left)
    }
  }
  return {
    read: () => parsed(localStorage.getItem(own)),
    write: (waiting) => {
      if (waiting.length) localStorage.setItem(own, JSON.stringify(waiting))
      else localStorage.removeItem(own)
    },
  }
}

const acknowledged = (jobId: string): string => `pyraxis-acknowledged:${jobId}`

/** Remembers, through reloads of this tab, how far the server has taken its saves. */
export const noteAcknowledged = (jobId: string, revision: number): void =>
  sessionStorage.setItem(acknowledged(jobId), String(revision))

/**
 * Whether a page shows less than this tab has already saved: a reload may be read on the server before a last save
 * arrives, whose answer the old page still gets. Told once for each save, so that a yard put back from a copy is not
 * asked for ever.
 */
export function isBehind(jobId: string, revision: number): boolean {
  const known = Number(sessionStorage.getItem(acknowledged(jobId)))
  sessionStorage.removeItem(acknowledged(jobId))
  return known > revision
}
