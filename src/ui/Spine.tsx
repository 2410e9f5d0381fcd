'use client'

import type { CSSProperties } from 'react'
import { useDrag } from '@use-gesture/react'
import { type Station, stationNames, stations } from '@/core/fields'
import { say } from '@/core/words'

export interface SpineEntry {
  readonly done: number
  readonly total: number
  readonly left: string
  readonly short: boolean
}

/** px that a finger is drawn before it means another station */
const FAR_ENOUGH = 60

/**
 * The nine stations in working order, each with how far it is filled and a notch where a margin of its own is short.
 */
export function Spine({
  entries,
  present,
  onGo,
}: {
  readonly entries: Readonly<Record<Station, SpineEntry>>
  readonly present: Station
  readonly onGo: (station: Station) => void
}) {
  // on a phone a finger drawn along the spine, fast or slow, goes to the next station or the one before
  const swipe = useDrag(
    ({ last, canceled, movement: [x] }) => {
      const to = stations[stations.indexOf(present) - Math.sign(x)]
      if (last && !canceled && Math.abs(x) > FAR_ENOUGH && to) onGo(to)
    },
    { axis: 'x', pointer: { touch: true, keys: false } },
  )
  return (
    <nav className="spine" aria-label={say`Stations`} {...swipe()}>
      <ol>
        {stations.map((s, i) => {
          const { done, total, left, short } = entries[s]
          const share = total ? Math.round((100 * done) / total) : 0
          return (
            <li key={s}>
              <button
                type="button"
                aria-current={s === present ? 'step' : undefined}
                onClick={() => onGo(s)}
                style={{ '--filled': `${share}%` } as CSSProperties}
              >
                <span className="gutter" aria-hidden="true">
                  <s style={{ height: `${share}%` }} />
                </span>
                <span className="key">{`${i + 1} `}</span>
                <b>
                  {' '}
                  {stationNames[s]}
                  <span className="visually-hidden">
                    {' '}
                    {say`${done} of ${total}${short ? say`, a margin is short` : ''}.`}
                  </span>
                </b>
                <i>{left || say`${done} of ${total}`}</i>
                {short && <span className="notch" aria-hidden="true" />}
              </button>
            </li>
          )
        })}
      </ol>
      <span className="present" aria-hidden="true">
        {stations.indexOf(present) + 1} · {stationNames[present]}
      </span>
    </nav>
  )
}
