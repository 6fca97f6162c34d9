/** "24 Nov 2026, 14:12": when something was printed or done, as it stands on paper. */
export function printedWords(date: Date): string {
  return date.toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
}

/** "14:12", by the clock on the wall. */
export function clockWords(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}
