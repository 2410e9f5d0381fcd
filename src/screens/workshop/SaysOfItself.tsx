'use client'

import { useState } from 'react'
import { useRouter } from 'next/navigation'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { format, parse } from '@/core/units'
import { troubleOf } from '@/ui/ask-server'
import { heightIn } from '../height-in'
import { FormLine, given } from '@/ui/FormLine'
import { type LanguageTag, say } from '@/core/words'

export interface Workshop {
  readonly name: string
  readonly units: 'metric' | 'imperial'
  readonly heightM: number | null
  readonly currency: string
  readonly perHour: number | null
  readonly language: LanguageTag
}

interface Fields {
  name: string
  units: Workshop['units']
  height: string
  currency: string
  perHour: string
}

const DEAREST = 1e6

const priceIn = (text: string): number | null | string => {
  if (!text.trim()) return null
  const read = parse(text, 'count', 'metric')
  return read.ok && read.value >= 0 && read.value <= DEAREST ? read.value : say`A price, or nothing.`
}

/** Name, units and rates, said once for all jobs that are begun from now on. */
export function SaysOfItself({ workshop }: { readonly workshop: Workshop }) {
  const router = useRouter()
  const [said, setSaid] = useState<{ readonly wrong: boolean; readonly words: string } | null>(null)
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      name: workshop.name,
      units: workshop.units,
      height: workshop.heightM === null ? '' : format(workshop.heightM, 'height', workshop.units),
      currency: workshop.currency,
      perHour: workshop.perHour === null ? '' : String(workshop.perHour),
    },
  })
  const store = async ({ name, units, height, currency, perHour }: Fields): Promise<void> => {
    const [heightM, each] = [heightIn(height, units), priceIn(perHour)]
    if (typeof heightM === 'string' || typeof each === 'string') return
    const kept: Workshop = { ...workshop, name: name.trim(), units, heightM, currency: currency.trim(), perHour: each }
    const message = await troubleOf('/api/settings', kept, 'PUT')
    setSaid(message === null ? { wrong: false, words: say`Kept.` } : { wrong: true, words: message })
    if (message === null) router.refresh()
  }
  return (
    <section aria-label={say`What it says of itself`}>
      <h2>{say`Once for all jobs`}</h2>
      <Form noValidate onSubmit={handleSubmit(store)} onChange={() => setSaid(null)}>
        <FormLine
          id="workshop-name"
          label={say`Name of the workshop`}
          most={60}
          field={register('name', { validate: given })}
          wrong={errors.name && say`It needs a name.`}
        />
        <Form.Group controlId="workshop-units">
          <Form.Label className="mb-0">{say`Units of new jobs`}</Form.Label>
          <Form.Select {...register('units')}>
            <option value="metric">{say`°C, mm`}</option>
            <option value="imperial">{say`°F, in`}</option>
          </Form.Select>
        </Form.Group>
        <FormLine
          id="workshop-height"
          label={say`Height above the sea where most machines work`}
          field={register('height', {
            validate: (v, all) => {
              const read = heightIn(v, all.units)
              return typeof read === 'string' ? read : true
            },
          })}
          wrong={errors.height?.message}
        />
        <FormLine id="workshop-currency" label={say`Currency`} most={8} field={register('currency')} />
        <FormLine
          id="workshop-hour"
          label={say`An hour costs`}
          inputMode="decimal"
          field={register('perHour', {
            validate: (v) => {
              const read = priceIn(v)
              return typeof read === 'string' ? read : true
            },
          })}
          wrong={errors.perHour?.message}
        />
        <Button type="submit" className="mt-2" disabled={isSubmitting}>
          {say`Keep it`}
        </Button>
        {said && (
          <span className={`ms-3 ${said.wrong ? 'verdict-short' : 'soft'}`} role={said.wrong ? 'alert' : 'status'}>
            {said.words}
          </span>
        )}
      </Form>
    </section>
  )
}
