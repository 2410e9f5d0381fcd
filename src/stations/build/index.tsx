'use client'

import { useRef, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import {
  handsOnMinutes,
  isTicked,
  lockOf,
  nextStep,
  openDebts,
  openEntries,
  opensCoolant,
  type Step,
  stepsOf,
} from '@/core/build'
import { cautionInWords, cautions, type Job } from '@/core/job'
import { questionsAtStep } from '@/core/library/questions'
import { stationNames } from '@/core/fields'
import { Asked } from '../Asked'
import type { StationProps, StationView } from '../station'
import { Bought } from './Bought'
import { Clock } from './Clock'
import { Coolant } from './Coolant'
import { ForNow } from './ForNow'
import { HaveAll } from './HaveAll'
import { LeaveIt, LeftLying } from './Leaving'
import { OwnStep } from './OwnStep'
import { StepCard } from './StepCard'
import { TakenOff } from './TakenOff'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'

const counted = (word: string, n: number): string => (n ? `${word} ${n}` : word)

/** What a step that is not done comes to. */
function stillToDo(job: Job, step: Step): string {
  if (lockOf(job, step)) return say`waits`
  return step.waitMinutes ? say`wait` : `${step.minutes} min`
}

function baselineInWords(state: Job['baseline']['state']): string {
  if (state === 'taken') return say`The baseline is taken.`
  return state === 'cannot be had'
    ? say`There is no baseline: before and after will not be comparable.`
    : say`No baseline yet: take it before the first bolt, it cannot be had afterwards.`
}

/** Every step in order, with what has been done and what waits. */
function AllSteps({
  job,
  at,
  onPick,
}: Pick<StationProps, 'job'> & { readonly at: number; readonly onPick: (i: number) => void }) {
  const steps = stepsOf(job)
  return (
    <>
      <p className="small soft">{say`${handsOnMinutes(steps)} min of hands, waits not counted.`}</p>
      <ol className="step-list">
        {steps.map((s, i) => {
          const done = isTicked(job, s.id)
          return (
            <li key={s.id}>
              <span className="figure-text soft">{i + 1}</span>
              <button
                type="button"
                className="plain-button"
                aria-current={i === at ? 'step' : undefined}
                onClick={() => onPick(i)}
              >
                {s.title}
                {s.own && <span className="soft"> {say`(added)`}</span>}
              </button>
              <span className={done ? 'verdict-holds' : 'soft'}>{done ? say`done` : stillToDo(job, s)}</span>
            </li>
          )
        })}
      </ol>
    </>
  )
}

function Unplanned({ job }: Pick<StationProps, 'job'>) {
  return job.build.unplanned.length === 0 ? null : (
    <>
      <h3 className="mt-3">{say`Not as planned`}</h3>
      {job.build.unplanned.map((u) => (
        <p key={u.id} className="small mb-1">
          {spokenWord(u.what)}: {u.words} ({u.by}, <Day at={u.at} />)
        </p>
      ))}
    </>
  )
}

function Stage(props: StationProps) {
  const { job, goTo } = props
  const steps = stepsOf(job)
  const next = nextStep(job)
  // what is signed is not asked for steps that came with a newer core
  const first = next && !job.signature ? steps.findIndex((s) => s.id === next.id) : -1
  const [picked, setPicked] = useState<number | null>(null)
  const card = useRef<HTMLDivElement>(null)
  const at = Math.min(picked ?? first, steps.length - 1)
  const step = steps[at]
  const left = job.build.left.some((l) => l.backAt === null)
  const lock = step && !isTicked(job, step.id) ? lockOf(job, step) : null
  const elsewhere = !left && lock && lock.station !== 'build' ? lock.station : null
  return (
    <>
      <div ref={card} className="step-top" />
      {left && <LeftLying {...props} />}
      {!left && step && (
        <StepCard key={step.id} {...props} step={step} at={at} of={steps.length} onDone={() => setPicked(null)} />
      )}
      {!left && !step && (
        <section className="big-step">
          <h2>{say`Every step is done`}</h2>
          <p>{job.signature ? say`It is signed.` : say`All that is left is the signature.`}</p>
          <Button variant="primary" onClick={() => goTo('after')}>
            {say`Go to After`}
          </Button>
        </section>
      )}
      {elsewhere && (
        <p>
          <Button onClick={() => goTo(elsewhere)}>
            {elsewhere === 'prove' ? say`Prove it now` : say`Go to ${stationNames[elsewhere]}`}
          </Button>
        </p>
      )}
      <Tabs defaultActiveKey="steps" id="build-views" mountOnEnter unmountOnExit transition={false} className="mb-2">
        <Tab eventKey="steps" title={say`All steps`}>
          <AllSteps
            job={job}
            at={at}
            onPick={(i) => {
              setPicked(i)
              card.current?.scrollIntoView({ block: 'start' })
            }}
          />
          <Unplanned job={job} />
        </Tab>
        <Tab eventKey="have" title={say`Have it all`}>
          <HaveAll {...props} />
        </Tab>
        <Tab eventKey="off" title={counted(say`Taken off`, openEntries(job).length)}>
          <TakenOff {...props} />
        </Tab>
        {opensCoolant(job) && (
          <Tab eventKey="coolant" title={say`Coolant`}>
            <Coolant {...props} />
          </Tab>
        )}
        <Tab eventKey="now" title={counted(say`For now`, openDebts(job).length)}>
          <ForNow {...props} />
        </Tab>
        <Tab eventKey="hours" title={say`Hours and parts`}>
          <Clock {...props} />
          <Bought {...props} />
        </Tab>
      </Tabs>
    </>
  )
}

function Tray(props: StationProps) {
  const { job } = props
  return (
    <>
      <h2>{say`Before the first bolt`}</h2>
      <p className="small">{baselineInWords(job.baseline.state)}</p>
      <h2>{say`While it is open`}</h2>
      <OwnStep {...props} />
      <h2>{say`Stop for today`}</h2>
      <LeaveIt {...props} />
      <h2>{say`Cautions`}</h2>
      <p className="caution small">{cautions.surprise}</p>
      <p className="caution small">{cautions.battery}</p>
      <Asked questions={[...questionsAtStep('fuse-in'), ...questionsAtStep('battery-off')]} />
      {job.cooling && <p className="caution small">{cautionInWords('hotCoolant', job.units)}</p>}
      <p className="small soft">{cautions.maker}</p>
    </>
  )
}

export const buildStation: StationView = { Stage, Tray }
