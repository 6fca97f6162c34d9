import 'server-only'
import { AsyncLocalStorage } from 'node:async_hooks'
import pino from 'pino'

const shared = globalThis as { istruzioneRequest?: AsyncLocalStorage<string> }
const request = (shared.istruzioneRequest ??= new AsyncLocalStorage<string>())

/** Everything that is written down meanwhile says which request it belongs to. */
export const inRequest = <T>(id: string, answer: () => T): T => request.run(id, answer)

/** Structured logs, one JSON line each. No names, no document contents, no secrets: ids and outcomes only. */
export const log = pino({
  level: process.env.ISTRUZIONE_LOG ?? 'info',
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
  mixin: () => (request.getStore() ? { request: request.getStore() } : {}),
})
