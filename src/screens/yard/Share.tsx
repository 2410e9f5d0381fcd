'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { z } from 'zod'
import { askServer, UNREACHED } from '@/ui/ask-server'
import { say } from '@/core/words'

const answerSchema = z.object({ message: z.string().optional(), path: z.string().optional() })
const DAYS = 14

type Linked = { readonly link: string } | { readonly trouble: string } | null

/** A job opened on a phone, and a link by which its owner looks at its card; both where the yard is on the network. */
export function Share({ job }: { readonly job: string }) {
  const [linked, setLinked] = useState<Linked>(null)
  const make = async (): Promise<void> => {
    const answer = await askServer(`/api/jobs/${job}/owner-link`, { days: DAYS }, answerSchema)
    setLinked(answer?.path ? { link: window.location.origin + answer.path } : { trouble: answer?.message ?? UNREACHED })
  }
  return (
    <>
      <h3 className="mt-4">{say`On a phone, and for the owner`}</h3>
      {/* drawn by the yard itself, of this job’s address */}
      <img src={`/api/jobs/${job}/qr.svg`} alt={say`Square with the address of this job`} width="160" height="160" />
      <p className="mt-2">
        <Button variant="outline-dark" onClick={() => void make()}>
          {say`Make a link for the owner, ${DAYS} days`}
        </Button>
      </p>
      {linked && 'trouble' in linked && (
        <p className="say say-short" role="alert">
          {linked.trouble}
        </p>
      )}
      {linked && 'link' in linked && (
        <p className="text-break" role="status">
          {say`The owner sees the card of this job and nothing else:`} <a href={linked.link}>{linked.link}</a>
        </p>
      )}
    </>
  )
}
