import { keepWorkshop, theStore, workshopSchema } from '@/store'
import { languageSpoken } from '@/core/words'
import { canStartAgain, startAgain } from '../../again'
import { answering, readBody } from '../answers'

/**
 * Keeps what the workshop says of itself: `{ ok }`, or `{ ok: false, message }`. Where it is another language, the
 * server starts again to speak it, if whoever started it sees to that.
 */
export async function PUT(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const body = await readBody(request, workshopSchema)
      if (!body.ok) return Response.json({ ok: false, message: body.message }, { status: 400 })
      await keepWorkshop(await theStore(), body.value)
      if (body.value.language !== (languageSpoken()?.tag ?? 'en') && canStartAgain()) startAgain()
      return Response.json({ ok: true })
    },
    (message) => ({ ok: false, message }),
  )
}
