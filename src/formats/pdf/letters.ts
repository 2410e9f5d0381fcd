import { readFileSync } from 'node:fs'
import path from 'node:path'
import { create, type Font } from 'fontkit'
import { withWords } from '../legible'

/** Files of the three faces of a sheet. */
export interface Faces {
  readonly text: string
  readonly bold: string
  readonly heading: string
}

const PACKAGES = path.join(process.cwd(), 'node_modules')
const ours = (family: string, weight: number): string =>
  path.join(PACKAGES, '@fontsource', family, 'files', `${family}-latin-${weight}-normal.woff`)
const wide = (name: string): string => path.join(PACKAGES, 'dejavu-fonts-ttf', 'ttf', `DejaVuSansCondensed${name}.ttf`)

/** The letters of the screen: western European. */
const OURS: Faces = { text: ours('barlow', 400), bold: ours('barlow', 600), heading: ours('barlow-condensed', 600) }
/** Letters of most of Europe and the Caucasus, for a name that has one of them. */
const WIDE: Faces = { text: wide(''), bold: wide('-Bold'), heading: wide('-Bold') }

/** what stands for a letter that neither has, or that is written from right to left: nothing here lays that out */
export const NO_LETTER = '□'
const LEFTWARD = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u

const opened = new Map<string, Font>()
function has(file: string, letter: string): boolean {
  const font = opened.get(file) ?? (create(readFileSync(file)) as Font)
  opened.set(file, font)
  return !LEFTWARD.test(letter) && font.hasGlyphForCodePoint(letter.codePointAt(0)!)
}

const lettersOf = (thing: unknown, found = new Set<string>()): Set<string> => {
  if (typeof thing === 'string') for (const letter of thing) found.add(letter)
  else if (thing !== null && typeof thing === 'object') for (const part of Object.values(thing)) lettersOf(part, found)
  return found
}

/** what picks a form of the letter before it, or joins two: no letter of its own */
const UNDRAWN = /[\p{Variation_Selector}\u200b-\u200f\u2060]/gu

/** White space is laid out, not drawn. */
const lacking = ({ text, bold, heading }: Faces, letters: ReadonlySet<string>): Set<string> =>
  new Set([...letters].filter((l) => !/\s/.test(l) && ![text, bold, heading].every((file) => has(file, l))))

/**
 * A thing as it can be written in a file that brings its letters, and the faces for it: all of it in one hand.
 * @param written words, anywhere within it
 * @returns the same with {@link NO_LETTER} where no face has a letter, and whether that came up
 */
export function inLetters<T>(written: T): { readonly thing: T; readonly faces: Faces; readonly lacks: boolean } {
  const thing = withWords(written, (words) => words.normalize('NFC').replace(UNDRAWN, ''))
  const letters = lettersOf(thing)
  if (!lacking(OURS, letters).size) return { thing, faces: OURS, lacks: false }
  const missing = lacking(WIDE, letters)
  const shown = (words: string): string => [...words].map((l) => (missing.has(l) ? NO_LETTER : l)).join('')
  return { thing: missing.size ? withWords(thing, shown) : thing, faces: WIDE, lacks: missing.size > 0 }
}
