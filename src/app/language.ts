import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { po } from 'gettext-parser'
import { isLanguage, type Language, languageSpoken, speak } from '../core/words/say'

/** A catalogue's phrases by their English; what is not translated yet is not among them. */
export function phrasesIn(text: string): Language['phrases'] {
  const { translations } = po.parse(text)
  const entries = Object.values(translations[''] ?? {})
  return Object.fromEntries(entries.flatMap(({ msgid, msgstr }) => (msgid && msgstr[0] ? [[msgid, msgstr[0]]] : [])))
}

/**
 * The language that the workshop chose, read from its database alone: nothing that has words in it is loaded before
 * what it says is known. English where there is no database yet, or none that can be read.
 */
function chosenIn(file: string): string {
  if (!existsSync(file)) return 'en'
  try {
    const sqlite = new Sqlite(file, { readonly: true, fileMustExist: true })
    try {
      const row = sqlite.prepare("select value from settings where name = 'workshop'").get() as { value: string }
      return String((JSON.parse(row.value) as { language?: unknown }).language)
    } finally {
      sqlite.close()
    }
  } catch {
    return 'en'
  }
}

/** From here on this process speaks as the workshop chose. As early as can be: wording that was read stays. */
export function speakAsChosen(): void {
  const tag = chosenIn(process.env.PYRAXIS_DB || path.join('data', 'pyraxis.db'))
  if (!isLanguage(tag) || tag === 'en') return
  const decimal = new Intl.NumberFormat(tag).formatToParts(1.5).find((p) => p.type === 'decimal')!.value
  speak({ tag, decimal, phrases: phrasesIn(readFileSync(path.join('words', `${tag}.po`), 'utf8')) })
}

interface Script {
  readonly text: string
  /** with its version */
  readonly address: string
}
const scripts = new WeakMap<Language, Script>()

const spoken = (language: Language): string => `globalThis.pyraxisSpoken=${JSON.stringify({ language })}`

/** What a page runs before all else, so that it speaks as its server does; null in English. */
export function pageScript(): Script | null {
  const language = languageSpoken()
  if (!language) return null
  let script = scripts.get(language)
  if (!script) {
    // a browser keeps it as long as its address is the same: how it is written counts as what it says
    const version = createHash('sha256').update(spoken(language)).digest('hex').slice(0, 12)
    const address = `/words?v=${version}`
    script = { text: spoken({ ...language, address }), address }
    scripts.set(language, script)
  }
  return script
}
