/** What becomes of something that came off. Refitted is the default; the last one is for tethers only. */
export const ENDINGS = [
  'refitted',
  'moved',
  'replaced',
  'given to the customer',
  'scrapped',
  'left open and insulated',
] as const

/** Whether something goes back into its place: the same one, or its replacement. */
export function goesBack(ending: (typeof ENDINGS)[number] | undefined): boolean {
  return ending === undefined || ending === 'refitted' || ending === 'replaced'
}
