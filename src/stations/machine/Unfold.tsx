'use client'

import { useDraft } from '@/ui/drafts'

/** Choices that are called by their own words. */
export const same = <const V extends string>(values: readonly V[]): { value: V; name: V }[] =>
  values.map((value) => ({ value, name: value }))

/** A part of the machine's story that unfolds; what it comes to stands in its heading. */
export function Unfold({
  title,
  says,
  open,
  children,
}: {
  readonly title: string
  readonly says: string
  readonly open?: boolean
  readonly children: React.ReactNode
}) {
  return (
    <details className="unfold" open={open}>
      <summary>
        <strong>{title}</strong> <span className="soft">{says}</span>
      </summary>
      <div className="pb-3">{children}</div>
    </details>
  )
}

/** Text that is not settled yet: it outlives a change of station and a reload. */
export function useText(field: string): [string, (text: string) => void] {
  const [draft, setDraft] = useDraft(field)
  return [draft ?? '', (text) => setDraft(text === '' ? null : text)]
}
