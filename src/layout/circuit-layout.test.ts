import fc from 'fast-check'
import { circuitGraph, type LaidOut } from '../core/drawing'
import type { Job } from '../core/job'
import { netlistOf } from '../core/wiring'
import { anyCircuit } from '../formats/test-support/any-circuit'
import { example } from '../formats/test-support/examples'
import { layOut } from './circuit-layout'
import { often } from '../test-support/often'

const graphOf = (job: Job) => circuitGraph(netlistOf(job))
type Graph = ReturnType<typeof graphOf>
type Point = readonly [number, number]

const SLACK = 1e-6

/** Parts where they stand. */
const placed = (graph: Graph, laid: LaidOut) =>
  graph.nodes.map((n) => {
    const at = laid.nodes.find((l) => l.id === n.id)!
    return { ...n, x: at.x, y: at.y }
  })

/** What is wrong with a layout: parts over parts or outside, lines that end elsewhere, slant, or go through a part. */
function wrongWith(graph: Graph, laid: LaidOut): string[] {
  const parts = placed(graph, laid)
  const over = parts.flatMap((a, i) =>
    parts
      .slice(i + 1)
      .filter(
        (b) => a.x + a.w > b.x + SLACK && b.x + b.w > a.x + SLACK && a.y + a.h > b.y + SLACK && b.y + b.h > a.y + SLACK,
      )
      .map((b) => `${a.id} over ${b.id}`),
  )
  const outside = parts.filter(
    (p) => p.x < -SLACK || p.y < -SLACK || p.x + p.w > laid.w + SLACK || p.y + p.h > laid.h + SLACK,
  )
  const portAt = (id: string): Point => {
    const part = parts.find((p) => p.id === id || p.ports.some((port) => port.id === id))!
    const port = part.ports.find((p) => p.id === id)
    return port ? [part.x + (port.side === 'WEST' ? 0 : part.w), part.y + port.y] : [part.x, part.y]
  }
  const lines = graph.edges.flatMap((e) => {
    const points = laid.edges.find((l) => l.id === e.id)?.points ?? []
    if (points.length < 2) return [`no line: ${e.id}`]
    const steps = points.slice(1).map((to, i) => [points[i]!, to] as const)
    const slants = steps.some(([a, b]) => Math.abs(a[0] - b[0]) > SLACK && Math.abs(a[1] - b[1]) > SLACK)
    const misses = (
      [
        [e.from, points[0]!],
        [e.to, points.at(-1)!],
      ] as const
    ).some(([id, at]) => {
      const part = parts.find((p) => p.ports.some((port) => port.id === id))
      const there = portAt(id)
      return part && Math.hypot(at[0] - there[0], at[1] - there[1]) > 0.01
    })
    const own = (p: { id: string; ports: readonly { id: string }[] }) =>
      [e.from, e.to].some((id) => p.id === id || p.ports.some((port) => port.id === id))
    const through = parts.filter(
      (p) =>
        !own(p) &&
        steps.some(
          ([a, b]) =>
            Math.max(a[0], b[0]) > p.x + 0.01 &&
            Math.min(a[0], b[0]) < p.x + p.w - 0.01 &&
            Math.max(a[1], b[1]) > p.y + 0.01 &&
            Math.min(a[1], b[1]) < p.y + p.h - 0.01,
        ),
    )
    return [
      ...(slants ? [`slants: ${e.id}`] : []),
      ...(misses ? [`ends elsewhere: ${e.id}`] : []),
      ...through.map((p) => `${e.id} through ${p.id}`),
    ]
  })
  return [...over, ...outside.map((p) => `outside: ${p.id}`), ...lines]
}

test.each([
  ['wide', false, false],
  ['wide, with figures', false, true],
  ['narrow', true, false],
  ['narrow, with figures', true, true],
])(
  'parts stand clear, lines are square, end at their terminals and go through no part: %s',
  async (_, narrow, figures) => {
    for (const name of ['vineyard-buggy-ready', 'fell-bike-signed', 'market-cold-trailer', 'churchyard-digger-bay']) {
      const graph = graphOf(example(name))
      expect([name, wrongWith(graph, await layOut(graph, narrow, figures))]).toEqual([name, []])
    }
    await fc.assert(
      fc.asyncProperty(anyCircuit, async (job) => {
        const graph = graphOf(job)
        expect(wrongWith(graph, await layOut(graph, narrow, figures))).toEqual([])
      }),
      { seed: 9, numRuns: often(5) },
    )
  },
)

test('the same circuit is laid out the same way twice: a change elsewhere moves nothing', async () => {
  const graph = graphOf(example('vineyard-buggy-ready'))
  expect(await layOut(graph)).toEqual(await layOut(graph))
  const other = graphOf({ ...example('vineyard-buggy-ready'), title: 'another', notes: [] })
  expect(await layOut(other)).toEqual(await layOut(graph))
})

test('a narrow screen gets it folded: less wide, and higher', async () => {
  for (const name of ['vineyard-buggy-ready', 'churchyard-digger-bay']) {
    const graph = graphOf(example(name))
    const [wide, narrow] = [await layOut(graph), await layOut(graph, true)]
    expect(narrow.w).toBeLessThan(wide.w)
    expect(narrow.h).toBeGreaterThan(wide.h)
  }
})
