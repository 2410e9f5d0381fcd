import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import fc from 'fast-check'
import { findingsSchema } from '@/core/margins'
import { readJobFile, writeJobFile } from '@/formats'
import { example, exampleShelf } from '@/formats/test-support/examples'
import { addJob, countJobs, everyJob, findingsFor, keepPhoto, putParts, readHead, theStore } from '@/store'
import { log } from '../log'

type Handler = (request: Request, where: { params: Promise<Record<string, string>> }) => Promise<Response>
type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Every route with what it does: those that speak with other programs, and copies of the yard, have tests elsewhere. */
const routes = (readdirSync(__dirname, { recursive: true }) as string[])
  .filter((file) => file.endsWith('route.ts') && !/^(?:live|backups)/.test(file))
  .map((file) => ({
    at: path.dirname(file),
    // eslint-disable-next-line @typescript-eslint/no-require-imports -- each is found by its place
    does: require(`./${file}`) as Partial<Record<Method, Handler>>,
  }))

const AT = '2026-01-15T09:00:00.000Z'
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-routes-'))
const before = { db: process.env.PYRAXIS_DB, now: process.env.PYRAXIS_NOW }
const wasLogged = log.level
let id = ''

beforeAll(async () => {
  process.env.PYRAXIS_DB = path.join(folder, 'yard.db')
  process.env.PYRAXIS_NOW = AT
  log.level = 'silent'
  // the package that reads tables tells of a doubled heading
  jest.spyOn(console, 'warn').mockImplementation(() => undefined)
  const store = await theStore()
  await putParts(store, exampleShelf())
  const added = await addJob(store, example('vineyard-buggy-ready'), AT)
  if (!added.ok) throw new Error(added.message)
  ;({ id } = added)
})
afterAll(async () => {
  await (await theStore()).db.destroy()
  process.env.PYRAXIS_DB = before.db
  process.env.PYRAXIS_NOW = before.now
  log.level = wasLogged
  rmSync(folder, { recursive: true, force: true })
})

interface Asked {
  readonly query?: string
  readonly body?: string
  readonly where?: Record<string, string>
}
/** Asks a route as a page of ours would. */
const ask = (method: Method, at: string, { query = '', body, where }: Asked = {}) => {
  const there = { id: at.startsWith('parts') ? exampleShelf()[0]!.id : id, number: '0', photo: '' }
  const handler = routes.find((r) => r.at === at)!.does[method]!
  return handler(
    new Request(`http://127.0.0.1/api/${at}${query}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': 'application/json' } }),
    }),
    { params: Promise.resolve(where ?? there) },
  )
}

/** What an answer comes to: that it was done, or that it was not, in words. */
async function toldBy(answer: Response): Promise<{ readonly status: number; readonly message: string | null }> {
  const text = await answer.text()
  if (answer.status < 400) return { status: answer.status, message: null }
  const said = JSON.parse(text) as { message?: unknown; kind?: unknown }
  // a save over a newer one is answered with that one
  const words = said.kind === 'stale' ? 'stale' : said.message
  return { status: answer.status, message: typeof words === 'string' ? words : null }
}

/** Jobs of the yard that cannot be read any more. */
async function unreadable(): Promise<string[]> {
  const lost: string[] = []
  for await (const one of everyJob(await theStore())) {
    if ('skipped' in one) lost.push(one.skipped.id)
    else if (!readJobFile(writeJobFile(one.job)).ok) lost.push(one.job.title)
  }
  return lost
}

const writes = routes.flatMap(({ at, does }) =>
  (['POST', 'PUT'] as const).filter((m) => does[m]).map((method) => [method, at] as const),
)

test('whatever is sent, it is refused in words and changes nothing', async () => {
  const jobs = await countJobs(await theStore())
  const nonsense = ['', 'null', '[]', '{', '"x"', '{"__proto__":{"a":1}}', '\u0000', `{"title":${'['.repeat(3000)}`]
  const head = (await readHead(await theStore(), id))!.revision
  for (const [method, at] of writes) {
    // these need no body
    if (at === 'parts/starter' || at.endsWith('[number]')) continue
    for (const body of [...nonsense, ...fc.sample(fc.json(), { seed: 7, numRuns: 8 })]) {
      const { status, message } = await toldBy(await ask(method, at, { body }))
      const empty = at === 'parts/file' && status === 200
      expect([method, at, body.slice(0, 40), empty || (status >= 400 && status < 500)]).toEqual([
        method,
        at,
        body.slice(0, 40),
        true,
      ])
      expect([at, empty || (message ?? '').length > 3]).toEqual([at, true])
    }
  }
  expect(await countJobs(await theStore())).toBe(jobs)
  expect((await readHead(await theStore(), id))!.revision).toBe(head)
})

/** What each route takes. */
const good = async (): Promise<Readonly<Record<string, readonly [Method, object]>>> => {
  const store = await theStore()
  const head = (await readHead(store, id))!
  const found = findingsSchema.nullable().parse(await findingsFor(store, id, head.job))
  const names = { title: 'Another', machineName: 'Another one', owner: 'Somebody' }
  return {
    jobs: [
      'POST',
      {
        ...names,
        kind: 'trail-bike',
        job: 'core',
        units: 'metric',
        promisedOn: null,
        model: '',
        serial: '',
        heightM: 10,
      },
    ],
    'jobs/[id]/name': ['POST', { ...names, promisedOn: '2026-02-01' }],
    'jobs/[id]/place': ['POST', { where: 'yard' }],
    'jobs/[id]/copy': ['POST', { ...names, serial: '12' }],
    'jobs/[id]/sign': ['POST', { from: head.revision, by: 'Bench one' }],
    'jobs/[id]/revisions': ['POST', { from: head.revision, key: 'abcdefgh', job: head.job }],
    'jobs/[id]/owner-link': ['POST', { days: 3 }],
    ...(found ? { 'jobs/[id]/run': ['PUT', found] as const } : {}),
    fault: [
      'POST',
      {
        title: 'x',
        kind: 'trail-bike',
        units: 'metric',
        amps: 3,
        caller: 'hand switch',
        relay: true,
        feed: 'battery',
        fuseA: 10,
      },
    ],
    day: [
      'PUT',
      { day: '2026-01-15', plan: { from: 480, until: 960, people: 1, pause: null, order: [id], off: [], pins: [] } },
    ],
    parts: ['POST', { part: exampleShelf()[0], isNew: false }],
    'parts/[id]': ['POST', { retired: false }],
    door: ['POST', { passphrase: 'x' }],
  }
}

/** not signed without its proofs; nobody is let in where it was not started for the network */
const notHere: Readonly<Record<string, number>> = { 'jobs/[id]/sign': 409, 'jobs/[id]/owner-link': 409, door: 409 }

test('what a route takes is taken', async () => {
  for (const at of Object.keys(await good())) {
    // each of the job as the one before has left it
    const [method, body] = (await good())[at]!
    const { status, message } = await toldBy(await ask(method, at, { body: JSON.stringify(body) }))
    expect([at, status, message]).toEqual([
      at,
      notHere[at] ?? 200,
      at in notHere ? expect.stringMatching(/\w{3}/) : null,
    ])
  }
})

const odd = [null, '', -1, 1e308, 0.5, true, {}, [], 'x'.repeat(2000), 'a\u0000\u202eb', '=1+1', '2026-02-30', '\ud800']

test('one line of what a route takes made odd: taken or refused in words, and every job can still be read', async () => {
  for (const [at, [method, body]] of Object.entries(await good()))
    for (const key of Object.keys(body))
      for (const value of odd) {
        const sent = JSON.stringify({ ...body, [key]: value })
        const { status, message } = await toldBy(await ask(method, at, { body: sent }))
        const told = status < 400 || (status < 500 && (message ?? '').length > 3)
        expect([at, key, JSON.stringify(value).slice(0, 30), status, told]).toEqual([
          at,
          key,
          JSON.stringify(value).slice(0, 30),
          status,
          true,
        ])
      }
  expect(await unreadable()).toEqual([])
})

/** What a file begins with, by what it says it is. */
const begins: Readonly<Record<string, RegExp>> = {
  'application/pdf': /^%PDF-1\./,
  'image/svg+xml': /^(<\?xml[^>]*>\s*)?<svg /,
  'text/csv': /^\uFEFF?[\w"]/,
  'text/calendar': /^BEGIN:VCALENDAR\r\n/,
  'application/json': /^[{[]/,
  'text/plain': /^\* /,
}
/** a picture and a trace are there only where somebody took them */
const reads = routes.filter((r) => r.does.GET && !/photos|trace/.test(r.at)).map((r) => r.at)

test('every file of a job is what it says it is, with a name that any system takes', async () => {
  for (const title of ['../../etc/passwd', 'Грейдер №2 "x"\r\nset-cookie: x=1']) {
    const added = await addJob(await theStore(), { ...example('fell-bike-signed'), title, signature: null }, AT)
    if (!added.ok) throw new Error(added.message)
    for (const at of reads) {
      const answer = await ask('GET', at, { where: { id: added.id, number: '1' } })
      expect([at, answer.status]).toEqual([at, 200])
      const type = answer.headers.get('content-type')!.split(';')[0]!
      expect([at, type]).toEqual([
        at,
        expect.stringMatching(
          Object.keys(begins)
            .map((t) => t.replace('+', '\\+'))
            .join('|'),
        ),
      ])
      expect([at, (await answer.text()).slice(0, 90)]).toEqual([at, expect.stringMatching(begins[type]!)])
      const named = answer.headers.get('content-disposition')
      if (named)
        expect([at, named]).toEqual([at, expect.stringMatching(/^(inline|attachment); filename="[a-z0-9.-]+"$/)])
    }
  }
})

test('what is not there is told in words, whatever its name looks like', async () => {
  const ids = ['nowhere', '', '../yard.db', "' or 1=1 --", '\u0000', 'x'.repeat(5000), '%00', '\u{1F527}']
  for (const at of reads.filter((r) => r.includes('['))) {
    for (const one of ids) {
      const { status, message } = await toldBy(await ask('GET', at, { where: { id: one, number: one } }))
      expect([at, one.slice(0, 12), status, (message ?? '').length > 3]).toEqual([at, one.slice(0, 12), 404, true])
    }
  }
  for (const number of ['-1', '1.5', '99', 'NaN', '1e9']) {
    const { status } = await toldBy(await ask('GET', 'jobs/[id]/revisions/[number]', { where: { id, number } }))
    expect([number, status]).toEqual([number, 404])
  }
  for (const photo of ['', '../yard.db', 'x'.repeat(999)])
    expect((await ask('GET', 'jobs/[id]/photos/[photo]', { where: { id, photo } })).status).toBe(404)
})

test('a search takes any words', async () => {
  for (const q of [
    '',
    '*',
    '"',
    "'; drop table jobs; --",
    'NEAR(',
    'a OR',
    '^',
    '-',
    'x'.repeat(4000),
    '\u0000',
    'бак',
  ]) {
    for (const at of ['find', 'machines']) {
      const { status } = await toldBy(await ask('GET', at, { query: `?q=${encodeURIComponent(q)}` }))
      expect([at, q.slice(0, 20), status]).toEqual([at, q.slice(0, 20), 200])
    }
  }
})

test('what is no picture is not kept as one', async () => {
  const store = await theStore()
  for (const bytes of [
    Buffer.from('GIF89a'),
    Buffer.alloc(0),
    Buffer.from('<svg onload="x()"/>'),
    Buffer.alloc(5000, 255),
  ])
    expect(await keepPhoto(store, id, bytes, AT)).toMatchObject({ ok: false, message: expect.stringMatching(/\w{4}/) })
  expect(await unreadable()).toEqual([])
})
