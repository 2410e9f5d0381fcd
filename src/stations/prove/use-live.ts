'use client'

import { useEffect, useState } from 'react'
import { follow, type Followed, nothingFollowed, type Sample } from '@/core/build'

export interface Live {
  readonly followed: Followed
  /** 'off': nobody listens; 'away': nothing speaks there, it is asked again by itself */
  readonly state: 'off' | 'waits' | 'here' | 'away'
  /** lines that are none */
  readonly nonsense: number
}

/** lines are drawn together this often, ms */
const DRAWN_EVERY_MS = 250
/** it has stopped speaking where nothing came for so long, ms */
const SILENT_MS = 6000
const nothing: Live = { followed: nothingFollowed, state: 'off', nonsense: 0 }

/** Follows a logger through the server, which asks it again whenever it was away. */
export function useLive(): { readonly live: Live; readonly listen: () => void; readonly stop: () => void } {
  const [live, setLive] = useState<Live>(nothing)
  const [on, setOn] = useState(false)
  useEffect(() => {
    if (!on) return
    const source = new EventSource('/api/live')
    const now = { lines: [] as Sample[], nonsense: 0, state: 'waits' as Live['state'], at: Date.now() }
    const hear = (name: string, act: (data: string) => void): void =>
      source.addEventListener(name, (e) => {
        now.at = Date.now()
        act((e as MessageEvent<string>).data)
      })
    hear('here', () => (now.state = 'here'))
    hear('sample', (data) => {
      now.state = 'here'
      now.lines.push(JSON.parse(data) as Sample)
    })
    hear('nonsense', () => now.nonsense++)
    hear('away', () => (now.state = 'away'))
    source.onerror = () => (now.state = 'away')
    const draw = setInterval(() => {
      const lines = now.lines.splice(0)
      if (now.state === 'here' && Date.now() - now.at > SILENT_MS) now.state = 'away'
      setLive((was) =>
        lines.length || was.state !== now.state || was.nonsense !== now.nonsense
          ? { followed: follow(was.followed, lines), state: now.state, nonsense: now.nonsense }
          : was,
      )
    }, DRAWN_EVERY_MS)
    return () => {
      source.close()
      clearInterval(draw)
    }
  }, [on])
  return {
    live,
    listen: () => {
      setLive({ ...nothing, state: 'waits' })
      setOn(true)
    },
    stop: () => {
      setOn(false)
      setLive((was) => ({ ...was, state: 'off' }))
    },
  }
}
