const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ'

/** The letter on a lead's tape in one job: O and I are left out, they read as numbers. */
export function leadLetter(i: number): string {
  return LETTERS[i % LETTERS.length]!
}
