'use client'

import { useId } from 'react'
import Form from 'react-bootstrap/Form'

/** A file that is opened: each time that one is picked, the same one again too. */
export function OneFile({
  label,
  accept,
  onOpen,
}: {
  readonly label: string
  readonly accept: string
  readonly onOpen: (file: File) => void
}) {
  const id = useId()
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <Form.Control
        id={id}
        type="file"
        size="sm"
        accept={accept}
        style={{ maxWidth: 300 }}
        onChange={(e) => {
          const input = e.currentTarget as HTMLInputElement
          const file = input.files?.[0]
          if (file) onOpen(file)
          input.value = ''
        }}
      />
    </>
  )
}
