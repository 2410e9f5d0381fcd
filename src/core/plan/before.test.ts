import { mountsFor } from '../job'
import { cautions } from '../job'
import fc from 'fast-check'
import { example } from '@/formats/test-support/examples'
import {
  answerCheck,
  askedFields,
  changeRun,
  chooseFan,
  ingressNeeds,
  type Job,
  type JobKind,
  jobKinds,
  type MachineKind,
  machineKinds,
  startJob,
  typicalMachines,
  withReading,
} from '../job'
import { evaluate } from '../margins'
import { stepsOf } from '../build'
import { measuringSheet } from '../sheets'
import {
  alterationsOf,
  cureChecks,
  dueOn,
  filled,
  ingressShort,
  nextThing,
  planWarnings,
  summaryOf,
  summarySchema,
} from '.'

const begin = (kind: MachineKind, job?: JobKind): Job =>
  startJob({
    title: 't',
    kind,
    job,
    machineName: 'm',
    owner: '',
    units: 'metric',
    startedOn: '2026-01-15',
    promisedOn: null,
  })
const everyKind = machineKinds.flatMap((kind) => typicalMachines[kind].jobs.map((job) => begin(kind, job)))

test(
  'ingress: a code will do where both digits reach what the place asks; immersion is not a jet; unknown ' +
    'counts as IP20',
  () => {
    const short = (code: string | null, place: keyof typeof ingressNeeds): boolean =>
      ingressShort(code, ingressNeeds[place]) !== null
    expect([
      short(null, 'indoors'),
      short(null, 'rain'),
      short('IP54', 'rain'),
      short('IP55', 'mud and a hose'),
      short('IP65', 'mud and a hose'),
    ]).toEqual([false, true, false, true, false])
    expect([
      short('IP67', 'rain'),
      short('IP67', 'mud and a hose'),
      short('IP69K', 'mud and a hose'),
      short('IP65', 'pressure washer'),
      short('IP69K', 'pressure washer'),
      short('IPX4', 'rain'),
      short('IPX5', 'mud and a hose'),
    ]).toEqual([false, true, false, true, false, false, true])
    expect(ingressShort('IP44', 'IP65')).toBe('IP44 where IP65 is asked')
  },
)

test('more protection never makes a part short', () => {
  const digit = fc.integer({ min: 0, max: 6 })
  fc.assert(
    fc.property(digit, digit, digit, digit, (s1, w1, s2, w2) => {
      if (ingressShort(`IP${s1}${w1}`, `IP${s2}${w2}`) === null)
        expect(ingressShort(`IP${Math.min(6, s1 + 1)}${Math.min(6, w1 + 1)}`, `IP${s2}${w2}`)).toBeNull()
    }),
  )
})

test('every mark of the plan is held against what the owner allows', () => {
  const digger = begin('digger-air')
  const told = (allows: Job['machine']['ownerAllows'], job: Job): string[] =>
    alterationsOf({ ...job, machine: { ...job.machine, ownerAllows: allows } }).map(
      (a) => `${a.kind}${a.clashes ? ' clashes' : ''}`,
    )
  const spliced: Job = {
    ...changeRun(digger, { source: 'key switch' }),
    alterations: [{ id: 'mark1', kind: 'weld', what: 'a lug on the frame' }],
  }
  expect(told(null, spliced)).toEqual(['hole', 'splice', 'weld'])
  expect(told('anything', spliced)).toEqual(['hole', 'splice', 'weld'])
  expect(told('undoable only', spliced)).toEqual(['hole clashes', 'splice', 'weld clashes'])
  expect(told('nothing that leaves a mark', spliced)).toEqual(['hole clashes', 'splice clashes', 'weld clashes'])
  expect(told('nothing that leaves a mark', begin('trail-bike'))).toEqual([])
  expect(alterationsOf(begin('digger-air', 'wiring'))).toEqual([])
})

test('what a fan would not cure is asked of the machine it can happen to, and a likely one warns', () => {
  for (const job of everyKind) {
    const ids = cureChecks(job).map((c) => c.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toContain('own-fan')
    expect(ids.includes('low-coolant')).toBe(job.cooling !== null)
    expect(ids.includes('exhaust-leak')).toBe(job.bay !== null && job.engine !== null)
  }
  const bike = begin('trail-bike')
  const leaking = answerCheck(bike, 'leak', 'looks like it', '2026-01-15T09:00:00Z')
  expect(planWarnings(leaking).map((w) => w.id)).toEqual(['cure leak'])
  expect(planWarnings(answerCheck(leaking, 'leak', null, '2026-01-15T09:01:00Z'))).toEqual([])
})

test(
  'steps of every kind: once each, battery and then the fuse last, cautions that exist, nothing drained that ' +
    'holds nothing',
  () => {
    for (const job of everyKind) {
      const steps = stepsOf(job)
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
      const last = ['battery-on', 'fuse-in', 'working-setting', 'covers', 'last-look']
      expect(steps.slice(-5).map((s) => s.id)).toEqual(last)
      for (const c of steps.flatMap((s) => s.cautions)) expect(cautions[c]).toBeTruthy()
      if (!job.cooling) expect(steps.map((s) => s.id)).not.toEqual(expect.arrayContaining(['drain']))
      if (!job.cooling) expect(steps.flatMap((s) => s.cautions)).not.toContain('hotCoolant')
      expect(steps.some((s) => s.id === 'bucket')).toBe(job.machine.kind.startsWith('digger'))
      expect(steps.some((s) => s.id === 'mount')).toBe(jobKinds[job.kind].mountsFan)
      expect(mountsFor(job).includes(job.place.mount)).toBe(true)
    }
  },
)

test('the measuring sheet has a blank for every guess, says what is measured, and follows the order of typing', () => {
  for (const job of everyKind) {
    const rows = measuringSheet(job).sections.flatMap((s) => s.table?.rows ?? [])
    const asked = askedFields(job).filter((f) => !f.address.startsWith('controllers'))
    expect(asked.every((f) => rows.some((r) => r[0] === f.label))).toBe(true)
  }
  const job = withReading(begin('trail-bike'), 'place.freeDepthM', { value: 0.057, source: 'measured' })
  const row = (label: string): string[] =>
    measuringSheet(job)
      .sections.flatMap((s) => s.table?.rows ?? [])
      .find((r) => r[0] === label)!
  expect(row('free behind the core')).toEqual([
    'free behind the core',
    expect.stringContaining('tightest') as string,
    '',
    '57 mm',
    'measured',
  ])
  // with a fan to hold it against, the depth firms up Fit
  expect(
    measuringSheet(chooseFan(job, example('fell-bike-signed').fans[0]!.part))
      .sections.flatMap((s) => s.table?.rows ?? [])
      .find((r) => r[0] === 'fan depth')![2],
  ).toBe('Fit')
  expect(row('core thick')[3]).toMatch(/^_+.mm$/)
  expect(row('core thick')[4]).toBe('(30 mm, typical)')
})

test('a line of the yard says what the job says, and what is due by a day', () => {
  for (const name of ['fell-bike-signed', 'churchyard-digger-bay', 'market-cold-trailer', 'vineyard-buggy-ready']) {
    const job = example(name)
    const summary = summaryOf(job)
    expect(summarySchema.parse(JSON.parse(JSON.stringify(summary)))).toEqual(summary)
    expect(summary.margins.map((m) => m.verdict)).toEqual(evaluate(job).margins.map((m) => m.verdict))
    expect(summary.ticks[0] === 'full').toBe(filled(job, 'machine').done === filled(job, 'machine').total)
  }
  const signed = summaryOf(example('fell-bike-level-check'))
  expect(
    [dueOn(signed, '2026-01-14'), dueOn(signed, '2026-01-15'), dueOn(signed, '2026-03-01')].map((d) => d.length),
  ).toEqual([0, 1, 3])
})

test('next: the first question before all, an ended job nothing more, then the margins, then the bench', () => {
  const next = (job: Job): string => nextThing(job, evaluate(job), '2026-01-15').text
  expect(next(begin('trailer'))).toMatch(/is there a battery/)
  expect(
    next({ ...begin('trailer'), ended: { why: 'another cure', note: '', by: 'me', at: '2026-01-15T09:00:00Z' } }),
  ).toBe('Ended: another cure')
  expect(next(example('market-cold-trailer'))).toMatch(/larger battery/)
  // what no reading at the bench settles is watched at work instead
  expect(next(example('vineyard-buggy-unsure'))).toMatch(/^(Measure: |Watch it at work)/)
  expect(next(example('vineyard-buggy-ready'))).toMatch(/^Build: Lay out every part/)
  expect(next(example('fell-bike-mid-build'))).toMatch(/^Build: Fix the controller/)
})
