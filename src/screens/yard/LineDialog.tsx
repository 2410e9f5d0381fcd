'use client'

import { useState } from 'react'
import { useRouter } from 'next/navigation'
import { useForm, type UseFormReturn } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import { troubleOf } from '@/ui/ask-server'
import { FormLine, given } from '@/ui/FormLine'
import { askForId } from '../ask-for-id'
import { Share } from './Share'
import type { YardLine } from './JobLine'
import { Trouble } from '@/ui/Trouble'
import { say, spokenWord } from '@/core/words'

export interface PutAway {
  readonly id: string
  readonly title: string
  readonly where: 'archived' | 'deleted'
}

/** That a job was put away, and the way back. */
export function Undo({ id, title, where, onEnd }: PutAway & { readonly onEnd: () => void }) {
  const router = useRouter()
  const [trouble, setTrouble] = useState<string | null>(null)
  const undo = async (): Promise<void> => {
    const message = await troubleOf(`/api/jobs/${id}/place`, { where: 'yard' })
    setTrouble(message)
    if (message !== null) return
    router.refresh()
    onEnd()
  }
  return (
    <p className="say d-flex flex-wrap gap-3" role="status">
      <span>
        {say`${title} is ${spokenWord(where)}${where === 'deleted' ? say`, and can be had back for 30 days` : ''}.`}
      </span>
      <button type="button" className="word-button" onClick={() => void undo()}>
        {say`Undo`}
      </button>
      <button type="button" className="word-button soft" onClick={onEnd}>
        {say`Good`}
      </button>
      {trouble && <span className="verdict-short">{trouble}</span>}
    </p>
  )
}

interface Props {
  readonly line: YardLine
  /** it is archived or deleted already */
  readonly putAway: boolean
  /** others are let in over the network */
  readonly network: boolean
  readonly onHide: () => void
  readonly onGone: (gone: PutAway) => void
}

type Names = Readonly<Record<'title' | 'machineName' | 'owner' | 'promisedOn', string>>

function NameLines({ form }: { readonly form: UseFormReturn<Names> }) {
  const {
    register,
    formState: { errors },
  } = form
  return (
    <>
      <FormLine
        id="line-title"
        label={say`Job`}
        most={80}
        field={register('title', { validate: given })}
        wrong={errors.title && say`Give the job a name.`}
      />
      <FormLine
        id="line-machine"
        label={say`Machine`}
        most={80}
        field={register('machineName', { validate: given })}
        wrong={errors.machineName && say`Give the machine a name.`}
      />
      <FormLine id="line-owner" label={say`Owner`} most={80} field={register('owner')} />
    </>
  )
}

/** The job named anew. */
function Rename({ line, onDone }: { readonly line: YardLine; readonly onDone: () => void }) {
  const [trouble, setTrouble] = useState<string | null>(null)
  const form = useForm<Names>({
    defaultValues: {
      title: line.title,
      machineName: line.machine,
      owner: line.owner,
      promisedOn: line.summary?.promisedOn ?? '',
    },
  })
  const rename = async ({ promisedOn, ...names }: Names): Promise<void> => {
    const message = await troubleOf(`/api/jobs/${line.id}/name`, { ...names, promisedOn: promisedOn || null })
    setTrouble(message)
    if (message === null) onDone()
  }
  return (
    <Form noValidate onSubmit={form.handleSubmit(rename)} aria-label={say`Names and day`}>
      <NameLines form={form} />
      <FormLine id="line-promised" label={say`Promised for`} type="date" field={form.register('promisedOn')} />
      <Trouble words={trouble} />
      <Button type="submit" variant="outline-dark" className="mt-2" disabled={form.formState.isSubmitting}>
        {say`Keep the names`}
      </Button>
    </Form>
  )
}

/** A job on the next machine alike. */
function Copy({ line }: { readonly line: YardLine }) {
  const router = useRouter()
  const [trouble, setTrouble] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<Readonly<Record<'title' | 'machineName' | 'owner' | 'serial', string>>>({
    defaultValues: { title: '', machineName: '', owner: line.owner, serial: '' },
  })
  return (
    <Form
      noValidate
      aria-label={say`Copy for the next machine alike`}
      onSubmit={handleSubmit(async ({ machineName, title, ...rest }) => {
        const told = await askForId(`/api/jobs/${line.id}/copy`, {
          ...rest,
          title,
          machineName: machineName.trim() || title,
        })
        if ('id' in told) router.push(`/jobs/${told.id}`)
        else setTrouble(told.message)
      })}
    >
      <p className="soft small mb-1">
        {say`What was chosen comes along. What was measured of this machine stands as typical, until it is read on the
          next one; nothing that was seen, done, proved or signed does.`}
      </p>
      <FormLine
        id="copy-title"
        label={say`New job`}
        most={80}
        field={register('title', { validate: given })}
        wrong={errors.title && say`Give the job a name.`}
      />
      <FormLine
        id="copy-machine"
        label={say`Machine, if it has another name`}
        most={80}
        field={register('machineName')}
      />
      <FormLine id="copy-serial" label={say`Serial number`} most={60} field={register('serial')} />
      <FormLine id="copy-owner" label={say`Owner`} most={80} field={register('owner')} />
      <Trouble words={trouble} />
      <Button type="submit" variant="outline-dark" className="mt-2" disabled={isSubmitting}>
        {say`Copy it`}
      </Button>
    </Form>
  )
}

/** What can be done with a job besides working at it. */
export function LineDialog({ line, putAway, network, onHide, onGone }: Props) {
  const router = useRouter()
  const [trouble, setTrouble] = useState<string | null>(null)
  const done = (): void => {
    router.refresh()
    onHide()
  }
  const move = async (where: 'archived' | 'deleted' | 'yard'): Promise<void> => {
    const message = await troubleOf(`/api/jobs/${line.id}/place`, { where })
    setTrouble(message)
    if (message !== null) return
    if (where !== 'yard') onGone({ id: line.id, title: line.title, where })
    done()
  }
  return (
    <Modal show onHide={onHide} animation={false} scrollable aria-labelledby="line-dialog">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="line-dialog">
          {line.title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {line.summary && !putAway && (
          <>
            <h3>{say`Name it anew`}</h3>
            <Rename line={line} onDone={done} />
            <h3 className="mt-4">{say`Copy for the next machine alike`}</h3>
            <Copy line={line} />
            {network && <Share job={line.id} />}
          </>
        )}
        <Trouble words={trouble} />
      </Modal.Body>
      <Modal.Footer className="justify-content-start gap-2">
        {putAway ? (
          <Button onClick={() => void move('yard')}>{say`Put it back into the yard`}</Button>
        ) : (
          <>
            <Button variant="outline-dark" onClick={() => void move('archived')}>
              {say`Archive`}
            </Button>
            <Button variant="outline-dark" onClick={() => void move('deleted')}>
              {say`Delete`}
            </Button>
          </>
        )}
        <a className="word-link" href={`/api/jobs/${line.id}/file`}>
          {say`Take it out as a file`}
        </a>
        <a className="word-link" href={`/api/jobs/${line.id}/file?pictures=yes`}>
          {say`with its pictures`}
        </a>
      </Modal.Footer>
    </Modal>
  )
}
