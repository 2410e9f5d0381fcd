'use client'

import { useDeferredValue, useMemo, useRef, useState } from 'react'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { frontView, sectionView } from '@/core/drawing'
import { stations } from '@/core/fields'
import {
  changeBay,
  changeCooling,
  changeFlywheel,
  changeObstacle,
  fieldsAt,
  type Job,
  jobKinds,
  type Obstacle,
} from '@/core/job'
import { firmsUp } from '@/core/margins'
import { holeMove } from '@/core/placing'
import { stationNames } from '@/core/fields'
import { typical } from '@/core/reading'
import { format } from '@/core/units'
import { DrawingView, type Moved } from '@/ui/DrawingView'
import { Near } from './Near'
import { Panels } from './Panels'
import { ChoiceField, UnsaidField, YesNoField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { say } from '@/core/words'

/** The bay as a box with what lets air in and out. */
function BayBox({ job, bay }: Pick<StationProps, 'job'> & { readonly bay: NonNullable<Job['bay']> }) {
  const u = job.units
  return (
    <svg
      className="words-grow"
      viewBox="0 0 620 330"
      width="100%"
      style={{ maxWidth: 640 }}
      role="img"
      aria-label={say`Bay of ${format(bay.spaceM3.value, 'space', u)}; vents in
        ${format(bay.ventInM2.value, 'opening', u)}, out ${format(bay.ventOutM2.value, 'opening', u)},
        ${format(bay.ventHeightM.value, 'length', u)} apart in height`}
    >
      <path d="M150 40 H470 V90 M470 140 V290 H150 V250 M150 200 V40" fill="none" stroke="var(--ink)" strokeWidth={2} />
      <path d="M110 225 h64 m-10 -6 l10 6 l-10 6" stroke="var(--cold)" fill="none" strokeWidth={2} />
      <path d="M446 115 h64 m-10 -6 l10 6 l-10 6" stroke="var(--warm)" fill="none" strokeWidth={2} />
      <path d="M540 115 V225 M535 119 l10 -8 M535 229 l10 -8" stroke="var(--ink)" fill="none" />
      <text x={100} y={222} textAnchor="end" fontSize={13}>
        {say`in`}
      </text>
      <text className="figure-text" x={100} y={240} textAnchor="end" fontSize={13}>
        {format(bay.ventInM2.value, 'opening', u)}
      </text>
      <text x={518} y={100} fontSize={13}>
        {say`out`}
      </text>
      <text className="figure-text" x={518} y={84} fontSize={13}>
        {format(bay.ventOutM2.value, 'opening', u)}
      </text>
      <text className="figure-text" x={552} y={176} fontSize={13}>
        {format(bay.ventHeightM.value, 'length', u)}
      </text>
      <text className="figure-text" x={310} y={165} textAnchor="middle" fontSize={15}>
        {format(bay.spaceM3.value, 'space', u)}
      </text>
      <text x={310} y={188} textAnchor="middle" fontSize={13}>
        {say`may get ${format(bay.allowedC.value, 'temperature', u)} hot`}
      </text>
    </svg>
  )
}

/** What a thicker core changes besides its thickness. */
function NewCoreWords({ job }: Pick<StationProps, 'job'>) {
  const moved = holeMove(job)
  if (moved === null) return null
  return (
    <p className="say">
      {Math.abs(moved) < 0.0005
        ? say`The pins come where the old ones are: no hole moves.`
        : say`The pins come ${format(Math.abs(moved), 'length', job.units)} further ${
            moved > 0 ? say`from` : say`towards`
          } the front face: move the holes by that much.`}{' '}
      {say`Hose and shroud gaps are held against the new thickness under Fit.`}
    </p>
  )
}

/** The sheet to take to the machine: its address hangs on the job's own. */
function SheetLink() {
  const path = usePathname()
  return (
    <p>
      <Link href={`${path}/measuring`} prefetch={false} className="own-line">
        {say`Measuring sheet to take to the machine`}
      </Link>
    </p>
  )
}

const MM = 1e-3
/** where something was dragged to is a guess until a tape is held to it, m */
const BY_EYE = 0.005

/** The core with what is near it, to scale; what is near can be dragged to about where it is. */
function CoreWithNear({ job, settle, preview }: Pick<StationProps, 'job' | 'settle' | 'preview'>) {
  const start = useRef<Obstacle | null>(null)
  const [front, section] = [frontView(job), sectionView(job)]
  if (!front || !section) return null
  const movable = Object.fromEntries(job.place.obstacles.map((o) => [`near ${o.id}`, { name: o.name }]))
  const move: Moved = (handle, dx, dy, { first, last }) => {
    const id = handle.replace('near ', '')
    const from = first ? job.place.obstacles.find((o) => o.id === id) : start.current
    if (!from) return
    start.current = last ? null : from
    const to = (v: number, d: number) =>
      typical(Math.round(Math.min(2.9, Math.max(-1.9, v + d * MM)) * 1e4) / 1e4, BY_EYE)
    const change = (j: Job): Job =>
      changeObstacle(j, id, { fromLeftM: to(from.fromLeftM.value, dx), fromTopM: to(from.fromTopM.value, dy) })
    if (last) settle(change)
    else preview(change)
  }
  return (
    <div className="two-drawings">
      <DrawingView drawing={front} movable={movable} onMove={move} />
      <DrawingView drawing={section} />
    </div>
  )
}

function Stage(props: StationProps) {
  const { job } = props
  const mountsFan = jobKinds[job.kind].mountsFan
  if (job.bay) {
    return (
      <>
        <h2>{say`The space, and what lets air in and out`}</h2>
        {mountsFan ? (
          <BayBox job={job} bay={job.bay} />
        ) : (
          <p className="say">{say`Only how hot it may get counts here; the fan and its vents stay as they are.`}</p>
        )}
        <p className="say">
          {say`Free area, not the frame’s: a coarse grille leaves about two thirds of its opening. Take the free depth
            where the fan would sit, with doors and covers shut.`}
        </p>
        {mountsFan && <Panels {...props} />}
        <SheetLink />
      </>
    )
  }
  return (
    <>
      <h2>{mountsFan ? say`The core, and what is near it` : say`The coolant`}</h2>
      {mountsFan && job.cooling && <CoreWithNear {...props} />}
      <NewCoreWords job={job} />
      <p className="say">
        {mountsFan &&
          say`Measure free depth at the tightest point, with the steering at both locks and the suspension pressed
            down. `}
        {say`The engine thermostat’s figure is stamped on it.`}
      </p>
      {mountsFan && job.cooling && <Near {...props} />}
      <SheetLink />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  const { cooling, bay } = job
  const mountsFan = jobKinds[job.kind].mountsFan
  const [whole, setWhole] = useState(false)
  const calm = useDeferredValue(job)
  const firms = useMemo(() => firmsUp(calm), [calm])
  const note = (address: string): string | undefined => {
    const f = firms.get(address)
    return f && say`firms up ${f.name}`
  }
  return (
    <>
      {cooling && (
        <>
          <h2>{say`Coolant`}</h2>
          <ChoiceField
            label={say`Kind`}
            value={cooling.coolant}
            onChange={(coolant) => settle((j) => changeCooling(j, { coolant }))}
            options={[
              { value: 'ethylene-glycol', name: say`ethylene glycol` },
              { value: 'propylene-glycol', name: say`propylene glycol` },
              { value: 'water', name: say`water alone` },
            ]}
          />
          {mountsFan && (
            <ChoiceField
              label={say`Cores`}
              value={String(cooling.cores)}
              options={['1', '2', '3', '4'].map((value) => ({ value, name: value }))}
              onChange={(v) => settle((j) => changeCooling(j, { cores: Number(v) }))}
            />
          )}
          {cooling.cores > 1 && mountsFan && (
            <ChoiceField
              label={say`The cores are`}
              value={cooling.coresJoined ? 'joined' : 'apart'}
              options={[
                { value: 'joined', name: say`joined: one fan serves all` },
                { value: 'apart', name: say`each fed by itself` },
              ]}
              onChange={(v) => settle((j) => changeCooling(j, { coresJoined: v === 'joined' }))}
            />
          )}
          {mountsFan && (
            <ChoiceField
              label={say`Coolant crosses`}
              value={String(cooling.passes)}
              options={[
                { value: '1', name: say`once` },
                { value: '2', name: say`twice` },
                { value: '3', name: say`three times` },
              ]}
              onChange={(v) => settle((j) => changeCooling(j, { passes: Number(v) }))}
            />
          )}
        </>
      )}
      {bay && mountsFan && job.engine && (
        <>
          <h2>{say`Air of the engine`}</h2>
          <YesNoField
            label={say`It has a flywheel fan`}
            value={bay.flywheel !== null}
            onChange={(has) => settle((j) => changeFlywheel(j, has))}
          />
          <UnsaidField
            label={say`Its intake breathes`}
            value={bay.intakeFrom}
            options={[
              { value: 'the bay', name: say`the air of the bay` },
              { value: 'outside', name: say`air from outside` },
            ]}
            onChange={(intakeFrom) => settle((j) => changeBay(j, { intakeFrom }))}
          />
        </>
      )}
      <div className="d-flex justify-content-between align-items-baseline">
        <h2>{whole ? say`The whole measuring sheet` : say`Readings`}</h2>
        <button type="button" className="word-button small" aria-pressed={whole} onClick={() => setWhole(!whole)}>
          {whole ? say`only this station` : say`type in the whole sheet`}
        </button>
      </div>
      {whole ? (
        stations
          .filter((s) => fieldsAt(job, s).length > 0)
          .map((s) => (
            <section key={s} aria-label={stationNames[s]}>
              <h3 className="mt-2">{stationNames[s]}</h3>
              <Readings {...props} station={s} only={(a) => !a.startsWith('controllers')} note={note} />
            </section>
          ))
      ) : (
        <Readings {...props} station="measure" only={(a) => !/^(place\.obstacles|bay\.panels)\./.test(a)} note={note} />
      )}
    </>
  )
}

export const measureStation: StationView = { Stage, Tray }
