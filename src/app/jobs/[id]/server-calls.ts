import { type Result } from '@/core/units'
import { z } from 'zod'
import { type Job, jobSchema } from '@/core/job'
import type { Findings } from '@/core/margins'
import type { PendingSave, SaveAnswer } from '@/stations/job-screen/saver'
import type { Opened } from '@/stations/job-screen/use-job-document'
import { unreached, unsigned } from './unreached'

const openedSchema = z.object({ id: z.string(), revision: z.number(), savedAt: z.string(), job: jobSchema })
const answerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('saved'), revision: z.number(), savedAt: z.string() }),
  z.object({ kind: z.literal('stale'), theirs: openedSchema }),
  z.object({ kind: z.literal('refused'), message: z.string() }),
  z.object({ kind: z.literal('later'), message: z.string() }),
])
const signAnswerSchema = z.union([
  z.object({ ok: z.literal(true), opened: openedSchema }),
  z.object({ ok: z.literal(false), message: z.string() }),
])

async function post(path: string, body: unknown): Promise<unknown> {
  const answer = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  return answer.json()
}

/** One settled change to the server; whatever goes wrong on the way is an answer, never an exception. */
export async function saveJob(id: string, { from, key, job }: PendingSave): Promise<SaveAnswer> {
  try {
    const parsed = answerSchema.safeParse(
      await post(`/api/jobs/${encodeURIComponent(id)}/revisions`, { from, key, job }),
    )
    return parsed.success ? parsed.data : { kind: 'later', message: unreached }
  } catch {
    return { kind: 'later', message: unreached }
  }
}

/** One revision of a job as it was; null where it cannot be had. */
export async function loadRevision(id: string, number: number): Promise<Job | null> {
  try {
    const parsed = z
      .object({ job: jobSchema })
      .safeParse(await (await fetch(`/api/jobs/${encodeURIComponent(id)}/revisions/${number}`)).json())
    return parsed.success ? parsed.data.job : null
  } catch {
    return null
  }
}

/** Signs the revision `from`, if it is still the newest. */
export async function signJob(id: string, from: number, by: string): Promise<Result<{ opened: Opened }>> {
  try {
    const parsed = signAnswerSchema.safeParse(await post(`/api/jobs/${encodeURIComponent(id)}/sign`, { from, by }))
    return parsed.success ? parsed.data : { ok: false, message: unreached }
  } catch {
    return { ok: false, message: unsigned }
  }
}

/** Keeps what a job's runs came to, for yard, sheet and signature; where that fails they tell rules of thumb. */
export async function keepRun(id: string, findings: Findings): Promise<void> {
  await fetch(`/api/jobs/${encodeURIComponent(id)}/run`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(findings),
  }).catch(() => null)
}
