/**
 * Wording. English stands where it is used, and is itself the key under which another language is looked up: a page in
 * English carries nothing for it. A process and a page speak one language, which is set before any wording is read.
 */

/** Another language: its phrases by their English, with `{0}`, `{1}` where values stand. */
export interface Language {
  /** BCP 47, for numbers and days as well */
  readonly tag: string
  /** the sign that parts a number from its decimals */
  readonly decimal: string
  readonly phrases: Readonly<Record<string, string>>
  /** where a page's workers take it from */
  readonly address?: string
}

/** Where a page's script and a worker put the language, before anything else is read. */
export interface Spoken {
  language: Language | null
}

/** Every language there is, by its own name for itself; all but English have a catalogue in words/. */
export const languages = { en: 'English', nl: 'Nederlands' } as const
export type LanguageTag = keyof typeof languages

export const isLanguage = (tag: unknown): tag is LanguageTag => typeof tag === 'string' && Object.hasOwn(languages, tag)

/**
 * One for all that is loaded in a process or page, however often this is; what a page is sent may have come before.
 * It is looked up once: a global that is asked for at every phrase costs more than the phrase.
 */
const spoken = ((globalThis as { pyraxisSpoken?: Spoken }).pyraxisSpoken ??= { language: null })

/** What is spoken here; null for English, which needs nothing. */
export const languageSpoken = (): Language | null => spoken.language

/** From here on this language is spoken; null for English. Wording that was read before stays as it was. */
export const speak = (language: Language | null): void => {
  spoken.language = language
}

/** Makes something in English, as a file is written and read: it goes to yards of another language. */
export function inEnglish<T>(make: () => T): T {
  const language = languageSpoken()
  speak(null)
  try {
    return make()
  } finally {
    speak(language)
  }
}

/** Wording that is kept as well: by its English, which is the same in every language, and as it is spoken. */
export interface Called {
  readonly id: string
  readonly words: string
}

/**
 * Wording with the English by which it is kept; whatever stands in it has to be worded within.
 * @example called(() => say`wire stripper`) //=> { id: 'wire stripper', words: 'wire stripper' }
 */
export const called = (make: () => string): Called => ({ id: inEnglish(make), words: make() })

/** The sign that parts a number from its decimals in the language spoken. */
export const decimalSign = (): string => spoken.language?.decimal ?? '.'

/**
 * A number that is written with a point, as the language spoken writes it.
 * @example numeral('13.8') //=> '13.8'
 */
export const numeral = (written: string): string =>
  spoken.language ? written.replace('.', spoken.language.decimal) : written

const shownValue = (value: string | number | null | undefined): string =>
  typeof value === 'number' ? numeral(String(value)) : String(value)

/** A phrase may run over several lines of code: an end of line and what stands around it is one space. */
const FOLD = /\s*\n\s*/g
interface Folded {
  readonly parts: readonly string[]
  /** under which another language is looked up */
  readonly english: string
}
const folded = new WeakMap<TemplateStringsArray, Folded>()
function foldedOf(template: TemplateStringsArray): Folded {
  const before = folded.get(template)
  if (before) return before
  const parts = template.map((p) => p.replace(FOLD, ' '))
  const made = { parts, english: parts.reduce((text, part, n) => `${text}{${n - 1}}${part}`) }
  folded.set(template, made)
  return made
}

/** The phrase in the language spoken, without its outer spaces; where the catalogue has none, its English. */
function translated(english: string, language: Language): string {
  const core = english.trim()
  const found = language.phrases[core]
  if (!found) return english
  const at = english.indexOf(core)
  return english.slice(0, at) + found + english.slice(at + core.length)
}

/**
 * A phrase in the language that is spoken: a tag of a template, whose values stand in their places.
 * @example say`Set ${'58'} °C` //=> 'Set 58 °C'
 */
export function say(
  template: TemplateStringsArray,
  ...values: readonly (string | number | null | undefined)[]
): string {
  const { parts, english } = foldedOf(template)
  const { language } = spoken
  if (language)
    return translated(english, language).replace(/\{(\d+)\}/g, (all, n: string) =>
      Number(n) < values.length ? shownValue(values[Number(n)]) : all,
    )
  let text = parts[0]!
  for (let n = 0; n < values.length; n++) text += values[n] + parts[n + 1]!
  return text
}

/**
 * A word that stands for itself in data, a choice or the name of a field, in the language that is spoken.
 * @example spokenWord('mud and a hose') //=> 'mud and a hose'
 */
export function spokenWord(word: string): string {
  const { language } = spoken
  return language ? translated(word, language) : word
}
