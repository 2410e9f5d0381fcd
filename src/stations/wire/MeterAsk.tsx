'use client'

import { useId, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { parse, type UnitSystem } from '@/core/units'
import { say } from '@/core/words'

function figure(value: number, unit: 'V' | 'ohm'): string {
  if (value === Infinity) return say`open`
  const short = (x: number): number => Number(x.toPrecision(3))
  if (unit === 'V') return `${short(value)} V`
  return value >= 1000 ? say`${short(value / 1000)} kohm` : say`${short(value)} ohm`
}

/** from here on no wire of a machine is meant, but none at all, ohm */
const OPEN_OHM = 1e6

/** A range that a meter may show, in words. */
export function rangeWords([low, high]: readonly [number, number], unit: 'V' | 'ohm'): string {
  if (low === -Infinity) return say`up to ${figure(high, unit)}`
  if (high < Infinity) return say`${figure(Math.max(0, low), unit)} to ${figure(high, unit)}`
  return low >= OPEN_OHM ? say`open` : say`${figure(low, unit)} or more`
}

const MOST_VOLTS = 100

/** What was typed as volts or ohms; "OL" and "open" are an open meter. */
function readMeter(
  typed: string,
  unit: 'V' | 'ohm',
  units: UnitSystem,
): { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string } {
  if (/^\s*(ol|o\.l\.?|open|none)\s*$/i.test(typed)) return { ok: true, value: null }
  const read = parse(typed, unit === 'V' ? 'voltage' : 'resistance', units)
  if (!read.ok) return { ok: false, message: say`${read.message} An open meter is written OL.` }
  return unit === 'V' && Math.abs(read.value) > MOST_VOLTS
    ? { ok: false, message: say`No machine of this kind has ${read.value} V: look at the meter's range.` }
    : { ok: true, value: read.value }
}

/** One reading of a meter, asked for and read. */
export function Ask({
  unit,
  units,
  label,
  onRead,
}: {
  readonly unit: 'V' | 'ohm'
  readonly units: UnitSystem
  readonly label: string
  readonly onRead: (value: number | null, typed: string) => void
}) {
  // several unknown plugs may be asked for at a time
  const id = useId()
  const [typed, setTyped] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const settle = (): void => {
    const read = readMeter(typed, unit, units)
    if (!read.ok) {
      setWrong(read.message)
      return
    }
    setWrong(null)
    setTyped('')
    onRead(read.value, typed.trim())
  }
  return (
    <Form
      className="meter-ask"
      onSubmit={(e) => {
        e.preventDefault()
        settle()
      }}
    >
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id={id}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          isInvalid={wrong !== null}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          placeholder={unit === 'V' ? '12.4 V' : say`85 ohm, or OL`}
          maxLength={40}
          autoComplete="off"
        />
        <Button type="submit" variant="outline-dark">
          {say`Note it`}
        </Button>
      </div>
      {wrong && (
        <div id={`${id}-wrong`} className="verdict-short small">
          {wrong}
        </div>
      )}
    </Form>
  )
}
