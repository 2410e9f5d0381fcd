import type { MachineKind } from '@/core/job/choices'

/** How the yard is looked at; each of it stands in the address. */
export interface Looking {
  readonly show: 'all' | 'open' | 'signed' | 'ended' | 'archived' | 'deleted'
  readonly sort: 'promise' | 'worst' | 'due' | 'machine' | 'owner' | 'newest'
  readonly kind: MachineKind | null
  readonly text: string
  /** the first line shown */
  readonly from: number
}

/** The address of a view; what is as usual is left out of it. */
export function addressOf({ show, sort, kind, text, from }: Looking): string {
  const asked = new URLSearchParams()
  if (show !== 'all') asked.set('show', show)
  if (sort !== 'promise') asked.set('sort', sort)
  if (kind !== null) asked.set('kind', kind)
  if (text) asked.set('text', text)
  if (from > 0) asked.set('from', String(from))
  return asked.size ? `/?${asked.toString()}` : '/'
}
