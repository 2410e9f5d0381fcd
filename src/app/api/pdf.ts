import { sheetPdf, papers, type Paper } from '@/formats/pdf/sheet-pdf'
import type { Sheet } from '@/core/sheets'

/** The paper that a request asks for; A4 where it asks for none that is known. */
const paperOf = (request: Request): Paper => {
  const asked = new URL(request.url).searchParams.get('paper') ?? ''
  return Object.hasOwn(papers, asked) ? (asked as Paper) : 'a4'
}

const fileName = (title: string): string =>
  `${
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'sheet'
  }.pdf`

/** A sheet as a PDF answer. */
export async function pdfAnswer(
  request: Request,
  sheet: Sheet,
  pictures: ReadonlyMap<string, Uint8Array> = new Map(),
): Promise<Response> {
  const bytes = await sheetPdf(sheet, paperOf(request), {
    pictures,
    annex: new URL(request.url).searchParams.get('annex') === 'yes',
  })
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${fileName(sheet.title)}"`,
    },
  })
}
