/** ms for the answer that asked for it to go out first */
const ANSWER_MS = 300

/** Whether whoever started this server starts it again when it says so; a plain `next start` does not. */
export const canStartAgain = (): boolean => process.env.PYRAXIS_KEPT === 'yes' && typeof process.send === 'function'

/** Ends this server as a stop does, what is being saved first, and has it started again. */
export function startAgain(): void {
  setTimeout(() => {
    process.send?.('again')
    process.kill(process.pid, 'SIGTERM')
  }, ANSWER_MS)
}
