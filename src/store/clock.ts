/** The present moment; `PYRAXIS_NOW` (ISO) fixes it for tests and pictures. */
export function now(): Date {
  const fixed = process.env.PYRAXIS_NOW
  return fixed && !Number.isNaN(Date.parse(fixed)) ? new Date(fixed) : new Date()
}

/** Whether the clock is fixed, so that the browser can be told the same. */
export const clockIsFixed = (): boolean => Boolean(process.env.PYRAXIS_NOW)
