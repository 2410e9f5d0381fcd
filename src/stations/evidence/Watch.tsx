'use client'

import { useEffect, useState } from 'react'
import Button from 'react-bootstrap/Button'
import { useKept } from './use-kept'
import { say } from '@/core/words'

const two = (n: number): string => String(n).padStart(2, '0')
const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${two(Math.floor(seconds % 60))}`

/**
 * A watch that goes on while the phone sleeps and the page is closed: it keeps the moment at which it was started.
 * @param onStop the seconds that it ran
 */
export function Watch({ onStop, now }: { readonly onStop: (seconds: number) => void; readonly now: () => Date }) {
  const [started, keep] = useKept('watch')
  const [, tick] = useState(0)
  useEffect(() => {
    if (started === null) return undefined
    const timer = setInterval(() => tick((n) => n + 1), 500)
    return () => clearInterval(timer)
  }, [started])
  const from = started === null ? Number.NaN : Date.parse(started)
  const runs = Number.isFinite(from)
  const seconds = runs ? Math.max(0, (now().getTime() - from) / 1000) : 0
  return (
    <div className="stopwatch">
      <span role="timer" aria-label={say`Watch`} className="figure-text">
        {clock(seconds)}
      </span>
      {runs ? (
        <>
          <Button
            onClick={() => {
              keep(null)
              onStop(Math.max(1, Math.round(seconds)))
            }}
          >
            {say`Stop the watch`}
          </Button>
          <Button variant="outline-dark" onClick={() => keep(null)}>
            {say`Back to nothing`}
          </Button>
        </>
      ) : (
        <Button variant="outline-dark" onClick={() => keep(now().toISOString())}>
          {say`Start the watch`}
        </Button>
      )}
    </div>
  )
}
