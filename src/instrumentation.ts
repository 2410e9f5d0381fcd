import type { Instrumentation } from 'next'

/** ms that a stop waits for browsers that hold a connection open; a save is done by then, or was never acknowledged */
const LAST_ANSWERS = 8000

/** What goes on beside answering: the store is closed on the way out, copies are made, older rows looked after. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { closeTheStore } = await import('./store/database')
  process.once('exit', closeTheStore)
  // a terminal that is closed ends this process too, the same way
  process.once('SIGHUP', () => process.exit(129))
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.once(signal, () => setTimeout(() => process.exit(0), LAST_ANSWERS).unref())
  const { tendDaily } = await import('./app/tending')
  tendDaily()
}

/** Errors of pages, which no route handler answers: logged with what was asked, without what it carried. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { log } = await import('./app/log')
  log.error(
    { method: request.method, path: request.path.split('?')[0], route: context.routePath, err: error },
    'a page failed',
  )
}
