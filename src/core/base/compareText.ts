/** Order of texts that is the same on every machine (by code unit), for ties broken by id. */
export function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}
