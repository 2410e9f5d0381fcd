import { createReadStream } from 'node:fs'
import { Readable } from 'node:stream'
import { backupFolder, backupNamed } from '@/store'
import { say } from '@/core/words'

/** A copy of the yard as a file: jobs with their history, pictures, runs, seals, shelf and settings. */
export async function GET(_: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params
  const file = backupNamed(backupFolder(), name)
  if (!file) return Response.json({ message: say`There is no such copy any more.` }, { status: 404 })
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="yard-${name}"`,
    },
  })
}
