import { redirect } from 'next/navigation'
import { listMachines, now, readYard, theStore } from '@/store'
import { orTrouble } from './trouble'
import { Yard } from '@/screens/yard/Yard'

export const dynamic = 'force-dynamic'

const PAGE = 50

export default async function YardPage({ searchParams }: { readonly searchParams: Promise<{ from?: string }> }) {
  return orTrouble(async () => {
    const store = await theStore()
    const today = now().toISOString().slice(0, 10)
    const asked = Number((await searchParams).from)
    const from = Number.isInteger(asked) && asked > 0 ? asked : 0
    const { entries, total, open, due, promised } = await readYard(store, today, from, PAGE)
    if (from > 0 && entries.length === 0) redirect('/')
    return (
      <Yard
        lines={entries}
        today={today}
        open={open}
        total={total}
        from={from}
        page={PAGE}
        machines={(await listMachines(store)).map((m) => m.name)}
        due={due.flatMap(({ id, title, what }) => what.map((one) => ({ id, title, what: one })))}
        promised={promised}
      />
    )
  })
}
