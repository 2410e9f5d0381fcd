import { weighed } from '../evidence'
import { endsOf } from '../reading'
import { example } from '../../formats/test-support/examples'
import { copyForNext, fieldsOf, jobSchema, learntFromModel, startJob, withReading, type Job } from '.'

const signed = example('fell-bike-signed')
const next = { title: 'Bike 5', machineName: 'Bike 5', owner: 'Team', serial: 'C-5', startedOn: '2026-02-01' }

test('a copy for the next machine keeps the choices, nothing that was done; what was measured is typical again', () => {
  const copy = copyForNext(signed, next)
  expect(jobSchema.safeParse(copy).success).toBe(true)
  expect(copy).toMatchObject({ title: 'Bike 5', signature: null, proofs: [], hours: [], identity: { serial: 'C-5' } })
  expect(copy.build.done).toEqual([])
  expect(copy.fans.map((f) => f.part)).toEqual(signed.fans.map((f) => f.part))
  expect(copy.controllers.map((c) => c.setC)).toEqual(signed.controllers.map((c) => c.setC))
  const [before, after] = [fieldsOf(signed), fieldsOf(copy)]
  for (const [address, field] of before) {
    const own = after.get(address)
    if (!own || /\.part\.|^(surroundings|use|complaint|baseline)\./.test(address)) continue
    expect([address, own.reading.source]).not.toEqual([address, 'measured'])
    if (field.reading.source !== 'measured') continue
    // what stood there may still be: the spread holds it
    const { low, high } = endsOf(own.reading, own.quantity, own.limits)
    const was = endsOf(field.reading, field.quantity, field.limits)
    expect(low).toBeLessThanOrEqual(was.low + 1e-12)
    expect(high).toBeGreaterThanOrEqual(was.high - 1e-12)
  }
})

test('what was seen of the first machine tells nothing of the next: its minutes, its alterations, its wires', () => {
  const told: Job = {
    ...signed,
    complaint: { ...signed.complaint, after: { value: 600, source: 'measured' }, signs: ['steam'], times: null },
    alterations: [{ id: 'a1', kind: 'wiring', what: 'a lamp on the feed' }] as unknown as Job['alterations'],
    machine: { ...signed.machine, fanPlug: { search: 'found', where: 'behind the left core' } },
  }
  const copy = copyForNext(told, next)
  expect(copy.complaint).toMatchObject({ what: told.complaint.what, after: null, aboveC: null, signs: [] })
  expect(copy.alterations).toEqual([])
  expect(copy.machine.fanPlug.search).toBe('not looked')
  // so its margins stand as without all that: nothing is learnt from another machine's complaint
  expect(weighed(copy)).toBeNull()
  expect(weighed(told)).not.toBeNull()
})

test('a new job of a model begins as the others of it are: the middle of them, with all of them in its spread', () => {
  const begin = (): Job =>
    startJob({
      title: 't',
      kind: 'trail-bike',
      machineName: 'm',
      owner: '',
      units: 'metric',
      startedOn: '2026-02-01',
      promisedOn: null,
      model: 'Corrie 250',
    })
  const thick = (mm: number): Job =>
    withReading(begin(), 'cooling.coreThicknessM', { value: mm / 1000, source: 'measured', spread: 0.0005 })
  const { job, machines, labels } = learntFromModel(begin(), [thick(30), begin(), thick(34)])
  // one of the three was never read
  expect(machines).toBe(2)
  const { reading } = fieldsOf(job).get('cooling.coreThicknessM')!
  // 29.5 to 34.5 mm
  expect(reading).toMatchObject({ value: expect.closeTo(0.032) as number, source: 'typical' })
  expect(reading.spread).toBeCloseTo(0.0025)
  expect(labels).toEqual([fieldsOf(job).get('cooling.coreThicknessM')!.label])
  // other kinds of machine, other readings, and what was only guessed there tell nothing
  expect(learntFromModel(begin(), [begin()]).labels).toEqual([])
  const trailer = { ...thick(30), machine: { ...thick(30).machine, kind: 'road-bike' as const } }
  expect(learntFromModel(begin(), [trailer]).labels).toEqual([])
  const measured = learntFromModel(thick(31), [thick(30)])
  expect(fieldsOf(measured.job).get('cooling.coreThicknessM')!.reading.value).toBeCloseTo(0.031)
})
