'use client'

import dynamic from 'next/dynamic'
import { type Station, stations } from '@/core/fields'
import { Coming, persistently } from '@/ui/persistently'
import type { StationView } from './station'

const loading = () => <Coming height={320} />

/** The nine stations, each in its own folder, loaded when it is first gone to; drawn on the server all the same. */
export const stationViews: Readonly<Record<Station, StationView>> = {
  machine: {
    Stage: dynamic(() => persistently(() => import('./machine')).then((m) => m.machineStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./machine')).then((m) => m.machineStation.Tray), { loading }),
  },
  measure: {
    Stage: dynamic(() => persistently(() => import('./measure')).then((m) => m.measureStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./measure')).then((m) => m.measureStation.Tray), { loading }),
  },
  place: {
    perFan: true,
    Stage: dynamic(() => persistently(() => import('./place')).then((m) => m.placeStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./place')).then((m) => m.placeStation.Tray), { loading }),
  },
  power: {
    Stage: dynamic(() => persistently(() => import('./power')).then((m) => m.powerStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./power')).then((m) => m.powerStation.Tray), { loading }),
  },
  wire: {
    Stage: dynamic(() => persistently(() => import('./wire')).then((m) => m.wireStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./wire')).then((m) => m.wireStation.Tray), { loading }),
  },
  trigger: {
    perFan: true,
    Stage: dynamic(() => persistently(() => import('./trigger')).then((m) => m.triggerStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./trigger')).then((m) => m.triggerStation.Tray), { loading }),
  },
  build: {
    Stage: dynamic(() => persistently(() => import('./build')).then((m) => m.buildStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./build')).then((m) => m.buildStation.Tray), { loading }),
  },
  prove: {
    Stage: dynamic(() => persistently(() => import('./prove')).then((m) => m.proveStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./prove')).then((m) => m.proveStation.Tray), { loading }),
  },
  after: {
    Stage: dynamic(() => persistently(() => import('./after')).then((m) => m.afterStation.Stage), { loading }),
    Tray: dynamic(() => persistently(() => import('./after')).then((m) => m.afterStation.Tray), { loading }),
  },
}

const files: Readonly<Record<Station, () => Promise<unknown>>> = {
  machine: () => import('./machine'),
  measure: () => import('./measure'),
  place: () => import('./place'),
  power: () => import('./power'),
  wire: () => import('./wire'),
  trigger: () => import('./trigger'),
  build: () => import('./build'),
  prove: () => import('./prove'),
  after: () => import('./after'),
}

/** Fetches a station that somebody is about to go to; where it does not come, going there asks again. */
export const fetchStation = (station: Station): void => void files[station]().catch(() => null)

/** How long nobody presses or types before what is not asked for yet is fetched. */
const QUIET_MS = 4000

/**
 * Fetches every station once nobody has pressed or typed for a while and nothing else is to be done, so that going to
 * one finds it there, even if the server is away by then.
 */
export function fetchStations(): void {
  const left = [...stations]
  let quietFrom = performance.now() + QUIET_MS
  const busy = (): void => {
    quietFrom = performance.now() + QUIET_MS
  }
  const input = ['pointerdown', 'keydown'] as const
  for (const kind of input) addEventListener(kind, busy, { capture: true, passive: true })
  const whenIdle = window.requestIdleCallback ?? ((then: () => void) => window.setTimeout(then, 200))
  const next = (): void => {
    const wait = quietFrom - performance.now()
    const station = left[0]
    if (station && wait > 0) setTimeout(next, wait)
    else if (station) void files[station]().then(arrived, away)
    else for (const kind of input) removeEventListener(kind, busy, { capture: true })
  }
  const arrived = (): void => {
    left.shift()
    whenIdle(next)
  }
  // the server is away: whoever goes to a station asks for it
  const away = (): void => {
    left.length = 0
    next()
  }
  next()
}
