import { machinesLike, modelsLike, theStore } from '@/store'
import { answering } from '../answers'

/** Machines and models that were here before and hold `?q=`: `{ machines, models }`, a few of each. */
export async function GET(request: Request): Promise<Response> {
  const text = (new URL(request.url).searchParams.get('q') ?? '').slice(0, 80)
  return answering(
    request,
    async () => {
      const store = await theStore()
      return Response.json({ machines: await machinesLike(store, text), models: await modelsLike(store, text) })
    },
    (message) => ({ message }),
  )
}
