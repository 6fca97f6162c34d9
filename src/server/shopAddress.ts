import 'server-only'
import { X509Certificate } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { env } from './env'

/** How the shop's devices reach this installation; `trust`: in the shop's network, what a new device needs first. */
export type ShopAddress = {
  origin: string
  /** Only this machine reaches it. */
  isLocal: boolean
  trust: { address: string; fingerprint: string } | null
}

export async function shopAddress(): Promise<ShopAddress> {
  const { ISTRUZIONE_ORIGIN: origin, ISTRUZIONE_LOOPBACK, ISTRUZIONE_TRUST_ORIGIN } = env()
  const certificate = await rootCertificate()
  return {
    origin,
    isLocal: ISTRUZIONE_LOOPBACK === '1',
    trust:
      certificate && ISTRUZIONE_TRUST_ORIGIN
        ? {
            address: `${ISTRUZIONE_TRUST_ORIGIN}/trust`,
            fingerprint: new X509Certificate(certificate).fingerprint256,
          }
        : null,
  }
}

/** The certificate of the shop's own authority; null where there is none. It is public: its key is not here. */
export async function rootCertificate(): Promise<Buffer | null> {
  const path = env().ISTRUZIONE_ROOT_CERTIFICATE
  return path ? readFile(path).catch(() => null) : null
}
