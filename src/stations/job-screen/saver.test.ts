import { type Job, startJob } from '../../core/job'
import { Saver, type PendingSave, type SaveAnswer, type SaverState, type WaitingRoom } from './saver'

const job = (title: string): Job => ({
  ...startJob({
    title: 'x',
    kind: 'trail-bike',
    machineName: 'm',
    owner: '',
    units: 'metric',
    startedOn: '2026-01-15',
    promisedOn: null,
  }),
  title,
})

/** A server that may lose its answer on the way, and a room that outlives the saver. */
function bench() {
  const kept: { waiting: PendingSave[] } = { waiting: [] }
  const room: WaitingRoom = {
    read: () => kept.waiting,
    write: (w) => {
      kept.waiting = [...w]
      return true
    },
  }
  const stored = [{ title: 'x', key: '' }]
  const states: SaverState[] = []
  let lost = 0
  const send = async (save: PendingSave): Promise<SaveAnswer> => {
    await Promise.resolve()
    if (save.job.title === 'will not do') return { kind: 'refused', message: 'no' }
    const before = stored.findIndex((s) => s.key === save.key)
    if (before < 0 && save.from !== stored.length)
      return { kind: 'stale', theirs: { revision: stored.length, savedAt: 't', job: job(stored.at(-1)!.title) } }
    if (before < 0) stored.push({ title: save.job.title, key: save.key })
    if (lost > 0) {
      lost--
      return { kind: 'later', message: 'lost' }
    }
    return { kind: 'saved', revision: before < 0 ? stored.length : before + 1, savedAt: 't' }
  }
  let keys = 0
  const open = (revision = stored.length, waiting = room): Saver =>
    new Saver({
      revision,
      savedAt: 't',
      room: waiting,
      send,
      newKey: () => `key-${++keys}`,
      onState: (s) => states.push(s),
      retryMs: 5,
    })
  return {
    kept,
    stored,
    states,
    open,
    lose: (n: number) => {
      lost = n
    },
    titles: () => stored.map((s) => s.title),
  }
}
beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())
const settled = (ms = 60): Promise<void> => jest.advanceTimersByTimeAsync(ms)

test('one save in flight, the newest document after it', async () => {
  const b = bench()
  const saver = b.open()
  for (const title of ['a', 'b', 'c', 'd']) saver.settle(job(title))
  await settled()
  expect(b.titles()).toEqual(['x', 'a', 'd'])
  expect(b.kept.waiting).toEqual([])
  expect(b.states.at(-1)).toMatchObject({ kind: 'saved' })
})

test('an answer lost on the way is asked for again, and nothing is made twice', async () => {
  const b = bench()
  const saver = b.open()
  b.lose(2)
  saver.settle(job('a'))
  saver.settle(job('b'))
  await settled()
  expect(b.titles()).toEqual(['x', 'a', 'b'])
})

test('a tab that dies before the answer goes on after a reload with what it had', async () => {
  const b = bench()
  b.lose(1)
  const first = b.open(1)
  first.settle(job('a'))
  first.settle(job('b'))
  first.stop()
  await settled(10)
  expect(b.kept.waiting.map((w) => w.job.title)).toEqual(['a', 'b'])
  const second = b.open(2)
  expect(second.unsaved!.title).toBe('b')
  second.start()
  await settled()
  expect(b.titles()).toEqual(['x', 'a', 'b'])
})

test('two windows: the stale one is stopped until one version is chosen', async () => {
  for (const [choice, end] of [
    ['mine', ['x', 'theirs', 'mine']],
    ['theirs', ['x', 'theirs']],
  ] as const) {
    const b = bench()
    const saver = b.open()
    b.stored.push({ title: 'theirs', key: 'other' })
    saver.settle(job('mine'))
    await settled(20)
    expect(b.states.at(-1)).toMatchObject({ kind: 'stale', theirs: { job: { title: 'theirs' } } })
    const state = b.states.at(-1)!
    expect(state).toMatchObject({ kind: 'stale', mine: { title: 'mine' }, from: 1 })
    if (state.kind === 'stale')
      expect(saver.resolve(choice === 'mine' ? state.mine : state.theirs.job).title).toBe(choice)
    await settled(20)
    expect(b.titles()).toEqual(end)
    expect(b.kept.waiting).toEqual([])
  }
})

test('a document that will not do is told, kept, and gives way to the next change', async () => {
  const b = bench()
  const saver = b.open()
  saver.settle(job('will not do'))
  await settled(20)
  expect(b.states.at(-1)).toEqual({ kind: 'refused', message: 'no', kept: true })
  expect(b.kept.waiting).toHaveLength(1)
  saver.settle(job('mended'))
  await settled(20)
  expect(b.titles()).toEqual(['x', 'mended'])
  expect(b.states.at(-1)).toMatchObject({ kind: 'saved' })
})

test('a browser that keeps nothing: changes go out all the same, and what waits is said to be on this page only', async () => {
  const b = bench()
  const room: WaitingRoom = { read: () => [], write: () => false }
  b.lose(1)
  const saver = b.open(b.stored.length, room)
  saver.settle(job('first'))
  await settled(1)
  expect(b.states.at(-1)).toMatchObject({ kind: 'waiting', kept: false })
  await settled()
  expect(b.states.at(-1)).toMatchObject({ kind: 'saved' })
  expect(b.titles()).toEqual(['x', 'first'])
})
