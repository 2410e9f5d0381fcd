'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import type { Job } from '@/core/job'
import { type Drill, type DrillKind, drillKinds, drillOf } from '@/core/practice'
import { format } from '@/core/units'
import { DrawingView } from '@/ui/DrawingView'
import { QuantityField } from '@/ui/QuantityField'
import { say } from '@/core/words'

const kinds = Object.keys(drillKinds) as DrillKind[]

/** One question, its answer, and how it comes. */
function Question({
  drill,
  onAnswer,
  answered,
}: {
  readonly drill: Drill
  readonly onAnswer: (right: boolean, said: string) => void
  readonly answered: string | null
}) {
  const right = drill.figure ? format(drill.figure.value, drill.figure.quantity, 'metric', 2) : drill.right
  return (
    <>
      <p className="drill-ask">{drill.ask}</p>
      {drill.picture && <DrawingView drawing={drill.picture} maxHeight={300} />}
      {answered === null && drill.answers && (
        <div className="hands">
          {drill.answers.map((a) => (
            <Button key={a} variant="outline-dark" onClick={() => onAnswer(a === drill.right, a)}>
              {a}
            </Button>
          ))}
        </div>
      )}
      {answered === null && drill.figure && (
        <QuantityField
          name={`drill.${drill.ask}`}
          label={say`it is`}
          value={null}
          quantity={drill.figure.quantity}
          system="metric"
          range={[0, 1e5]}
          onSettle={(value, typed) =>
            onAnswer(Math.abs(value - drill.figure!.value) <= drill.figure!.share * drill.figure!.value, typed)
          }
        />
      )}
      {answered !== null && <p className="say">{say`You said ${answered}; it is ${right}. ${drill.working}`}</p>}
    </>
  )
}

/** Drills of a minute each: a question, an answer, the working, the next. */
export function Drills({ jobs }: { readonly jobs: readonly Job[] }) {
  const [kind, setKind] = useState<DrillKind>('pins')
  // the first is everybody's; later ones are drawn
  const [seed, setSeed] = useState(1)
  const [answered, setAnswered] = useState<{ readonly said: string; readonly right: boolean } | null>(null)
  const [score, setScore] = useState({ right: 0, of: 0 })
  const job = jobs.find((j) => drillOf('trace', 1, j) !== null) ?? jobs[0]!
  const drill = drillOf(kind, seed, job)
  const next = (): void => {
    setSeed(1 + Math.floor(Math.random() * 1e9))
    setAnswered(null)
  }
  return (
    <div className="drill">
      <div className="hands" role="group" aria-label={say`Drill`}>
        {kinds.map((k) => (
          <Button
            key={k}
            variant={k === kind ? 'dark' : 'outline-dark'}
            aria-pressed={k === kind}
            onClick={() => {
              setKind(k)
              setAnswered(null)
            }}
          >
            {drillKinds[k]}
          </Button>
        ))}
      </div>
      {drill && (
        <section aria-label={say`Question`}>
          <Question
            key={`${kind} ${seed}`}
            drill={drill}
            answered={answered?.said ?? null}
            onAnswer={(right, said) => {
              setAnswered({ said, right })
              setScore({ right: score.right + (right ? 1 : 0), of: score.of + 1 })
            }}
          />
        </section>
      )}
      <p role="status">
        {answered && (answered.right ? say`Right. ` : say`Not so. `)}
        {score.of > 0 && say`${score.right} of ${score.of} right.`}
      </p>
      {answered && (
        <Button variant="dark" onClick={next}>
          {say`The next one`}
        </Button>
      )}
    </div>
  )
}
