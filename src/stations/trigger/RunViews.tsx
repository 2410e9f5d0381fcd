'use client'

import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import { dayOf } from '@/core/job'
import type { StationProps } from '../station'
import { DayView } from './DayView'
import { RunStage } from './RunStage'

/** Everything about the trigger that a run can tell. */
export function RunViews(props: StationProps) {
  return (
    <Tabs defaultActiveKey="run" id="trigger-views" mountOnEnter unmountOnExit className="mb-2">
      <Tab eventKey="run" title="Ladder and run"><RunStage {...props} /></Tab>
      <Tab eventKey="day" title={`The day: ${dayOf(props.job).name}`}><DayView {...props} /></Tab>
    </Tabs>
  )
}
