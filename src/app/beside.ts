import { closeTheStore } from '../store/database'
import { tendDaily } from './tending'

/** ms that a stop waits for browsers that hold a connection open; a save is done by then, or was never acknowledged */
const LAST_ANSWERS = 8000

/** What goes on beside answering: the store is closed on the way out, copies are made, older rows looked after. */
export function beside(): void {
  process.once('exit', closeTheStore)
  // a terminal that is closed ends this process too, the same way
  process.once('SIGHUP', () => process.exit(129))
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.once(signal, () => setTimeout(() => process.exit(0), LAST_ANSWERS).unref())
  tendDaily()
}
