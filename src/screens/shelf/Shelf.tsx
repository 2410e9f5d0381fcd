'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import {
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { persistently } from '@/ui/persistently'
import { useRouter, useSearchParams } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { type Part, type PartKind, partKinds } from '@/core/parts'
import type { UnitSystem } from '@/core/units'
import { FindButton } from '@/ui/Find'
import { ThemeButton } from '@/ui/ThemeButton'
import { bringShelfIn, retire, type ShelfTrouble, takeStarter } from './server-calls'
import { say } from '@/core/words'
import { columns, type Entry, inOrder, rowOf } from './rows'
import { ShelfTable } from './ShelfTable'

type Editing = { readonly part: Part | null; readonly kind: PartKind; readonly copy: boolean }

/** All parts: searched, sorted, added, edited, copied, retired, taken in and out. */
interface Props {
  readonly entries: readonly Entry[]
  /** rows that cannot be read any more, by what their columns still say */
  readonly unreadable: readonly { readonly id: string; readonly name: string }[]
}

const PartForm = dynamic(() => persistently(() => import('./PartForm')).then((m) => m.PartForm), { ssr: false })

const startedWith = (taken: number): string =>
  taken
    ? say`${taken} generic parts stand here, each figure typical until you read a label.`
    : say`The generic parts stand here already.`

export function Shelf({ entries, unreadable }: Props) {
  const router = useRouter()
  const asked = useSearchParams().get('part')
  const named = entries.find((e) => e.part.id === asked)?.part
  const [editing, setEditing] = useState<Editing | null>(null)
  const [search, setSearch] = useState('')
  const [kind, setKind] = useState<PartKind | 'all'>('all')
  const [units, setUnits] = useState<UnitSystem>('metric')
  const [withRetired, setWithRetired] = useState(false)
  const [sorting, setSorting] = useState<SortingState>([])
  const [trouble, setTrouble] = useState<ShelfTrouble | null>(null)
  const [asSource, setAsSource] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const file = useRef<HTMLInputElement>(null)
  // a part that the address names is opened once the page stands; not again when the shelf is read anew
  useEffect(() => {
    if (named) setEditing({ part: named, kind: named.kind, copy: false })
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked])
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const data = useMemo(
    () =>
      entries
        .filter((e) => (withRetired || e.retiredAt === null) && (kind === 'all' || e.part.kind === kind))
        .sort(inOrder)
        .map((e) => rowOf(e, units)),
    [entries, kind, withRetired, units],
  )
  const table = useReactTable({
    data,
    columns,
    state: { globalFilter: search, sorting },
    onSortingChange: setSorting,
    onGlobalFilterChange: setSearch,
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
  })
  const bring = async (picked: File): Promise<void> => {
    setSaid(null)
    const answer = await bringShelfIn(await picked.text(), asSource ? picked.name : null)
    if (answer.ok) {
      setTrouble(null)
      setSaid(
        say`${answer.taken} ${answer.taken === 1 ? say`part` : say`parts`} taken in from
          ${picked.name}${
            answer.noted ? say`; ${answer.noted} of them stood here, and it is noted as one more source` : ''
          }.`,
      )
      router.refresh()
    } else setTrouble({ ...answer.trouble, message: `${picked.name}: ${answer.trouble.message}` })
  }
  const begin = async (): Promise<void> => {
    const answer = await takeStarter()
    setTrouble(answer.ok ? null : answer.trouble)
    setSaid(answer.ok ? startedWith(answer.taken) : null)
    router.refresh()
  }
  const changeRetired = async (part: Part, retired: boolean): Promise<void> => {
    const message = await retire(part.id, retired)
    setTrouble(message === null ? null : { message, problems: [] })
    router.refresh()
  }
  return (
    <>
      <header className="masthead">
        <Link href="/" className="wordmark" prefetch={false}>
          PYRAXIS
        </Link>
        <h1>{say`Shelf`}</h1>
        <span className="under">{say`${entries.filter((e) => e.retiredAt === null).length} parts`}</span>
        <span className="right">
          <FindButton />
          <button
            type="button"
            className="word-button figure-text"
            onClick={() => setUnits(units === 'metric' ? 'imperial' : 'metric')}
          >
            {units === 'metric' ? '°C mm' : '°F in'}
            <span className="visually-hidden">{say`, swap unit system`}</span>
          </button>
          <Link href="/" prefetch={false}>
            {say`Yard`}
          </Link>
          <ThemeButton />
        </span>
      </header>
      {unreadable.length > 0 && (
        <p className="say say-short mx-3" role="alert">
          {say`${
            unreadable.length === 1 ? say`A part` : say`${unreadable.length} parts`
          } of this shelf cannot be read any more:`}{' '}
          {say`${unreadable.map((p) => p.name || p.id).join(', ')}. The rest is here; what jobs have chosen they keep.`}
        </p>
      )}
      <main className="shelf">
        <div className="d-flex flex-wrap gap-3 align-items-center mb-2">
          <Form.Control
            style={{ maxWidth: 260 }}
            aria-label={say`Search the shelf`}
            placeholder={say`search name, maker, figures`}
            value={search}
            onChange={(e) => setSearch(e.target.value)}
          />
          <Form.Select
            style={{ width: 'auto' }}
            aria-label={say`Kind of part`}
            value={kind}
            onChange={(e) => setKind(e.target.value as PartKind | 'all')}
          >
            <option value="all">{say`all kinds`}</option>
            {(Object.keys(partKinds) as PartKind[]).map((k) => (
              <option key={k} value={k}>
                {partKinds[k].plural}
              </option>
            ))}
          </Form.Select>
          <Form.Check
            id="with-retired"
            label={say`retired too`}
            checked={withRetired}
            onChange={(e) => setWithRetired(e.target.checked)}
          />
          <Form.Check
            id="as-source"
            label={say`a file is one more source: parts that stand here keep what they have`}
            checked={asSource}
            onChange={(e) => setAsSource(e.target.checked)}
          />
          <span className="ms-auto d-flex flex-wrap gap-3 align-items-center">
            <Button onClick={() => setEditing({ part: null, kind: kind === 'all' ? 'fan' : kind, copy: false })}>
              {say`Add a part`}
            </Button>
            <button type="button" className="word-button" onClick={() => void begin()}>
              {say`Begin with generic parts`}
            </button>
            <button type="button" className="word-button" onClick={() => file.current?.click()}>
              {say`Bring in CSV or JSON`}
            </button>
            <input
              ref={file}
              type="file"
              accept=".csv,.json,text/csv,application/json"
              className="visually-hidden"
              tabIndex={-1}
              aria-label={say`Shelf file`}
              onChange={(e) => {
                const picked = e.target.files?.[0]
                if (picked) void bring(picked)
                e.target.value = ''
              }}
            />
            <a className="word-link" href="/api/parts/file?as=csv">
              {say`out as CSV`}
            </a>
            <a className="word-link" href="/api/parts/file?as=json">
              {say`out as JSON`}
            </a>
          </span>
        </div>
        {said && (
          <p className="say say-holds" role="status">
            {said}
          </p>
        )}
        {trouble && (
          <div className="say say-short" role="alert">
            {trouble.message}
            {trouble.problems.length > 0 && (
              <ul className="mb-0">
                {trouble.problems.map((p) => (
                  <li key={p.row}>{say`row ${p.row}${p.name ? `, ${p.name}` : ''}: ${p.message}`}</li>
                ))}
              </ul>
            )}
          </div>
        )}
        <ShelfTable
          table={table}
          onEdit={(part) => setEditing({ part, kind: part.kind, copy: false })}
          onCopy={(part) => setEditing({ part, kind: part.kind, copy: true })}
          onRetire={(part, retired) => void changeRetired(part, retired)}
        />
        {table.getRowModel().rows.length === 0 && (
          <p className="soft py-3">
            {entries.length === 0
              ? say`The shelf is empty: add the first part, bring in a file, or begin with generic parts.`
              : say`Nothing here holds these letters.`}
          </p>
        )}
        <p className="soft small mt-3">
          {say`A job keeps each part as it was when chosen; what is changed or retired here does not touch it.`}
        </p>
      </main>
      {editing && (
        <PartForm
          {...editing}
          units={units}
          taken={entries.map((e) => e.part.id)}
          onHide={() => setEditing(null)}
          onDone={() => {
            setEditing(null)
            router.refresh()
          }}
        />
      )}
    </>
  )
}
