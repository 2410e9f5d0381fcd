import fc from 'fast-check'
import { readTraceCsv, writeTraceCsv } from '@/formats/trace-csv'
import { readLiveLine } from '@/formats/live'
import { example } from '@/formats/test-support/examples'
import { type Job, jobSchema, keepTrace, mostOf } from '../job'
import { follow, nothingFollowed, pointsKept, readTrace, type Sample, samplesOf, traceAnswers, traceOf } from '.'

const blank = { probeC: null, amps: null, batteryV: null, fanV: null }
const at = (t: number, more: Partial<Sample> = {}): Sample => ({ ...blank, t, ...more })

/** A fan that is switched at given moments, 5 A with 18 A in its first 0.4 s, in a probe that warms by 0.1 K/s. */
const bench = (switched: readonly number[], { until = 120, every = 0.2 } = {}): Sample[] =>
  Array.from({ length: Math.round(until / every) }, (_, i) => {
    const t = i * every
    const last = switched.filter((s) => s <= t)
    const on = last.length % 2 === 1
    const amps = on ? (t - last.at(-1)! < 0.4 ? 18 : 5) : 0.02
    return at(t, { probeC: 80 + 0.1 * t, amps, batteryV: 14.2, fanV: on ? 13.4 : 0 })
  })

test('on and off are recognised where they were, with what the probe showed, what it takes and how it started', () => {
  const read = readTrace(bench([30, 75]), 5.2)
  expect(read.switchings.map((s) => [s.on, Math.round(s.t)])).toEqual([
    [true, 30],
    [false, 75],
  ])
  expect(read.switchings[0]!.probeC).toBeCloseTo(83, 1)
  expect(read.switchings[1]!.probeC).toBeCloseTo(87.5, 1)
  expect(read).toMatchObject({ runningA: 5, inrushA: 18, fanV: 13.4 })
  // one line that drops out is no switching, nor is a fan that ran when the trace began
  const dropped = bench([30, 75]).map((s, i) => (i === 250 ? { ...s, amps: 0 } : s))
  expect(readTrace(dropped, 5.2).switchings).toHaveLength(2)
  expect(readTrace(bench([0]), 5.2).switchings).toEqual([])
  // lines that are too far apart show no start; without a clamp the volts tell
  expect(readTrace(bench([30, 75], { every: 1 }), 5.2).inrushA).toBeNull()
  const byVolts = bench([30, 75]).map((s) => ({ ...s, amps: null }))
  expect(readTrace(byVolts, 5.2)).toMatchObject({
    runningA: null,
    fanV: 13.4,
    switchings: [{ on: true }, { on: false }],
  })
  // noise of a clamp is no fan
  expect(readTrace([at(0, { amps: 0.1 }), at(1, { amps: 0.2 }), at(2, { amps: 0.05 })], 5).switchings).toEqual([])
})

test('whatever comes, time runs forward and no line is lost uncounted', () => {
  const line = fc.integer({ min: 0, max: 60 }).map((t) => at(t, { probeC: t }))
  fc.assert(
    fc.property(fc.array(line, { maxLength: 80 }), fc.integer({ min: 0, max: 80 }), (lines, cut) => {
      const so = follow(follow(nothingFollowed, lines.slice(0, cut)), lines.slice(cut))
      expect(so).toEqual(follow(nothingFollowed, lines))
      expect(so.samples.every((s, i) => i === 0 || s.t > so.samples[i - 1]!.t)).toBe(true)
      expect(so.samples.length + so.backward + so.pending.length).toBe(lines.length)
    }),
  )
  const again = follow(
    nothingFollowed,
    [100, 101, 0, 1, 2, 3, 4].map((t) => at(t)),
  )
  expect(again.samples.map((s) => s.t)).toEqual([100, 101, 102, 103, 104, 105, 106])
  expect(again.begunAnew).toBe(1)
})

test('a line of a logger is read, and nonsense is none', () => {
  expect(readLiveLine('{"t":1,"probeC":88.2,"clampA":5.1,"display":"88"}')).toEqual(at(1, { probeC: 88.2, amps: 5.1 }))
  for (const line of [
    '',
    'bananas',
    '[]',
    '{"t":1}',
    '{"t":"1","probeC":2}',
    '{"t":1,"probeC":1e9}',
    '{"t":-1,"fanV":1}',
  ])
    expect(readLiveLine(line)).toBeNull()
})

test('a trace is kept within what a job holds, with its switchings, and comes back from its table', () => {
  const samples = bench([30, 75], { until: 900 })
  const read = readTrace(samples, 5)
  expect(pointsKept(samples, read).length).toBeLessThanOrEqual(mostOf('tracePoints'))
  const job = example('fell-bike-signed')
  const kept = keepTrace(
    job,
    traceOf(samples, { name: 'bench', run: job.runs[0]!.id, at: '2026-03-01T10:00:00Z' }, read),
  )
  if ('full' in kept) throw new Error(kept.full)
  expect(jobSchema.safeParse(kept).success).toBe(true)
  const back = readTraceCsv(writeTraceCsv(samplesOf(kept.traces[0]!)))
  if (!back.ok) throw new Error(back.message)
  expect(back.samples).toEqual(samplesOf(kept.traces[0]!))
  expect(readTrace(back.samples, 5).switchings.map((s) => Math.round(s.t))).toEqual([30, 75])
  for (const text of ['', 'a,b\n1,2', 'time_s\n1\n2', 'time_s,probe_c\n5,1', '\u0000PNG'])
    expect(readTraceCsv(text).ok).toBe(false)
  expect(readTraceCsv('time_s,probe_c\n0,80\n1,nine\n1,81\n2,82')).toMatchObject({ ok: true, unread: 1 })
})

test('what a trace answers waits for the working setting and for the steps before it', () => {
  const open: Job = { ...example('fell-bike-signed'), signature: null }
  const run = open.runs[0]!.id
  const read = readTrace(bench([30, 75]), 5)
  const waits = (job: Job) => Object.fromEntries(traceAnswers(job, run, read).map((a) => [a.proof.id, a.waits]))
  expect(waits(open)).toEqual({ starts: null, stops: null, amps: null, volts: null, inrush: null })
  const onTest = waits({ ...open, setting: { state: 'test' } })
  expect(onTest).toMatchObject({ starts: expect.stringMatching(/test setting/), amps: null })
  const undone = waits({ ...open, build: { ...open.build, done: [] } })
  expect(Object.values(undone).every((w) => w !== null)).toBe(true)
})
