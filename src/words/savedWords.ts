/** Why a tablet's taps are not in the shop yet. `keeps`: whether the tablet itself keeps them meanwhile. */
export function troubleWords(
  trouble: { kind: 'offline' } | { kind: 'failed' } | { kind: 'held' | 'out of order'; sentence: string },
  keeps: boolean,
): string {
  if (trouble.kind === 'held') return trouble.sentence
  if (trouble.kind === 'out of order')
    return `${trouble.sentence} ${keeps ? 'Go on: all is kept here.' : 'Leave this page open: nothing is kept.'}`
  if (trouble.kind === 'failed') return 'The shop could not take something just now. It is kept here and tried again.'
  return keeps
    ? 'The shop can’t be reached. Go on: everything is kept here and sent later.'
    : 'The shop can’t be reached, and nothing is kept here: leave this page open until it can.'
}

/** What stands in a log that this program is too old for. */
export function notUnderstoodWords(count: number): string {
  const things = count === 1 ? 'One thing in this log was' : `${count} things in this log were`
  return `${things} written by a newer version of Istruzione. Load this page again; if it stays, bring the shop’s own machine up to date.`
}

/** How many things the shop will not take as they are. */
export function refusedWords(count: number): string {
  return count === 1 ? 'One thing was refused' : `${count} things were refused`
}
