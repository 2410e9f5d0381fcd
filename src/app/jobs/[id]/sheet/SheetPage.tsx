'use client'

import Link from 'next/link'
import Button from 'react-bootstrap/Button'
import type { Sheet } from '@/core/plan'

/** The bench sheet as it is printed. */
export function SheetPage({ id, sheet, sealed }: { readonly id: string; readonly sheet: Sheet; readonly sealed: boolean }) {
  return (
    <div className="sheet-page">
      <p className="no-print d-flex gap-3 align-items-center">
        <Button variant="outline-dark" onClick={() => window.print()}>Print</Button>
        <Link href={`/jobs/${id}`}>Back to the job</Link>
        <a href={`/api/jobs/${id}/file`}>Job file</a>
        {sealed && <span className="soft">as it was signed</span>}
      </p>
      <h1>{sheet.title}</h1>
      <p>{sheet.subtitle}</p>
      {sheet.sections.map((s) => (
        <section key={s.heading}>
          <h2>{s.heading}</h2>
          {s.lines.map((line) => <p key={line} className="mb-1">{line}</p>)}
          {s.table && (
            <table>
              <thead><tr>{s.table.columns.map((c) => <th key={c} scope="col">{c}</th>)}</tr></thead>
              <tbody>{s.table.rows.map((row, i) => <tr key={i}>{row.map((cell, k) => <td key={k}>{cell}</td>)}</tr>)}</tbody>
            </table>
          )}
        </section>
      ))}
    </div>
  )
}
