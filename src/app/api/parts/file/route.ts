import { notedFrom, sameAs } from '@/core/parts'
import { readShelfFile, writeShelfFile } from '@/formats'
import { readShelfCsv, writeShelfCsv } from '@/formats/shelf-csv'
import { listShelf, putParts, theStore } from '@/store'
import { answering, readText } from '../../answers'
import { say } from '@/core/words'

const LARGEST = 20_000_000

/** The shelf as a file, `?as=csv` or JSON; retired parts are not in it. */
export async function GET(request: Request): Promise<Response> {
  const csv = new URL(request.url).searchParams.get('as') === 'csv'
  return answering(
    request,
    async () => {
      const parts = (await listShelf(await theStore())).entries.filter((e) => e.retiredAt === null).map((e) => e.part)
      return new Response(csv ? writeShelfCsv(parts) : writeShelfFile(parts), {
        headers: {
          'content-type': csv ? 'text/csv; charset=utf-8' : 'application/json',
          'content-disposition': `attachment; filename="shelf.${csv ? 'csv' : 'json'}"`,
        },
      })
    },
    (message) => ({ message }),
  )
}

/**
 * Takes parts in from JSON or CSV, all or none: `{ taken }`, or `{ message, problems }` that say which rows are wrong
 * and why. With `?as=source&name=…` parts that are on the shelf keep what they have, and the file is noted beside it.
 */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const text = await readText(request, LARGEST)
      if (text === null)
        return Response.json({ message: say`This file is too large for a shelf.`, problems: [] }, { status: 400 })
      if (text.includes('\u0000'))
        return Response.json(
          { message: say`This is not a text file. A shelf comes as CSV or JSON.`, problems: [] },
          { status: 400 },
        )
      const read = text.trimStart().startsWith('{') ? readShelfFile(text) : null
      if (read && !read.ok) return Response.json({ message: read.message, problems: [] }, { status: 400 })
      const { parts, problems } = read ? { parts: read.parts, problems: [] } : readShelfCsv(text)
      if (problems.length)
        return Response.json(
          {
            message: say`Nothing was taken: ${problems.length} ${
              problems.length === 1 ? say`row is` : say`rows are`
            } wrong.`,
            problems: problems.slice(0, 100),
          },
          { status: 400 },
        )
      const store = await theStore()
      const asked = new URL(request.url).searchParams
      if (asked.get('as') !== 'source') {
        await putParts(store, parts)
        return Response.json({ taken: parts.length })
      }
      // what stands there stays; the file is one more that says something of it
      const source = (asked.get('name') ?? say`a file`).slice(0, 60)
      const shelf = (await listShelf(store)).entries.map((e) => e.part)
      const noted = parts.map((part) => {
        const same = sameAs(shelf, part)
        return { known: same !== null, part: same ? notedFrom(same, part, 'in the sheet', source) : part }
      })
      await putParts(
        store,
        noted.map((n) => n.part),
      )
      return Response.json({ taken: parts.length, noted: noted.filter((n) => n.known).length })
    },
    (message) => ({ message, problems: [] }),
  )
}
