import { XMLParser, XMLValidator } from 'fast-xml-parser'
import fc from 'fast-check'
import Papa from 'papaparse'
import { frontView, sectionView } from '../core/drawing'
import type { Job } from '../core/job'
import { asBuiltSheet, measuringSheet, ownersCard, type Sheet, shoppingSheet } from '../core/sheets'
import { estimateOf } from '../core/schedule'
import { cutList } from '../core/wiring'
import { writeCalendar } from './calendar'
import { writeCostCsv } from './cost-csv'
import { writeCutListCsv } from './cut-list-csv'
import { legible } from './legible'
import { inLetters, NO_LETTER } from './pdf/letters'
import { sheetPdf } from './pdf/sheet-pdf'
import { writeShoppingCsv } from './shopping-csv'
import { drawingsSvg } from './svg/drawing-svg'
import { example, exampleShelf } from './test-support/examples'
import { often } from '../test-support/often'

const shelf = exampleShelf()
const AT = '2026-03-01T10:00:00Z'

/** Words as hands, keyboards and pasting make them: letters of anywhere, marks, halves of pairs, formulas, markup. */
const words = fc
  .array(
    fc.oneof(
      fc.constantFrom('=SUM(A1)', '+4', '-', '@x', '"', ',', ';', '\t', '\n', '\r', '<b>', '&amp;', ']]>', '\\n', "'"),
      fc.constantFrom('\u0000', '\u0007', '\u202e', '\ud800', '\ufeff', '\u2028', '🛞', 'é', 'Ż', 'Ж', '漢', 'א'),
      fc.string({ minLength: 1, maxLength: 12 }),
    ),
    { minLength: 1, maxLength: 8 },
  )
  .map((parts) => parts.join(''))

/** A finished job in which everything that somebody names is named so. */
const named = (name: string): Job => {
  const job = example('fell-bike-signed')
  return {
    ...job,
    title: name,
    machine: { ...job.machine, name, owner: name },
    fans: job.fans.map((f) => ({ ...f, part: { ...f.part, name, maker: name } })),
    runs: job.runs.map((r) => ({ ...r, label: name })),
  }
}

const cellsOf = (csv: string): string[] => {
  const { data, errors } = Papa.parse<string[]>(csv, { newline: '\r\n' })
  // an empty row parts two tables
  expect(errors.filter((e) => e.code !== 'UndetectableDelimiter')).toEqual([])
  return data.flat()
}

test('whatever a thing is called, its tables read back with its name in one cell, and no cell is a formula', () => {
  fc.assert(
    fc.property(words, (name) => {
      const job = named(name)
      const tables = [
        writeCostCsv(estimateOf(job, shelf)),
        writeCutListCsv(cutList(job, shelf)),
        writeShoppingCsv(shoppingSheet(job, shelf)),
      ].map(cellsOf)
      for (const cell of tables.flat()) expect(cell).not.toMatch(/^[=+\-@\t\r]/)
      const shown = legible(name)
      expect(tables[0]!.map((c) => c.replace(/^'/, ''))).toContain(shown.replace(/^'/, ''))
    }),
    { numRuns: often(16), seed: 3001 },
  )
})

/** An iCalendar file taken apart by RFC 5545 §3.1 and §3.3.11: folded lines joined, text unescaped. */
function eventsOf(file: string): { uid: string; title: string; day: string }[] {
  expect(file.endsWith('\r\n')).toBe(true)
  const folded = file.slice(0, -2).split('\r\n')
  for (const line of folded) {
    expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    expect(line).not.toMatch(/[\u0000-\u0008\u000a-\u001f\u007f]/)
  }
  const events: { uid: string; title: string; day: string }[] = []
  for (const line of folded
    .join('\r\n')
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')) {
    const [, name, value] = /^([A-Z-]+)[^:]*:(.*)$/.exec(line) ?? []
    if (line === 'BEGIN:VEVENT') events.push({ uid: '', title: '', day: '' })
    const event = events.at(-1)
    if (!event || value === undefined) continue
    if (name === 'UID') event.uid = value
    if (name === 'DTSTART') event.day = value
    if (name === 'SUMMARY')
      event.title = value.replace(/\\([\\;,nN])/g, (_, c: string) => (c.toLowerCase() === 'n' ? '\n' : c))
  }
  return events
}

test('whatever a job is called, its days come back from the calendar file, in lines that every calendar takes', () => {
  fc.assert(
    fc.property(fc.array(words, { minLength: 1, maxLength: 3 }), (titles) => {
      const jobs = titles.map((title, i) => ({
        id: `job${i}`,
        title,
        calls: [{ id: 'first', what: 'ties; and leads, both', dueOn: `2026-0${i + 1}-28` }],
      }))
      expect(eventsOf(writeCalendar(jobs, new Date(AT)))).toEqual(
        titles.map((title, i) => ({
          uid: `job${i}-first@pyraxis`,
          day: `20260${i + 1}28`,
          title: `${legible(title)}: ties; and leads, both`.replace(/\s+/g, ' '),
        })),
      )
    }),
    { numRuns: often(24), seed: 3002 },
  )
})

test('whatever a job and what is near are called, the drawing is well-formed and bears the name, readable', () => {
  fc.assert(
    fc.property(words, (name) => {
      const job = named(name)
      const near: Job = { ...job, place: { ...job.place, obstacles: job.place.obstacles.map((o) => ({ ...o, name })) } }
      const svg = drawingsSvg(
        name,
        [frontView(near), sectionView(near)].filter((d) => d !== null),
      )
      expect(XMLValidator.validate(svg)).toBe(true)
      const read = new XMLParser({ trimValues: false }).parse(svg) as { svg: { title: string } }
      // XML §2.11: every end of a line is one
      expect(String(read.svg.title ?? '')).toBe(legible(name).replace(/\r\n?/g, '\n'))
    }),
    { numRuns: often(12), seed: 3003 },
  )
})

const called = (owner: string): Sheet => {
  const job = example('fell-bike-signed')
  return ownersCard({ ...job, machine: { ...job.machine, owner } })
}
/** Faces that a PDF brings, by what it names them. */
const facesOf = async (sheet: Sheet): Promise<string[]> => [
  ...new Set(
    [...(await sheetPdf(sheet, 'a4')).toString('latin1').matchAll(/\/BaseFont \/[A-Z]{6}\+(\w+)/g)].map((m) => m[1]!),
  ),
]

test('a name that the usual letters have not is printed in others, whole; what no face has is told on the sheet', async () => {
  // western European: the letters of the screen
  expect(inLetters(called('Zoë Núñez')).lacks).toBe(false)
  expect((await facesOf(called('Zoë Núñez'))).every((face) => face.startsWith('Barlow'))).toBe(true)
  for (const owner of ['Šárka Łęcka', 'Ђорђе', 'Ελένη', 'Gülşah', 'Nguyễn']) {
    const { thing, lacks } = inLetters(called(owner))
    expect([owner, lacks, thing.subtitle.includes(owner)]).toEqual([owner, false, true])
    expect((await facesOf(called(owner))).every((face) => face.startsWith('DejaVu'))).toBe(true)
  }
  // decomposed as some keyboards send it, and a picture letter with its variant mark
  expect(inLetters(called('S\u030ca\u0301rka')).thing.subtitle).toContain('Šárka')
  for (const [owner, shown] of [
    ['漢 Ö', `${NO_LETTER} Ö`],
    ['אב', NO_LETTER.repeat(2)],
    ['x\u{1f6de}\ufe0f', `x${NO_LETTER}`],
  ] as const) {
    const { thing, lacks } = inLetters(called(owner))
    expect([owner, lacks]).toEqual([owner, true])
    expect(thing.subtitle).toContain(`, ${shown}.`)
  }
})

test('all that our own sheets and drawings say has its letters in the faces of the screen', () => {
  for (const name of [
    'fell-bike-signed',
    'vineyard-buggy-ready',
    'churchyard-digger-bay',
    'market-cold-trailer',
  ] as const) {
    const job = example(name)
    expect(
      inLetters([ownersCard(job), shoppingSheet(job, shelf), measuringSheet(job), asBuiltSheet(job, null)]).faces.text,
    ).toContain('barlow')
  }
})
