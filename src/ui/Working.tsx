'use client'

import { useEffect, useRef } from 'react'
import { timeInWords } from './days'
import Button from 'react-bootstrap/Button'
import CloseButton from 'react-bootstrap/CloseButton'
import type { Remedy } from '@/core/advice'
import type { PlacedField } from '@/core/job'
import {
  chanceInWords,
  decidingPart,
  type Evaluation,
  marginInWords,
  type MarginResult,
  type PartResult,
  signedFigure,
} from '@/core/margins'
import type { Line } from '@/core/reading'
import { format, type UnitSystem, worded } from '@/core/units'
import { SourceDisc } from './SourceMark'
import { say, spokenWord } from '@/core/words'

/** "§3.2 rule 1" as the end of an address of the page of formulas. */
const anchorOf = (cite: string): string => `s${/\d+(\.\d+)?/.exec(cite)?.[0] ?? ''}`

interface Props {
  readonly margin: MarginResult
  /** the run that it may be told from */
  readonly run: Evaluation['run']
  readonly system: UnitSystem
  readonly remedies: readonly Remedy[]
  readonly fieldAt: (address: string) => PlacedField | undefined
  readonly onRemedy: (remedy: Remedy) => void
  readonly onGoTo: (address: string) => void
  readonly onClose: () => void
  /** what is linked to from here */
  readonly children?: React.ReactNode
}

const written = (formula: string, fill: (index: number) => string): string =>
  formula.replace(/\{(\d+)\}/g, (_, i: string) => fill(Number(i)))

function WorkingLine({ line, system }: { readonly line: Line; readonly system: UnitSystem }) {
  const plain = line.formula === '{0}'
  return (
    <div className="line">
      <a className="cite" href={`/engineering#${anchorOf(line.cite)}`} target="formulas">
        {line.cite}
        <span className="visually-hidden">{say`, its formula, in a page of its own`}</span>
      </a>
      <div>{worded(line.name, system)}</div>
      {!plain && <div className="sum soft">{written(line.formula, (i) => worded(line.terms[i]!.name, system))}</div>}
      <div className="sum">
        {plain
          ? ''
          : `${written(line.formula, (i) => format(line.terms[i]!.value, line.terms[i]!.quantity, system, 3))} `}
        = <strong>{format(line.value, line.quantity, system, 3)}</strong>
      </div>
    </div>
  )
}

/** Each reading that went in, once, with how it is known; a press goes to its field. */
function Inputs({
  part,
  fieldAt,
  onGoTo,
  system,
}: { readonly part: PartResult } & Pick<Props, 'fieldAt' | 'onGoTo' | 'system'>) {
  const fields = part.readings.flatMap((address) => fieldAt(address) ?? [])
  if (!fields.length) return null
  return (
    <>
      <h3 className="mt-3">{say`Readings in it`}</h3>
      {fields.map((f) => (
        <button
          key={f.address}
          type="button"
          className="plain-button d-flex w-100 gap-2 align-items-center"
          onClick={() => onGoTo(f.address)}
        >
          <SourceDisc source={f.reading.source} />
          <span className="flex-grow-1 text-decoration-underline">{f.label}</span>
          <span className="figure-text small">{format(f.reading.value, f.quantity, system)}</span>
        </button>
      ))}
    </>
  )
}

/** How far it reaches: 5th to 95th of a hundred draws, or its corners where they are what it is told from. */
function reachInWords({ worst, best, unit, corner }: PartResult, system: UnitSystem): string {
  const figure = (value: number | null): string => (value === null ? say`no figure` : signedFigure(value, unit, system))
  return corner
    ? say`90 times in 100 from ${figure(worst)} to ${figure(best)}; everything against it at once
      ${figure(corner.worst)}`
    : say`worst ${figure(worst)}, best ${figure(best)}`
}

/** What a part says that comes to no figure. */
const withoutFigure = (part: PartResult): string | null =>
  part.verdict === 'open' ? say`needs ${part.words}` : part.words

const fromRun = ({ at, day, settled }: NonNullable<Evaluation['run']>): string =>
  say` From the run of ${timeInWords(at)}: ${day}.${settled ? '' : say` How sure it is is still being worked out.`}`

function PartLine({ part, system }: { readonly part: PartResult; readonly system: UnitSystem }) {
  return (
    <div className="line">
      <div className="part-head">
        <span>
          {part.name}
          {part.warns ? say` (warns only)` : ''}
        </span>
        <span className={`verdict-${part.verdict}`}>{spokenWord(part.verdict)}</span>
      </div>
      <div className="sum">
        {part.value === null
          ? withoutFigure(part)
          : `${signedFigure(part.value, part.unit, system)}, ${reachInWords(part, system)}`}
        {part.chanceShort !== undefined && part.chanceShort > 0 ? `; ${chanceInWords(part.chanceShort)}` : ''}
      </div>
    </div>
  )
}

/** The working of one margin: formulas with the numbers put in, where they came from, and what would help most. */
export function Working({ margin, run, system, remedies, fieldAt, onRemedy, onGoTo, onClose, children }: Props) {
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    heading.current?.focus()
  }, [margin.id])
  const part = decidingPart(margin) ?? margin.parts[0]
  return (
    <aside className="working" aria-label={say`Working of ${margin.name}`}>
      <div className="d-flex justify-content-between align-items-start">
        <h2 ref={heading} tabIndex={-1}>
          {margin.name}: <span className={`verdict-${margin.verdict}`}>{spokenWord(margin.verdict)}</span>
        </h2>
        <CloseButton onClick={onClose} aria-label={say`Close the working`} />
      </div>
      <p className={`say say-${margin.verdict}`}>
        {marginInWords(margin, system)}.
        {margin.basis === 'rule of thumb' && say` A rule of thumb, until a run is worked out.`}
        {margin.basis === 'run' && run && fromRun(run)}
      </p>
      {margin.warnings.map((w) => (
        <p key={w.part} className="say say-unsure">
          {w.text}
        </p>
      ))}
      {margin.notes.map((n) => (
        <p key={n} className="small soft mb-1">
          {n}
        </p>
      ))}
      {children}
      {remedies.length > 0 && (
        <>
          <h3 className="mt-3">{say`What would help most`}</h3>
          {remedies.map((r) => (
            <p key={r.text} className="mb-2">
              <Button variant="outline-dark" size="sm" className="text-start" onClick={() => onRemedy(r)}>
                {r.text}
              </Button>
            </p>
          ))}
        </>
      )}
      {part && part.working.length > 0 && (
        <>
          <h3 className="mt-3">{part.name}</h3>
          {part.working.map((line, i) => (
            <WorkingLine key={i} line={line} system={system} />
          ))}
          <Inputs part={part} fieldAt={fieldAt} onGoTo={onGoTo} system={system} />
        </>
      )}
      <h3 className="mt-3">{say`All its parts`}</h3>
      {margin.parts.map((p) => (
        <PartLine key={p.id} part={p} system={system} />
      ))}
    </aside>
  )
}
