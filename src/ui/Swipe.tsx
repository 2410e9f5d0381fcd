'use client'

import type { RefObject } from 'react'
import { useDrag } from '@use-gesture/react'
import { type Station, stations } from '@/core/fields'

/** px that a finger is drawn before it means another station */
const FAR_ENOUGH = 60

/** On a phone a finger drawn along the spine, fast or slow, goes to the next station or the one before. */
export function Swipe({
  on,
  present,
  onGo,
}: {
  readonly on: RefObject<HTMLElement | null>
  readonly present: Station
  readonly onGo: (station: Station) => void
}) {
  useDrag(
    ({ last, canceled, movement: [x] }) => {
      const to = stations[stations.indexOf(present) - Math.sign(x)]
      if (last && !canceled && Math.abs(x) > FAR_ENOUGH && to) onGo(to)
    },
    { axis: 'x', pointer: { touch: true, keys: false }, target: on },
  )
  return null
}
