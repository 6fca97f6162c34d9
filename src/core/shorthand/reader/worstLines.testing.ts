/** What takes longest to read, said again and again to the end of the longest line there is. */
export const WORST_LINES: readonly string[] = [
  'surround 9 clips, ',
  'T20 ',
  'upper lower trim ',
  'zzqqy ',
  'a the ',
  'no not ',
  '2 or 3 ',
  'bezal ',
  'x 4 ',
].map((piece) => piece.repeat(1_000).slice(0, 2_000))
