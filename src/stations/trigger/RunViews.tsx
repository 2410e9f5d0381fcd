'use client'

import { Coming, persistently } from '@/ui/persistently'
import dynamic from 'next/dynamic'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import type { StationProps } from '../station'
import { RunStage } from './RunStage'
import { say } from '@/core/words'

// each is fetched when it is first looked at
const DayView = dynamic(() => persistently(() => import('./DayView')).then((m) => m.DayView), {
  ssr: false,
  loading: () => <Coming />,
})
const MapView = dynamic(() => persistently(() => import('./MapView')).then((m) => m.MapView), {
  ssr: false,
  loading: () => <Coming />,
})
const WeatherView = dynamic(() => persistently(() => import('./WeatherView')).then((m) => m.WeatherView), {
  ssr: false,
  loading: () => <Coming />,
})
const LogView = dynamic(() => persistently(() => import('./LogView')).then((m) => m.LogView), {
  ssr: false,
  loading: () => <Coming />,
})

const EvidenceStrip = dynamic(
  () => persistently(() => import('../evidence/EvidenceStrip')).then((m) => m.EvidenceStrip),
  { ssr: false, loading: () => <Coming /> },
)

/** Everything about the trigger that a run can tell. */
export function RunViews(props: StationProps) {
  return (
    <Tabs defaultActiveKey="run" id="trigger-views" mountOnEnter unmountOnExit transition={false} className="mb-2">
      <Tab eventKey="run" title={say`Ladder and run`}>
        <RunStage {...props} />
      </Tab>
      <Tab eventKey="day" title={say`The day`}>
        <DayView {...props} />
      </Tab>
      <Tab eventKey="map" title={say`Which setting`}>
        <MapView {...props} />
      </Tab>
      <Tab eventKey="weather" title={say`Season and height`}>
        <WeatherView {...props} />
      </Tab>
      <Tab eventKey="seen" title={say`What was seen`}>
        <EvidenceStrip {...props} />
      </Tab>
      {props.job.engine && (
        <Tab eventKey="log" title={say`From a log`}>
          <LogView {...props} />
        </Tab>
      )}
    </Tabs>
  )
}
