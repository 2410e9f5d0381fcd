import { type Day, type DutyLeg, LONGEST_DAY, mostOf, type Work } from '../../core/job'
import { plainLeg } from '../../core/run'
import { say } from '../../core/words'

/** One sample of a track or table: what was so from here to the next. SI, °C. */
export interface DaySample {
  readonly seconds: number
  readonly speedMs: number | null
  readonly loadShare: number | null
  readonly rpm: number | null
  readonly airC: number | null
  readonly grade: number | null
  readonly heightM: number | null
  readonly name?: string
  /** what it does, where that is said; else it is told from the rest */
  readonly work?: Work
}

/** said of what is longer than a day may be */
export const tooLong = (samples: readonly DaySample[]): string | null =>
  samples.reduce((sum, s) => sum + s.seconds, 0) > LONGEST_DAY
    ? say`This is longer than 48 hours: cut it into days.`
    : null

const mean = (list: readonly DaySample[], of: (s: DaySample) => number | null): number | null => {
  let [sum, time] = [0, 0]
  for (const s of list) {
    const v = of(s)
    if (v !== null) {
      sum += v * s.seconds
      time += s.seconds
    }
  }
  return time > 0 ? sum / time : null
}
const to = (value: number | null, step: number): number | null =>
  value === null ? null : Math.round(value / step) * step

/** The work that was done for the longest of some samples; undefined where none says. */
function mostly(list: readonly DaySample[]): Work | undefined {
  const time = new Map<Work, number>()
  for (const { work, seconds } of list) if (work) time.set(work, (time.get(work) ?? 0) + seconds)
  return [...time].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/**
 * Samples as legs of a day: each by itself where they are few, else joined to equal stretches, by their means over
 * time.
 * @param most how many legs at most
 */
export function reduced(
  samples: readonly DaySample[],
  name: string,
  from: Day['from'],
  standsBelowMs: number,
  most = mostOf('legsOfDay'),
): { readonly day: Day; readonly joined: number } {
  const whole = samples.filter((s) => s.seconds > 0)
  const total = whole.reduce((sum, s) => sum + s.seconds, 0)
  const stretch = total / most
  const groups: DaySample[][] = []
  if (whole.length <= most) groups.push(...whole.map((s) => [s]))
  else {
    let [group, time]: [DaySample[], number] = [[], 0]
    for (const s of whole) {
      group.push(s)
      time += s.seconds
      if (time >= stretch && groups.length < most - 1) {
        groups.push(group)
        group = []
        time = 0
      }
    }
    if (group.length) groups.push(group)
  }
  const legs = groups.map((g, i): DutyLeg => {
    const speedMs = to(
      mean(g, (s) => s.speedMs),
      0.01,
    )
    const loadShare = to(
      mean(g, (s) => s.loadShare),
      0.001,
    )
    const rpm = to(
      mean(g, (s) => s.rpm),
      1,
    )
    const still = speedMs !== null && speedMs < standsBelowMs
    const off = rpm === 0 && loadShare !== null && loadShare === 0
    const seconds = Math.round(1000 * g.reduce((sum, s) => sum + s.seconds, 0)) / 1000
    const going = still ? say`standing` : say`moving`
    const working = still && loadShare === null ? 'idle' : 'slow'
    return {
      ...plainLeg(`leg${i + 1}`, g[0]!.name ?? (off ? say`off` : going), mostly(g) ?? (off ? 'off' : working), 0),
      seconds,
      speedMs,
      loadShare,
      rpm: off ? null : rpm,
      airC: to(
        mean(g, (s) => s.airC),
        0.1,
      ),
      grade:
        still || loadShare !== null
          ? null
          : to(
              mean(g, (s) => s.grade),
              0.001,
            ),
      heightM: to(
        mean(g, (s) => s.heightM),
        1,
      ),
    }
  })
  return { day: { name: name.slice(0, 80) || say`a day`, from, legs }, joined: whole.length - legs.length }
}
