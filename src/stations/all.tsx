'use client'

import dynamic from 'next/dynamic'
import type { Station } from '@/core/fields'
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

/** Fetches every station once nothing else is to be done, so that going to one finds it there. */
export function fetchStations(): void {
  const all = [
    () => import('./machine'),
    () => import('./measure'),
    () => import('./place'),
    () => import('./power'),
    () => import('./wire'),
    () => import('./trigger'),
    () => import('./build'),
    () => import('./prove'),
    () => import('./after'),
  ]
  const next = (): void => {
    const load = all.shift()
    if (load) void load().then(whenIdle, () => undefined)
  }
  const whenIdle = (): void => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(next)
    else setTimeout(next, 200)
  }
  whenIdle()
}
