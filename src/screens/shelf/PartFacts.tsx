'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import {
  contradictions,
  flowClaimInWords,
  copiedFacts,
  figuresIn,
  type Fact,
  factLines,
  factSources,
  formText,
  type Part,
  sourcePath,
  takeFact,
} from '@/core/parts'
import { format, parse, type UnitSystem } from '@/core/units'
import { say, spokenWord } from '@/core/words'

interface OfPart {
  readonly part: Part
  readonly units: UnitSystem
  readonly onChange: (part: Part) => void
}

/** One figure of a part: what counts, and what each source says of it. */
function FactsOfLine({
  line,
  part,
  units,
  onChange,
}: OfPart & { readonly line: ReturnType<typeof factLines>[number] }) {
  const disagree = contradictions(part).some((c) => c.line.path === line.path)
  const copied = copiedFacts(part)
  const texts = formText(part, units)
  return (
    <div className="border-bottom py-1">
      <div className="d-flex justify-content-between">
        <span className="fw-medium">{line.label}</span>
        <span className={disagree ? 'verdict-unsure' : 'soft'}>{disagree ? say`they disagree` : say`they agree`}</span>
      </div>
      <table className="plain-table">
        <tbody>
          <tr>
            <td>{say`counts`}</td>
            <td className="figure-text">{texts[line.path]}</td>
            <td className="soft">{texts[sourcePath(line.path)]}</td>
            <td />
          </tr>
          {part.facts
            .filter((f) => f.about === line.path)
            .map((f) => (
              <tr key={f.id}>
                <td>
                  {spokenWord(f.from)}
                  {copied.has(f.id) && <div className="verdict-unsure small">{say`copied: counts as one source`}</div>}
                </td>
                <td className="figure-text">{format(f.value, line.quantity!, units)}</td>
                <td className="soft" title={f.note || undefined}>
                  {f.typed}
                </td>
                <td className="text-end text-nowrap">
                  <button
                    type="button"
                    className="word-button me-2"
                    aria-label={say`let it count: ${f.typed} for ${line.label}`}
                    onClick={() => onChange(takeFact(part, f.id))}
                  >
                    {say`let it count`}
                  </button>
                  <button
                    type="button"
                    className="word-button"
                    aria-label={say`take away ${f.typed} for ${line.label}`}
                    onClick={() => onChange({ ...part, facts: part.facts.filter((x) => x.id !== f.id) })}
                  >
                    {say`take away`}
                  </button>
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  )
}

type Noted = Omit<Fact, 'id' | 'from'>

/** A whole description as a source has it, and the figures that are found in it. */
function Described({
  part,
  units,
  from,
  onNote,
}: Omit<OfPart, 'onChange'> & { readonly from: Fact['from']; readonly onNote: (facts: readonly Noted[]) => void }) {
  const [source, setSource] = useState('')
  const told = source.trim() ? figuresIn(part.kind, source, units) : []
  const note = (): void => {
    const text = source.trim().replace(/\s+/g, ' ').slice(0, 160)
    onNote(told.map((f) => ({ about: f.line.path, value: f.value, typed: f.typed, note: text })))
    setSource('')
  }
  return (
    <>
      <Form.Group controlId="source-text" className="mt-2">
        <Form.Label>{say`Or a whole description, as that source has it`}</Form.Label>
        <Form.Control
          as="textarea"
          rows={3}
          value={source}
          maxLength={4000}
          onChange={(e) => setSource(e.target.value)}
        />
      </Form.Group>
      {source.trim() && (
        <p className="mb-0">
          {told.length ? (
            <>
              {say`It says: ${told.map((f) => `${f.line.label} ${f.typed}`).join('; ')}.`}{' '}
              <button type="button" className="word-button" onClick={note}>
                {say`note ${told.length === 1 ? say`it` : say`all ${told.length}`}, ${spokenWord(from)}`}
              </button>
            </>
          ) : (
            <span className="verdict-unsure">
              {say`No figure in it is one that this kind of part is described by.`}
            </span>
          )}
        </p>
      )}
    </>
  )
}

/**
 * What box, sheet, seller and measurement say of one figure, side by side; any of them can be made the one that counts.
 */
export function Facts({ part, units, onChange }: OfPart) {
  const lines = factLines(part.kind)
  const [about, setAbout] = useState(lines[0]?.path ?? '')
  const [from, setFrom] = useState<Fact['from']>('on the box')
  const [typed, setTyped] = useState('')
  const line = lines.find((l) => l.path === about)
  const read = typed.trim() && line ? parse(typed, line.quantity!, units) : null
  const wrong = read && !read.ok ? read.message : null
  const withFacts = (facts: readonly Noted[]): void => {
    const last = Math.max(0, ...part.facts.map((f) => Number(/\d+$/.exec(f.id)?.[0] ?? 0)))
    onChange({ ...part, facts: [...part.facts, ...facts.map((f, i) => ({ ...f, id: `fact${last + 1 + i}`, from }))] })
  }
  const add = (): void => {
    if (!read?.ok) return
    withFacts([{ about, value: read.value, typed: typed.trim(), note: '' }])
    setTyped('')
  }
  if (!lines.length) return null
  return (
    <section aria-label={say`What each source says`} className="mt-3">
      <h3>{say`What each source says`}</h3>
      {part.kind === 'fan' && flowClaimInWords(part) && <p className="say say-unsure">{flowClaimInWords(part)}</p>}
      {lines
        .filter((l) => part.facts.some((f) => f.about === l.path))
        .map((l) => (
          <FactsOfLine key={l.path} line={l} part={part} units={units} onChange={onChange} />
        ))}
      <div className="d-flex flex-wrap gap-2 mt-2 align-items-start">
        <Form.Select
          style={{ width: 'auto' }}
          aria-label={say`Fact about`}
          value={about}
          onChange={(e) => setAbout(e.target.value)}
        >
          {lines.map((l) => (
            <option key={l.path} value={l.path}>
              {l.label}
            </option>
          ))}
        </Form.Select>
        <Form.Select
          style={{ width: 'auto' }}
          aria-label={say`Fact found`}
          value={from}
          onChange={(e) => setFrom(e.target.value as Fact['from'])}
        >
          {factSources.map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)}
            </option>
          ))}
        </Form.Select>
        <div className="said-here">
          <Form.Control
            aria-label={say`What it says`}
            aria-describedby={wrong ? 'fact-wrong' : undefined}
            placeholder={say`what it says`}
            value={typed}
            maxLength={80}
            isInvalid={wrong !== null}
            onChange={(e) => setTyped(e.target.value)}
          />
          {wrong && (
            <p className="verdict-short small mb-0" role="alert" id="fact-wrong">
              {wrong}
            </p>
          )}
        </div>
        <Button variant="outline-dark" disabled={!read?.ok} onClick={add}>
          {say`Note it`}
        </Button>
      </div>
      <Described part={part} units={units} from={from} onNote={withFacts} />
    </section>
  )
}
