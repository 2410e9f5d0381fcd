'use client'

import { useId } from 'react'
import Form from 'react-bootstrap/Form'
import type { Part, PartKind, PartOf } from '@/core/parts'

/** A part from the shelf as one line of the tray. The job keeps the part as it is when chosen. */
export function PartPicker<K extends PartKind>({
  kind,
  label,
  shelf,
  chosen,
  onChoose,
  besides,
}: {
  readonly kind: K
  readonly label: string
  readonly shelf: readonly Part[]
  /** the job's own copy, whether the shelf still has it or not */
  readonly chosen: Pick<Part, 'id' | 'name'> | null
  readonly onChoose: (part: PartOf<K>) => void
  /** what can stand there without being on the shelf, with what it is called as a group */
  readonly besides?: { readonly name: string; readonly parts: readonly PartOf<K>[] }
}) {
  const id = useId()
  const own = shelf.filter((p): p is PartOf<K> & Part => p.kind === kind)
  const parts: readonly PartOf<K>[] = [...own, ...(besides?.parts ?? [])]
  return (
    <div className="choice">
      <label htmlFor={id}>{label}</label>
      <Form.Select
        id={id}
        value={parts.some((p) => p.id === chosen?.id) ? chosen!.id : ''}
        onChange={(e) => {
          const part = parts.find((p) => p.id === e.target.value)
          if (part) onChoose(part)
        }}
      >
        <option value="" disabled={chosen !== null}>
          {chosen ? `${chosen.name}, not on the shelf` : parts.length ? 'choose …' : 'none on the shelf'}
        </option>
        {own.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}, {p.maker}
          </option>
        ))}
        {besides && (
          <optgroup label={besides.name}>
            {besides.parts.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </optgroup>
        )}
      </Form.Select>
    </div>
  )
}
