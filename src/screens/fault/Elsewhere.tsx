'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { type FieldErrors, useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { type FoundCaller, foundCallers, type FoundFeed, foundFeeds } from '@/core/diagnose/found'
import { type MachineKind, machineKinds, typicalMachines } from '@/core/job'
import { parse } from '@/core/units'
import { FormLine, given } from '@/ui/FormLine'
import { askForId } from '../ask-for-id'
import { Trouble } from '@/ui/Trouble'
import { say, spokenWord } from '@/core/words'

interface Answers {
  title: string
  kind: MachineKind
  amps: string
  caller: FoundCaller
  relay: 'yes' | 'no'
  feed: FoundFeed
  fuse: string
  units: 'metric' | 'imperial'
}

/** A current that may be left out, within ends. */
const current =
  (low: number, high: number) =>
  (text: string): true | string => {
    if (!text.trim()) return true
    const read = parse(text, 'current', 'metric')
    if (!read.ok) return read.message
    return (read.value >= low && read.value <= high) || say`Between ${low} A and ${high} A.`
  }
const currentOf = (text: string): number | null => {
  const read = text.trim() ? parse(text, 'current', 'metric') : null
  return read?.ok ? read.value : null
}

function Choice({
  id,
  label,
  options,
  field,
}: {
  readonly id: string
  readonly label: string
  readonly options: readonly (readonly [value: string, words: string])[]
  readonly field: ReturnType<ReturnType<typeof useForm<Answers>>['register']>
}) {
  return (
    <Form.Group controlId={id}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Select {...field}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  )
}

/** Five things that can be seen of it. */
function Five({
  register,
  errors,
}: Pick<ReturnType<typeof useForm<Answers>>, 'register'> & { readonly errors: FieldErrors<Answers> }) {
  return (
    <>
      <FormLine
        id="fault-amps"
        label={say`1. What stands on the fan, amps; empty where nothing does`}
        placeholder="6.5 A"
        inputMode="decimal"
        most={20}
        field={register('amps', { validate: current(0.05, 60) })}
        wrong={errors.amps?.message}
      />
      <Choice
        id="fault-caller"
        label={say`2. What calls it`}
        options={foundCallers.map((c) => [c, spokenWord(c)])}
        field={register('caller')}
      />
      <Choice
        id="fault-relay"
        label={say`3. Is there a relay between?`}
        options={[
          ['yes', say`yes: a relay carries the fan`],
          ['no', say`no: what calls it carries it`],
        ]}
        field={register('relay')}
      />
      <Choice
        id="fault-feed"
        label={say`4. Where it is fed`}
        options={foundFeeds.map((f) => [f, spokenWord(f)])}
        field={register('feed')}
      />
      <FormLine
        id="fault-fuse"
        label={say`5. The fuse in its holder, amps; empty where nothing stands on it`}
        placeholder="15 A"
        inputMode="decimal"
        most={20}
        field={register('fuse', { validate: current(0.5, 100) })}
        wrong={errors.fuse?.message}
      />
    </>
  )
}

/** A machine that was fitted elsewhere: five things that can be seen of it, and its search begins. */
export function Elsewhere() {
  const router = useRouter()
  const [trouble, setTrouble] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<Answers>({
    defaultValues: {
      title: '',
      kind: 'trail-bike',
      amps: '',
      caller: 'thermostat with a probe',
      relay: 'yes',
      feed: 'battery',
      fuse: '',
      units: 'metric',
    },
  })
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const begin = async ({ amps, fuse, relay, ...rest }: Answers): Promise<void> => {
    const told = await askForId('/api/fault', {
      ...rest,
      relay: relay === 'yes',
      amps: currentOf(amps),
      fuseA: currentOf(fuse),
    })
    if ('id' in told) router.push(`/jobs/${told.id}?station=prove`)
    else setTrouble(told.message)
  }
  return (
    <main className="message-page library">
      <p>
        <Link href="/" prefetch={false}>
          {say`Yard`}
        </Link>
      </p>
      <h1>{say`A fan that does not do as it should`}</h1>
      <p>
        {say`For a machine of this yard open its job: Prove, “Find the fault”. For one that was fitted elsewhere say
          what can be seen of it; what nobody knows is typical until it is measured.`}
      </p>
      <Form noValidate onSubmit={handleSubmit(begin)} className="choose-round">
        <FormLine
          id="fault-title"
          label={say`Machine`}
          most={80}
          placeholder={say`Quarry pick-up`}
          field={register('title', { validate: given })}
          wrong={errors.title && say`Give it a name.`}
        />
        <Choice
          id="fault-kind"
          label={say`Kind of machine`}
          options={machineKinds.map((k) => [k, typicalMachines[k].name])}
          field={register('kind')}
        />
        <Five register={register} errors={errors} />
        <Trouble words={trouble} />
        <Button type="submit" variant="dark" disabled={isSubmitting}>
          {say`Take it in and seek`}
        </Button>
      </Form>
    </main>
  )
}
