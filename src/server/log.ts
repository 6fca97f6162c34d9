import 'server-only'
import pino from 'pino'

/** Structured logs, one JSON line each. No names, no document contents, no secrets: ids and outcomes only. */
export const log = pino({
  level: process.env.ISTRUZIONE_LOG ?? 'info',
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
})
