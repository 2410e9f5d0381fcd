'use client'

import { useEffect, useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { troubleOf } from '@/ui/ask-server'
import { Trouble } from '@/ui/Trouble'
import { say } from '@/core/words'

/** The pass-phrase, asked of whoever comes over the network. @param to where they wanted to go */
export function DoorScreen({ to }: { readonly to: string }) {
  const [trouble, setTrouble] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    formState: { isSubmitting },
  } = useForm<{ passphrase: string }>({ defaultValues: { passphrase: '' } })
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const enter = async (fields: { passphrase: string }): Promise<void> => {
    const message = await troubleOf('/api/door', fields)
    if (message === null) window.location.assign(to)
    else setTrouble(message)
  }
  return (
    <main className="message-page">
      <h1>{say`The yard’s door`}</h1>
      <p>{say`This yard is open to the shop’s network. Whoever works here knows its pass-phrase.`}</p>
      <Form noValidate onSubmit={handleSubmit(enter)}>
        <Form.Group controlId="door-passphrase" className="mb-2">
          <Form.Label className="mb-0">{say`Pass-phrase`}</Form.Label>
          <Form.Control type="password" autoComplete="current-password" maxLength={200} {...register('passphrase')} />
        </Form.Group>
        <Trouble words={trouble} />
        <Button type="submit" disabled={isSubmitting}>
          {say`Come in`}
        </Button>
      </Form>
    </main>
  )
}
