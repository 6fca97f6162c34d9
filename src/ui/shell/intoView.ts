/**
 * Keeps a row in sight in its own scrolling place, and only there: on a phone the page itself stays where the next
 * action is.
 */
export function intoView(row: HTMLElement | null): void {
  if (!row) return
  requestAnimationFrame(() =>
    setTimeout(() => {
      const place = row.closest('[role="group"]')
      if (place && place.scrollHeight > place.clientHeight + 1) row.scrollIntoView({ block: 'nearest' })
    }),
  )
}
