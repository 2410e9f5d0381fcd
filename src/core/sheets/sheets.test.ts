import { example } from '@/formats/test-support/examples'
import {
  acceptProof,
  addBought,
  addDebt,
  addLooseJoint,
  addPhoto,
  answerNeeds,
  answerProof,
  type Job,
  leaveSetting,
  passLock,
  takeOff,
} from '../job'
import { evaluate } from '../margins'
import { needsOfJob } from '../build'
import { asBuiltSheet, benchSheet, machineLife, ownersCard, shoppingSheet } from '.'

const AT = '2026-03-01T10:00:00Z'
const BY = { by: 'Bench one', at: AT }
const signed = example('fell-bike-signed')
const open: Job = { ...signed, signature: null }
const job = (next: Job | { readonly full: string }): Job => {
  if ('full' in next) throw new Error(next.full)
  return next
}
const words = (of: { readonly sections: readonly { heading: string; lines: readonly string[] }[] }, heading: string) =>
  of.sections.find((s) => s.heading === heading)?.lines.join(' ') ?? ''

test('the owner is told what was not proved, what differs, what is short by name and what holds for now only', () => {
  // what was taken on by name is not "nothing left open", signed or not
  expect(words(ownersCard(signed), 'Said plainly')).toMatch(
    /Air is not certain: .*the team rings if it runs hot \(Bench one\)/,
  )
  expect(words(ownersCard(signed), 'Said plainly').match(/folded card/g)).toHaveLength(1)
  expect(words(ownersCard({ ...signed, acceptances: [] }), 'Said plainly')).toBe(
    'All of it was proved, and nothing was left open.',
  )
  expect(ownersCard(open).subtitle).toMatch(/NOT SIGNED/)
  // where the fuse is, as it was measured
  const fuses = [{ ...open.fuses[0]!, fromPostM: { value: 0.31, source: 'measured' as const } }]
  expect(words(ownersCard({ ...open, fuses }), 'Fuses')).toBe(
    'Fuse: 7.5 A, in its holder, 310 mm of wire from the battery’s post; never a larger one.',
  )
  const high = answerProof(
    open,
    'starts',
    { measured: { value: 91, typed: '91 C' }, answer: null, notProved: null },
    AT,
  )
  expect(words(ownersCard(high), 'Said plainly')).toMatch(/NOT RIGHT, differs: Starts/)
  const stands = acceptProof(high, 'starts', 'gauge reads high', BY)
  expect(words(ownersCard(stands), 'Said plainly')).toMatch(/Starts.* is not as predicted: gauge reads high\./)
  const unproved = answerProof(open, 'key-off', { measured: null, answer: null, notProved: 'no key' }, AT)
  expect(words(ownersCard(unproved), 'Said plainly')).toMatch(/Not proved, Key off.*: no key/)
  const debt = { what: 'tie for a screw', why: 'none long enough', dangerous: true, until: '2026-04-01' }
  expect(words(ownersCard(job(addDebt(open, debt, BY))), 'Said plainly')).toMatch(
    /tie for a screw, until 2026-04-01\. DO NOT DRIVE/,
  )
  const short = { margin: 'boil' as const, part: 'peak', verdict: 'short' as const, worst: -2, who: 'me', at: AT }
  const told: Job = { ...open, acceptances: [{ ...short, why: 'owner told: ease off on climbs' }] }
  expect(words(ownersCard(told), 'Said plainly')).toMatch(/Boil is short: owner told: ease off on climbs/)
  const unsure: Job = { ...open, acceptances: [{ ...short, verdict: 'unsure', why: 'no thermometer to hand' }] }
  expect(words(ownersCard(unsure), 'Said plainly')).toMatch(/Boil is not certain: no thermometer to hand/)
  expect(words(ownersCard({ ...open, setting: { state: 'test' } }), 'Fitted')).toMatch(/NOT FOR DRIVING/)
})

test('the bench sheet records what was gone past and what is off, and never what did not happen', () => {
  const plain = benchSheet({ ...open, ledger: [] }, evaluate(open))
  expect(plain.sections.some((s) => s.heading === 'At the bench')).toBe(false)
  const off = job(takeOff(open, { what: 'cap', kind: 'cap', way: '', smallParts: 'spring, tin 2' }, AT))
  const past = job(passLock(off, 'fasten', 'tied last week', BY))
  const bench = words(benchSheet(past, evaluate(past)), 'At the bench')
  expect(bench).toMatch(/Off: cap; small parts: spring, tin 2\./)
  expect(bench).toMatch(/Gone past a lock, Fasten the wires: tied last week \(Bench one, 2026-03-01\)/)
})

test('a shopping list has what somebody said is not there, and tells apart what nobody looked for', () => {
  const needs = needsOfJob(open)
  const none: Job = { ...open, build: { ...open.build, have: [] } }
  expect(shoppingSheet(none, []).sections.map((s) => s.heading)).toEqual(['Not looked for yet'])
  const all = answerNeeds(
    none,
    needs.map((n) => n.id),
    { here: true },
    BY,
  )
  expect(shoppingSheet(all, []).sections[0]!.lines).toEqual(['Nothing: all of it is here.'])
  const [first] = needs
  const lacking = answerNeeds(all, [first!.id], { here: false }, BY)
  expect(shoppingSheet(lacking, []).sections.map((s) => s.table!.rows.map(([what]) => what))).toEqual([[first!.what]])
})

test(
  'as built: what cannot be seen, wires as the cut list has them, numbers, settings and pictures; the ' +
    'life of a machine over its jobs',
  () => {
    const part = {
      what: 'fan',
      number: 'BM-190',
      from: 'Beck Motor',
      count: 1,
      price: 60,
      warrantyUntil: '2028-05-01',
      at: AT,
    }
    const left = { controller: 'controller1', startsC: 87, stopsC: 82, purpose: 'winter' as const, why: 'colder' }
    const full = job(
      leaveSetting(
        job(
          addLooseJoint(
            job(addBought(job(addPhoto(signed, { id: 'p1', of: 'step:mount', words: '', at: AT })), part)),
            'blades at the lamp',
            AT,
          ),
        ),
        left,
        { by: 'me', at: '2026-11-01T10:00:00Z' },
      ),
    )
    const sheet = asBuiltSheet(full)
    const rows = (heading: string) => sheet.sections.find((s) => s.heading === heading)?.table?.rows ?? []
    expect(words(sheet, 'Where it lies')).toMatch(/Fuse: .* from the post.*Held by friction only: blades at the lamp/)
    expect(rows('Parts by number')).toEqual([['fan', 'BM-190', 'Beck Motor', '1', '2028-05-01']])
    expect(rows('Settings as left')[0]).toEqual(['2026-11-01', 'winter', '87 °C', '82 °C', 'colder', 'me'])
    expect(rows('Cut list')).toEqual(
      benchSheet(full, evaluate(full)).sections.find((s) => s.heading === 'Cut list')!.table!.rows,
    )
    expect(sheet.sections.find((s) => s.heading === 'Pictures')!.pictures).toEqual([
      { id: 'p1', words: 'Mount the fan, 2026-03-01' },
    ])
    const older = { ...example('fell-bike-mid-build'), title: 'Fell team bike, before' }
    const life = machineLife([
      { id: 'new', job: full },
      { id: 'old', job: older },
    ])
    expect(life.map((e) => e.at)).toEqual([...life.map((e) => e.at)].sort().reverse())
    expect(life[0]).toMatchObject({ kind: 'setting', job: 'new', about: 'colder (me)' })
    expect(life.find((e) => e.kind === 'part')).toMatchObject({
      about: 'no. BM-190, from Beck Motor, warranty until 2028-05-01',
    })
    expect(life.filter((e) => e.kind === 'job').map((e) => e.job)).toEqual(expect.arrayContaining(['new', 'old']))
  },
)
