/** Why a tablet's taps are not in the shop yet. `keeps`: whether the tablet itself keeps them meanwhile. */
export function troubleWords(
  trouble: { kind: 'offline' } | { kind: 'refused'; sentence: string },
  keeps: boolean,
): string {
  if (trouble.kind === 'refused') return trouble.sentence
  return keeps
    ? 'The shop can’t be reached. Go on: everything is kept here and sent later.'
    : 'The shop can’t be reached, and nothing is kept here: leave this page open until it can.'
}
