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

/** Every language there is, by its own name for itself; all but English have a catalogue in words/. */
export const languages = { en: 'English', nl: 'Nederlands' } as const
export type LanguageTag = keyof typeof languages

export const isLanguage = (tag: unknown): tag is LanguageTag => typeof tag === 'string' && Object.hasOwn(languages, tag)

const spoken = globalThis as { pyraxisLanguage?: Language | undefined }

/** What is spoken here; null for English, which needs nothing. */
export const languageSpoken = (): Language | null => spoken.pyraxisLanguage ?? null

/** From here on this language is spoken; null for English. Wording that was read before stays as it was. */
export const speak = (language: Language | null): void => {
  spoken.pyraxisLanguage = language ?? undefined
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
export const decimalSign = (): string => spoken.pyraxisLanguage?.decimal ?? '.'

/**
 * A number that is written with a point, as the language spoken writes it.
 * @example numeral('13.8') //=> '13.8'
 */
export const numeral = (written: string): string =>
  spoken.pyraxisLanguage ? written.replace('.', spoken.pyraxisLanguage.decimal) : written

const shownValue = (value: string | number | null | undefined): string =>
  typeof value === 'number' ? numeral(String(value)) : String(value)

/** A phrase may run over several lines of code: an end of line and what stands around it is one space. */
const FOLD = /\s*\n\s*/g
const folded = new WeakMap<TemplateStringsArray, readonly string[]>()
function partsOf(template: TemplateStringsArray): readonly string[] {
  let parts = folded.get(template)
  if (!parts) folded.set(template, (parts = template.map((p) => p.replace(FOLD, ' '))))
  return parts
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
  const parts = partsOf(template)
  const language = spoken.pyraxisLanguage
  if (language) {
    const key = parts.reduce((text, part, n) => `${text}{${n - 1}}${part}`)
    return translated(key, language).replace(/\{(\d+)\}/g, (all, n: string) =>
      Number(n) < values.length ? shownValue(values[Number(n)]) : all,
    )
  }
  let text = parts[0]!
  for (let n = 0; n < values.length; n++) text += values[n] + parts[n + 1]!
  return text
}

/**
 * A word that stands for itself in data, a choice or the name of a field, in the language that is spoken.
 * @example spokenWord('mud and a hose') //=> 'mud and a hose'
 */
export function spokenWord(word: string): string {
  const language = spoken.pyraxisLanguage
  return language ? translated(word, language) : word
}
