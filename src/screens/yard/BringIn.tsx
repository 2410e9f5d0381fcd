'use client'

import { useCallback, useRef, useState } from 'react'
import dynamic from 'next/dynamic'
import { persistently } from '@/ui/persistently'
import { say } from '@/core/words'

const Brought = dynamic(() => persistently(() => import('./Brought')).then((m) => m.Brought), { ssr: false })

/** The way in for files of jobs; what is done with one is loaded when there is one. */
export function BringIn() {
  const input = useRef<HTMLInputElement>(null)
  const [file, setFile] = useState<File | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const end = useCallback((message: string | null) => {
    setFile(null)
    setTrouble(message)
  }, [])
  return (
    <>
      <button type="button" className="word-button" onClick={() => input.current?.click()}>
        {say`Bring in a job file`}
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={say`Job file`}
        onChange={(e) => {
          const picked = e.target.files?.[0]
          if (picked) {
            setTrouble(null)
            setFile(picked)
          }
          e.target.value = ''
        }}
      />
      {trouble && (
        <span className="say say-short my-0" role="alert">
          {trouble}
        </span>
      )}
      {file && <Brought file={file} onEnd={end} />}
    </>
  )
}
