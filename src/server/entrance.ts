/** No body larger than this is read; an import of a procedure is the largest thing anybody sends. */
const LARGEST_BODY_BYTES = 4 * 1024 * 1024

/** What is known of a request before its body is read: its method, and its headers by their name in small letters. */
export type Entering = { method: string; header: (name: string) => string | null }

/** Why a request is not let in, whatever it asks for: null when it is. Reading is let in from anywhere. */
export function notLetIn({ method, header }: Entering): { status: number; sentence: string } | null {
  if (['GET', 'HEAD', 'OPTIONS'].includes(method)) return null
  if (!isSameSite(header))
    return {
      status: 403,
      sentence: 'This was sent from another site and is refused. Open Istruzione itself and try again.',
    }
  // A body of unknown length could be of any length.
  if (header('transfer-encoding') !== null)
    return { status: 411, sentence: 'Say how long this is: a body without a length is refused.' }
  if (Number(header('content-length') ?? 0) > LARGEST_BODY_BYTES)
    return { status: 413, sentence: 'This is larger than 4 MB and is refused. Send less at once.' }
  return null
}

/** A browser says where a post comes from; one that says nothing is no browser of ours. */
function isSameSite(header: Entering['header']): boolean {
  const origin = header('origin')
  if (origin === null) return header('sec-fetch-site') === 'same-origin'
  try {
    return new URL(origin).host === header('host')
  } catch {
    return false
  }
}

/** What every answer carries, whatever is in it. */
export const SECURITY_HEADERS: readonly [string, string][] = [
  ['X-Content-Type-Options', 'nosniff'],
  ['X-Frame-Options', 'DENY'],
  ['Referrer-Policy', 'same-origin'],
  ['Cross-Origin-Opener-Policy', 'same-origin'],
  ['Cross-Origin-Resource-Policy', 'same-origin'],
  ['Permissions-Policy', 'camera=(self), microphone=(self), geolocation=(), payment=(), usb=()'],
]
