'use client'

import dynamic from 'next/dynamic'
import { useId, useState } from 'react'
import Form from 'react-bootstrap/Form'
import { isQuickKind, type Part, type PartKind, type PartOf } from '@/core/parts'
import type { UnitSystem } from '@/core/units'
import { persistently } from '@/ui/persistently'
import { say } from '@/core/words'

const AddHere = dynamic(() => persistently(() => import('./AddHere')).then((m) => m.AddHere), { ssr: false })

/** chosen in place of a part: it is not on the shelf */
const ADD = '+add'

/** A part from the shelf as one line of the tray. The job keeps the part as it is when chosen. */
export function PartPicker<K extends PartKind>({
  kind,
  label,
  system,
  shelf,
  chosen,
  onChoose,
  besides,
}: {
  readonly kind: K
  readonly label: string
  readonly system: UnitSystem
  readonly shelf: readonly Part[]
  /** the job's own copy, whether the shelf still has it or not */
  readonly chosen: Pick<Part, 'id' | 'name'> | null
  readonly onChoose: (part: PartOf<K>) => void
  /** what can stand there without being on the shelf, with what it is called as a group */
  readonly besides?: { readonly name: string; readonly parts: readonly PartOf<K>[] }
}) {
  const id = useId()
  const [adding, setAdding] = useState(false)
  const [added, setAdded] = useState<readonly Part[]>([])
  const own = [...shelf, ...added.filter((a) => !shelf.some((p) => p.id === a.id))].filter(
    (p): p is PartOf<K> & Part => p.kind === kind,
  )
  const parts: readonly PartOf<K>[] = [...own, ...(besides?.parts ?? [])]
  return (
    <div className="choice">
      <label htmlFor={id}>{label}</label>
      <Form.Select
        id={id}
        value={parts.some((p) => p.id === chosen?.id) ? chosen!.id : ''}
        onChange={(e) => {
          if (e.target.value === ADD) return setAdding(true)
          const part = parts.find((p) => p.id === e.target.value)
          if (part) onChoose(part)
        }}
      >
        <option value="" disabled={chosen !== null}>
          {chosen && say`${chosen.name}, not on the shelf`}
          {!chosen && (parts.length ? say`choose …` : say`none on the shelf`)}
        </option>
        {own.map((p) => (
          <option key={p.id} value={p.id}>
            {p.maker ? `${p.name}, ${p.maker}` : p.name}
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
        {isQuickKind(kind) && <option value={ADD}>{say`not on the shelf: add it here …`}</option>}
      </Form.Select>
      {adding && isQuickKind(kind) && (
        <AddHere
          kind={kind}
          system={system}
          onHide={() => setAdding(false)}
          onAdded={(part) => {
            setAdding(false)
            setAdded((before) => [...before, part])
            onChoose(part as PartOf<K>)
          }}
        />
      )}
    </div>
  )
}
