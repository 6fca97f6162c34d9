import 'server-only'

/**
 * Who asks, as the server's own entrance wrote it (bin/lib/serve.mjs): the socket's address, or what a configured
 * web server in front says. Whatever a client sends under this name is taken away there.
 */
export const ADDRESS_HEADER = 'x-istruzione-address'

export function addressOf(headers: Headers | undefined): string {
  return headers?.get(ADDRESS_HEADER) ?? 'unknown'
}
