import { heatCauses } from '../diagnose'
import { type Drawing, framed, path, rect, type Shape, text } from '../drawing'
import { firstCircuit, hasThermostat, pointsOf } from '../fan-circuit'
import { coolantAt } from '../control'
import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { type Circumstances, dayOfStint, runWaitsFor, simulate } from '../run'
import { air } from '../units'
import type { Drill } from './drill'
import { say, spokenWord } from '../words'

/** What a trace may show, and how that looks. */
const shown = [
  [
    'nothing',
    say`nothing is wrong`,
    say`It rises, is caught at the planned temperature, and swings between on and
    off.`,
  ],
  [
    'probe_cold_side',
    say`the probe is on the cold side, or loose`,
    say`The fan comes, but well above the planned line: what it feels lags behind what is.`,
  ],
  [
    'under_thermostat',
    say`it is set under what the engine’s thermostat holds`,
    say`The fan starts below the line and never stops: the engine’s own thermostat keeps the coolant above its off.`,
  ],
  [
    'core_blocked',
    say`the core is blocked`,
    say`The fan starts in time and runs without end, and it goes on rising: air or heat does not get through.`,
  ],
  ['never', say`the fan never runs`, say`It passes the line and nothing happens.`],
] as const

const W = 150
const H = 70
/** of its words, mm: read on a phone too */
const LETTERS = 5
/** temperatures at the bottom and at the top, °C */
const [LOW, HIGH] = [20, 130]
const RUNS = 0.05

/** A run as a picture: how hot over the minutes, the planned on and off, and when the fan ran. */
function traced(job: Job, circumstances: Partial<Circumstances>): Drawing {
  const run = simulate(
    job,
    { season: 'hottest', fan: 'proposed', whatIf: 'as it is', ...circumstances },
    { day: dayOfStint(job), roughly: true, everyS: 10 },
  )!
  const { trace, lengthS } = run
  const x = (s: number): number => (W * s) / lengthS
  const y = (c: number): number => H - (H * (Math.min(HIGH, Math.max(LOW, c)) - LOW)) / (HIGH - LOW)
  const rows = Array.from({ length: trace.rows }, (_, i) => i)
  const ran = rows.flatMap((i): Shape[] =>
    i > 0 && (trace.share[0]?.[i] ?? 0) > RUNS
      ? [rect('pad', x(trace.t[i - 1]!), H + 4, Math.max(0.2, x(trace.t[i]!) - x(trace.t[i - 1]!)), 4)]
      : [],
  )
  const ticks = [40, 60, 80, 100, 120].flatMap((c): Shape[] => [
    path('faint', [
      [0, y(c)],
      [W, y(c)],
    ]),
    text(-2, y(c) + 1.2, `${c} °C`, LETTERS, { anchor: 'end', figure: true, tone: 'soft' }),
  ])
  const minutes = [0, 10, 20, 30].map((m) =>
    text(Math.min(W, x(m * 60)), H + 15, `${m} min`, LETTERS, {
      anchor: m === 30 ? 'end' : 'start',
      figure: true,
      tone: 'soft',
    }),
  )
  return framed(
    say`a trace`,
    say`how hot the coolant is over half an hour, and when the fan ran`,
    [
      rect('outline', 0, 0, W, H),
      ...ticks,
      ...planned(job, x, y, lengthS),
      path(
        'part-heavy',
        rows.map((i) => [x(trace.t[i]!), y(trace.hot[i]!)] as const),
      ),
      ...ran,
      text(-2, H + 7.5, 'fan', LETTERS, { anchor: 'end' }),
      ...minutes,
    ],
    4,
  )
}

/** Where the fan is planned to start and to stop, as coolant. */
function planned(job: Job, x: (s: number) => number, y: (c: number) => number, lengthS: number): Shape[] {
  const circuit = firstCircuit(job)
  if (!hasThermostat(circuit)) return []
  const bench = new Bench(lookupOf(job))
  const points = pointsOf(bench, circuit)
  const kappa = bench.value(`probes.${circuit.probe.id}.kappa`)
  const outside = air(bench.value('surroundings.hottestC'))
  return (['on', 'off'] as const).flatMap((edge): Shape[] => {
    const c = coolantAt(points[edge], outside, kappa).c
    return [
      path('dimension', [
        [0, y(c)],
        [x(lengthS), y(c)],
      ]),
      text(W + 2, y(c) + (edge === 'on' ? -0.4 : 4.4), say`planned ${spokenWord(edge)}`, LETTERS),
    ]
  })
}

/** A trace of this machine with something wrong, or nothing. @returns null where no run can be made of it */
export function traceDrill(random: () => number, job: Job): Drill | null {
  if (runWaitsFor(job) || !job.cooling || !hasThermostat(firstCircuit(job))) return null
  const [id, right, working] = shown[Math.min(shown.length - 1, Math.floor(random() * shown.length))]!
  const heat = heatCauses.find((h) => h.cause.id === id)
  const picture =
    id === 'never'
      ? traced(job, { fan: 'none' })
      : traced(heat?.edit ? heat.edit(job) : job, heat?.blocked ? { blocked: heat.blocked + 0.25 } : {})
  return {
    ask: say`${job.machine.name}: twenty minutes of slow work, ten standing, on its hottest day. What is wrong?`,
    picture,
    answers: shown.map(([, words]) => words),
    figure: null,
    right,
    working,
  }
}
