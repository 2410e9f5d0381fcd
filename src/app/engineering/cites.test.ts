import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'

const ROOT = path.join(__dirname, '..', '..', '..')
const read = (file: string): string => readFileSync(path.join(ROOT, file), 'utf8')
const below = (folder: string): string[] =>
  readdirSync(path.join(ROOT, folder), { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? below(path.join(folder, e.name)) : [path.join(folder, e.name)],
  )

const headings = [...read('docs/engineering.md').matchAll(/^#{2,3} (\d+(?:\.\d+)?) /gm)].map((m) => m[1]!)
const cited = new Map<string, string>()
for (const file of below('src').filter((f) => /\.tsx?$/.test(f) && !/\.test\.ts$/.test(f)))
  for (const [, number] of read(file).matchAll(/§(\d+(?:\.\d+)?)/g)) cited.set(number!, file)

test('every section that the code cites stands in docs/engineering.md, and every one that stands there is cited', () => {
  expect([...cited].filter(([number]) => !headings.includes(number))).toEqual([])
  // a chapter is cited through its sections
  const chapters = new Set(headings.filter((h) => headings.some((o) => o.startsWith(`${h}.`))))
  expect(headings.filter((h) => !chapters.has(h) && !cited.has(h))).toEqual([])
  expect(new Set(headings).size).toBe(headings.length)
})
