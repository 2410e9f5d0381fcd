'use client'

import { firstCircuit } from '@/core/fan-circuit'
import { memo, useDeferredValue } from 'react'
import { usePathname } from 'next/navigation'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import type { StationProps, StationView } from '../station'
import { CircuitView } from './CircuitView'
import { CutListView } from './CutListView'
import { FindWire } from './FindWire'
import { Harness } from './Harness'
import { Pins } from './Pins'
import { Route } from './Route'
import { BreakerOrFuse, Fuses, Sizes } from './Sizes'
import { Tray } from './Tray'
import { Ways } from './Ways'
import { say } from '@/core/words'

const [Circuit, Cut] = [memo(CircuitView), memo(CutListView)]

function Stage({ job, shelf, settle }: StationProps) {
  // the margins follow every key; the circuit, its table and the cut list when there is time
  const calm = useDeferredValue(job)
  const { edits, unknowns } = job.wiring
  const files = `/api${usePathname()}`
  return (
    <Tabs defaultActiveKey="circuit" id="wire-views" mountOnEnter unmountOnExit className="mb-3">
      <Tab eventKey="circuit" title={say`Circuit`}>
        <Circuit job={calm} files={files} />
      </Tab>
      <Tab eventKey="ways" title={say`Ways to wire it`}>
        <Ways job={calm} shelf={shelf} settle={settle} />
      </Tab>
      <Tab eventKey="sizes" title={say`Sizes and fuse`}>
        {job.runs.map((run, n) => (
          <section
            key={run.id}
            className="mb-3"
            aria-label={job.runs.length > 1 ? say`Fan ${n + 1}` : say`Sizes and fuse`}
          >
            <Sizes job={job} settle={settle} n={n} />
            {(n === 0 || run.fuse === null || run.fuse !== firstCircuit(job).run.fuse) && (
              <>
                <Fuses job={job} settle={settle} n={n} />
                <BreakerOrFuse job={job} shelf={shelf} n={n} />
              </>
            )}
          </section>
        ))}
        <p className="say say-short">
          {say`Fuse before load. Battery first off and last on; keep the positive covered.`}
        </p>
      </Tab>
      <Tab eventKey="cut" title={say`Cut list`}>
        <Cut job={calm} shelf={shelf} settle={settle} />
        <p className="mt-3">
          <a href={`${files}/cut-list.csv`}>{say`Cut list as CSV`}</a>
        </p>
      </Tab>
      <Tab eventKey="harness" title={edits.length ? say`Harness (${edits.length})` : say`Harness`}>
        <Harness job={job} shelf={shelf} settle={settle} />
      </Tab>
      <Tab eventKey="pins" title={say`Pins`}>
        <Pins job={calm} settle={settle} />
      </Tab>
      <Tab eventKey="route" title={say`Way and joints`}>
        <Route job={job} settle={settle} />
      </Tab>
      <Tab eventKey="find" title={unknowns.length ? say`Unknown wires (${unknowns.length})` : say`Unknown wires`}>
        <FindWire job={job} settle={settle} />
      </Tab>
    </Tabs>
  )
}

export const wireStation: StationView = { Stage, Tray }
