import { NextResponse, type NextRequest } from 'next/server'
import { notLetIn, SECURITY_HEADERS } from './server/entrance'

/**
 * Before every request: refuses cross-site posts and oversized bodies, and sets the security headers with a content
 * policy.
 */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const no = notLetIn({ method: request.method, header: (name) => request.headers.get(name) })
  if (no) return refuse(no.status, no.sentence)
  if (request.headers.has('next-action') && !(await holdsArguments(request)))
    return refuse(400, 'This can’t be read. Load the page again, then try once more.')
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64')
  const policy = contentPolicy(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('Content-Security-Policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('Content-Security-Policy', policy)
  for (const [name, value] of SECURITY_HEADERS) response.headers.set(name, value)
  // A browser that came by the encrypted address once does not go back to the plain one (RFC 6797, from memory).
  if (request.headers.get('x-forwarded-proto') === 'https')
    response.headers.set('Strict-Transport-Security', 'max-age=31536000')
  return response
}

function contentPolicy(nonce: string): string {
  const evalInDevelopment = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${evalInDevelopment}`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Drawn marks place themselves with style attributes; they can't load anything.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}

/**
 * Whether an action is given a list, as every page of ours does: other JSON breaks the framework before an action
 * could refuse it. A form is read by the framework itself.
 */
async function holdsArguments(request: NextRequest): Promise<boolean> {
  if (!request.headers.get('content-type')?.startsWith('text/plain')) return true
  try {
    return Array.isArray(JSON.parse(await request.text()))
  } catch {
    return false
  }
}

function refuse(status: number, sentence: string): NextResponse {
  return NextResponse.json({ status: 'refused', sentence }, { status })
}

export const config = { matcher: [{ source: '/((?!_next/static|icon.svg).*)' }] }
