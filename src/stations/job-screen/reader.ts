import type { Job } from '@/core/job'
import { persistently } from '@/ui/persistently'
import type * as Reading from './reading'

type Reader = typeof Reading
let come: Reader | null = null

/**
 * What reads documents, with all its schemas: loaded behind the page, which draws without it. Building the schemas is a
 * fifth of what a page would have to do first.
 */
export const fetchReader = async (): Promise<Reader> => (come ??= await persistently(() => import('./reading')))

/**
 * Why a job cannot stand as it is, in words; null where it can, and for the moment before the reader has come: then the
 * server says so, and what it refuses waits beside the job.
 */
export const refusalOf = (job: Job): string | null => come?.refusalOf(job) ?? null
