/** After this many failures a name has to wait, twice as long each time, up to five minutes. */
const FREE_TRIES = 5
const FIRST_WAIT_MS = 5_000
const LONGEST_WAIT_MS = 300_000
const MOST_NAMES = 10_000

type Tries = { failures: number; lastMs: number }

/** Slows down guessing by name, whatever address it comes from. Kept in memory: one process serves a shop. */
export class SlowDown {
  private readonly tries = new Map<string, Tries>()

  secondsToWait(name: string, nowMs: number): number {
    const known = this.tries.get(name)
    if (!known || known.failures < FREE_TRIES) return 0
    const waitMs = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (known.failures - FREE_TRIES))
    return Math.max(0, Math.ceil((known.lastMs + waitMs - nowMs) / 1000))
  }

  failed(name: string, nowMs: number): void {
    const failures = (this.tries.get(name)?.failures ?? 0) + 1
    this.tries.delete(name)
    this.tries.set(name, { failures, lastMs: nowMs })
    // The oldest names are forgotten first, so that invented names can't fill the memory.
    if (this.tries.size > MOST_NAMES) this.tries.delete(this.tries.keys().next().value!)
  }

  succeeded(name: string): void {
    this.tries.delete(name)
  }
}

const shared = globalThis as { istruzioneSlowDown?: SlowDown }
export const slowDown = (shared.istruzioneSlowDown ??= new SlowDown())
