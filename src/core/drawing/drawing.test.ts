import fc from 'fast-check'
import { anyCircuit } from '@/formats/test-support/any-circuit'
import { example } from '@/formats/test-support/examples'
import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { layOut } from '@/layout/circuit-layout'
import { bayWays } from '../advice'
import { Circuit, faultsOf, type Netlist, runningHot, withFaults } from '../circuit'
import {
  changeObstacle,
  changePlace,
  type Job,
  machineKinds,
  moveFan,
  startJob,
  typicalMachines,
  withReading,
} from '../job'
import { cutList, netlistOf, wireNames } from '../wiring'
import {
  arrow,
  bayFlowPicture,
  circuitDrawing,
  circuitGraph,
  dimension,
  drawingSchema,
  framed,
  frontView,
  sectionView,
  type Drawing,
  type Shape,
} from '.'
import { often } from '../../test-support/often'

const bike = example('fell-bike-short-at-idle')
const digger = example('churchyard-digger-bay')
const rects = (d: Drawing, pen: string) =>
  d.shapes.filter((s): s is Extract<Shape, { kind: 'rect' }> => s.kind === 'rect' && s.pen === pen)
const words = (d: Drawing): string => d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : [])).join(' | ')
const marks = (d: Drawing): number => d.shapes.filter((s) => s.kind !== 'text' && s.pen === 'touch').length

/** Every figure of a drawing, in the order in which it is drawn. */
const figures = (d: Drawing): number[] =>
  d.shapes.flatMap((s) =>
    s.kind === 'path'
      ? s.points.flat()
      : s.kind === 'rect'
        ? [s.x, s.y, s.w, s.h]
        : s.kind === 'circle'
          ? [s.x, s.y, s.r]
          : [s.x, s.y, s.size],
  )

test('the front is to scale: the core of 120 × 240, the frame of 116 with its middle where it sits, blades of 108', () => {
  const front = frontView(bike)!
  expect(rects(front, 'outline')).toEqual(
    expect.arrayContaining([expect.objectContaining({ x: 0, y: 0, w: 120, h: 240 })]),
  )
  const { xM, yM } = bike.fans[0]!.seat!
  const [frame] = rects(front, 'fan')
  expect([frame!.x, frame!.y, frame!.w, frame!.h].map((v) => Math.round(v * 10) / 10)).toEqual(
    [xM * 1000 - 58, yM * 1000 - 58, 116, 116].map((v) => Math.round(v * 10) / 10),
  )
  expect(front.shapes.some((s) => s.kind === 'circle' && s.of === 'fan1' && Math.abs(s.r - 54) < 1e-9)).toBe(true)
  expect(words(front)).toContain('frame tube')
  expect(marks(front)).toBe(0)
})

test('a touch is marked on both views, with what is left of what is needed; over the edge is said', () => {
  // the frame tube brought to 4 mm behind the fan's own column: 38 + 5 mm of fan stand in 20 mm of room
  const near = changeObstacle(bike, 'near1', {
    fromLeftM: { value: 0.05, source: 'measured' },
    freeM: { value: 0.02, source: 'measured' },
  })
  expect(marks(frontView(near)!)).toBeGreaterThan(0)
  expect(marks(sectionView(near)!)).toBeGreaterThan(0)
  expect(words(frontView(near)!)).toContain('−23 mm of 6 mm')
  expect(words(frontView(moveFan(bike, 'fan1', { core: 0, xM: 0.02, yM: 0.1 }))!)).toContain('over the edge')
  const tight = withReading(bike, 'place.freeDepthM', { value: 0.045, source: 'measured' })
  expect(words(sectionView(tight)!)).toContain('2 mm left')
  expect(marks(sectionView(tight)!)).toBeGreaterThan(0)
})

test('what moves is drawn where it comes closest, and where it rests; only the side of the fan counts', () => {
  const fork = changeObstacle(changePlace(bike, { side: 'pusher' }), 'near3', {
    fromLeftM: { value: 0, source: 'measured' },
    fromTopM: { value: 0.03, source: 'measured' },
    wideM: { value: 0.12, source: 'measured' },
  })
  const section = sectionView(fork)!
  // 60 mm free at rest, 28 mm nearer at lock
  expect(rects(section, 'moves')[0]!.x).toBeCloseTo(32)
  expect(rects(section, 'swept').some((r) => Math.abs(r.x - 60) < 1e-9)).toBe(true)
  expect(rects(sectionView(bike)!, 'moves')).toHaveLength(0)
})

test('a swapped wire turns the arrows; what the air comes from and lands on is written', () => {
  const cold = (j: Job) =>
    sectionView(j)!.shapes.filter(
      (s): s is Extract<Shape, { kind: 'path' }> => s.kind === 'path' && s.pen === 'air-cold',
    )
  const runs = (j: Job) =>
    cold(j)
      .filter((s) => s.points.length === 2)
      .map((s) => Math.sign(s.points[1]![0] - s.points[0]![0]))
  expect(runs(bike)).toEqual([1, 1, 1])
  expect(runs({ ...bike, fans: bike.fans.map((f) => ({ ...f, wiresSwapped: true })) })).toEqual([-1, -1, -1])
  expect(
    words(sectionView(changePlace(bike, { inletFrom: 'near an exhaust', blowsOn: 'fuel tank or line' }))!),
  ).toMatch(/from an exhaust.*onto fuel tank or line/)
})

test(
  'everything drawn lies in its frame, is a figure, and passes the shape that sheets keep, for every machine ' +
    'and place',
  () => {
    for (const kind of machineKinds) {
      for (const job of typicalMachines[kind].jobs) {
        const fresh = startJob({
          title: 't',
          kind,
          job,
          machineName: 'm',
          owner: '',
          units: 'imperial',
          startedOn: '2026-01-15',
          promisedOn: null,
        })
        for (const d of [frontView(fresh), sectionView(fresh)])
          if (d) expect(drawingSchema.safeParse(d).success).toBe(true)
      }
    }
    fc.assert(
      fc.property(
        fc.double({ min: -0.2, max: 0.4, noNaN: true }),
        fc.double({ min: -0.2, max: 0.5, noNaN: true }),
        fc.constantFrom('ties', 'bracket', 'shroud'),
        fc.constantFrom('puller', 'pusher'),
        (xM, yM, mount, side) => {
          for (const d of [
            frontView(changePlace(moveFan(bike, 'fan1', { core: 0, xM, yM }), { mount, side }))!,
            sectionView(changePlace(moveFan(bike, 'fan1', { core: 0, xM, yM }), { mount, side }))!,
          ]) {
            expect(figures(d).every(Number.isFinite)).toBe(true)
            for (const r of [...rects(d, 'fan'), ...rects(d, 'outline'), ...rects(d, 'fixed')]) {
              expect(r.x).toBeGreaterThanOrEqual(d.x)
              expect(r.y + r.h).toBeLessThanOrEqual(d.y + d.h + 1e-9)
            }
          }
        },
      ),
      { numRuns: often(16) },
    )
  },
)

test('the picture of a bay tells each way apart: what the gaps do, where the fan is, when it is too hot', () => {
  const ways = bayWays(digger, digger.fans[0]!.part)
  const picture = (name: RegExp) => ways.map((w) => bayFlowPicture(digger, w, 0.1)).find((d) => name.test(d.title))!
  expect(words(picture(/rear louvre, drawing out/))).toContain('cool in')
  expect(words(picture(/rear louvre, pushing in/))).toContain('hot out')
  expect(words(picture(/rear louvre, pushing in/))).toContain('too hot')
  expect(rects(picture(/^no fan/), 'fan')).toHaveLength(0)
  for (const w of ways) expect(drawingSchema.safeParse(bayFlowPicture(digger, w, 0)).success).toBe(true)
})

test(
  'helpers: a frame takes in every shape, a dimension too tight for its figure puts it beside, an arrow ends ' +
    'where it points',
  () => {
    expect(framed('', '', [], 5)).toMatchObject({ w: 1, h: 1 })
    expect(framed('', '', [...dimension([0, 0], [100, 0], '100 mm', 5)], 2)).toMatchObject({
      x: expect.closeTo(-3.75, 2) as number,
    })
    const beside = dimension([0, 0], [10, 0], '10.5 mm', 5).find((s) => s.kind === 'text')!
    expect(beside).toMatchObject({ anchor: 'start' })
    const [, head] = arrow('air-hot', [0, 0], [10, 0], 2)
    expect(head).toMatchObject({ kind: 'path', points: [expect.anything(), [10, 0], expect.anything()] })
  },
)

test('the file has true millimetres, holds both views, and keeps odd names from breaking it', () => {
  const odd = changeObstacle(bike, 'near1', { name: 'tube <"&> 5' })
  const drawings = [frontView(odd)!, sectionView(odd)!]
  const svg = drawingsSvg('Fell & "team"', drawings)
  const [, w, h, vw, vh] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!
  expect([w, h]).toEqual([vw, vh])
  expect(Number(w)).toBeCloseTo(drawings[0]!.w + drawings[1]!.w + 12, 2)
  expect(svg).toContain('tube &lt;&quot;&amp;&gt; 5')
  expect(svg.match(/<g /g)).toHaveLength(2)
  expect(svg).not.toMatch(/NaN|Infinity|undefined/)
})

test('a name with characters that no drawing can hold is drawn without them, and turns nothing after it round', () => {
  const hidden = [...Array(32).keys()].filter((c) => ![9, 10, 13].includes(c)).map((c) => String.fromCharCode(c))
  const odd = changeObstacle(bike, 'near1', { name: `pipe ${hidden.join('')}\u202e\u2066\ud800\uffff 5 Ω` })
  const svg = drawingsSvg(`Fell ${hidden.join('')} team`, [frontView(odd)!, sectionView(odd)!])
  expect(svg).toContain('pipe  5 Ω')
  // XML 1.0 §2.2: what a document may hold, less what turns the direction of words
  expect(svg).toMatch(/^[\t\n\r\u0020-\u007e\u00a0-\u2027\u202f-\u2065\u206a-\ud7ff\ue000-\ufffd]*$/)
})

test('a controller is one box; what flows into every joint of a circuit flows out of it again', () => {
  for (const name of ['vineyard-buggy-ready', 'fell-bike-signed', 'market-cold-trailer', 'churchyard-digger-bay']) {
    const job = example(name)
    const net = netlistOf(job)
    const graph = circuitGraph(net)
    const { amps } = new Circuit(net).solve(runningHot)
    const joints = graph.nodes.filter((n) => n.kind === 'joint')
    for (const { id } of joints) {
      const sum = graph.edges.reduce((total, e) => {
        const flows = e.carries.reduce((s, c) => s + c.sign * (amps.get(c.element) ?? 0), 0)
        if (e.to === id) return total + flows
        return e.from === id ? total - flows : total
      }, 0)
      expect([name, id, Math.abs(sum) < 1e-6]).toEqual([name, id, true])
    }
    const ports = graph.nodes.flatMap((n) => n.ports.map((q) => q.id))
    expect(new Set(ports).size).toBe(ports.length)
    expect(graph.nodes.filter((n) => n.kind === 'unit')).toHaveLength(job.controllers.length)
  }
})

test('a fault moves nothing: every part stays where it is, what is put in lies over it, wires keep their numbers', async () => {
  const job = example('vineyard-buggy-ready')
  const net = netlistOf(job)
  const graph = circuitGraph(net)
  const laid = await layOut(graph, false, true)
  const names = wireNames(job)
  const picture = (faulty: Netlist) =>
    circuitDrawing(
      'c',
      faulty,
      graph,
      laid,
      { conditions: runningHot, solution: new Circuit(faulty).solve(runningHot), figures: true },
      [],
      names,
    )
  const hits = (d: Drawing) => d.shapes.filter((s) => s.kind === 'rect' && s.pen === 'hit')
  const whole = picture(net)
  for (const { id, kind } of faultsOf(net)) {
    const faulty = picture(withFaults(net, [id]))
    const gone = ['open', 'blown', 'dead', 'diode_missing'].includes(kind)
    if (!gone) expect(hits(faulty)).toEqual(hits(whole))
    if (kind === 'chafed') expect(faulty.shapes.some((s) => s.kind === 'path' && s.pen === 'touch')).toBe(true)
  }
  const list = cutList(job, []).wires
  expect([...names.values()].sort()).toEqual(list.map((w) => `${w.number} ${w.colour}`).sort())
  for (const w of list) expect(words(whole)).toContain(`${w.number} ${w.colour}`)
})

/** Words of a drawing that stand over others. A letter is about half as wide as it is high. */
function wordsOverWords(d: Drawing, letter: number): string[] {
  const boxes = d.shapes.flatMap((s) => {
    if (s.kind !== 'text') return []
    const w = letter * s.size * s.text.length
    const left = { start: s.x, middle: s.x - w / 2, end: s.x - w }[s.anchor]
    return [{ text: s.text, box: [left, s.y - 0.7 * s.size, left + w, s.y] as const }]
  })
  return boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .flatMap((b) =>
        a.box[0] < b.box[2] && b.box[0] < a.box[2] && a.box[1] < b.box[3] && b.box[1] < a.box[3]
          ? [`${a.text} / ${b.text}`]
          : [],
      ),
  )
}

async function laidOut(job: Job, figures: boolean): Promise<Drawing> {
  const net = netlistOf(job)
  const graph = circuitGraph(net)
  const shown = { conditions: runningHot, solution: new Circuit(net).solve(runningHot), figures }
  return circuitDrawing('c', net, graph, await layOut(graph, false, figures), shown, [], wireNames(job))
}

test('no words of a circuit stand over others, laid out for a sheet with all its figures', async () => {
  for (const name of ['vineyard-buggy-ready', 'fell-bike-signed', 'market-cold-trailer', 'churchyard-digger-bay'])
    expect([name, wordsOverWords(await laidOut(example(name), true), 0.45)]).toEqual([name, []])
})

test('a circuit without figures is close, and its words are clear of each other, whatever is joined to what', async () => {
  // 740 px of stage at 11 px for letters of 3.7 mm: a fan, its controller or relay and their fuses stand on it whole
  for (const name of ['vineyard-buggy-ready', 'fell-bike-signed', 'market-cold-trailer'])
    expect((await laidOut(example(name), false)).w).toBeLessThan(740 / (11 / 3.7))
  await fc.assert(
    fc.asyncProperty(anyCircuit, async (job) => {
      const d = await laidOut(job, false)
      expect(wordsOverWords(d, 0.5)).toEqual([])
      const names = [...wireNames(job).values()].flatMap((n) => n.split(' '))
      expect(names.filter((n) => !words(d).includes(n))).toEqual([])
    }),
    { numRuns: often(10) },
  )
})
