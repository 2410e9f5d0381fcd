'use client'

import { format } from 'date-fns'
import { useEffect, useState } from 'react'
import type { SaverState } from './saver'

/** Says that everything is saved, or where it waits. */
export function SavedMark({ state }: { readonly state: SaverState }) {
  // the time of day is the browser's own, so it is written only there
  const [inBrowser, setInBrowser] = useState(false)
  useEffect(() => setInBrowser(true), [])
  const words = {
    saved: () => (state.kind === 'saved' && inBrowser ? `saved ${format(new Date(state.at), 'HH:mm')}` : 'saved'),
    saving: () => 'saving …', stale: () => 'changed elsewhere',
    waiting: () => 'not saved yet: kept in this browser', refused: () => 'not saved',
  }
  const message = state.kind === 'waiting' || state.kind === 'refused' ? state.message : undefined
  return <span role="status" data-state={state.kind} title={message} className={message ? 'verdict-short' : undefined}>{words[state.kind]()}{state.kind === 'refused' ? `: ${state.message}` : ''}</span>
}
