import { readdirSync, readFileSync } from 'node:fs'
import { request as ask } from 'node:http'
import path from 'node:path'
import { doorFileOf, setPassphrase } from '../src/store/door-file'
import { expect, ready, test } from './test-support/yard'

const API = path.join('src', 'app', 'api')

/** Every route of the server with what it answers to, ids filled in. */
function routes(): { address: string; methods: string[] }[] {
  const walk = (place: string): string[] =>
    readdirSync(place, { withFileTypes: true }).flatMap((e) =>
      e.isDirectory() ? walk(path.join(place, e.name)) : e.name === 'route.ts' ? [place] : [],
    )
  return walk(API).map((place) => ({
    address: `/api/${path.relative(API, place).replace(/\[\w+\]/g, '1')}`,
    methods: [
      ...readFileSync(path.join(place, 'route.ts'), 'utf8').matchAll(
        /export (?:async )?(?:function|const) (GET|POST|PUT|DELETE)\b/g,
      ),
    ].map((m) => m[1]!),
  }))
}

const status = (url: string, method: string, headers: Record<string, string>): Promise<number> =>
  new Promise((resolve, reject) => {
    const asked = ask(url, { method, headers }, (answer) => {
      answer.resume()
      resolve(answer.statusCode!)
    })
    asked.on('error', reject)
    asked.end(method === 'GET' || method === 'DELETE' ? undefined : '{}')
  })

test('no route writes or exports for a page from elsewhere, under another name, or as a form', async ({ yard }) => {
  const all = routes()
  expect(all.length).toBeGreaterThan(30)
  for (const { address, methods } of all) {
    for (const method of methods) {
      const url = yard.url + address
      const json = { 'content-type': 'application/json' }
      const foreign = { origin: 'http://127.0.0.1:9', 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'cors' }
      expect([address, method, await status(url, method, { ...json, ...foreign })]).toEqual([address, method, 403])
      expect([address, method, await status(url, method, { ...json, host: 'yard.example' })]).toEqual([
        address,
        method,
        421,
      ])
      if (method !== 'GET' && method !== 'DELETE')
        expect([address, method, await status(url, method, { 'content-type': 'text/plain' })]).toEqual([
          address,
          method,
          415,
        ])
    }
  }
})

test('on the shop’s network: nothing without the pass-phrase; an owner sees one card by a link that ends', async ({
  page,
  browser,
  yard,
}) => {
  setPassphrase(doorFileOf(yard.database), 'the heron stands still')
  await yard.startAs({ network: true })
  const bike = yard.addressOf('Fell team bike 4')
  for (const { address, methods } of routes())
    for (const method of methods)
      if (address !== '/api/door')
        expect([address, await status(yard.url + address, method, { 'content-type': 'application/json' })]).toEqual([
          address,
          401,
        ])
  await page.goto(`${yard.url}${bike}?station=wire`)
  await expect(page).toHaveURL(/\/door\?to=/)
  await ready(page)
  const phrase = page.getByLabel('Pass-phrase')
  for (let n = 0; n < 5; n++) {
    await phrase.fill(`wrong ${n}`)
    await page.getByRole('button', { name: 'Come in' }).click()
    await expect(page.getByText('This is not the pass-phrase.')).toBeVisible()
  }
  await phrase.fill('wrong again')
  await page.getByRole('button', { name: 'Come in' }).click()
  await expect(page.getByText(/Too many wrong ones. Wait \d+ s/)).toBeVisible()
  await expect(async () => {
    if (page.url().includes('/door')) {
      await phrase.fill('the heron stands still')
      await page.getByRole('button', { name: 'Come in' }).click()
    }
    await expect(page).toHaveURL(new RegExp(`${bike}\\?station=wire`), { timeout: 5000 })
  }).toPass()
  await ready(page)
  await page.goto(`${yard.url}/?show=signed`)
  await ready(page)
  await page.getByRole('button', { name: 'more: Fell team bike 4' }).click()
  await expect(page.getByAltText('Square with the address of this job')).toBeVisible()
  await page.getByRole('button', { name: /Make a link for the owner/ }).click()
  const link = (await page.getByRole('status').getByRole('link').getAttribute('href'))!
  // another browser, which knows no pass-phrase
  const owner = await (await browser.newContext()).newPage()
  await owner.goto(link)
  await expect(owner.getByRole('heading', { name: 'How to stop it' })).toBeVisible()
  await owner.goto(yard.url + bike)
  await expect(owner).toHaveURL(/\/door/)
  await owner.goto(`${link.slice(0, -3)}abc`)
  await expect(owner.getByRole('heading', { name: 'This link has ended' })).toBeVisible()
  // a job that is deleted shows its card to nobody
  const open = yard.addressOf('Fell team bike 3')
  const ask = (what: string, data: object) => page.request.post(`${yard.url}/api${open}/${what}`, { data })
  const { path: card } = (await (await ask('owner-link', { days: 1 })).json()) as { path: string }
  await owner.goto(yard.url + card)
  await expect(owner.getByRole('heading', { name: 'How to stop it' })).toBeVisible()
  expect((await ask('place', { where: 'deleted' })).ok()).toBe(true)
  await owner.goto(yard.url + card)
  await expect(owner.getByRole('heading', { name: 'This link has ended' })).toBeVisible()
  expect((await ask('owner-link', { days: 1 })).status()).toBe(404)
  yard.clock = new Date(Date.now() + 15 * 86_400_000).toISOString()
  await yard.kill()
  await yard.start()
  await owner.goto(link)
  await expect(owner.getByRole('heading', { name: 'This link has ended' })).toBeVisible()
  await owner.context().close()
})
