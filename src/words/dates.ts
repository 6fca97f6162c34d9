/** An IANA time zone ("Europe/Berlin"); empty = that of the device, or of the server where a page is made there. */
export type Zone = string

const FORMATS = {
  /** "24 Nov" */
  day: { day: 'numeric', month: 'short' },
  /** "24 Nov 2026" */
  year: { day: 'numeric', month: 'short', year: 'numeric' },
  /** "Tue" */
  weekday: { weekday: 'short' },
  /** "Tue 24 Nov" */
  shortDay: { weekday: 'short', day: 'numeric', month: 'short' },
  /** "Tuesday 24 November" */
  longDay: { weekday: 'long', day: 'numeric', month: 'long' },
  /** "14:12", by the clock on the wall */
  clock: { hour: '2-digit', minute: '2-digit' },
  /** "Tue 24 Nov, 14:12" */
  moment: { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  /** "24 Nov 2026, 14:12": when something was printed or done, as it stands on paper */
  printed: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>

/** A date or time in words, in the shop's zone: the one place where English formats of dates are made. */
export function dateWords(date: Date | number, form: keyof typeof FORMATS, zone: Zone = ''): string {
  return new Intl.DateTimeFormat('en-GB', { ...FORMATS[form], ...(zone && { timeZone: zone }) }).format(date)
}

/** A day that was chosen as such ("2026-11-24"), the same in every zone. */
export function chosenDayWords(day: string, form: 'shortDay' | 'longDay' = 'shortDay'): string {
  return dateWords(new Date(`${day}T12:00:00Z`), form, 'UTC')
}

/** Whether two moments fall on the same day there. */
export function isSameDay(a: Date | number, b: Date | number, zone: Zone = ''): boolean {
  return dateWords(a, 'year', zone) === dateWords(b, 'year', zone)
}

/** "12 min", "23 h", "3 days": about how long so many seconds are. */
export function aboutWords(seconds: number): string {
  const minutes = Math.round(seconds / 60)
  if (minutes < 120) return `${minutes} min`
  return minutes < 48 * 60 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`
}

/** "12,345". */
export function numberWords(count: number): string {
  return new Intl.NumberFormat('en-GB').format(count)
}
