import type { Kept } from './packing'

/** The tables as they are after every migration. JSON columns hold documents parsed by Zod when read. */
export interface Tables {
  machines: { id: string; name: string; kind: string; owner: string; created_at: string }
  jobs: {
    id: string
    machine_id: string
    created_at: string
    head: number
    /** the job's line of the yard at its newest revision, worked out by the core named; null until that is done */
    title: string | null
    closed: number
    promise: string
    due: string | null
    summary: string | null
    summary_core: string | null
    /** 0: in the yard, 1: archived, 2: deleted and to be had back for a while; and since when */
    put_away: number
    put_away_at: string | null
    /** how far the worst margin stands above its line, on the rail; null: none is known */
    worst: number | null
    state: 'open' | 'signed' | 'ended' | null
    /** what the machine is called by its maker, lower case; and what is fitted to it, as JSON; null: not worked out */
    model: string | null
    kit: string | null
  }
  /** append-only; `save_key` lets a save be sent twice without being made twice */
  revisions: {
    job_id: string
    number: number
    made_at: string
    based_on: number
    save_key: string
    /** packed since version 6 of the file; as text before */
    document: Kept
    /** the revision of the same job that a difference is kept against */
    whole_at: number | null
  }
  /** revisions with their documents unpacked: only to be read, and only on a connection of ours */
  documents: {
    job_id: string
    number: number
    made_at: string
    based_on: number
    save_key: string
    document: string
  }
  /** what was signed, as it was shown then */
  seals: {
    job_id: string
    revision: number
    signed_at: string
    signed_by: string
    core_version: string
    evaluation: Kept
    sheet: Kept
  }
  /** what a job's runs came to, for the state of it that `run_key` names */
  runs: { job_id: string; run_key: string; findings: Kept }
  /** pictures beside a job, JPEG */
  photos: { id: string; job_id: string; made_at: string; bytes: Uint8Array }
  /** how a day at the bench was laid out by hand */
  day_plans: { day: string; plan: string }
  parts: { id: string; kind: string; name: string; document: string; retired_at: string | null }
  /** the workshop's own: each a JSON value by its name */
  settings: { name: string; value: string }
  /** files of jobs that were taken, by the key that came with them, and what was answered */
  brought_in: { key: string; at: string; outcome: string }
}
