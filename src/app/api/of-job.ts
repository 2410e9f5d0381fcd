import { readHead, theStore, type JobRevision, type Store } from '@/store'
import { answering } from './answers'
import { say } from '@/core/words'

type OfJob = (job: JobRevision, store: Store, request: Request) => Promise<Response>

/** A route that answers about one job: 404 in words where there is none. */
export const ofJob =
  (answer: OfJob) =>
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params
    return answering(
      request,
      async () => {
        const store = await theStore()
        const head = await readHead(store, id)
        return head
          ? answer(head, store, request)
          : Response.json({ message: say`There is no such job.` }, { status: 404 })
      },
      (message) => ({ message }),
    )
  }
