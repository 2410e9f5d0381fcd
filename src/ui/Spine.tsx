'use client'

import { type CSSProperties, useRef } from 'react'
import dynamic from 'next/dynamic'
import { type Station, stationNames, stations } from '@/core/fields'
import { say } from '@/core/words'
import { persistently } from './persistently'

const Swipe = dynamic(() => persistently(() => import('./Swipe')).then((m) => m.Swipe), { ssr: false })

export interface SpineEntry {
  readonly done: number
  readonly total: number
  readonly left: string
  readonly short: boolean
}

/**
 * The nine stations in working order, each with how far it is filled and a notch where a margin of its own is short.
 * @param onNear  somebody points at one, or has come to it by keys
 */
export function Spine({
  entries,
  present,
  onGo,
  onNear,
}: {
  readonly entries: Readonly<Record<Station, SpineEntry>>
  readonly present: Station
  readonly onGo: (station: Station) => void
  readonly onNear: (station: Station) => void
}) {
  const nav = useRef<HTMLElement>(null)
  return (
    <nav className="spine" aria-label={say`Stations`} ref={nav}>
      <Swipe on={nav} present={present} onGo={onGo} />
      <ol>
        {stations.map((s, i) => {
          const { done, total, left, short } = entries[s]
          const share = total ? Math.round((100 * done) / total) : 0
          return (
            <li key={s}>
              <button
                type="button"
                aria-current={s === present ? 'step' : undefined}
                onPointerEnter={() => onNear(s)}
                onFocus={() => onNear(s)}
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
