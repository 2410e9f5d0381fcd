import { readFile } from 'node:fs/promises'
import path from 'node:path'
import { readJobFile } from '@/formats'
import { Practice } from '@/screens/practice/Practice'

/** The machines that rounds are played on: they ship with the application. */
const machines = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer']

export const dynamic = 'force-dynamic'

export default async function PracticePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ seed?: string; level?: string }>
}) {
  const jobs = await Promise.all(
    machines.map(async (name) =>
      readJobFile(await readFile(path.join(process.cwd(), 'examples', `${name}.job.json`), 'utf8')),
    ),
  )
  const { seed, level } = await searchParams
  return (
    <Practice
      jobs={jobs.flatMap((j) => (j.ok ? [j.job] : []))}
      asked={{ seed: (seed ?? '').slice(0, 40), level: (level ?? '').slice(0, 40) }}
    />
  )
}
