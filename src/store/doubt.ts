const shared = globalThis as typeof globalThis & { pyraxisDoubt?: boolean }

/** The open file may not be what it was: rights that were taken or given are only seen by opening it anew. */
export const doubtStore = (): void => {
  shared.pyraxisDoubt = true
}

/** Whether anybody has doubted it since the last time this was asked. */
export function takeDoubt(): boolean {
  const doubted = shared.pyraxisDoubt === true
  shared.pyraxisDoubt = false
  return doubted
}
