'use client'

import { useEffect, useState } from 'react'
import { timeInWords } from '@/ui/days'
import type { SaverState } from './saver'
import { say } from '@/core/words'

/** Says that everything is saved, or where it waits. */
export function SavedMark({ state }: { readonly state: SaverState }) {
  // the time of day is the browser's own, so it is written only there
  const [inBrowser, setInBrowser] = useState(false)
  useEffect(() => setInBrowser(true), [])
  const words = {
    saved: () => (state.kind === 'saved' && inBrowser ? say`saved ${timeInWords(state.at)}` : say`saved`),
    saving: () => say`saving …`,
    stale: () => say`changed elsewhere`,
    waiting: () =>
      state.kind === 'waiting' && state.kept
        ? say`not saved yet: kept in this browser`
        : say`not saved: only on this page`,
    refused: () => say`not saved`,
  }
  const message = state.kind === 'waiting' || state.kind === 'refused' ? state.message : undefined
  return (
    <span role="status" data-state={state.kind} title={message} className={message ? 'verdict-short' : undefined}>
      {words[state.kind]()}
    </span>
  )
}

/** Where what is not saved is meanwhile, and what makes it go out. */
function whereItIs({ kind, kept }: Extract<SaverState, { kept: boolean }>): string {
  if (!kept)
    return say`This browser keeps nothing (its storage is full or forbidden): leave this page open until it is saved.`
  return kind === 'waiting'
    ? say`What you change is kept in this browser and goes out by itself.`
    : say`The last change is kept in this browser; mend it and it goes out.`
}

/** Why something is not saved, and that nothing is lost by it; stands under the masthead as long as it lasts. */
export function SaveTrouble({ state }: { readonly state: SaverState }) {
  if (state.kind !== 'waiting' && state.kind !== 'refused') return null
  return (
    <p className="save-trouble" role="alert">
      {state.message} {whereItIs(state)}
    </p>
  )
}
