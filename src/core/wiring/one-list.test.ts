import fc from 'fast-check'
import { exampleShelf } from '../../formats/test-support/examples'
import { anyCircuit } from '../../formats/test-support/any-circuit'
import { evaluate } from '../margins'
import type { Part } from '../parts'
import { estimateOf } from '../schedule'
import { benchSheet } from '../sheets'
import { cutList, netlistOf, wireNames } from '.'
import { often } from '../../test-support/often'

const shelf = exampleShelf()
/** A shelf where each counted thing is there so many times, and everything has a price. */
const stocked = (count: number, price: number): Part[] =>
  shelf.map((p): Part => {
    const priced: Part = { ...p, price }
    if (priced.kind === 'conductor') return { ...priced, stockM: count }
    return 'stock' in priced ? { ...priced, stock: count } : priced
  })
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0)

test('whatever the circuit, wires, labels, drawing, totals and joints are one list told five times', () => {
  fc.assert(
    fc.property(anyCircuit, (job) => {
      const list = cutList(job, shelf)
      const { wires } = list
      expect(wires.map((w) => w.number)).toEqual(wires.map((_, i) => i + 1))
      // the drawing names the very same wires
      expect([...wireNames(job).values()].sort()).toEqual(wires.map((w) => `${w.number} ${w.colour}`).sort())
      // two ends each, told apart by what stands on their labels
      expect(list.labels).toHaveLength(2 * wires.length)
      expect(new Set(list.labels).size).toBe(list.labels.length)
      // what is cut of each reel, and what each end is made with
      const cut = wires.filter((w) => w.size && !w.fromKit)
      for (const t of list.totals) {
        const of = cut.filter((w) => w.size === t.size && w.colour === t.colour && w.insulationC === t.insulationC)
        expect(t.metres).toBeCloseTo(sum(of.map((w) => w.cutM)), 9)
        // a wire is never cut shorter than its way, by 5 % of slack at least
        for (const w of of) expect(w.cutM).toBeGreaterThan(w.wayM)
      }
      expect(sum(list.totals.map((t) => t.metres))).toBeCloseTo(sum(cut.map((w) => w.cutM)), 9)
      const ends = wires.flatMap((w) => w.ends.map((e) => e.terminal))
      for (const j of list.joints.filter((x) => x.kind !== 'splice'))
        expect(ends.filter((name) => name === j.name).length).toBeGreaterThanOrEqual(j.count)
      // the sheet at the bench has each wire by its number
      const table = benchSheet(job, evaluate(job)).sections.find((s) => s.heading === 'Cut list')!.table
      expect(table?.rows.map((r) => r.slice(0, 2)) ?? []).toEqual(wires.map((w) => [String(w.number), w.label]))
    }),
    { numRuns: often(10), seed: 3011 },
  )
})

test('of a shelf that is counted nothing is promised twice, and an estimate adds up to its lines', () => {
  fc.assert(
    fc.property(anyCircuit, fc.integer({ min: 0, max: 12 }), fc.integer({ min: 1, max: 900 }), (job, count, cents) => {
      const counted = stocked(count, cents / 100)
      const given = new Map<string, number>()
      for (const line of cutList(job, counted).shopping) {
        expect(line.count).toBeGreaterThan(0)
        if (line.has !== 'on the shelf') continue
        const [first] = line.takes
        given.set(first!.part, (given.get(first!.part) ?? 0) + first!.count)
      }
      for (const [id, taken] of given) {
        const part = counted.find((p) => p.id === id)!
        const has = part.kind === 'conductor' ? part.stockM : 'stock' in part ? part.stock : null
        // metres are rounded up to a tenth for the list
        if (has !== null) expect([id, taken <= has + 0.1 * job.conductors.length]).toEqual([id, true])
      }
      const { lines, total, unpriced } = estimateOf({ ...job, money: { ...job.money, perHour: 40 } }, counted)
      expect(total).toBeCloseTo(sum(lines.map((l) => l.total ?? 0)), 2)
      expect(unpriced).toBe(lines.filter((l) => l.total === null).length)
      for (const l of lines)
        if (l.each !== null && l.total !== null)
          expect(Math.abs(l.total - l.count * l.each)).toBeLessThan(0.006 * l.count + 0.006)
      // a piece that stands in the circuit once is paid once
      for (const piece of [...job.fans, ...job.controllers, ...job.relays].map((p) => p.part.name)) {
        const stands = [...job.fans, ...job.controllers, ...job.relays].filter((p) => p.part.name === piece).length
        expect(sum(lines.filter((l) => l.what === piece).map((l) => l.count))).toBeLessThanOrEqual(stands)
      }
    }),
    { numRuns: often(16), seed: 3012 },
  )
})

test('no two wires lie between the same two terminals: one of them would be cut, crimped and found again for nothing', () => {
  fc.assert(
    fc.property(anyCircuit, (job) => {
      const ends = netlistOf(job).elements.flatMap((e) => (e.kind === 'wire' ? [[e.a, e.b].sort().join(' to ')] : []))
      expect(ends.filter((e, i) => ends.indexOf(e) !== i)).toEqual([])
    }),
    { numRuns: often(60), seed: 3014 },
  )
})
