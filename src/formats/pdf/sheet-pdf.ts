import path from 'node:path'
import PDFDocument from 'pdfkit'
import type { Sheet } from '../../core/plan'

export const papers = { a4: 'A4', letter: 'LETTER' } as const
export type Paper = keyof typeof papers

const fontFile = (family: string, weight: number): string => path.join(process.cwd(), 'node_modules', '@fontsource', family, 'files', `${family}-latin-${weight}-normal.woff`)
const MARGIN = 42
const GAP = 8
const SIZE = 8.6

/** how much room each column wants: its longest word at least, its longest cell at most */
function columnWidths(doc: PDFKit.PDFDocument, columns: readonly string[], rows: readonly (readonly string[])[], room: number): number[] {
  const cells = columns.map((c, i) => [c, ...rows.map((r) => r[i] ?? '')])
  const least = cells.map((column) => Math.max(18, ...column.flatMap((t) => t.split(/\s+/)).map((w) => doc.widthOfString(w) + 2)))
  const most = cells.map((column, i) => Math.max(least[i]!, ...column.map((t) => doc.widthOfString(t) + 2)))
  const free = room - GAP * (columns.length - 1)
  const sumLeast = least.reduce((a, b) => a + b, 0)
  const wish = most.map((m, i) => m - least[i]!)
  const sumWish = wish.reduce((a, b) => a + b, 0)
  if (sumLeast >= free) return least.map((l) => (l / sumLeast) * free)
  const share = sumWish === 0 ? 0 : Math.min(1, (free - sumLeast) / sumWish)
  return least.map((l, i) => l + wish[i]! * share)
}

/** Lays a table out row by row; a row is never torn, and the header comes again on every page. */
function table(doc: PDFKit.PDFDocument, columns: readonly string[], rows: readonly (readonly string[])[]): void {
  const room = doc.page.width - 2 * MARGIN
  doc.font('text').fontSize(SIZE)
  const widths = columnWidths(doc, columns, rows, room)
  const draw = (cells: readonly string[], font: 'text' | 'bold'): void => {
    doc.font(font).fontSize(SIZE)
    const height = Math.max(...widths.map((w, i) => doc.heightOfString(cells[i] || ' ', { width: w }))) + 3
    if (doc.y + height > doc.page.height - MARGIN) {
      doc.addPage()
      if (font === 'text') draw(columns, 'bold')
      doc.font(font).fontSize(SIZE)
    }
    const top = doc.y
    let x = MARGIN
    widths.forEach((w, i) => {
      doc.text(cells[i] ?? '', x, top, { width: w })
      x += w + GAP
    })
    doc.moveTo(MARGIN, top + height - 1).lineTo(MARGIN + room, top + height - 1).lineWidth(font === 'bold' ? 0.8 : 0.3).strokeColor('#777').stroke()
    doc.x = MARGIN
    doc.y = top + height + 1
  }
  draw(columns, 'bold')
  for (const row of rows) draw(row, 'text')
}

/**
 * A sheet as PDF: the same words as its print, on A4 or Letter.
 * @returns the file's bytes
 */
export function sheetPdf(sheet: Sheet, paper: Paper): Promise<Buffer> {
  const doc = new PDFDocument({ size: papers[paper], margin: MARGIN, bufferPages: true, info: { Title: sheet.title, Creator: `Pyraxis, core ${sheet.coreVersion}` } })
  doc.registerFont('text', fontFile('barlow', 400)).registerFont('bold', fontFile('barlow', 600)).registerFont('heading', fontFile('barlow-condensed', 600))
  const parts: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part))
    doc.on('end', () => resolve(Buffer.concat(parts)))
    doc.on('error', reject)
  })
  doc.font('heading').fontSize(17).text(sheet.title)
  doc.font('text').fontSize(10).text(sheet.subtitle)
  for (const { heading, lines, table: t } of sheet.sections) {
    if (doc.y > doc.page.height - MARGIN - 60) doc.addPage()
    doc.moveDown(0.7).font('heading').fontSize(12).text(heading, MARGIN)
    doc.moveTo(MARGIN, doc.y).lineTo(doc.page.width - MARGIN, doc.y).lineWidth(0.8).strokeColor('#111').stroke()
    doc.moveDown(0.25).font('text').fontSize(SIZE)
    for (const line of lines) doc.text(line || ' ', MARGIN, doc.y, { width: doc.page.width - 2 * MARGIN })
    if (t && lines.length) doc.moveDown(0.4)
    if (t) table(doc, t.columns, t.rows)
  }
  const { start, count } = doc.bufferedPageRange()
  for (let n = start; n < start + count; n++) {
    doc.switchToPage(n)
    // the foot lies in the margin, where text would open another page
    doc.page.margins.bottom = 0
    doc.font('text').fontSize(7.5).text(`${sheet.title} · ${n - start + 1} of ${count}`, MARGIN, doc.page.height - 28, { width: doc.page.width - 2 * MARGIN, align: 'right', lineBreak: false })
  }
  doc.end()
  return done
}
