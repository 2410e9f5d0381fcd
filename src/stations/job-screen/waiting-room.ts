import { fetchReader } from './reader'
import type { PendingSave, WaitingRoom } from './saver'

const PREFIX = 'pyraxis-unsaved'
const ASIDE = 'pyraxis-unreadable'

/** Letters that nothing else has; also where the page is not served over a secure way and `randomUUID` is missing. */
export const newKey = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')

/** Names of the locks that are held by open tabs; none where this browser offers no locks. */
const heldLocks = async (): Promise<ReadonlySet<string | undefined>> =>
  new Set(navigator.locks ? (await navigator.locks.query()).held?.map((l) => l.name) : [])

const PATIENCE_MS = 1500

/**
 * Holds the lock of a tab's name for as long as the page is open. A page that was reloaded may find it held by the one
 * before it, which is just going: it is waited for.
 * @returns whether it could be had
 */
const hold = (tab: string): Promise<boolean> =>
  new Promise((answer) => {
    const held = (): Promise<never> => {
      answer(true)
      return new Promise(() => undefined)
    }
    navigator.locks
      .request(`${PREFIX}-tab-${tab}`, { signal: AbortSignal.timeout(PATIENCE_MS) }, held)
      .catch(() => answer(false))
  })

/** A name of this tab that outlives its reloads. @throws where the browser keeps nothing */
async function claimTab(): Promise<string> {
  const known = sessionStorage.getItem('pyraxis-tab')
  // a duplicated tab copies the name of the one it came from, which goes on holding its lock
  if (known && navigator.locks && (await hold(known))) return known
  const tab = newKey()
  sessionStorage.setItem('pyraxis-tab', tab)
  if (navigator.locks) await hold(tab)
  return tab
}

let claimed: Promise<string> | undefined
const thisTab = (): Promise<string> => (claimed ??= claimTab())

/** What a key holds, read; null where some of it cannot be. */
async function parsed(text: string): Promise<PendingSave[] | null> {
  const { readJob } = await fetchReader()
  try {
    const list: unknown = JSON.parse(text)
    if (!Array.isArray(list)) return null
    const waiting = list.map((w: Partial<PendingSave>): PendingSave | null => {
      const read = readJob(w.job)
      return read.ok && typeof w.from === 'number' && typeof w.key === 'string'
        ? { from: w.from, key: w.key, job: read.job }
        : null
    })
    return waiting.every((w) => w !== null) ? waiting : null
  } catch {
    return null
  }
}

/** A waiting change that this version cannot read: kept as it is until somebody takes it out or throws it away. */
export interface KeptAside {
  readonly key: string
  readonly text: string
}

/** Waiting changes of a job that cannot be read. */
export function keptAside(jobId: string): KeptAside[] {
  try {
    return Object.keys(localStorage)
      .filter((k) => k.startsWith(`${ASIDE}:${jobId}:`))
      .map((key) => ({ key, text: localStorage.getItem(key) ?? '' }))
  } catch {
    return []
  }
}

export const dropAside = ({ key }: KeptAside): void => localStorage.removeItem(key)

/** Takes what a key holds; what cannot be read is put aside, where nothing overwrites it. */
async function readOrPutAside(jobId: string, key: string): Promise<PendingSave[]> {
  const text = localStorage.getItem(key)
  if (text === null) return []
  const read = await parsed(text)
  if (read) return read
  localStorage.setItem(`${ASIDE}:${jobId}:${newKey()}`, text)
  localStorage.removeItem(key)
  return []
}

/** A waiting room for as long as the page is open: what this browser keeps nothing of goes out all the same. */
const forThisPage = (): WaitingRoom => {
  let held: readonly PendingSave[] = []
  return {
    read: () => [...held],
    write: (waiting) => {
      held = waiting
      return false
    },
  }
}

/**
 * The browser's storage as a waiting room for one job of this tab. Saves that a closed tab left behind are taken over;
 * those of a tab that is still open are left to it. Where the browser keeps nothing, a room for this page alone.
 */
export async function openWaitingRoom(jobId: string): Promise<WaitingRoom> {
  try {
    const tab = await thisTab()
    const own = `${PREFIX}:${jobId}:${tab}`
    if (!localStorage.getItem(own) && navigator.locks) {
      const held = await heldLocks()
      const gone = Object.keys(localStorage).find(
        (k) => k.startsWith(`${PREFIX}:${jobId}:`) && !held.has(`${PREFIX}-tab-${k.split(':')[2]}`),
      )
      if (gone) {
        localStorage.setItem(own, localStorage.getItem(gone)!)
        localStorage.removeItem(gone)
      }
    }
    const left = await readOrPutAside(jobId, own)
    return {
      read: () => [...left],
      write: (waiting) => {
        try {
          if (waiting.length) localStorage.setItem(own, JSON.stringify(waiting))
          else localStorage.removeItem(own)
          return true
        } catch {
          // full, or forbidden since: what stands there is older than what is meant
          localStorage.removeItem(own)
          return false
        }
      },
    }
  } catch {
    return forThisPage()
  }
}

const acknowledged = (jobId: string): string => `pyraxis-acknowledged:${jobId}`

/** Remembers, through reloads of this tab, how far the server has taken its saves. */
export function noteAcknowledged(jobId: string, revision: number): void {
  try {
    sessionStorage.setItem(acknowledged(jobId), String(revision))
  } catch {
    // a browser that keeps nothing has nothing to be behind of
  }
}

/**
 * Whether a page shows less than this tab has already saved: a reload may be read on the server before a last save
 * arrives, whose answer the old page still gets. Told once for each save, so that a yard put back from a copy is not
 * asked for ever.
 */
export function isBehind(jobId: string, revision: number): boolean {
  try {
    const known = Number(sessionStorage.getItem(acknowledged(jobId)))
    sessionStorage.removeItem(acknowledged(jobId))
    return known > revision
  } catch {
    return false
  }
}
