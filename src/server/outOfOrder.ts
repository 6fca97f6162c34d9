import { OUT_OF_ORDER } from '@/words/refusals'

/** What the machine lacks so that it can't work. */
export type Lack = keyof typeof OUT_OF_ORDER

/**
 * What each word of the database (SQLSTATE, appendix A of PostgreSQL's manual) and of the system (errno) says the
 * machine lacks. Everything else is a fault of ours.
 */
const LACKS: Readonly<Record<string, Lack>> = {
  '53100': 'room',
  ENOSPC: 'room',
  EDQUOT: 'room',
  '25006': 'a disk that takes something',
  '58030': 'a disk that takes something',
  EROFS: 'a disk that takes something',
  EIO: 'a disk that takes something',
  '53200': 'connections',
  '53300': 'connections',
  '57P01': 'a database',
  '57P02': 'a database',
  '57P03': 'a database',
  '08000': 'a database',
  '08003': 'a database',
  '08006': 'a database',
  ECONNREFUSED: 'a database',
  ECONNRESET: 'a database',
  EPIPE: 'a database',
}
/** What the driver says without a code. */
const SILENT =
  /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error)/
/** What the database says of its files where the code is that of anything internal. */
const FULL = /No space left on device/
const UNWRITABLE = /Read-only file system|Input\/output error/

/**
 * What the machine lacks, where that is why something failed; null where it is not. Looks through what the error was
 * made from.
 */
export function lackBehind(error: unknown, depth = 0): Lack | null {
  if (typeof error !== 'object' || error === null || depth > 5) return null
  const { code, message, cause, errors } = error as Record<string, unknown>
  const said = typeof message === 'string' ? message : ''
  if (FULL.test(said)) return 'room'
  if (UNWRITABLE.test(said)) return 'a disk that takes something'
  if (typeof code === 'string' && code in LACKS) return LACKS[code]!
  if (SILENT.test(said)) return 'a database'
  for (const inner of [cause, ...(Array.isArray(errors) ? errors : [])]) {
    const lack = lackBehind(inner, depth + 1)
    if (lack) return lack
  }
  return null
}
