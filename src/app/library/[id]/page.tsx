import { readFile } from 'node:fs/promises'
import path from 'node:path'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import Table from 'react-bootstrap/Table'
import { answers, questions } from '@/core/library'
import type { Job } from '@/core/job'
import { readJobFile } from '@/formats'
import { readHead, theStore } from '@/store'
import { orTrouble } from '../../trouble'
import { Sideways } from '@/ui/Sideways'
import { say } from '@/core/words'

/** The machine that an answer is worked with where no job was named, or the job has nothing to work it with. */
async function exampleJob(): Promise<Job> {
  const read = readJobFile(await readFile(path.join(process.cwd(), 'examples', 'fell-bike-signed.job.json'), 'utf8'))
  if (!read.ok) throw new Error(read.message)
  return read.job
}

export const dynamic = 'force-dynamic'

/** One question, answered with the figures of the job that it was asked from. */
export default async function LibraryAnswer({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Promise<{ job?: string }>
}) {
  const { id } = await params
  const page = answers.find((p) => p.id === id)
  const asked = questions.find((q) => q.id === id)
  if (!page || !asked) notFound()
  const { job: from } = await searchParams
  return orTrouble(async () => {
    const own = from ? ((await readHead(await theStore(), from))?.job ?? null) : null
    const job = own && page.when(own) ? own : await exampleJob()
    return (
      <main className="message-page library">
        <p>
          <Link href={`/library${from ? `?job=${encodeURIComponent(from)}` : ''}`} prefetch={false}>
            {say`All questions`}
          </Link>{' '}
          {own && (
            <Link href={`/jobs/${encodeURIComponent(from!)}`} prefetch={false}>
              {own.title}
            </Link>
          )}
        </p>
        <h1>{asked.question}</h1>
        <p className="soft small">
          {job === own
            ? say`Worked with the figures of ${job.machine.name}.`
            : say`Worked with an example, ${job.machine.name}${own ? say`: this job has not yet what it takes` : ''}.`}
        </p>
        {page.tell(job).map((t) => (
          <section key={t.heading}>
            <h2>{t.heading}</h2>
            {t.lines.map((l) => (
              <p key={l}>{l}</p>
            ))}
            {t.table && (
              <Sideways>
                <Table size="sm">
                  <thead>
                    <tr>
                      {t.table.columns.map((c) => (
                        <th key={c} scope="col">
                          {c}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {t.table.rows.map((r) => (
                      <tr key={r.join()}>
                        {r.map((cell, i) => (
                          <td key={t.table!.columns[i]} className="figure-text">
                            {cell}
                          </td>
                        ))}
                      </tr>
                    ))}
                  </tbody>
                </Table>
              </Sideways>
            )}
          </section>
        ))}
      </main>
    )
  })
}
