import 'server-only'
import { AsyncLocalStorage } from 'node:async_hooks'
import { writeSync } from 'node:fs'
import pino from 'pino'
import { metrics } from './metrics'

const shared = globalThis as { istruzioneRequest?: AsyncLocalStorage<string> }
const request = (shared.istruzioneRequest ??= new AsyncLocalStorage<string>())

/** Everything that is written down meanwhile says which request it belongs to. */
export const inRequest = <T>(id: string, answer: () => T): T => request.run(id, answer)

/**
 * Where lines go. One that can't be written (the disk is full) is dropped: a logger that insists keeps the whole
 * process busy with it, and no shop is answered any more.
 */
const standardOutput = {
  write(line: string): void {
    try {
      writeSync(1, line)
    } catch {
      metrics.linesDropped.inc()
    }
  },
}

/** Structured logs, one JSON line each. No names, no document contents, no secrets: ids and outcomes only. */
export const log = pino(
  {
    level: process.env.ISTRUZIONE_LOG ?? 'info',
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    mixin: () => (request.getStore() ? { request: request.getStore() } : {}),
  },
  standardOutput,
)
