'use client'

import { firstCircuit } from '@/core/fan-circuit'
import { useId, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import { bladeRatings } from '@/core/electrical'
import { currentByFuse, flowByAnemometer, flowByBag } from '@/core/advice'
import { withReading } from '@/core/job'
import type { Reading } from '@/core/reading'
import { format, formatSpread, parse, type Quantity } from '@/core/units'
import type { StationProps } from '../station'
import { say } from '@/core/words'

type Method = 'bag' | 'anemometer' | 'fuse'
const methods: Readonly<
  Record<
    Method,
    {
      readonly name: string
      readonly how: string
      readonly of: 'freeFlowM3s' | 'ratedA'
      readonly quantity: Quantity
      /** what is read off, several times: its label, what it measures, and how it may be written */
      readonly asked: { readonly name: string; readonly of: Quantity; readonly like: string }
    }
  >
> = {
  bag: {
    name: say`air, by the time it fills a bag`,
    how: say`Bag pressed flat over the outlet, fan on its own in free air at the voltage it is rated for. Three tries.`,
    of: 'freeFlowM3s',
    quantity: 'flow',
    asked: { name: say`Seconds, each try`, of: 'seconds', like: '3.1, 3.3, 3.2' },
  },
  anemometer: {
    name: say`air, by a vane anemometer`,
    how: say`Divide the face in equal areas, one reading in the middle of each, fan on its own in free air.`,
    of: 'freeFlowM3s',
    quantity: 'flow',
    asked: { name: say`Speeds, one an area`, of: 'speed', like: '2.9 m/s, 3.4 m/s, 3.1 m/s' },
  },
  fuse: {
    name: say`current, by the millivolts over its fuse`,
    how: say`Meter on the two test points of the blade fuse while the fan runs at the voltage it is rated for. Fingers
      clear of the blades.`,
    of: 'ratedA',
    quantity: 'current',
    asked: { name: say`Over its test points`, of: 'voltage', like: '26 mV' },
  },
}

/** Several figures in one line, each in any unit of the quantity: "3.1, 3.3, 3.2 s". */
function several(
  text: string,
  quantity: Quantity,
  system: 'metric' | 'imperial',
): { readonly values: number[]; readonly message: string | null } {
  const words = text
    .split(/[;,\n]+\s*|\s{2,}/)
    .map((w) => w.trim())
    .filter(Boolean)
  const values: number[] = []
  for (const word of words) {
    const read = parse(word, quantity, system)
    if (!read.ok) return { values: [], message: `"${word.slice(0, 20)}": ${read.message}` }
    values.push(read.value)
  }
  return { values, message: null }
}

/** @param size of the bag or the opening, SI; null where it is not known, and where a fuse is asked */
function answerOf(method: Method, values: readonly number[], size: number | null, fuseA: number): Reading | null {
  const [first] = values
  if (method === 'fuse') return first === undefined ? null : currentByFuse(first, fuseA)
  if (size === null) return null
  return method === 'bag' ? flowByBag(size, values) : flowByAnemometer(size, values)
}

/** Amps and air by what lies about in a workshop, each with its spread. */
export function MakeshiftDialog({
  job,
  settle,
  onHide,
}: Pick<StationProps, 'job' | 'settle'> & { readonly onHide: () => void }) {
  const id = useId()
  const [method, setMethod] = useState<Method>('bag')
  const [whose, setWhose] = useState<'new' | 'old'>(job.oldFan ? 'old' : 'new')
  const [size, setSize] = useState('')
  const [tries, setTries] = useState('')
  const [fuse, setFuse] = useState(String(firstCircuit(job).fuse?.ratingA ?? 10))
  const chosen = firstCircuit(job).fan
  const u = job.units
  const { how, of, quantity, asked } = methods[method]
  const sizeQuantity: Quantity = method === 'bag' ? 'space' : 'opening'
  const sizeRead = size.trim() && method !== 'fuse' ? parse(size, sizeQuantity, u) : null
  const read = several(tries, asked.of, u)
  const answer = answerOf(method, read.values, sizeRead?.ok ? sizeRead.value : null, Number(fuse))
  const message =
    (sizeRead && !sizeRead.ok ? sizeRead.message : null) ??
    read.message ??
    (tries.trim() && !answer && (method === 'fuse' || sizeRead?.ok)
      ? say`These figures give nothing: all must be more than 0.`
      : null)
  const figure = answer ? format(answer.value, quantity, u, 3) : ''
  const spread = answer ? formatSpread(answer.spread!, quantity, u) : null
  const take = (): void => {
    if (!answer) return
    const address = whose === 'old' ? `oldFan.part.${of}` : `fans.${firstCircuit(job).fan!.id}.part.${of}`
    settle((j) => withReading(j, address, { ...answer, typed: `${figure} ±${spread!.number}` }))
    onHide()
  }
  return (
    <Modal show onHide={onHide} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={`${id}-title`}>
          {say`Measure without the right instrument`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Form
          onSubmit={(e) => {
            e.preventDefault()
            take()
          }}
        >
          <Form.Group className="mb-2" controlId={`${id}-m`}>
            <Form.Label>{say`What, and how`}</Form.Label>
            <Form.Select
              value={method}
              onChange={(e) => {
                setMethod(e.target.value as Method)
                setTries('')
              }}
            >
              {(Object.keys(methods) as Method[]).map((m) => (
                <option key={m} value={m}>
                  {methods[m].name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group className="mb-2" controlId={`${id}-w`}>
            <Form.Label>{say`Of which fan`}</Form.Label>
            <Form.Select value={whose} onChange={(e) => setWhose(e.target.value as 'new' | 'old')}>
              {job.oldFan && <option value="old">{say`${job.oldFan.part.name}, there now`}</option>}
              {chosen && <option value="new">{say`${chosen.part.name}, new`}</option>}
            </Form.Select>
          </Form.Group>
          <p className="say">{how}</p>
          {method !== 'fuse' && (
            <Form.Group className="mb-2" controlId={`${id}-s`}>
              <Form.Label>{method === 'bag' ? say`Bag holds` : say`Area of the face`}</Form.Label>
              <Form.Control
                value={size}
                maxLength={60}
                placeholder={method === 'bag' ? '120 L' : '113 cm2'}
                onChange={(e) => setSize(e.target.value)}
              />
            </Form.Group>
          )}
          {method === 'fuse' && (
            <Form.Group className="mb-2" controlId={`${id}-f`}>
              <Form.Label>{say`Fuse`}</Form.Label>
              <Form.Select value={fuse} onChange={(e) => setFuse(e.target.value)}>
                {bladeRatings.map((r) => (
                  <option key={r} value={r}>
                    {r} A
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          )}
          <Form.Group className="mb-2" controlId={`${id}-t`}>
            <Form.Label>{asked.name}</Form.Label>
            <Form.Control
              value={tries}
              maxLength={300}
              placeholder={asked.like}
              onChange={(e) => setTries(e.target.value)}
            />
          </Form.Group>
          {message && (
            <p className="say say-short" role="alert">
              {message}
            </p>
          )}
          {answer && (
            <p className="fs-5 figure-text" role="status">
              {figure}{' '}
              <span className="soft">
                ±{spread!.number} {spread!.unit}
              </span>
            </p>
          )}
          {method === 'bag' && read.values.length > 0 && read.values.length < 3 && (
            <p className="say">{say`Three tries are better: the spread comes from their range.`}</p>
          )}
          <Button type="submit" disabled={!answer}>
            {say`Take it as measured`}
          </Button>
        </Form>
      </Modal.Body>
    </Modal>
  )
}
