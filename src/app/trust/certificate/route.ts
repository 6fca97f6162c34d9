import { X509Certificate } from 'node:crypto'
import { rootCertificate } from '@/server/shopAddress'

export const dynamic = 'force-dynamic'

/** The root certificate in the form that devices open and offer to install (DER). No sign-in: it is public. */
export async function GET(): Promise<Response> {
  const certificate = await rootCertificate()
  if (!certificate) return new Response('This installation has no certificate of its own.', { status: 404 })
  return new Response(new Uint8Array(new X509Certificate(certificate).raw), {
    headers: {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="istruzione-shop.crt"',
      'cache-control': 'no-store',
    },
  })
}
