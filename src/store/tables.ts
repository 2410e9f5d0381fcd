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
  }
  /** append-only; `save_key` lets a save be sent twice without being made twice */
  revisions: { job_id: string; number: number; made_at: string; based_on: number; save_key: string; document: string }
  /** what was signed, as it was shown then */
  seals: {
    job_id: string
    revision: number
    signed_at: string
    signed_by: string
    core_version: string
    evaluation: string
    sheet: string
  }
  /** what a job's runs came to, for the state of it that `run_key` names */
  runs: { job_id: string; run_key: string; findings: string }
  /** pictures beside a job, JPEG */
  photos: { id: string; job_id: string; made_at: string; bytes: Uint8Array }
  /** how a day at the bench was laid out by hand */
  day_plans: { day: string; plan: string }
  parts: { id: string; kind: string; name: string; document: string; retired_at: string | null }
}
