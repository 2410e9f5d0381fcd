import { example } from '@/formats/test-support/examples'
import type * as Room from './waiting-room'
import type { PendingSave } from './saver'

/** What a browser keeps: it may be full, or forbidden. */
class Kept {
  readonly held = new Map<string, string>()
  full = false
  forbidden = false
  getItem(key: string): string | null {
    if (this.forbidden) throw new Error('denied')
    return this.held.get(key) ?? null
  }
  setItem(key: string, text: string): void {
    if (this.full || this.forbidden) throw new Error('quota')
    this.held.set(key, text)
  }
  removeItem(key: string): void {
    this.held.delete(key)
  }
}

/** Keys of a browser's storage are its own properties. */
const storage = (kept: Kept): Kept =>
  new Proxy(kept, {
    ownKeys: () => [...kept.held.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    get: (target, key) => {
      const value = Reflect.get(target, key) as unknown
      return typeof value === 'function' ? (value.bind(target) as unknown) : value
    },
  })

let shared: Kept
/** locks held by tabs that are open */
let locks: Set<string>

/** A tab opens the page: its module is its own, the storage is shared. */
async function tab(session = new Kept(), { locked = true } = {}) {
  const held: string[] = []
  Object.assign(globalThis, { localStorage: storage(shared), sessionStorage: storage(session) })
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: locked
      ? {
          locks: {
            query: () => Promise.resolve({ held: [...locks].map((name) => ({ name })) }),
            request: (name: string, _: object, work: () => Promise<never>) => {
              if (locks.has(name)) return Promise.reject(new Error('held'))
              locks.add(name)
              held.push(name)
              return work()
            },
          },
        }
      : {},
  })
  let room!: typeof Room
  await jest.isolateModulesAsync(async () => {
    room = await import('./waiting-room')
  })
  return { ...room, session, close: () => held.forEach((name) => locks.delete(name)) }
}

const job = example('vineyard-buggy-ready')
const save = (from: number, title = job.title): PendingSave => ({ from, key: `key${from}`, job: { ...job, title } })

beforeEach(() => {
  shared = new Kept()
  locks = new Set()
})

test('what waits outlives a reload of its tab, and is gone once it has gone out', async () => {
  const first = await tab()
  const room = await first.openWaitingRoom('a')
  expect(room.write([save(3), save(4)])).toBe(true)
  first.close()
  const again = await tab(first.session)
  const after = await again.openWaitingRoom('a')
  expect(after.read().map((w) => w.from)).toEqual([3, 4])
  expect(after.read()[0]!.job).toEqual(job)
  // of another job there is nothing
  expect((await again.openWaitingRoom('b')).read()).toEqual([])
  expect(after.write([])).toBe(true)
  expect([...shared.held.keys()]).toEqual([])
})

test('a tab that is open keeps what is its own; what a closed one has left is taken over, once', async () => {
  const left = await tab()
  ;(await left.openWaitingRoom('a')).write([save(7, 'left behind')])
  const beside = await tab()
  expect((await beside.openWaitingRoom('a')).read()).toEqual([])
  left.close()
  const next = await tab()
  expect((await next.openWaitingRoom('a')).read().map((w) => w.job.title)).toEqual(['left behind'])
  const last = await tab()
  expect((await last.openWaitingRoom('a')).read()).toEqual([])
})

test('a duplicated tab, whose name is held, gets another: neither overwrites the other', async () => {
  const one = await tab()
  ;(await one.openWaitingRoom('a')).write([save(1, 'one')])
  const copy = await tab(Object.assign(new Kept(), { held: new Map(one.session.held) }))
  const room = await copy.openWaitingRoom('a')
  expect(room.read()).toEqual([])
  room.write([save(1, 'two')])
  expect([...shared.held.values()].map((text) => (JSON.parse(text) as PendingSave[])[0]!.job.title).sort()).toEqual([
    'one',
    'two',
  ])
})

test.each([
  'not even JSON',
  '{"from":1}',
  '[{"from":"1","key":"k","job":{}}]',
  JSON.stringify([{ ...save(1), job: { ...job, version: 999 } }]),
  JSON.stringify([save(1), { ...save(2), job: { ...job, runs: [] } }]),
])('what cannot be read is put aside whole, is shown, and goes only when told: %.30s', async (text) => {
  const first = await tab()
  ;(await first.openWaitingRoom('a')).write([save(1)])
  const [own] = [...shared.held.keys()]
  shared.held.set(own!, text)
  first.close()
  const next = await tab(first.session)
  const room = await next.openWaitingRoom('a')
  expect(room.read()).toEqual([])
  room.write([save(5)])
  room.write([])
  const aside = next.keptAside('a')
  expect(aside.map((k) => k.text)).toEqual([text])
  expect(next.keptAside('b')).toEqual([])
  next.dropAside(aside[0]!)
  expect(next.keptAside('a')).toEqual([])
})

test('where nothing is kept it says so, and what is meant goes out all the same', async () => {
  const one = await tab()
  const room = await one.openWaitingRoom('a')
  expect(room.write([save(1)])).toBe(true)
  shared.full = true
  expect(room.write([save(1), save(2)])).toBe(false)
  // what stands there is older than what is meant: it would be sent over it
  expect([...shared.held.keys()]).toEqual([])
  shared = new Kept()
  shared.forbidden = true
  const barred = await tab()
  const forThisPage = await barred.openWaitingRoom('a')
  expect(forThisPage.write([save(9)])).toBe(false)
  expect(forThisPage.read().map((w) => w.from)).toEqual([9])
  expect(barred.keptAside('a')).toEqual([])
})

test('a browser that offers no locks keeps what waits for the tab that it is', async () => {
  const one = await tab(new Kept(), { locked: false })
  ;(await one.openWaitingRoom('a')).write([save(2)])
  // without locks nobody can tell whether another tab is open: nothing is taken over
  const other = await tab(new Kept(), { locked: false })
  expect((await other.openWaitingRoom('a')).read()).toEqual([])
})

test('a page that shows less than this tab has saved knows it, once', async () => {
  const one = await tab()
  expect(one.isBehind('a', 0)).toBe(false)
  one.noteAcknowledged('a', 12)
  expect(one.isBehind('b', 0)).toBe(false)
  expect(one.isBehind('a', 11)).toBe(true)
  // a yard that was put back from a copy is not asked for ever
  expect(one.isBehind('a', 11)).toBe(false)
  one.noteAcknowledged('a', 12)
  expect(one.isBehind('a', 12)).toBe(false)
  expect(new Set(Array.from({ length: 200 }, one.newKey)).size).toBe(200)
})
