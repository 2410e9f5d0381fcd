import { example } from '../../formats/test-support/examples'
import { motorsOf } from '../circuit'
import { answerProof, type Job, jobSchema, machineKinds, startJob } from '../job'
import { proofsOf } from '../build'
import { netlistOf } from '../wiring'
import {
  alsoTrue,
  areasOf,
  beliefs,
  bitsOf,
  calledState,
  doubtful,
  Faulted,
  fittedElsewhere,
  fits,
  fitting,
  type Found,
  foundByProof,
  foundCallers,
  foundFeeds,
  type Move,
  pairsOf,
  proposals,
  seekingWaitsFor,
  standingOf,
  type Table,
  tableOf,
  usually,
  within,
  withMore,
} from '.'
import { made } from './test-support/made'

const jobs = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer'] as const
const tables = new Map<string, { job: Job; table: Table }>(
  jobs.map((name) => [name, { job: example(name), table: made(tableOf(example(name))) }]),
)
const of = (name: (typeof jobs)[number]) => tables.get(name)!
const cell = (table: Table, cause: string, move: string) =>
  table.cells[table.causes.findIndex((c) => c.id === cause)]![table.moves.findIndex((m) => m.id === move)]!

/** a move with words, one with volts; two causes that say the opposite */
const asked = { title: '', how: '', caution: '', minutes: 1, risk: 0, tier: 'look' } as const
const word: Move = {
  ...asked,
  id: 'w',
  answers: [
    { id: 'a', words: 'a' },
    { id: 'b', words: 'b' },
  ],
  figure: null,
}
const volts: Move = {
  ...asked,
  id: 'v',
  tier: 'meter',
  answers: null,
  figure: { quantity: 'voltage', sd: 0.15, share: 0.03, ends: [-20, 40] },
}
const cause = (id: string, weight: number) => ({
  id,
  words: id,
  area: 'circuit' as const,
  weight,
  why: '',
  faults: [],
  repair: { step: '', parts: [], proof: '' },
})
const small: Table = {
  causes: [cause('x', 3), cause('y', 1)],
  moves: [word, volts],
  cells: [
    ['a', 12],
    ['b', 0],
  ],
}

describe('belief, against sums by hand', () => {
  test('three to one before, a word that is right nine times of ten: 3 × 0.1 to 1 × 0.9', () => {
    expect(beliefs(small, [])[0]).toBeCloseTo(0.75, 12)
    expect(beliefs(small, [{ move: 'w', found: 'b' }])[1]).toBeCloseTo(0.9 / (0.9 + 0.3), 12)
  })
  test(
    '12 V read 0.51 V off, one standard deviation: the density of a normal, beside a slip of one in ' +
      'fifty over 60 V',
    () => {
      const at = (z: number) => Math.exp(-0.5 * z * z) / (0.51 * Math.sqrt(2 * Math.PI))
      const x = 3 * (0.98 * at(1) + 0.02 / 60)
      // nought volts are read to 0.15 V: 11.49 V is no reading of it, only a slip
      const y = 0.02 / 60
      expect(beliefs(small, [{ move: 'v', found: 11.49 }])[0]).toBeCloseTo(x / (x + y), 9)
    },
  )
  test('a word that parts two even causes tells 1 − H(0.9) bits; volts that lie far apart tell all but the slips', () => {
    const h = -(0.9 * Math.log2(0.9) + 0.1 * Math.log2(0.1))
    expect(bitsOf(small, 0, [0.5, 0.5])).toBeCloseTo(1 - h, 12)
    const bits = bitsOf(small, 1, [0.5, 0.5])
    expect(bits).toBeGreaterThan(0.9)
    expect(bits).toBeLessThan(1)
    expect(bitsOf(small, 1, [1, 0])).toBe(0)
  })
  test('what no cause makes is told, and the one answer that would have to be wrong', () => {
    const three: Table = {
      ...small,
      moves: [...small.moves, { ...word, id: 'w2' }],
      cells: [
        ['a', 12, 'a'],
        ['b', 0, 'b'],
      ],
    }
    const found = [
      { move: 'w', found: 'a' },
      { move: 'w2', found: 'a' },
      { move: 'v', found: 0.1 },
    ]
    expect(fitting(three, found)).toEqual([])
    expect(doubtful(three, found)).toBe('v')
    expect(standingOf(three, found)).toMatchObject({ word: 'contradicts', left: 0 })
    expect(doubtful(three, [{ move: 'v', found: 6 }])).toBe('v')
  })
})

/** Follows the proposals with a cause's own answers, from something at the door that is out of the usual. */
function sought(
  table: Table,
  truth: number,
): { standing: ReturnType<typeof standingOf>; table: Table; found: Found[] } | null {
  const door = table.moves.findIndex(
    (m, k) =>
      /^(fan|coil|blows|cooling|noise|falls)/.test(m.id) &&
      table.cells[truth]![k] !== usually(table, m.id) &&
      table.cells[truth]![k] !== null,
  )
  if (door < 0) return null
  const found: Found[] = [{ move: table.moves[door]!.id, found: table.cells[truth]![door]! }]
  const id = table.causes[truth]!.id
  for (let n = 0; n < 20; n++) {
    const narrowed = within(table, areasOf(table, found))
    const at = narrowed.causes.findIndex((c) => c.id === id)
    const next = proposals(narrowed, found).find(
      ({ move }) => narrowed.cells[at]?.[narrowed.moves.indexOf(move)] !== null,
    )
    if (!next || Math.max(...beliefs(narrowed, found)) > 0.95) break
    found.push({ move: next.move.id, found: narrowed.cells[at]![narrowed.moves.indexOf(next.move)]! })
  }
  const narrowed = within(table, areasOf(table, found))
  return { standing: standingOf(narrowed, found), table: narrowed, found }
}

test(
  'every cause that shows at the door is never lost, and found or left with what looks the same, in ' +
    'under half an hour',
  () => {
    for (const { table } of tables.values()) {
      let minutes = 0
      let played = 0
      table.causes.forEach(({ id }, truth) => {
        // every third is enough: each kind of fault comes up somewhere
        const end = truth % 3 ? null : sought(table, truth)
        if (!end) return
        const mine = end.table.causes.findIndex((c) => c.id === id)
        expect([id, fitting(end.table, end.found).includes(mine)]).toEqual([id, true])
        const { ranked } = end.standing
        const share = ranked.find((r) => r.index === mine)!.share
        // nothing that does not make all of it is believed more than what does
        expect(ranked.filter((r) => r.share > share && !fitting(end.table, end.found).includes(r.index))).toEqual([])
        minutes += end.found.slice(1).reduce((m, f) => m + table.moves.find((x) => x.id === f.move)!.minutes, 0)
        played++
      })
      expect(played).toBeGreaterThan(10)
      expect(minutes / played).toBeLessThan(30)
    }
  },
)

describe('orders of checks', () => {
  const stands = [{ move: 'fan:called:fan1', found: 'stands' }]
  test('a fan that never runs: looking comes before the meter, the fuse before anything is bridged', () => {
    const { table } = of('fell-bike-signed')
    const order = proposals(within(table, ['circuit']), stands).map((p) => p.move)
    const place = (of: (m: Move) => boolean) => order.findIndex(of)
    expect(place((m) => m.id === 'fuse:fuse1')).toBeLessThan(place((m) => m.tier === 'swap'))
    expect(place((m) => m.tier === 'look')).toBeLessThan(place((m) => m.tier === 'meter'))
    expect(order.slice(0, 3).every((m) => m.tier === 'look')).toBe(true)
  })
  test(
    'the relay clicks, the fan stands: a bad ground is what lifts the fan’s ground terminal to the ' +
      'battery’s volts',
    () => {
      const { table } = of('vineyard-buggy-ready')
      const clicks = [...stands, { move: 'coil:relay1', found: 'clicks' }]
      const narrowed = within(table, ['circuit'])
      const left = fitting(narrowed, clicks).map((i) => narrowed.causes[i]!.id)
      expect(left).toEqual(expect.arrayContaining(['open:return1', 'blown:fuse1', 'dead:contact1', 'jammed:fan1']))
      expect(left).not.toContain('blown:loom_fuse')
      // no current goes, so nothing is lost on the way: the whole of a rested battery stands at the open ground
      expect(cell(table, 'open:return1', 'volts:called:fan1_minus')).toBeGreaterThan(12)
      // sound, 5 A over some milliohms
      expect(cell(table, 'nothing', 'volts:called:fan1_minus')).toBeLessThan(0.2)
      const lifted = [...clicks, { move: 'volts:called:fan1_minus', found: 12.6 }]
      expect(standingOf(narrowed, lifted)).toMatchObject({ word: 'likely', left: 1 })
      expect(standingOf(narrowed, lifted).ranked[0]!.cause.id).toBe('open:return1')
      // with 20 Ω in it, it creeps, and its ground is lifted by what those keep
      expect(cell(table, 'bad:return1', 'fan:called:fan1')).toBe('slow')
      const amps = cell(table, 'bad:return1', 'amps:fan1') as number
      expect(amps).toBeLessThan(14.5 / 20)
    },
  )
  test('a fan that runs with the key off: taken from the battery, or stuck; not what runs by the key alone', () => {
    const { table } = of('fell-bike-signed')
    const narrowed = within(table, ['circuit'])
    const parked = [{ move: 'fan:parked:fan1', found: 'runs' }]
    const left = fitting(narrowed, parked).map((i) => narrowed.causes[i]!.id)
    expect(left).toEqual(expect.arrayContaining(['welded:output1', 'from_battery:control_feed', 'welded:key']))
    expect(left).not.toContain('set_low:output1')
    expect(left).not.toContain('nothing')
    expect(
      alsoTrue(
        narrowed,
        parked,
        narrowed.causes.findIndex((c) => c.id === 'welded:output1'),
      ).map((a) => a.move.id),
    ).toContain('fan:not_called:fan1')
  })
  test('two wires changed over at the plug: fed straight it turns the right way', () => {
    const { table } = of('fell-bike-signed')
    expect(cell(table, 'swapped:fan1', 'fan:called:fan1')).toBe('backwards')
    expect(cell(table, 'swapped:fan1', 'straight:fan1')).toBe('runs')
    expect(cell(table, 'open:fan1', 'straight:fan1')).toBe('stands')
    // a bare wire behind the fuse: it goes at the start only where the contact comes first
    expect(cell(table, 'chafed:feed1_c', 'blows:fuse1')).toBe('at the start')
    expect(cell(table, 'chafed:feed1_a', 'apart:feed1_b')).toBe('all fuses hold')
    expect(cell(table, 'chafed:feed1_b', 'blows:fuse1')).toBe('at once')
  })
})

test(
  'causes of heat: less heat carried is hotter, a probe that feels less starts later, and neither is of ' +
    'the circuit',
  () => {
    const { table } = of('fell-bike-signed')
    const figure = (id: string, move: string): number => cell(table, id, move) as number
    for (const id of ['core_blocked', 'air_inside', 'duty_heavier'])
      expect(figure(id, 'gauge:peak')).toBeGreaterThan(figure('nothing', 'gauge:peak'))
    // 0.8 of the rise over the air is felt: (on − air)/0.8 − (on − air) later, where the fan comes on at all
    const late = figure('probe_cold_side', 'gauge:starts') - figure('nothing', 'gauge:starts')
    expect(late).toBeGreaterThan(10)
    expect(figure('under_thermostat', 'watch:share')).toBeGreaterThan(figure('nothing', 'watch:share'))
    const hot: Found[] = [
      { move: 'cooling', found: 'too hot' },
      { move: 'fan:called:fan1', found: 'runs' },
    ]
    const narrowed = within(table, areasOf(table, hot))
    const left = fitting(narrowed, hot).map((i) => narrowed.causes[i]!.area)
    expect(left).toEqual(expect.arrayContaining(['heat', 'machine']))
    expect(left).not.toContain('circuit')
    expect(areasOf(table, [{ move: 'noise', found: 'rubs' }])).toEqual(['noise'])
    // a bay has neither coolant nor a core to shine through
    expect(of('churchyard-digger-bay').table.moves.map((m) => m.id)).not.toEqual(expect.arrayContaining(['level']))
    expect(of('churchyard-digger-bay').table.causes.map((c) => c.id)).toContain('vents_shut')
  },
)

test('two things at once, where no single one makes all of it', () => {
  const { job, table } = of('vineyard-buggy-ready')
  // the fan's fuse is blown and the relay's ground is off: dark fuse, silent relay, a controller that is lit
  const found: Found[] = [
    { move: 'fan:called:fan1', found: 'stands' },
    { move: 'display:controller1', found: 'lit' },
    { move: 'fuse:fuse1', found: 'blown' },
    { move: 'blows:fuse1', found: 'holds' },
    { move: 'coil:relay1', found: 'silent' },
    { move: 'volts:called:relay1_86', found: 12.3 },
  ]
  const narrowed = within(table, ['circuit'])
  expect(fitting(narrowed, found)).toEqual([])
  const likeliest = standingOf(narrowed, found).ranked.map((r) => r.cause)
  const makesAll = (cells: Table['cells'][number]) =>
    found.every((f) => {
      const k = table.moves.findIndex((m) => m.id === f.move)
      return fits(table.moves[k]!, cells[k]!, f.found)
    })
  const pairs = made(pairsOf(job, likeliest, makesAll))
  expect(pairs.causes.length).toBeGreaterThan(0)
  expect(pairs.causes.every((c) => c.faults.includes('blown:fuse1'))).toBe(true)
  const more = withMore(narrowed, pairs.causes, pairs.cells)
  expect(standingOf(more, found).ranked[0]!.cause.faults).toContain('blown:fuse1')
  expect(standingOf(more, found).left).toBe(pairs.causes.length)
})

test('a proof that differs goes into the search at its own place; one that is as predicted says nothing', () => {
  const job = example('fell-bike-mid-build')
  const proofs = proofsOf(job)
  const answered = (id: string, measured: number) =>
    answerProof(job, id, { measured: { value: measured, typed: `${measured}` }, answer: null, notProved: null }, 'x')
  const amps = proofs.find((p) => p.id === 'amps')!
  const motor = motorsOf(netlistOf(job))[0]!.name
  expect(foundByProof(answered('amps', 19), amps)).toEqual({ move: `amps:${motor}`, found: 19, typed: '19' })
  expect(foundByProof(answered('amps', amps.predicted!.value), amps)).toBeNull()
  const turns = proofs.find((p) => p.id === 'turns')!
  const no = answerProof(job, 'turns', { measured: null, answer: 'no', notProved: null }, 'x')
  expect(foundByProof(no, turns)).toMatchObject({ move: `fan:called:${motor}`, found: 'backwards' })
})

test(
  'a machine that was fitted elsewhere, by five things that are seen: valid, runs when it is called, can ' +
    'be sought in',
  () => {
    for (const kind of machineKinds)
      for (const caller of foundCallers)
        for (const relay of [true, false])
          for (const feed of foundFeeds) {
            const begun = startJob({
              title: 't',
              kind,
              job: 'wiring',
              machineName: 'm',
              owner: '',
              units: 'metric',
              startedOn: '2026-01-01',
              promisedOn: null,
            })
            const job = fittedElsewhere(begun, { amps: null, caller, relay, feed, fuseA: null })
            const said = [kind, caller, relay, feed]
            expect([...said, jobSchema.safeParse(job).success, seekingWaitsFor(job)]).toEqual([...said, true, null])
            const net = netlistOf(job)
            const fan = motorsOf(net)[0]!
            const act = { see: 'fan', state: calledState(net, true), motor: fan.name } as const
            expect([...said, new Faulted(net, { faults: [] }).shows(act)]).toEqual([...said, 'runs'])
          }
  },
)
