import { redirect } from 'next/navigation'
import { z } from 'zod'
import { machineKinds, typicalMachines } from '@/core/job'
import { now, readWorkshop, readYard, theStore } from '@/store'
import { onNetwork } from './network'
import { orTrouble } from './trouble'
import { Yard } from '@/screens/yard/Yard'
import { addressOf } from '@/screens/yard/address'
import { calendarDay } from '@/core/units'

export const dynamic = 'force-dynamic'

const PAGE = 50

/** what stands in the address; anything else there is as if it did not */
const lookingSchema = z.object({
  show: z.enum(['all', 'open', 'signed', 'ended', 'archived', 'deleted']).catch('all'),
  sort: z.enum(['promise', 'worst', 'due', 'machine', 'owner', 'newest']).catch('promise'),
  kind: z.enum(machineKinds).nullable().catch(null),
  text: z.string().max(80).catch(''),
  from: z.coerce.number().int().min(0).catch(0),
})

export default async function YardPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  return orTrouble(async () => {
    const store = await theStore()
    const today = calendarDay(now().toISOString())
    const looking = lookingSchema.parse(await searchParams)
    const { entries, total, open, due, dueInAll, promised } = await readYard(store, today, looking.from, PAGE, looking)
    if (looking.from > 0 && entries.length === 0) redirect(addressOf({ ...looking, from: 0 }))
    const { name, units, heightM } = await readWorkshop(store)
    return (
      <Yard
        lines={entries}
        today={today}
        workshop={{ name, units, heightM }}
        open={open}
        total={total}
        looking={looking}
        kinds={machineKinds.map((kind) => ({ kind, name: typicalMachines[kind].name }))}
        page={PAGE}
        network={onNetwork()}
        dueInAll={dueInAll}
        due={due.flatMap(({ id, title, what }) => what.map((one) => ({ id, title, what: one })))}
        promised={promised}
      />
    )
  })
}
