'use client'

import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { claimNames, heldInWords } from '@/core/evidence/claim-words'
import { type Claim, claimHeld } from '@/core/evidence/claims'
import {
  addClaim,
  addClaimRun,
  changeClaim,
  choiceEnds,
  type ClaimKind,
  removeClaim,
  removeClaimRun,
  seenEnds,
  seenStates,
} from '@/core/job'
import { format, parse, percent, type Quantity, type UnitSystem } from '@/core/units'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

interface RunText {
  readonly state: (typeof seenStates)[number]
  readonly figure: string
  readonly air: string
  readonly way: string
}

/** What is wrong with a typed figure; true where nothing is. */
const checks =
  (quantity: Quantity, units: UnitSystem, [low, high]: readonly [number, number]) =>
  (text: string) => {
    const read = parse(text, quantity, units)
    if (!read.ok) return read.message
    return (
      (read.value >= low && read.value <= high) ||
      `Between ${format(low, quantity, units)} and ${format(high, quantity, units)}.`
    )
  }

function RunForm({ claim, job, settle, now }: Props & { readonly claim: Claim }) {
  const { full: trouble, take } = useTaken({ job, settle })
  const last = claim.runs.at(-1)
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<RunText>({
    defaultValues: { state: last?.state ?? 'as it came', figure: '', air: '', way: last?.way ?? '' },
  })
  const note = ({ state, figure, air, way }: RunText): void => {
    const [f, a] = [parse(figure, 'count', job.units), parse(air, 'temperature', job.units)]
    if (!f.ok || !a.ok) return
    const run = { at: now().toISOString(), state, figure: f.value, airC: a.value, way: way.trim() }
    if (take((j) => addClaimRun(j, claim.id, run))) reset({ state, figure: '', air, way })
  }
  const id = (name: string): string => `${claim.id}-${name}`
  return (
    <Form noValidate className="row g-2 align-items-start" onSubmit={handleSubmit(note)}>
      <Form.Group className="col-6 col-sm-3" controlId={id('state')}>
        <Form.Label className="mb-0">{say`The machine`}</Form.Label>
        <Form.Select {...register('state')}>
          {seenStates.map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group className="col-6 col-sm-2" controlId={id('figure')}>
        <Form.Label className="mb-0">{claim.unit}</Form.Label>
        <Form.Control
          inputMode="decimal"
          isInvalid={!!errors.figure}
          {...register('figure', { validate: checks('count', job.units, choiceEnds.claimFigure) })}
        />
        <Form.Control.Feedback type="invalid">{errors.figure?.message}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group className="col-6 col-sm-2" controlId={id('air')}>
        <Form.Label className="mb-0">{say`Air`}</Form.Label>
        <Form.Control
          isInvalid={!!errors.air}
          {...register('air', { validate: checks('temperature', job.units, seenEnds.airC) })}
        />
        <Form.Control.Feedback type="invalid">{errors.air?.message}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group className="col-12 col-sm-3" controlId={id('way')}>
        <Form.Label className="mb-0">{say`Way, load, speed`}</Form.Label>
        <Form.Control
          maxLength={60}
          isInvalid={!!errors.way}
          {...register('way', {
            validate: (v) => v.trim() !== '' || say`Say which way: only the same one is compared.`,
          })}
        />
        <Form.Control.Feedback type="invalid">{errors.way?.message}</Form.Control.Feedback>
      </Form.Group>
      <div className="col-12 col-sm-2 pt-sm-4">
        <Button type="submit" variant="outline-dark">
          {say`Note the run`}
        </Button>
      </div>
      {trouble && (
        <p className="below wrong" role="alert">
          {say`Not noted: ${trouble}. What you typed is kept.`}
        </p>
      )}
    </Form>
  )
}

function One({ claim, n, ...props }: Props & { readonly claim: Claim; readonly n: number }) {
  const { job, settle } = props
  const held = claimHeld(claim)
  return (
    <section className="border-top py-2" aria-label={say`Claim ${n}: ${claimNames[claim.what]}`}>
      <div className="d-flex justify-content-between gap-2">
        <strong className="fw-medium">
          {claimNames[claim.what]}
          {claim.share === null ? '' : say`, ${percent(claim.share, 2)} claimed`}
        </strong>
        <Button
          size="sm"
          variant="outline-dark"
          aria-label={say`Take out claim ${n}: ${claimNames[claim.what]}`}
          onClick={() => settle((j) => removeClaim(j, claim.id))}
        >
          {say`take out`}
        </Button>
      </div>
      <p className={`say ${held.verdict === 'a gain' || held.verdict === 'as claimed' ? 'say-holds' : 'say-unsure'}`}>
        {heldInWords(held, job.units)}
      </p>
      <div className="row g-2">
        {(['by', 'unit'] as const).map((name) => (
          <Form.Group key={name} className="col-6" controlId={`${claim.id}-own-${name}`}>
            <Form.Label className="mb-0 small">{name === 'by' ? say`Who claims it` : say`Figures are in`}</Form.Label>
            <Form.Control
              size="sm"
              key={claim[name]}
              defaultValue={claim[name]}
              maxLength={name === 'by' ? 80 : 20}
              onBlur={(e) => {
                const text = e.target.value.trim()
                if (text !== claim[name] && (name === 'by' || text))
                  settle((j) => changeClaim(j, claim.id, { [name]: text }))
              }}
            />
          </Form.Group>
        ))}
      </div>
      <QuantityField
        name={`${claim.id}.share`}
        label={say`claimed`}
        value={claim.share}
        quantity="share"
        system={job.units}
        range={choiceEnds.claimShare}
        onSettle={(share) => settle((j) => changeClaim(j, claim.id, { share }))}
      />
      {claim.runs.length > 0 && (
        <ul className="small list-unstyled mb-2">
          {claim.runs.map((r) => (
            <li key={r.id} className="d-flex gap-2 align-items-center">
              <span>
                {say`${spokenWord(r.state)}: ${r.figure} ${claim.unit}, air
                  ${format(r.airC, 'temperature', job.units)}, ${r.way}`}
              </span>
              <button
                type="button"
                className="word-button soft"
                aria-label={say`Take out the run of ${r.figure} ${claim.unit}`}
                onClick={() => settle((j) => removeClaimRun(j, claim.id, r.id))}
              >
                {say`take out`}
              </button>
            </li>
          ))}
        </ul>
      )}
      <RunForm {...props} claim={claim} />
    </section>
  )
}

/** What is claimed of the fan besides cooling, held against runs that were made for it. */
export function Claims(props: Props) {
  const { job } = props
  const { full: trouble, take } = useTaken(props)
  const add = (what: ClaimKind): void => {
    take((j) => addClaim(j, what, ''))
  }
  return (
    <section aria-label={say`Claims`}>
      <h2 className="mt-4">{say`Claims of fuel and power`}</h2>
      <p className="soft small">
        {say`Each is held against runs of the same way in like air, three as it came and three as fitted. Without them
          nothing is said of it.`}
      </p>
      {job.claims.map((claim, i) => (
        <One key={claim.id} {...props} claim={claim} n={i + 1} />
      ))}
      <div className="d-flex gap-2 flex-wrap mt-2">
        {(['fuel', 'power'] as const).map((what) => (
          <Button key={what} variant="outline-dark" onClick={() => add(what)}>
            {say`Claim: ${claimNames[what]}`}
          </Button>
        ))}
      </div>
      {trouble && (
        <p className="below wrong" role="alert">
          {trouble}
        </p>
      )}
    </section>
  )
}
