import { DoorScreen } from '@/screens/door/DoorScreen'

export const dynamic = 'force-dynamic'

/** where somebody wanted to go: a path of ours and nothing else */
const OWN = /^\/(?!\/)[\w/?=&.-]*$/

export default async function DoorPage({ searchParams }: { readonly searchParams: Promise<{ to?: string }> }) {
  const { to } = await searchParams
  return <DoorScreen to={typeof to === 'string' && OWN.test(to) ? to : '/'} />
}
