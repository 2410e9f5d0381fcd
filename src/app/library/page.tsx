import Link from 'next/link'
import { questions } from '@/core/library/questions'
import { say } from '@/core/words'

/** Questions that come up again and again, each answered once with live figures. */
export default async function LibraryList({ searchParams }: { readonly searchParams: Promise<{ job?: string }> }) {
  const { job } = await searchParams
  const with_ = job ? `?job=${encodeURIComponent(job)}` : ''
  return (
    <main className="message-page library">
      <p>
        <Link href="/" prefetch={false}>
          {say`Yard`}
        </Link>{' '}
        <Link href="/practice" prefetch={false}>
          {say`Practice`}
        </Link>
      </p>
      <h1>{say`Questions that come up again`}</h1>
      <ul className="plain-list">
        {questions.map((p) => (
          <li key={p.id}>
            <Link href={`/library/${p.id}${with_}`} prefetch={false} className="own-line">
              {p.question}
            </Link>
          </li>
        ))}
      </ul>
    </main>
  )
}
