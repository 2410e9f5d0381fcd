// npm run words: brings the catalogues in words/ up to the wording of the code; what was translated stays
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { po } from 'gettext-parser'
import { phrasesOf, wordsOfData } from './phrases'

const found = new Map([...phrasesOf(), ...wordsOfData()].map((p) => [p.key, p]))
for (const name of readdirSync('words').filter((n) => n.endsWith('.po'))) {
  const file = path.join('words', name)
  const catalogue = po.parse(readFileSync(file))
  const before = catalogue.translations[''] ?? {}
  const header = before['']!
  const entries = [...found.values()].map(({ key, files }) => ({
    msgid: key,
    msgstr: [before[key]?.msgstr[0] ?? ''],
    comments: { reference: files.join('\n'), translator: '', extracted: '', flag: '', previous: '' },
  }))
  catalogue.translations = { '': { '': header, ...Object.fromEntries(entries.map((e) => [e.msgid, e])) } }
  writeFileSync(file, po.compile(catalogue, { foldLength: 0 }))
  const open = entries.filter((e) => !e.msgstr[0]).length
  process.stdout.write(`${file}: ${entries.length} phrases, ${open} of them not translated\n`)
}
