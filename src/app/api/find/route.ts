import { find, theStore } from '@/store'
import { answering } from '../answers'

/** Jobs, machines and parts that hold `?q=`: `{ found, more }`. */
export async function GET(request: Request): Promise<Response> {
  const text = (new URL(request.url).searchParams.get('q') ?? '').slice(0, 80)
  return answering(
    request,
    async () => Response.json(text.trim() ? await find(await theStore(), text) : { found: [], more: 0 }),
    (message) => ({ message }),
  )
}
