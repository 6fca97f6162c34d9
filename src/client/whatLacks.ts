/**
 * What the shop's machine lacks just now, in its own sentences; null where it can't be asked. For a page that broke and
 * a form that got no answer: mostly it is not their fault. Read by hand: every page holds this, and few hold the
 * parser.
 */
export async function whatLacks(): Promise<string[] | null> {
  try {
    const response = await fetch('/api/health', { signal: AbortSignal.timeout(5_000) })
    const said: unknown = await response.json()
    if (typeof said !== 'object' || said === null || !('reasons' in said) || !Array.isArray(said.reasons)) return null
    return said.reasons.filter((reason) => typeof reason === 'string')
  } catch {
    return null
  }
}
