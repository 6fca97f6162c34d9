import 'server-only'
import { env } from './env'
import { log } from './log'

/** Fails at once, with the names of what is missing, instead of at the first request. */
export function checkSettings(): void {
  const { ISTRUZIONE_ORIGIN, ISTRUZIONE_LOOPBACK } = env()
  log.info({ origin: ISTRUZIONE_ORIGIN, loopback: ISTRUZIONE_LOOPBACK === '1' }, 'started')
}
