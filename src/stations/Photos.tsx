'use client'

import { useId, useState } from 'react'
import { usePathname } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import { addPhoto, type Job, removePhoto } from '@/core/job'
import type { StationProps } from './station'
import { say } from '@/core/words'

/** Sends a picture; what comes back is its id, or why it was not taken. */
async function send(path: string, file: File): Promise<{ id: string } | { trouble: string }> {
  try {
    const answer = await fetch(`/api${path}/photos`, {
      method: 'POST',
      headers: { 'content-type': file.type || 'application/octet-stream' },
      body: file,
    })
    const said = (await answer.json()) as { ok: boolean; id?: string; message?: string }
    return said.ok && said.id ? { id: said.id } : { trouble: said.message ?? say`It was not taken.` }
  } catch {
    return { trouble: say`The server is not to be reached: take it again when it is back.` }
  }
}

/** A picture of the workshop’s own, made small when it was taken; said where it lies in another yard. */
function Kept({ src, name }: { readonly src: string; readonly name: string }) {
  const [away, setAway] = useState(false)
  return away ? (
    <span className="small">{say`not in this yard: ${name}`}</span>
  ) : (
    <a href={src} target="_blank" rel="noreferrer">
      <img
        // what failed before the page was alive has told nobody
        ref={(img) => {
          if (img?.complete && img.naturalWidth === 0) setAway(true)
        }}
        src={src}
        alt={name}
        loading="lazy"
        onError={() => setAway(true)}
      />
    </a>
  )
}

/** Pictures of one thing, and a way to take another. */
export function Photos({
  job,
  of,
  name,
  settle,
  now,
}: Pick<StationProps, 'settle' | 'now'> & {
  readonly job: Pick<Job, 'photos'>
  /** "step:mount", "off:off1", "proof:turns" */
  readonly of: string
  /** what it is of, in words */
  readonly name: string
}) {
  const id = useId()
  const path = usePathname()
  const [trouble, setTrouble] = useState<string | null>(null)
  const [sending, setSending] = useState(false)
  const own = job.photos.filter((p) => p.of === of)
  const take = async (file: File): Promise<void> => {
    setSending(true)
    setTrouble(null)
    const sent = await send(path, file)
    setSending(false)
    if ('trouble' in sent) {
      setTrouble(sent.trouble)
      return
    }
    const at = now().toISOString()
    settle((j) => {
      const next = addPhoto(j, { id: sent.id, of, words: '', at })
      if ('full' in next) setTrouble(say`It was not kept: ${next.full}.`)
      return 'full' in next ? j : next
    })
  }
  return (
    <div className="photos">
      {own.map((p, i) => (
        <figure key={p.id}>
          <Kept src={`/api${path}/photos/${p.id}`} name={`${name}, ${i + 1}`} />
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out picture ${i + 1} of ${name}`}
            onClick={() => settle((j) => removePhoto(j, p.id))}
          >
            {say`take out`}
          </button>
        </figure>
      ))}
      <input
        id={id}
        type="file"
        accept="image/*"
        className="visually-hidden"
        aria-label={say`picture of ${name}`}
        onChange={(e) => {
          const file = e.target.files?.[0]
          e.target.value = ''
          if (file) void take(file)
        }}
      />
      <Button
        variant="outline-dark"
        disabled={sending}
        aria-label={say`add a picture: ${name}`}
        onClick={() => document.getElementById(id)?.click()}
      >
        {sending ? say`Sending …` : say`Picture`}
      </Button>
      {trouble && (
        <span className="say say-short" role="alert">
          {trouble}
        </span>
      )}
    </div>
  )
}
