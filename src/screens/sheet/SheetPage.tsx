'use client'

import { useEffect } from 'react'
import Link from 'next/link'
import Button from 'react-bootstrap/Button'
import type { Sheet } from '@/core/sheets'
import { DrawingView } from '@/ui/DrawingView'
import { say } from '@/core/words'

interface Props {
  readonly sheet: Sheet
  /** where the same is had as PDF; the paper is added to it */
  readonly pdf?: string
  /** where its pictures are had, if it has any */
  readonly pictures?: string
  /** where it is had as another file, where that is offered */
  readonly file?: string
  readonly fileName?: string
  readonly back?: string
  readonly backName?: string
  readonly note: string
  /** what is said above the sheet */
  readonly children?: React.ReactNode
}

const onPaper = (address: string, paper: string): string =>
  `${address}${address.includes('?') ? '&' : '?'}paper=${paper}`

function SheetSection({
  section: s,
  pictures,
}: {
  readonly section: Sheet['sections'][number]
  readonly pictures: string
}) {
  return (
    <section>
      <h2>{s.heading}</h2>
      {s.lines.map((line, i) => (
        <p key={i} className="mb-1">
          {line}
        </p>
      ))}
      {s.drawings && (
        <div className={s.drawings.length > 1 ? 'two-drawings' : ''}>
          {s.drawings.map((d) => (
            <DrawingView key={d.title} drawing={d} maxHeight={340} />
          ))}
        </div>
      )}
      {s.pictures && (
        <div className="sheet-pictures">
          {s.pictures.map((p) => (
            <figure key={p.id}>
              <img src={`${pictures}/${p.id}`} alt={p.words} />
              <figcaption className="small">{p.words}</figcaption>
            </figure>
          ))}
        </div>
      )}
      {s.table && (
        <table>
          <thead>
            <tr>
              {s.table.columns.map((c, i) => (
                <th key={i} scope="col">
                  {c}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {s.table.rows.map((row, i) => (
              <tr key={i}>
                {row.map((cell, k) => (
                  <td key={k}>{cell}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

/** A sheet as it is printed, with what leads away from it; its annex is printed where it is unfolded. */
export function SheetPage({
  sheet,
  pdf,
  pictures = '',
  file,
  fileName = say`Job file`,
  back,
  backName,
  note,
  children,
}: Props) {
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  return (
    <main className="sheet-page">
      <nav className="no-print d-flex flex-wrap gap-3 align-items-center mb-3" aria-label={say`This sheet`}>
        <Button variant="outline-dark" onClick={() => window.print()}>
          {say`Print`}
        </Button>
        {pdf && (
          <>
            <a href={onPaper(pdf, 'a4')}>{say`PDF, A4`}</a>
            <a href={onPaper(pdf, 'letter')}>{say`PDF, Letter`}</a>
            {sheet.sections.some((s) => s.annex === true) && (
              <a href={`${onPaper(pdf, 'a4')}&annex=yes`}>{say`PDF with annex`}</a>
            )}
          </>
        )}
        {file && <a href={file}>{fileName}</a>}
        {back && (
          <Link href={back} prefetch={false}>
            {backName}
          </Link>
        )}
        {note && <span className="soft">{note}</span>}
      </nav>
      {children}
      <h1>{sheet.title}</h1>
      <p>{sheet.subtitle}</p>
      {sheet.sections
        .filter((s) => s.annex !== true)
        .map((s) => (
          <SheetSection key={s.heading} pictures={pictures} section={s} />
        ))}
      {sheet.sections.some((s) => s.annex === true) && (
        <details className="annex">
          <summary>{say`Annex: readings, margins, states, steps in full`}</summary>
          {sheet.sections
            .filter((s) => s.annex === true)
            .map((s) => (
              <SheetSection key={s.heading} pictures={pictures} section={s} />
            ))}
        </details>
      )}
    </main>
  )
}
