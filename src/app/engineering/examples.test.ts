import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import * as airRoom from '@/core/air'
import * as control from '@/core/control'
import * as electrical from '@/core/electrical'
import * as fit from '@/core/fit'
import { rootBetween } from '@/core/air/root'
import * as units from '@/core/units'

const rooms = { electrical, air: airRoom, control, units, fit }
const scope: Readonly<Record<string, unknown>> = {
  ...electrical,
  ...airRoom,
  ...control,
  ...fit,
  ...units,
  rootBetween,
}

/** Every example that stands above a public function: what is written, and what it comes to. */
const examples = Object.keys(rooms).flatMap((room) => {
  const folder = path.join(__dirname, '..', '..', 'core', room)
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .flatMap((file) => [
      ...readFileSync(path.join(folder, file), 'utf8')
        // a line that goes on
        .replace(/\n \* {3}(?=\S)/g, ' ')
        .matchAll(/@example (.+?) \/\/=> (.+?)(?: \*\/)?$/gm),
    ])
    .map((m) => [room, m[1]!, m[2]!] as const)
})

const comesTo = (text: string): unknown =>
  new Function(...Object.keys(scope), `return (${text})`)(...Object.values(scope)) as unknown

/** A figure is as near as its last digit says. */
const near = (written: string): number => {
  const decimals = /\.(\d+)(?:e|$)/.exec(written)?.[1]?.length ?? 0
  return 0.5 * 10 ** -decimals * (/e(-?\d+)$/.test(written) ? 10 ** Number(/e(-?\d+)$/.exec(written)![1]) : 1)
}

test.each(examples)('%s: %s', (_room, text, written) => {
  const [got, expected] = [comesTo(text), comesTo(written)]
  if (typeof expected === 'number') expect(Math.abs((got as number) - expected)).toBeLessThanOrEqual(near(written))
  else if (typeof expected === 'object' && expected !== null) expect(got).toMatchObject(expected)
  else expect(got).toBe(expected)
})

/** Public functions that still have none. One that is taken off this list stays off it, and none is added. */
const stillWithout = new Set(
  `chargeFromTow chooseConductor compareSizes checkFuse chooseFuse startWear motorCurve
   contactsResistance bayResistance bayRise buoyantFlow inSeries ventsInSeries coolantCapacity
   outletDrop proposeBaySetting proposeSetting bayLimitRule bayStopsRule boilRule controllerRule secondFanRule
   stopsRule warmUpRule onOffPoints settingFor controlKindOf sizesOf offTheGaps snapToGaps tieLength`.split(/\s+/),
)

test('every public function of the formulas’ rooms has an example', () => {
  const told = new Set(examples.flatMap(([, text]) => [...text.matchAll(/\b([a-zA-Z0-9]+)\(/g)].map((m) => m[1]!)))
  const without = Object.values(rooms)
    .flatMap((room) => Object.entries(room))
    .filter(([name, it]) => typeof it === 'function' && !told.has(name) && !/^[A-Z]/.test(name))
    .map(([name]) => name)
  expect(without.filter((n) => !stillWithout.has(n))).toEqual([])
  expect([...stillWithout].filter((n) => !without.includes(n))).toEqual([])
})
