'use client'

import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import type { StationProps } from '../station'
import { DayView } from './DayView'
import { LogView } from './LogView'
import { MapView } from './MapView'
import { RunStage } from './RunStage'
import { WeatherView } from './WeatherView'

/** Everything about the trigger that a run can tell. */
export function RunViews(props: StationProps) {
  return (
    <Tabs defaultActiveKey="run" id="trigger-views" mountOnEnter unmountOnExit transition={false} className="mb-2">
      <Tab eventKey="run" title="Ladder and run"><RunStage {...props} /></Tab>
      <Tab eventKey="day" title="The day"><DayView {...props} /></Tab>
      <Tab eventKey="map" title="Which setting"><MapView {...props} /></Tab>
      <Tab eventKey="weather" title="Season and height"><WeatherView {...props} /></Tab>
      {props.job.engine && <Tab eventKey="log" title="From a log"><LogView {...props} /></Tab>}
    </Tabs>
  )
}
