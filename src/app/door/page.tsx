import { redirect } from 'next/navigation'
import { DoorScreen } from '@/screens/door/DoorScreen'
import { onNetwork } from '../network'

export const dynamic = 'force-dynamic'

/** where somebody wanted to go: a path of ours and nothing else */
const OWN = /^\/(?!\/)[\w/?=&.-]*$/

export default async function DoorPage({ searchParams }: { readonly searchParams: Promise<{ to?: string }> }) {
  // whoever works at the machine itself needs none
  if (!onNetwork()) redirect('/')
  const { to } = await searchParams
  return <DoorScreen to={typeof to === 'string' && OWN.test(to) ? to : '/'} />
}
