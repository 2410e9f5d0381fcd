import { readFileSync } from 'node:fs'
import path from 'node:path'
import { readShelfFile } from '@/formats'
import { readShelfCsv, writeShelfCsv } from '@/formats/shelf-csv'
import {
  contradictions,
  type FanPart,
  flowClaim,
  flowClaimInWords,
  formText,
  type Part,
  partKinds,
  readForm,
  takeFact,
} from '.'

const read = readShelfFile(readFileSync(path.join(__dirname, '..', '..', '..', 'examples', 'shelf.json'), 'utf8'))
const parts: Part[] = read.ok ? read.parts : []
const gale = parts.find((p) => p.id === 'fan-gale-140')!

test('the demo shelf has about thirty parts, some of every kind', () => {
  expect(parts.length).toBeGreaterThanOrEqual(30)
  for (const kind of Object.keys(partKinds)) expect(parts.some((p) => p.kind === kind)).toBe(true)
})

test('a form that nobody touches gives the very same part, in either system of units', () => {
  for (const part of parts)
    for (const units of ['metric', 'imperial'] as const) {
      expect(readForm(part.kind, part.id, formText(part, units), units, part)).toEqual({ ok: true, part })
    }
})

test('one line changed leaves all others to their last figure', () => {
  const changed = readForm(
    'fan',
    gale.id,
    { ...formText(gale, 'imperial'), depthM: '2 1/8 in ±0.02', 'depthM source': 'measured' },
    'imperial',
    gale,
  )
  expect(changed).toMatchObject({
    ok: true,
    part: { ...gale, depthM: { value: 0.053975, source: 'measured', spread: 0.000508 } },
  })
})

test('every wrong line is told beside it, and none of the rest is lost', () => {
  const bad = readForm(
    'fan',
    'x',
    { ...formText(gale, 'metric'), ratedA: 'lots', massKg: '', ingress: 'wet', motor: 'steam', ratedV: '-12 V' },
    'metric',
  )
  // what is out of range is told beside what cannot be read
  expect(Object.keys(bad.ok ? {} : bad.problems).sort()).toEqual(['ingress', 'massKg', 'motor', 'ratedA', 'ratedV'])
  const nameless = readForm('fan', 'x', { ...formText(gale, 'metric'), diameterM: 'wide', name: '' }, 'metric')
  expect(Object.keys(nameless.ok ? {} : nameless.problems).sort()).toEqual(['diameterM', 'name'])
  expect(bad).toMatchObject({
    ok: false,
    problems: {
      ratedA: expect.stringMatching(/not a current/) as string,
      massKg: 'Nothing is written here.',
      motor: expect.stringMatching(/none of/) as string,
    },
  })
  expect(readForm('fan', 'x', { ...formText(gale, 'metric'), ingress: 'wet' }, 'metric')).toMatchObject({
    ok: false,
    problems: { ingress: 'Write it like IP65, or leave it empty.' },
  })
  const beadwheel = parts.find((p) => p.id === 'controller-beadwheel')!
  expect(
    readForm('controller', 'x', { ...formText(beadwheel, 'metric'), 'range.minC': '120 C' }, 'metric'),
  ).toMatchObject({ ok: false })
  expect(
    readForm('controller', 'x', { ...formText(beadwheel, 'metric'), 'range.minC': '', 'contact.ratedA': '' }, 'metric'),
  ).toMatchObject({ ok: true, part: { range: null, contact: null } })
})

test('facts that contradict each other are found; any of them can be made to count', () => {
  expect(contradictions(gale).map((c) => c.line.path)).toEqual(['ratedA'])
  const taken = takeFact(gale, 'fact3')
  expect(taken).toMatchObject({ ratedA: { value: 6.1, source: 'measured' } })
  expect(taken.facts).toEqual(gale.facts)
})

describe('the shelf as CSV', () => {
  const csv = writeShelfCsv(parts)
  test('reads back to the same parts, also with columns in another order and a byte order mark', () => {
    expect(readShelfCsv(csv)).toEqual({ parts, problems: [] })
    const [head, ...rows] = csv.split('\r\n')
    expect(readShelfCsv(`\uFEFF${head},whim\r\n${rows.map((r) => `${r},x`).join('\r\n')}`).parts).toEqual(parts)
  })
  test('any unit will do, and a row without an id gets one', () => {
    const {
      parts: [fan],
      problems,
    } = readShelfCsv(
      'name,kind,ratedV,ratedA,ratedA source,diameterM,depthM,freeFlowM3s,massKg,leadM\nLark,fan,12 V,2900 ' +
        'mA,measured,4 5/8 in,38,90 cfm,12 stone,400',
    )
    expect(problems[0]!.message).toMatch(/massKg/)
    expect(fan).toBeUndefined()
    const good = readShelfCsv(
      'name,kind,ratedV,ratedA,ratedA source,diameterM,depthM,freeFlowM3s,massKg,leadM\nLark,fan,12 V,2900 ' +
        'mA,measured,4 5/8 in,38,90 cfm,0.8 lb,400',
    )
    expect(good.parts[0]).toMatchObject({
      id: 'fan-lark',
      ratedA: { value: 2.9, source: 'measured' },
      depthM: { value: 0.038, source: 'label' },
    })
  })
  test('rows that are wrong are told one by one', () => {
    const { problems } = readShelfCsv(`kind,id,name\nteapot,a,b\nprobe,p,Probe\nprobe,"bad id!",c\n${'x'.repeat(50)}`)
    expect(problems.map((p) => p.row)).toEqual([2, 3, 4, 5])
    expect(readShelfCsv('')).toMatchObject({ parts: [], problems: [{ row: 1 }] })
  })
})

test('a claim of air that its motor cannot move is told: 400 cubic feet a minute out of 80 mm and 30 W', () => {
  const fan = gale as FanPart
  const label = (value: number) => ({ value, source: 'label' as const })
  const of = (diameterM: number, flowM3s: number, amps: number): FanPart => ({
    ...fan,
    ratedV: 12,
    diameterM: label(diameterM),
    freeFlowM3s: label(flowM3s),
    maxPressurePa: label(0.001),
    ratedA: label(amps),
  })
  // 0.1888 m³/s through pi/4 · 0.08² · 0.84 = 0.004222 m²: 0.6 · 0.1888³ / 0.004222² = 226.5 W
  const claim = flowClaim(of(0.08, 0.1888, 2.5))
  expect(claim).toEqual({ share: expect.closeTo(226.5 / 30, 1), verdict: 'cannot be' })
  expect(flowClaim(of(0.08, 0.1888, 30))).toMatchObject({ verdict: 'doubtful' })
  expect(flowClaimInWords(fan)).toBeNull()
})
