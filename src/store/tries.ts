const FREE = 5
const LONGEST_S = 60
const FORGOTTEN_MS = 15 * 60_000

/** Wrong pass-phrases of late, whoever typed them: after a few each costs twice the wait of the one before. */
export class Tries {
  private wrong = 0
  private last = 0

  /** @returns s until another may be typed; 0: now */
  waitS(now: number): number {
    if (now - this.last > FORGOTTEN_MS) this.wrong = 0
    if (this.wrong < FREE) return 0
    const wait = Math.min(LONGEST_S, 2 ** (this.wrong - FREE + 1))
    return Math.max(0, Math.ceil(wait - (now - this.last) / 1000))
  }

  failed(now: number): void {
    this.wrong++
    this.last = now
  }

  succeeded(): void {
    this.wrong = 0
  }
}
