import { machineLife } from '@/core/sheets'
import { Life } from '@/screens/life/Life'
import { jobsOfMachine } from '@/store'
import { jobPage } from '../../../trouble'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }, store) => (
    <Life id={id} machine={job.machine.name} events={machineLife(await jobsOfMachine(store, id))} />
  ))
}
