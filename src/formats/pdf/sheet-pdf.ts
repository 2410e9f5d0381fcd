import PDFDocument from 'pdfkit'
import type { Drawing, Shape } from '../../core/drawing'
import type { Sheet } from '../../core/sheets'
import { legibleAll } from '../legible'
import { inLetters, NO_LETTER } from './letters'
import { say } from '../../core/words'

export const papers = { a4: 'A4', letter: 'LETTER' } as const
export type Paper = keyof typeof papers

const MARGIN = 38
const GAP = 8
const SIZE = 8.6

/** how much room each column wants: its longest word at least, its longest cell at most */
function columnWidths(
  doc: PDFKit.PDFDocument,
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  room: number,
): number[] {
  const cells = columns.map((c, i) => [c, ...rows.map((r) => r[i] ?? '')])
  const least = cells.map((column) =>
    Math.max(18, ...column.flatMap((t) => t.split(' ')).map((w) => doc.widthOfString(w) + 2)),
  )
  const most = cells.map((column, i) => Math.max(least[i]!, ...column.map((t) => doc.widthOfString(t) + 2)))
  const free = room - GAP * (columns.length - 1)
  const sumLeast = least.reduce((a, b) => a + b, 0)
  const wish = most.map((m, i) => m - least[i]!)
  const sumWish = wish.reduce((a, b) => a + b, 0)
  if (sumLeast >= free) return least.map((l) => (l / sumLeast) * free)
  const share = sumWish === 0 ? 0 : Math.min(1, (free - sumLeast) / sumWish)
  return least.map((l, i) => l + wish[i]! * share)
}

/** a table of so many short rows is laid out in two halves side by side */
const HALVED_ROWS = 12
/** a half may be so much narrower than its longest cells want: some of them take two lines */
const SQUEEZED = 0.8
/** about how high a row, a line and a heading are, pt */
const ROW = 13.5
const LINE = 10.6
const HEADING = 34

/** Whether a table's rows are many and short enough to stand in two halves. */
function isHalved(doc: PDFKit.PDFDocument, columns: readonly string[], rows: readonly (readonly string[])[]): boolean {
  if (rows.length < HALVED_ROWS || columns.length > 4) return false
  doc.font('text').fontSize(SIZE)
  const wants = columns.reduce(
    (sum, c, i) => sum + GAP + Math.max(...[c, ...rows.map((r) => r[i] ?? '')].map((t) => doc.widthOfString(t) + 2)),
    -GAP,
  )
  return SQUEEZED * wants <= (roomOf(doc) - GAP) / 2
}

/** A figure, or the blank for one, with its unit: never parted by the end of a line. */
const together = (cell: string): string => cell.replace(/([\d_]) (?=\S{1,5}(?:\s|$|\)))/g, '$1\u00a0')

/** Lays a table out row by row; a row is never torn, and the header comes again on every page. */
function table(doc: PDFKit.PDFDocument, columns: readonly string[], given: readonly (readonly string[])[]): void {
  const rows = given.map((r) => r.map(together))
  if (isHalved(doc, columns, rows)) {
    const half = Math.ceil(rows.length / 2)
    // one row of both halves beside each other
    const beside = Array.from({ length: half }, (_, i) => [
      ...columns.map((_c, k) => rows[i]![k] ?? ''),
      ...columns.map((_c, k) => rows[half + i]?.[k] ?? ''),
    ])
    return rowsOf(doc, [...columns, ...columns], beside, halfWidths(doc, columns, rows))
  }
  const room = doc.page.width - 2 * MARGIN
  doc.font('text').fontSize(SIZE)
  return rowsOf(doc, columns, rows, columnWidths(doc, columns, rows, room))
}

/** Widths of both halves: the same columns twice. */
function halfWidths(
  doc: PDFKit.PDFDocument,
  columns: readonly string[],
  rows: readonly (readonly string[])[],
): number[] {
  const widths = columnWidths(doc, columns, rows, (roomOf(doc) - GAP) / 2)
  return [...widths, ...widths]
}

function rowsOf(
  doc: PDFKit.PDFDocument,
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  widths: readonly number[],
): void {
  const room = doc.page.width - 2 * MARGIN
  const draw = (cells: readonly string[], font: 'text' | 'bold'): void => {
    doc.font(font).fontSize(SIZE)
    const height = Math.max(...widths.map((w, i) => doc.heightOfString(cells[i] || ' ', { width: w }))) + 2.2
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
    doc
      .moveTo(MARGIN, top + height - 1)
      .lineTo(MARGIN + room, top + height - 1)
      .lineWidth(font === 'bold' ? 0.8 : 0.3)
      .strokeColor('#777')
      .stroke()
    doc.x = MARGIN
    doc.y = top + height + 0.6
  }
  draw(columns, 'bold')
  for (const row of rows) draw(row, 'text')
}

const DRAWN = 190
/** smallest lettering of a drawing that is read at arm's length, pt; and room for the foot of a page */
const LEAST_PT = 8
const ROOMY = 1.06
const FOOT = 24

const APART = 16

/** How much larger than in their own millimetres some drawings can be side by side in a room, pt. */
function scaleIn(drawings: readonly Drawing[], w: number, h: number): number {
  const wide = drawings.reduce((sum, d) => sum + d.w, 0)
  return Math.min((w - APART * (drawings.length - 1)) / wide, h / Math.max(...drawings.map((d) => d.h)))
}

const isAcross = ({ page }: PDFKit.PDFDocument): boolean => page.width > page.height
const roomOf = ({ page }: PDFKit.PDFDocument): number => page.width - 2 * MARGIN

const leastLetters = (drawings: readonly Drawing[]): number =>
  Math.min(...drawings.flatMap((d) => d.shapes).map((s) => (s.kind === 'text' ? s.size : Infinity)))

/** Whether drawings could not be read at arm's length in a row of an upright page: then they have a page across. */
function wantAcross(doc: PDFKit.PDFDocument, drawings: readonly Drawing[]): boolean {
  const wide = Math.min(doc.page.width, doc.page.height) - 2 * MARGIN
  return scaleIn(drawings, wide, DRAWN) * leastLetters(drawings) < LEAST_PT
}

/** Drawings side by side in one row, to scale with each other; on a page across they fill it. */
function drawingRow(doc: PDFKit.PDFDocument, drawings: readonly Drawing[]): void {
  const apart = APART
  // across it is as large as it is read at arm's length: what is proved of it stands below
  const scale = isAcross(doc)
    ? Math.min(
        scaleIn(drawings, roomOf(doc), doc.page.height - doc.y - MARGIN - FOOT),
        (ROOMY * LEAST_PT) / leastLetters(drawings),
      )
    : scaleIn(drawings, roomOf(doc), DRAWN)
  const high = Math.max(...drawings.map((d) => d.h)) * scale
  if (doc.y + high > doc.page.height - MARGIN) doc.addPage()
  const top = doc.y + 4
  let left = MARGIN
  for (const d of drawings) {
    doc.save().translate(left, top).scale(scale).translate(-d.x, -d.y)
    // words last, so that nothing is drawn over them
    const isWords = (s: Shape): boolean => s.kind === 'text'
    for (const s of [...d.shapes.filter((x) => !isWords(x)), ...d.shapes.filter(isWords)]) {
      if (s.kind === 'text') {
        doc.font('text').fontSize(s.size).fillColor('#111')
        const width = doc.widthOfString(s.text)
        const x = s.x - { start: 0, middle: width / 2, end: width }[s.anchor]
        // no line goes through words
        doc
          .rect(x, s.y - 0.78 * s.size, width, 0.8 * s.size)
          .fill('#fff')
          .fillColor('#111')
        doc.text(s.text, x, s.y - s.size, { lineBreak: false })
        continue
      }
      if (s.pen === 'hit' || s.pen === 'flow') continue
      const faint = s.pen === 'faint' || s.pen === 'swept' || s.pen === 'wire-floating' || s.pen === 'relay-link'
      const heavy = s.pen === 'outline' || s.pen === 'fan' || s.pen === 'touch' || s.pen === 'part-heavy'
      const weight = s.kind === 'path' && s.weight !== undefined ? s.weight * scale : 0.5
      const ink = s.pen === 'touch' || s.pen === 'exhaust' ? '#a8371c' : '#111'
      doc.lineWidth((heavy ? 1 : weight) / scale).strokeColor(faint ? '#bbb' : ink)
      if (s.kind === 'rect') doc.rect(s.x, s.y, s.w, s.h)
      else if (s.kind === 'circle') doc.circle(s.x, s.y, s.r)
      else s.points.forEach(([x, y], i) => (i ? doc.lineTo(x, y) : doc.moveTo(x, y)))
      doc.stroke()
    }
    doc.restore()
    left += d.w * scale + apart
  }
  doc.fillColor('#000')
  doc.x = MARGIN
  doc.y = top + high + 4
}

/** Whether a section has room on a page across, below what stands there. */
function hasRoom(
  doc: PDFKit.PDFDocument,
  lines: readonly string[],
  t: Sheet['sections'][number]['table'],
  drawings: unknown,
): boolean {
  if (drawings) return false
  const rows = t ? 1 + (isHalved(doc, t.columns, t.rows) ? Math.ceil(t.rows.length / 2) : t.rows.length) : 0
  return doc.y + HEADING + LINE * lines.length + ROW * rows < doc.page.height - MARGIN
}

const PICTURE = 150

interface PdfOptions {
  /** with what is printed on request only */
  readonly annex?: boolean
  /** JPEG by id, of what the sheet names */
  readonly pictures?: ReadonlyMap<string, Uint8Array>
}

/** Pictures in rows, each with its words below; one that is not there any more is named all the same. */
function pictureRows(
  doc: PDFKit.PDFDocument,
  pictures: readonly { readonly id: string; readonly words: string }[],
  bytes: ReadonlyMap<string, Uint8Array>,
): void {
  const wide = (roomOf(doc) - 2 * APART) / 3
  for (let i = 0; i < pictures.length; i += 3) {
    if (doc.y + PICTURE + FOOT > doc.page.height - MARGIN) doc.addPage()
    const top = doc.y + 4
    pictures.slice(i, i + 3).forEach(({ id, words }, k) => {
      const left = MARGIN + k * (wide + APART)
      const jpeg = bytes.get(id)
      if (jpeg) doc.image(Buffer.from(jpeg), left, top, { fit: [wide, PICTURE] })
      doc.font('text').fontSize(SIZE)
      doc.text(jpeg ? words : say`${words} (the picture is not here)`, left, top + PICTURE + 2, {
        width: wide,
        height: FOOT,
      })
    })
    doc.x = MARGIN
    doc.y = top + PICTURE + FOOT
  }
}

/**
 * A sheet as PDF: the same words as its print, on A4 or Letter; its annex only where that is asked for.
 * @returns the file's bytes
 */
export function sheetPdf(
  written: Sheet,
  paper: Paper,
  { annex = false, pictures = new Map() }: PdfOptions = {},
): Promise<Buffer> {
  const { thing: sheet, faces, lacks } = inLetters(legibleAll(written))
  const doc = new PDFDocument({
    size: papers[paper],
    margin: MARGIN,
    bufferPages: true,
    info: { Title: sheet.title, Creator: say`Pyraxis, core ${sheet.coreVersion}` },
  })
  doc.registerFont('text', faces.text).registerFont('bold', faces.bold).registerFont('heading', faces.heading)
  const parts: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part))
    doc.on('end', () => resolve(Buffer.concat(parts)))
    doc.on('error', reject)
  })
  doc.font('heading').fontSize(17).text(sheet.title)
  doc.font('text').fontSize(10).text(sheet.subtitle)
  if (lacks)
    doc.text(
      say`Where ${NO_LETTER} stands, this file has no such letter: the browser has more, and prints the same page.`,
    )
  for (const { heading, lines, table: t, drawings, pictures: shown } of sheet.sections.filter(
    (s) => annex || s.annex !== true,
  )) {
    const across = drawings !== undefined && drawings.length > 0 && wantAcross(doc, drawings)
    if (across) doc.addPage({ size: papers[paper], layout: 'landscape', margin: MARGIN })
    else if (isAcross(doc) ? !hasRoom(doc, lines, t, drawings) : doc.y > doc.page.height - MARGIN - 60)
      doc.addPage({ size: papers[paper], margin: MARGIN })
    doc.moveDown(0.7).font('heading').fontSize(12).text(heading, MARGIN)
    doc
      .moveTo(MARGIN, doc.y)
      .lineTo(doc.page.width - MARGIN, doc.y)
      .lineWidth(0.8)
      .strokeColor('#111')
      .stroke()
    doc.moveDown(0.25).font('text').fontSize(SIZE)
    for (const line of lines) doc.text(line || ' ', MARGIN, doc.y, { width: doc.page.width - 2 * MARGIN })
    if (drawings?.length) drawingRow(doc, drawings)
    if (shown?.length) pictureRows(doc, shown, pictures)
    if (t && lines.length) doc.moveDown(0.4)
    if (t) table(doc, t.columns, t.rows)
  }
  const { start, count } = doc.bufferedPageRange()
  for (let n = start; n < start + count; n++) {
    doc.switchToPage(n)
    // the foot lies in the margin, where text would open another page
    doc.page.margins.bottom = 0
    doc
      .font('text')
      .fontSize(7.5)
      .text(say`${sheet.title} · ${n - start + 1} of ${count}`, MARGIN, doc.page.height - 28, {
        width: doc.page.width - 2 * MARGIN,
        align: 'right',
        lineBreak: false,
      })
  }
  doc.end()
  return done
}
