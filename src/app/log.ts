import pino from 'pino'

const shared = globalThis as typeof globalThis & { pyraxisLog?: pino.Logger }

/** The server's own log, one JSON line an entry, on its standard error. */
export const log = (shared.pyraxisLog ??= pino(
  { name: 'pyraxis', level: process.env.PYRAXIS_LOG ?? 'warn', base: null },
  pino.destination({ dest: 2, sync: true }),
))

/** What was asked, without what it carried: a log is read by others than the yard. */
export const asked = (request: Request): { readonly method: string; readonly path: string } => ({
  method: request.method,
  path: new URL(request.url).pathname,
})
