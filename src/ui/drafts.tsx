'use client'

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react'

/** What was typed and is not understood yet, by field: it outlives a change of station and a reload of the tab. */
interface Drafts {
  readonly all: Readonly<Record<string, string>>
  readonly set: (field: string, text: string | null) => void
}

const DraftContext = createContext<Drafts>({ all: {}, set: () => undefined })

function readStored(key: string): Record<string, string> {
  try {
    const stored: unknown = JSON.parse(sessionStorage.getItem(key) ?? '{}')
    if (typeof stored !== 'object' || stored === null) return {}
    return Object.fromEntries(Object.entries(stored).filter((e): e is [string, string] => typeof e[1] === 'string'))
  } catch {
    return {}
  }
}

function store(key: string, drafts: Readonly<Record<string, string>>): void {
  try {
    sessionStorage.setItem(key, JSON.stringify(drafts))
  } catch {
    // full or forbidden: what is typed stays on the page all the same
  }
}

export function DraftProvider({ job, children }: { readonly job: string; readonly children: ReactNode }) {
  const key = `pyraxis-drafts-${job}`
  const [all, setAll] = useState<Record<string, string>>({})
  // the server knows no drafts: they come in after the first picture, under whatever was typed since
  useEffect(() => setAll((typed) => ({ ...readStored(key), ...typed })), [key])
  const set = useCallback(
    (field: string, text: string | null) => {
      setAll((before) => {
        const rest = Object.fromEntries(Object.entries(before).filter(([name]) => name !== field))
        const after = text === null ? rest : { ...rest, [field]: text }
        store(key, after)
        return after
      })
    },
    [key],
  )
  const value = useMemo(() => ({ all, set }), [all, set])
  return <DraftContext.Provider value={value}>{children}</DraftContext.Provider>
}

export function useDraft(field: string): [string | null, (text: string | null) => void] {
  const { all, set } = useContext(DraftContext)
  return [all[field] ?? null, useCallback((text: string | null) => set(field, text), [field, set])]
}
