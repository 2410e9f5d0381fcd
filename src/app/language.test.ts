import { readFileSync } from 'node:fs'
import path from 'node:path'
import { po } from 'gettext-parser'
import { bareText, phrasesOf, sourceFiles } from '../../tools/phrases'
import { languages, speak } from '../core/words'
import { readShelfCsv, writeShelfCsv } from '../formats/shelf-csv'
import { exampleShelf } from '../formats/test-support/examples'

const places = (text: string): string => [...new Set(text.match(/\{\w+\}/g) ?? [])].sort().join(' ')

test.each(Object.keys(languages).filter((tag) => tag !== 'en'))(
  'every phrase of the code is in the catalogue of %s, translated, with all its places',
  (tag) => {
    const catalogue = po.parse(readFileSync(path.join('words', `${tag}.po`)))
    expect(catalogue.headers.Language).toBe(tag)
    const entries = catalogue.translations['']!
    // a unit or a word that is the same in both stands there as itself
    expect(phrasesOf().filter(({ key }) => !entries[key]?.msgstr[0])).toEqual([])
    const wrong = Object.values(entries).filter(({ msgid, msgstr }) => msgid && places(msgid) !== places(msgstr[0]!))
    expect(wrong.map(({ msgid, msgstr }) => [msgid, msgstr[0]])).toEqual([])
  },
)

test('wording that stands on a page by itself is tagged', () => {
  const bare = sourceFiles()
    .filter((file) => file.endsWith('.tsx'))
    .flatMap((file) => bareText(file).map((text) => `${file}: ${text}`))
  // names, commands and units are the same in every language
  expect(bare.filter((line) => !/: (PYRAXIS|npm run [\w-]+|CSV|km\/h|mm|min|V|A|K)$/.test(line))).toEqual([])
})

test('a shelf goes out and comes in as the same file in every language', () => {
  const shelf = exampleShelf()
  const english = writeShelfCsv(shelf)
  speak({ tag: 'nl', decimal: ',', phrases: { 'fan stays off': 'ventilator blijft uit' } })
  try {
    expect(writeShelfCsv(shelf)).toBe(english)
    expect(readShelfCsv(english)).toEqual({ parts: shelf, problems: [] })
    // what a spreadsheet of that language makes of a figure is read too
    const typed = english.replace(/(?<=,)90 Ah(?=,)/, '"90,5 Ah"')
    expect(typed).not.toBe(english)
    const { parts, problems } = readShelfCsv(typed)
    expect(problems).toEqual([])
    expect(parts.filter((p, n) => JSON.stringify(p) !== JSON.stringify(shelf[n]))).toMatchObject([{ kind: 'battery' }])
  } finally {
    speak(null)
  }
})
