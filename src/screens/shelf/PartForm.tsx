'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import {
  type FormLine,
  formOf,
  formText,
  type FormText,
  type Part,
  type PartKind,
  partKinds,
  readForm,
  sourcePath,
} from '@/core/parts'
import { nearestInOtherSystem, wireSizes, type UnitSystem, worded } from '@/core/units'
import { putPart } from './server-calls'
import { Trouble } from '@/ui/Trouble'
import { say, spokenWord } from '@/core/words'
import { Facts } from './PartFacts'

interface Props {
  /** the part to edit or to copy; null for a new one */
  readonly part: Part | null
  readonly kind: PartKind
  readonly copy: boolean
  readonly units: UnitSystem
  /** ids that there are already */
  readonly taken: readonly string[]
  readonly onHide: () => void
  readonly onDone: () => void
}

const sourceNames = { measured: say`measured`, label: say`label`, typical: say`typical` } as const

/** a form's field names may not hold dots: they would be nested */
const fieldOf = (path: string): string => path.replaceAll('.', '/')
const pathOf = (field: string): string => field.replaceAll('/', '.')

function freshId(kind: PartKind, name: string, taken: readonly string[]): string {
  const base = `${kind}-${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'part'
  }`.slice(0, 34)
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!taken.includes(id)) return id
  }
}

const titleOf = (name: string, copy: boolean): string => (copy ? say`Copy of ${name}` : name)

/** A part's form: what is typed stays until it is right; what was not touched keeps its value to the last figure. */
export function PartForm({ part: given, kind: firstKind, copy, units, taken, onHide, onDone }: Props) {
  const [kind, setKind] = useState<PartKind>(firstKind)
  const [part, setPart] = useState(given)
  const [trouble, setTrouble] = useState<string | null>(null)
  const start = (of: Part | null): Record<string, string> =>
    Object.fromEntries(
      Object.entries(of ? formText(of, units) : {}).map(([path, text]) => [
        fieldOf(path),
        path === 'name' && copy ? say`${text}, copy`.slice(0, 80) : text,
      ]),
    )
  const {
    register,
    handleSubmit,
    setError,
    reset,
    getValues,
    formState: { errors, isSubmitting },
  } = useForm<Record<string, string>>({ defaultValues: start(given) })
  const isNew = given === null || copy
  const save = async (fields: Record<string, string>): Promise<void> => {
    const texts: FormText = Object.fromEntries(
      Object.entries(fields).map(([field, text]) => [pathOf(field), text ?? '']),
    )
    const id = isNew ? freshId(kind, texts.name ?? '', taken) : given.id
    const read = readForm(kind, id, texts, units, part)
    if (!read.ok) {
      for (const [path, message] of Object.entries(read.problems)) setError(fieldOf(path), { message })
      return
    }
    const message = await putPart(read.part, isNew)
    if (message === null) onDone()
    else setTrouble(message)
  }
  /** facts change the part under the form; what is typed elsewhere stays */
  const changeFacts = (next: Part): void => {
    const before = part ? formText(part, units) : {}
    const after = formText(next, units)
    const changed = Object.keys(after).filter((path) => after[path] !== before[path])
    setPart(next)
    reset(
      { ...getValues(), ...Object.fromEntries(changed.map((path) => [fieldOf(path), after[path]!])) },
      { keepDirty: true },
    )
  }
  const control = (line: FormLine): React.ReactNode => {
    const field = fieldOf(line.path)
    if (line.kind === 'choice')
      return (
        <Form.Select {...register(field)} isInvalid={!!errors[field]}>
          {line.options!.map((o) => (
            <option key={o.value} value={o.value}>
              {spokenWord(o.name)}
            </option>
          ))}
        </Form.Select>
      )
    if (line.kind === 'size')
      return (
        <Form.Select {...register(field)}>
          {wireSizes.map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)} ({nearestInOtherSystem(s)})
            </option>
          ))}
        </Form.Select>
      )
    if (line.kind === 'lines')
      return <Form.Control as="textarea" rows={5} {...register(field)} isInvalid={!!errors[field]} />
    return <Form.Control maxLength={400} autoComplete="off" {...register(field)} isInvalid={!!errors[field]} />
  }
  return (
    <Modal show onHide={onHide} animation={false} size="lg" scrollable aria-labelledby="part-title">
      <Form noValidate onSubmit={handleSubmit(save)} className="d-flex flex-column overflow-hidden">
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="part-title">
            {given === null ? say`Add a part` : titleOf(given.name, copy)}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {given === null && (
            <Form.Group controlId="part-kind" className="mb-2">
              <Form.Label className="mb-0">{say`Kind`}</Form.Label>
              <Form.Select value={kind} onChange={(e) => setKind(e.target.value as PartKind)}>
                {(Object.keys(partKinds) as PartKind[]).map((k) => (
                  <option key={k} value={k}>
                    {partKinds[k].name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          )}
          <div className="row g-2">
            {formOf(kind).map((line) => (
              <Form.Group
                key={`${kind}${line.path}`}
                controlId={`part-${fieldOf(line.path)}`}
                className={line.kind === 'lines' || line.path === 'note' ? 'col-12' : 'col-sm-6'}
              >
                <Form.Label className="mb-0">
                  {line.label}
                  {line.optional && line.kind !== 'lines' && line.kind !== 'text' ? (
                    <span className="soft small"> {say`(may stay empty)`}</span>
                  ) : null}
                </Form.Label>
                <div className="d-flex gap-1">
                  <div className="flex-grow-1">{control(line)}</div>
                  {line.kind === 'reading' && (
                    <Form.Select
                      style={{ width: 'auto' }}
                      aria-label={say`${line.label} is known by`}
                      {...register(fieldOf(sourcePath(line.path)))}
                      defaultValue="label"
                    >
                      {(Object.keys(sourceNames) as (keyof typeof sourceNames)[]).map((s) => (
                        <option key={s} value={s}>
                          {sourceNames[s]}
                        </option>
                      ))}
                    </Form.Select>
                  )}
                </div>
                {errors[fieldOf(line.path)] && (
                  <div className="verdict-short small" role="alert">
                    {errors[fieldOf(line.path)]!.message}
                  </div>
                )}
                {!errors[fieldOf(line.path)] && line.tell && (
                  <div className="soft small">{worded(line.tell, units)}</div>
                )}
              </Form.Group>
            ))}
          </div>
          {part && !copy && <Facts part={part} units={units} onChange={changeFacts} />}
          <Trouble words={trouble} />
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say`Leave it`}
          </Button>
          <Button type="submit" disabled={isSubmitting}>
            {isNew ? say`Put it on the shelf` : say`Keep the change`}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  )
}
