import type { Job } from '@/core/job'
import { withoutStaleSignature } from '@/core/plan'

/** What the server answers to a save. */
export type SaveAnswer =
  | { readonly kind: 'saved'; readonly revision: number; readonly savedAt: string }
  | {
      readonly kind: 'stale'
      readonly theirs: { readonly revision: number; readonly savedAt: string; readonly job: Job }
    }
  /** will not do as it is: trying again would not help */
  | { readonly kind: 'refused'; readonly message: string }
  /** not reached, or busy: will be tried again */
  | { readonly kind: 'later'; readonly message: string }

export interface PendingSave {
  readonly from: number
  readonly key: string
  readonly job: Job
}

/** Where saves wait that are not acknowledged: first the one that was sent, then the newest. */
export interface WaitingRoom {
  read(): PendingSave[]
  /** @returns whether it outlives this page */
  write(waiting: readonly PendingSave[]): boolean
}

export type SaverState =
  | { readonly kind: 'saved'; readonly at: string }
  | { readonly kind: 'saving' }
  /** `kept`: in this browser, through a reload; else only as long as this page is open */
  | { readonly kind: 'waiting'; readonly message: string; readonly kept: boolean }
  /** somebody saved in between; `from` is the revision that both versions were made from */
  | {
      readonly kind: 'stale'
      readonly theirs: { readonly revision: number; readonly savedAt: string; readonly job: Job }
      readonly mine: Job
      readonly from: number
    }
  | { readonly kind: 'refused'; readonly message: string; readonly kept: boolean }

interface Options {
  readonly revision: number
  readonly savedAt: string
  readonly send: (save: PendingSave) => Promise<SaveAnswer>
  readonly room: WaitingRoom
  readonly newKey: () => string
  readonly onState: (state: SaverState) => void
  readonly retryMs: number
}

/**
 * Sends settled changes one at a time, the newest document after the one in flight. What is not acknowledged stays in
 * the waiting room; a save that may have arrived is sent again under its own key, so that it is never made twice.
 */
export class Saver {
  private base: number
  private waiting: PendingSave[]
  private kept = true
  private busy = false
  private stopped = false
  /** the first in the waiting room will not be taken as it is; the next change stands in its place */
  private firstRefused = false
  private theirs: { readonly revision: number; readonly savedAt: string; readonly job: Job } | null = null
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(private readonly options: Options) {
    this.base = options.revision
    this.waiting = options.room.read()
  }

  /** the newest document that is not acknowledged, if any: what a reloaded tab goes on with */
  get unsaved(): Job | null {
    return this.waiting.at(-1)?.job ?? null
  }
  get revision(): number {
    return this.base
  }

  start(): void {
    this.stopped = false
    if (this.waiting.length) void this.pump()
  }

  stop(): void {
    this.stopped = true
    clearTimeout(this.timer)
  }

  settle(job: Job): void {
    const next: PendingSave = { from: this.base, key: this.options.newKey(), job }
    this.keep(this.firstRefused ? [next] : [...this.waiting.slice(0, 1), next])
    this.firstRefused = false
    if (!this.theirs) void this.pump()
  }

  /** Ends a conflict with the version that is to stand on top of theirs. @returns the document that stands now */
  resolve(chosen: Job): Job {
    const { theirs } = this
    if (!theirs) throw new Error('there is no conflict')
    this.theirs = null
    this.base = theirs.revision
    if (JSON.stringify(chosen) === JSON.stringify(theirs.job)) {
      this.keep([])
      this.options.onState({ kind: 'saved', at: theirs.savedAt })
      return theirs.job
    }
    const job = withoutStaleSignature(theirs.job, chosen)
    this.keep([{ from: this.base, key: this.options.newKey(), job }])
    void this.pump()
    return job
  }

  private keep(waiting: PendingSave[]): void {
    this.waiting = waiting
    this.kept = this.options.room.write(waiting)
  }

  private async pump(): Promise<void> {
    const [first] = this.waiting
    if (this.busy || this.stopped || !first) return
    clearTimeout(this.timer)
    this.busy = true
    this.options.onState({ kind: 'saving' })
    const answer = await this.options.send(first)
    this.busy = false
    if (this.stopped) return
    if (answer.kind === 'saved') {
      this.base = answer.revision
      this.keep(this.waiting.slice(1).map((w) => ({ ...w, from: answer.revision })))
      if (this.waiting.length) return this.pump()
      this.options.onState({ kind: 'saved', at: answer.savedAt })
    } else if (answer.kind === 'stale') {
      this.theirs = answer.theirs
      this.options.onState({ kind: 'stale', theirs: answer.theirs, mine: this.unsaved ?? first.job, from: this.base })
    } else if (answer.kind === 'refused') {
      if (this.waiting.length > 1) {
        this.keep(this.waiting.slice(1))
        return this.pump()
      }
      this.firstRefused = true
      this.options.onState({ kind: 'refused', message: answer.message, kept: this.kept })
    } else {
      this.options.onState({ kind: 'waiting', message: answer.message, kept: this.kept })
      this.timer = setTimeout(() => void this.pump(), this.options.retryMs)
    }
  }
}
