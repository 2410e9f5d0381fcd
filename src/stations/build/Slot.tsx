'use client'

import { useState } from 'react'
import Form from 'react-bootstrap/Form'
import { slotLeft } from '@/core/fit'
import type { Job } from '@/core/job'
import { format, parse } from '@/core/units'
import { say, spokenWord } from '@/core/words'

const asked = [
  ['off', 'Off by'],
  ['slot', 'Slot, over its ends'],
  ['screw', 'Screw'],
] as const
type Asked = (typeof asked)[number][0]

/** What a slot takes of a hole that is off, said as soon as all three are given. */
function answer(typed: Readonly<Record<Asked, string>>, units: Job['units']): string {
  if (asked.some(([k]) => typed[k].trim() === ''))
    return say`Is there a slot? How far off, how long, how thick: it says.`
  const read = asked.map(([k]) => parse(typed[k], 'length', units))
  const wrong = read.find((r) => !r.ok)
  if (wrong && !wrong.ok) return wrong.message
  const [off, slot, screw] = read.map((r) => (r.ok ? r.value : 0)) as [number, number, number]
  if (!(screw > 0 && slot >= screw)) return say`A slot is no shorter than its screw is thick.`
  const left = slotLeft(off, slot, screw)
  return left >= 0
    ? say`The slot takes it, with ${format(left, 'length', units, 2)} left; a washer wider than the slot.`
    : say`The slot does not reach by ${format(-left, 'length', units, 2)}: another hole, or another bracket.`
}

/** Whether a slot takes a hole that does not line up. */
export function Slot({ job }: { readonly job: Pick<Job, 'units'> }) {
  const [typed, setTyped] = useState<Readonly<Record<Asked, string>>>({ off: '', slot: '', screw: '' })
  return (
    <div>
      <div className="d-flex gap-2 flex-wrap">
        {asked.map(([key, label]) => (
          <Form.Group key={key} controlId={`slot-${key}`}>
            <Form.Label className="mb-0">{spokenWord(label)}</Form.Label>
            <Form.Control
              style={{ width: 130 }}
              value={typed[key]}
              onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
            />
          </Form.Group>
        ))}
      </div>
      <p className="small soft mb-1" role="status">
        {answer(typed, job.units)}
      </p>
    </div>
  )
}
