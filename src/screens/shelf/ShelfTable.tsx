import { flexRender, type Header, type Table } from '@tanstack/react-table'
import type { Part } from '@/core/parts'
import { say } from '@/core/words'
import type { Row } from './rows'

interface Props {
  readonly table: Table<Row>
  readonly onEdit: (part: Part) => void
  readonly onCopy: (part: Part) => void
  readonly onRetire: (part: Part, retired: boolean) => void
}

const sortedAs = { asc: 'ascending', desc: 'descending' } as const

/** A column's name, pressed to sort by it. */
function Heading({ header }: { readonly header: Header<Row, unknown> }) {
  const { column } = header
  const sorted = column.getIsSorted()
  const name = flexRender(column.columnDef.header, header.getContext())
  return (
    <th scope="col" aria-sort={sorted ? sortedAs[sorted] : 'none'}>
      {column.getCanSort() ? (
        <button type="button" className="plain-button fw-medium" onClick={column.getToggleSortingHandler()}>
          {name}
          {sorted === 'asc' && say`, rising`}
          {sorted === 'desc' && say`, falling`}
        </button>
      ) : (
        name
      )}
    </th>
  )
}

/** Parts a line each, with what can be done about them. */
export function ShelfTable({ table, onEdit, onCopy, onRetire }: Props) {
  return (
    <table className="plain-table shelf-table">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((h) => (
              <Heading key={h.id} header={h} />
            ))}
            <th scope="col">
              <span className="visually-hidden">{say`what can be done`}</span>
            </th>
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map(({ id, original: { part, ...row } }) => (
          <tr key={id}>
            <td className="soft">{row.kind}</td>
            <td className="fw-medium">{row.name}</td>
            <td>{row.maker}</td>
            <td className="soft small">{row.about}</td>
            <td className={row.is === 'disagree' || row.is === 'order' ? 'verdict-unsure' : 'soft'}>{row.state}</td>
            <td className="text-nowrap text-end">
              <button
                type="button"
                className="word-button me-2"
                aria-label={say`Edit ${part.name}`}
                onClick={() => onEdit(part)}
              >
                {say`edit`}
              </button>
              <button
                type="button"
                className="word-button me-2"
                aria-label={say`Copy ${part.name}`}
                onClick={() => onCopy(part)}
              >
                {say`copy`}
              </button>
              <button
                type="button"
                className="word-button"
                aria-label={row.is === 'retired' ? say`Put back ${part.name}` : say`Retire ${part.name}`}
                onClick={() => onRetire(part, row.is !== 'retired')}
              >
                {row.is === 'retired' ? say`put back` : say`retire`}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
