import { example, exampleShelf } from '../../formats/test-support/examples'
import { fasteningWords } from '../build'
import { frontView } from '../drawing'
import { chooseController, circuitsOf, fanFirst, inNumber, ownController, shareController } from '../fan-circuit'
import { changeMount, chooseFan, type Job, jobSchema, lookupOf, moveFan } from '../job'
import { evaluate } from '../margins'
import type { ControllerPart, FanPart } from '../parts'
import { leadReaches } from '../placing'
import { planWarnings } from '../plan'
import { Bench } from '../reading'
import { addSecondFan, afterKeyOff } from '../wiring'
import { judgeSwitches, schemes, settingMap, sideAdvice, wiredAs, withCell } from '.'

const shelf = exampleShelf()
const part = <P>(id: string): P => shelf.find((p) => p.id === id) as P
const bike = example('fell-bike-signed')
const buggy = example('vineyard-buggy-ready')

/** Two unlike fans in unlike places, each called by its own: whatever is told of one is told of the other otherwise. */
function pair(job: Job): Job {
  const two = ownController(addSecondFan(job, part<FanPart>('fan-gale-140')), 1)
  const [, second] = two.fans
  const other = second!.seat && { ...second!.seat, core: two.cooling!.cores > 1 ? 1 : second!.seat.core }
  return other ? moveFan(two, second!.id, { ...other, yM: other.yM + 0.013, xM: other.xM + 0.007 }) : two
}
const pairs = [bike, buggy, changeMount(bike, 'ties'), changeMount(buggy, 'shroud')].map(pair)

/** What the stations that show one fan at a time tell of a job as a whole. */
function told(job: Job) {
  const text = (frontView(job)?.shapes ?? []).flatMap((s) => (s.kind === 'text' && /fan/i.test(s.text) ? [s.text] : []))
  const trigger = evaluate(job).margins.find((m) => m.id === 'trigger')!
  return {
    fastening: fasteningWords(job).toSorted(),
    warnings: planWarnings(job)
      .map((w) => `${w.id}: ${w.text}`)
      .toSorted(),
    faces: sideAdvice(job)?.sides.map((s) => [s.side, s.spareM, s.tightest, s.surely]),
    leads: leadReaches(job)
      .map((r) => `${r.name} ${r.overM.toFixed(4)}`)
      .toSorted(),
    drawn: text.toSorted(),
    trigger: trigger.parts.map((p) => `${p.id} ${p.name} ${p.value?.toFixed(4)} ${p.verdict}`).toSorted(),
    afterKey: afterKeyOff(job),
  }
}

test('a job of two fans is told the same from either, and so is what is made of it there', () => {
  for (const job of pairs) {
    const seen = fanFirst(job, 1)
    expect(told(seen)).toEqual(told(job))
    expect(told({ ...seen, title: 'another' })).toEqual(told(job))
    // a change to the fan that is looked at, made there
    const next = part<FanPart>('fan-swift-116')
    expect(told(chooseFan(seen, next))).toEqual(told(inNumber(chooseFan(seen, next))))
    expect(inNumber(seen)).toEqual(job)
    expect(JSON.parse(JSON.stringify(seen))).toEqual({ ...job, runs: [job.runs[1], job.runs[0]] })
  }
})

test('a switch suits the fan that is looked at by the rules of the whole job: the second comes on after the first', () => {
  const fixed = shelf.filter((p): p is ControllerPart => p.kind === 'controller' && p.fixed !== null)
  expect(fixed.length).toBeGreaterThan(0)
  for (const job of pairs)
    for (const n of [0, 1])
      for (const { part: switched, suits, leftK } of judgeSwitches(fanFirst(job, n), shelf)) {
        const trigger = evaluate(chooseController(job, switched, null, n)).margins.find((m) => m.id === 'trigger')!
        expect([switched.name, n, suits || (leftK !== null && leftK < 0)]).toEqual([
          switched.name,
          n,
          trigger.verdict !== 'short' || (leftK !== null && leftK < 0),
        ])
      }
})

/** The first fan called by the controller that stands second in the list: sharing one and parting again makes it so. */
const crossed = (job: Job): Job => {
  const own = ownController(shareController(job, 0, 1), 0)
  return {
    ...own,
    controllers: own.controllers.map((c) => ({ ...c, setC: c.id === own.runs[0]!.controller ? 88 : 94 })),
  }
}

test('every way of wiring two fans makes a job that can be kept, whichever controller calls which', () => {
  const job = pairs[1]!
  for (const called of [job, crossed(job), shareController(job, 0, 1)])
    for (const id of Object.keys(schemes) as (keyof typeof schemes)[]) {
      if (schemes[id].barred(called, shelf) !== null) continue
      const wired = wiredAs(called, id, shelf)
      expect([id, jobSchema.safeParse(wired).error?.issues ?? []]).toEqual([id, []])
      if (id === 'staged') {
        const [first, second] = circuitsOf(wired).map((c) => c.controller!)
        expect(second!.setC - first!.setC).toBe(5)
      }
    }
})

test('a map sets the first fan’s controller and the second’s after it, whatever their order in the list', () => {
  for (const job of [pairs[1]!, crossed(pairs[1]!)]) {
    const set = withCell(job, 'second', { setC: 84, row: 6 })
    const on = circuitsOf(set).map((c) => c.controller!.setC)
    expect(on).toEqual([84, 90])
    const seen = inNumber(fanFirst(job, 1))
    expect(circuitsOf(withCell(seen, 'second', { setC: 84, row: 6 })).map((c) => c.controller!.setC)).toEqual(on)
  }
  expect(crossed(pairs[1]!).runs[0]!.controller).toBe(crossed(pairs[1]!).controllers[1]!.id)
  // fans that one controller calls have no second setting, and neither has one that cannot be set
  const shared = shareController(pairs[1]!, 1)
  const fixed = chooseController(
    pairs[1]!,
    shelf.find((p): p is ControllerPart => p.kind === 'controller' && p.fixed !== null)!,
    null,
    1,
  )
  for (const job of [shared, fixed]) {
    const short = {
      ...job,
      duty: job.duty && { ...job.duty, legs: job.duty.legs.slice(0, 1).map((l) => ({ ...l, seconds: 120 })) },
    }
    expect(settingMap(short, null).next().value).toMatchObject({ done: 1 })
    const steps = settingMap(short, null)
    let step = steps.next()
    while (!step.done) step = steps.next()
    expect(step.value.rowOf).not.toBe('second')
  }
  expect(new Bench(lookupOf(shared)).value('engine.idleRpm')).toBeGreaterThan(0)
})
