import { readFile } from 'node:fs/promises'
import path from 'node:path'
import { Marked } from 'marked'
import Link from 'next/link'
import { say } from '@/core/words'

/** "1.4" as the end of an address: #s1.4 */
const anchors = new Marked({
  renderer: {
    heading({ tokens, depth }) {
      const words = this.parser.parseInline(tokens)
      const number = /^(\d+(?:\.\d+)?) /.exec(words)?.[1]
      return `<h${depth}${number ? ` id="s${number}"` : ''}>${words}</h${depth}>\n`
    },
  },
})

/** The arithmetic, as it stands in docs/engineering.md: what "§1.4" beside a working leads to. */
export default async function EngineeringPage() {
  const text = await readFile(path.join(process.cwd(), 'docs', 'engineering.md'), 'utf8')
  return (
    <main className="message-page engineering">
      <p>
        <Link href="/" prefetch={false}>
          {say`Yard`}
        </Link>
      </p>
      <div dangerouslySetInnerHTML={{ __html: await anchors.parse(text) }} />
    </main>
  )
}
