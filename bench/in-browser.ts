import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import net from 'node:net'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import config from '../playwright.config'
import { job, median, say, timeAsync } from './timing'

/** From the key going down to the frame in which the margin is painted. */
async function keystroke(page: Page): Promise<number> {
  const times: number[] = []
  await page.locator('[data-address="place.freeDepthM"] input').focus()
  for (let n = 0; n < 15; n++) {
    await page.evaluate(() => {
      addEventListener(
        'keydown',
        () => {
          const began = performance.now()
          const figure = document.querySelector('[data-margin="fit"] .figure-text')!
          new MutationObserver((_, seen) => {
            seen.disconnect()
            requestAnimationFrame(() => {
              const done = new MessageChannel()
              done.port1.onmessage = () => {
                document.documentElement.dataset.took = String(performance.now() - began)
              }
              done.port2.postMessage(0)
            })
          }).observe(figure, { characterData: true, childList: true, subtree: true })
        },
        { once: true, capture: true },
      )
    })
    await page.keyboard.press(n % 2 ? 'Backspace' : '5')
    await page.waitForTimeout(250)
    times.push(Number(await page.evaluate(() => document.documentElement.dataset.took)))
  }
  return median(times)
}

/**
 * The fan dragged up and down with the margins following: milliseconds from frame to frame, and the share of frames in
 * time for 60 a second.
 */
async function dragging(page: Page): Promise<{ readonly frame: number; readonly inTime: number }> {
  const fan = page.getByRole('button', { name: /: drag it/ }).first()
  const box = (await fan.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  // as text: what is compiled here would bring helpers that the page does not have
  await page.evaluate(
    'window.frames_ = []; window.last_ = performance.now(); requestAnimationFrame(function tick(now) { ' +
      'window.frames_.push(now - window.last_); window.last_ = now; requestAnimationFrame(tick) })',
  )
  for (let n = 0; n < 150; n++) {
    await page.mouse.move(x, y + 60 * Math.sin(n / 12))
    await page.waitForTimeout(8)
  }
  const frames = await page.evaluate(() => (window as unknown as { frames_: number[] }).frames_.slice(5))
  await page.mouse.up()
  return { frame: median([...frames]), inTime: frames.filter((f) => f < 20).length / frames.length }
}

/** A port that nothing listens on: a server left over from a broken run would serve pages of an older build. */
const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo
      probe.close(() => resolve(port))
    })
  })

export async function inBrowser(folder: string): Promise<void> {
  const port = await freePort()
  const url = `http://127.0.0.1:${port}`
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    { env: { ...process.env, PYRAXIS_DB: path.join(folder, 'bench.db') }, stdio: 'ignore' },
  )
  try {
    for (
      let n = 0;
      n < 100 &&
      !(await fetch(`${url}/icon.svg`).then(
        () => true,
        () => false,
      ));
      n++
    )
      await new Promise((resolve) => setTimeout(resolve, 100))
    say(
      'first page of that yard, over HTTP, drawn on the server',
      await timeAsync(20, async () => (await fetch(url)).text()),
      'aim < 100 ms',
    )
    const { id } = (await (
      await fetch(`${url}/api/import`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: readFileSync('examples/fell-bike-short-at-idle.job.json'),
      })
    ).json()) as { id: string }
    let from = 1
    say(
      'one save, there and back over HTTP',
      await timeAsync(40, async (n) => {
        const answer = (await (
          await fetch(`${url}/api/jobs/${id}/revisions`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ from, key: `bench-http-${n}`, job: { ...job, title: `Save ${n}` } }),
          })
        ).json()) as { revision?: number }
        from = answer.revision ?? from
      }),
      '',
    )
    const browser = await chromium.launch(config.use!.launchOptions)
    const opened = async (address: string, until: string): Promise<number> => {
      const times: number[] = []
      for (let n = 0; n < 9; n++) {
        const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
        const began = performance.now()
        await page.goto(`${url}${address}`, { waitUntil: 'commit' })
        await page.waitForSelector(until, { state: 'attached' })
        times.push(performance.now() - began)
        await page.context().close()
      }
      return median(times)
    }
    const empty = await opened('/nowhere', 'main')
    const screen = await opened(`/jobs/${id}?station=place`, 'html[data-ready]')
    say('an empty page of the same stack, shown', empty, '')
    say('job screen, interactive', screen, `aim < 1000 ms; ${(screen / empty).toFixed(1)} × the empty page`)
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${url}/jobs/${id}?station=measure`)
    await page.waitForSelector('html[data-ready]')
    say('keystroke to painted margin', await keystroke(page), 'aim < 50 ms')
    await page.goto(`${url}/jobs/${id}?station=place`)
    await page.waitForSelector('html[data-ready]')
    await page.waitForTimeout(1500)
    const { frame, inTime } = await dragging(page)
    say(
      'fan dragged, frame to frame, margins following',
      frame,
      `aim 16.7 ms; ${Math.round(100 * inTime)} % of frames in time`,
    )
    await browser.close()
  } finally {
    server.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  }
}
