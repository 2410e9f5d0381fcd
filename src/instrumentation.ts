import type { Instrumentation } from 'next'

/** Called once before the first request. The edge has no files and no signals: what needs them is not built for it. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  // before anything that has words in it is loaded
  const { speakAsChosen } = await import('./app/language')
  speakAsChosen()
  const { beside } = await import('./app/beside')
  beside()
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
