import { z } from 'zod'
import { jsonOr } from './json-or'
import { patiently, type Store } from './patience'
import { languages, type LanguageTag, say } from '../core/words'

/** What the workshop says of itself, once for all its jobs. */
export const workshopSchema = z.strictObject({
  name: z.string().trim().min(1).max(60),
  units: z.enum(['metric', 'imperial']),
  /** height above the sea of where most machines work, m; null: asked each time */
  heightM: z.number().min(-430).max(5500).nullable(),
  currency: z.string().max(8),
  perHour: z.number().min(0).max(1e6).nullable(),
  /** what everybody here reads; settings of before there was a choice are in English */
  language: z.enum(Object.keys(languages) as [LanguageTag, ...LanguageTag[]]).default('en'),
})

export type Workshop = z.infer<typeof workshopSchema>

/** A workshop of which nothing was said yet. */
export const newWorkshop: Workshop = {
  name: say`The yard`,
  units: 'metric',
  heightM: null,
  currency: '',
  perHour: null,
  language: 'en',
}

const NAME = 'workshop'

/** The workshop's settings; what cannot be read is as if nobody had said it. */
export const readWorkshop = ({ db, file }: Store): Promise<Workshop> =>
  patiently(file, async () => {
    const row = await db.selectFrom('settings').select('value').where('name', '=', NAME).executeTakeFirst()
    const read = workshopSchema.safeParse(jsonOr(row?.value ?? null, null))
    return read.success ? read.data : newWorkshop
  })

export const keepWorkshop = ({ db, file }: Store, workshop: Workshop): Promise<void> =>
  patiently(file, async () => {
    const value = JSON.stringify(workshop)
    await db
      .insertInto('settings')
      .values({ name: NAME, value })
      .onConflict((c) => c.column('name').doUpdateSet({ value }))
      .execute()
  })
