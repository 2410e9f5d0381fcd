import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'

/** A piece of wording as a catalogue has it, and where the code says it. */
export interface Phrase {
  readonly key: string
  readonly files: readonly string[]
}

const ofTests = /\.test\.tsx?$|test-support/

/** Files of the product, tests left out. */
export const sourceFiles = (): readonly string[] =>
  readdirSync('src', { recursive: true, encoding: 'utf8' })
    .map((f) => path.join('src', f))
    .filter((f) => /\.tsx?$/.test(f) && !ofTests.test(f))
    .sort()

/** A template as it is looked up: `{0}` where its first value stands, an end of line as one space. */
function keyOf(template: ts.TemplateLiteral): string {
  const text = ts.isTemplateExpression(template)
    ? template.head.text + template.templateSpans.map((s, n) => `{${n}}${s.literal.text}`).join('')
    : template.text
  return text.replace(/\s*\n\s*/g, ' ').trim()
}

const gathered = (pairs: Iterable<readonly [string, string]>): readonly Phrase[] => {
  const found = new Map<string, string[]>()
  for (const [key, file] of pairs) {
    const files = found.get(key) ?? []
    if (!files.includes(file)) files.push(file)
    found.set(key, files)
  }
  return [...found].map(([key, files]) => ({ key, files }))
}

function* walked(node: ts.Node): Generator<ts.Node> {
  yield node
  const children: ts.Node[] = []
  ts.forEachChild(node, (child) => void children.push(child))
  for (const child of children) yield* walked(child)
}

/** Every phrase that is tagged in the code, in the order of its files. */
export function phrasesOf(): readonly Phrase[] {
  const pairs: [string, string][] = []
  for (const file of sourceFiles()) {
    const text = readFileSync(file, 'utf8')
    if (!text.includes('say`')) continue
    for (const node of walked(ts.createSourceFile(file, text, ts.ScriptTarget.Latest)))
      if (ts.isTaggedTemplateExpression(node) && ts.isIdentifier(node.tag) && node.tag.text === 'say')
        pairs.push([keyOf(node.template), file])
  }
  return gathered(pairs)
}

/** Text that stands between tags and is no phrase of a catalogue. */
export function bareText(file: string): readonly string[] {
  const text = readFileSync(file, 'utf8')
  return [...walked(ts.createSourceFile(file, text, ts.ScriptTarget.Latest))].flatMap((node) =>
    ts.isJsxText(node) && /[a-z]{2}/i.test(node.text) ? [node.text.trim()] : [],
  )
}

const isWording = (word: string): boolean => /[a-z]{2}/i.test(word)

/** What a word of data can be, by its type: the choices of `spokenWord(choice)`. */
function choicesIn(checker: ts.TypeChecker, node: ts.Expression): readonly string[] {
  const type = checker.getTypeAtLocation(node)
  return (type.isUnion() ? type.types : [type]).flatMap((t) => (t.isStringLiteral() ? [t.value] : []))
}

/** Labels and hints of the table of fields, wherever they stand in it. */
function* textsOf(table: unknown): Generator<string> {
  if (typeof table !== 'object' || table === null) return
  for (const [name, value] of Object.entries(table))
    if (typeof value === 'string' && (name === 'label' || name === 'tell')) yield value
    else yield* textsOf(value)
}

/** Where choices of a job or a part are listed: what is chosen is shown by its own word. */
const CHOICES =
  /choices\.ts$|core\/job\/schema\/|core\/build\/needs\.ts$|core\/practice\/round\.ts$|core\/run\/circumstances\.ts$/

/** Words of the lists of choices in a file, and of answers that are their own words. */
function* listed(source: ts.SourceFile): Generator<string> {
  for (const node of walked(source)) {
    const isList = CHOICES.test(source.fileName) && ts.isArrayLiteralExpression(node)
    const isAnswers = ts.isCallExpression(node) && node.expression.getText(source) === 'asWords'
    if (!isList && !isAnswers) continue
    for (const word of isAnswers ? node.arguments : (node as ts.ArrayLiteralExpression).elements)
      if (ts.isStringLiteral(word) && /^[a-z][a-z ,:’()-]+$/.test(word.text)) yield word.text
  }
}

/** Words that stand for themselves in data: the choices that are spoken, and the names of the fields. */
export function wordsOfData(): readonly Phrase[] {
  const pairs: [string, string][] = []
  const fields = path.join('src', 'core', 'job', 'fields.json')
  for (const text of textsOf(JSON.parse(readFileSync(fields, 'utf8')))) if (isWording(text)) pairs.push([text, fields])
  const config = ts.getParsedCommandLineOfConfigFile('tsconfig.json', {}, {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: () => undefined,
  } as ts.ParseConfigFileHost)!
  const program = ts.createProgram([...sourceFiles()], config.options)
  const checker = program.getTypeChecker()
  for (const file of sourceFiles()) {
    const source = program.getSourceFile(file)
    if (!source) continue
    for (const word of listed(source)) pairs.push([word, file])
    if (!source.text.includes('spokenWord(')) continue
    for (const node of walked(source))
      if (ts.isCallExpression(node) && node.expression.getText(source) === 'spokenWord')
        for (const word of choicesIn(checker, node.arguments[0]!)) if (isWording(word)) pairs.push([word, file])
  }
  return gathered(pairs)
}
