/** A piece of work that one person does in one go, min; hands are free while its wait runs afterwards. */
export interface Block {
  readonly id: string
  readonly title: string
  readonly minutes: number
  readonly waitMinutes: number
}

/** What is left of one job, in the order it is done. */
export interface Work {
  readonly job: string
  readonly blocks: readonly Block[]
  /** a wait that runs already ends so many minutes after the day began */
  readonly readyAt: number
}

/** A day at the bench, in minutes since midnight. */
export interface BenchDay {
  readonly from: number
  readonly until: number
  readonly people: 1 | 2
  readonly pause: { readonly from: number; readonly until: number } | null
}

/** A block in the day: who does it and when, and until when it waits afterwards. */
export interface Placed {
  readonly job: string
  readonly block: Block
  /** 0 or 1 */
  readonly person: number
  readonly from: number
  readonly to: number
  readonly waitTo: number
}

/** What no longer fits into the day. */
export interface LeftOver {
  readonly job: string
  readonly block: Block
}

/** a block that shall not begin before some minute of the day, by {@link pinKey} */
export type Pins = ReadonlyMap<string, number>
export const pinKey = (job: string, block: string): string => `${job} ${block}`

/**
 * Lays work out on a day: whoever is free first takes the first job in the order given whose next block can begin.
 * Waits overlap with other jobs' work; one machine has one person at a time; no block is cut by the pause or the day's
 * end, and none of a less urgent job stands in the way of one that is held to begin at its minute.
 * @param works in the order of their urgency
 * @returns every block, placed or left over
 * @example two blocks of 20 and 40 min from 08:00 begin at 480 and 500
 */
export function layOut(
  works: readonly Work[],
  day: BenchDay,
  pins: Pins,
): { readonly placed: readonly Placed[]; readonly leftOver: readonly LeftOver[] } {
  const placed: Placed[] = []
  const free = Array.from({ length: day.people }, () => day.from)
  const at = works.map((w) => ({ next: 0, ready: Math.max(day.from, w.readyAt) }))
  /** when a job's next block may begin; null: nothing is left of it today */
  const beginsAt = (i: number): number | null => {
    const block = works[i]!.blocks[at[i]!.next]
    if (!block) return null
    const ready = Math.max(at[i]!.ready, pins.get(pinKey(works[i]!.job, block.id)) ?? 0)
    return ready + block.minutes <= day.until ? ready : null
  }
  /** the first moment from which a block is not cut by the pause */
  const uncut = (from: number, minutes: number): number =>
    day.pause && from < day.pause.until && from + minutes > day.pause.from ? day.pause.until : from
  /** whether a block would still be at work when a more urgent one is held to begin, with nobody else for that */
  const inTheWay = (i: number, from: number, to: number, person: number): boolean =>
    works.slice(0, i).some((work, h) => {
      const block = work.blocks[at[h]!.next]
      const begins = block && pins.has(pinKey(work.job, block.id)) ? beginsAt(h) : null
      return begins !== null && from < begins && begins < to && !free.some((f, p) => p !== person && f <= begins)
    })
  for (;;) {
    const person = free.indexOf(Math.min(...free))
    const now = free[person]!
    let chosen: { i: number; from: number } | null = null
    works.forEach((work, i) => {
      const begins = beginsAt(i)
      if (begins === null) return
      const minutes = work.blocks[at[i]!.next]!.minutes
      const from = uncut(Math.max(begins, now), minutes)
      const to = from + minutes
      if (to > day.until || inTheWay(i, from, to, person)) return
      if (chosen === null || from < chosen.from) chosen = { i, from }
    })
    if (chosen === null) {
      // this one has nothing more; another may still be free later than this one for what comes ready then
      free[person] = Infinity
      if (free.every((f) => f === Infinity)) break
      continue
    }
    const { i, from } = chosen as { i: number; from: number }
    const { job, blocks } = works[i]!
    const block = blocks[at[i]!.next]!
    const to = from + block.minutes
    placed.push({ job, block, person, from, to, waitTo: to + block.waitMinutes })
    free[person] = to
    at[i] = { next: at[i]!.next + 1, ready: to + block.waitMinutes }
  }
  const leftOver = works.flatMap(({ job, blocks }, i) => blocks.slice(at[i]!.next).map((block) => ({ job, block })))
  return { placed, leftOver }
}

/** Blocks of one job that follow each other without a gap, by one person: what is drawn as one bar. */
export interface Stint {
  readonly job: string
  readonly person: number
  readonly from: number
  readonly to: number
  /** until when its last block waits */
  readonly waitTo: number
  readonly placed: readonly Placed[]
}

/** Placed blocks as stints, in order of time. */
export function stintsOf(placed: readonly Placed[]): Stint[] {
  const stints: Stint[] = []
  for (const p of [...placed].sort((a, b) => a.from - b.from)) {
    const i = stints.findLastIndex((s) => s.person === p.person)
    const last = stints[i]
    if (last && last.job === p.job && last.to === p.from && last.waitTo === last.to)
      stints[i] = { ...last, to: p.to, waitTo: p.waitTo, placed: [...last.placed, p] }
    else stints.push({ job: p.job, person: p.person, from: p.from, to: p.to, waitTo: p.waitTo, placed: [p] })
  }
  return stints
}
