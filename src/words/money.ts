/**
 * Whole minor units as a shop writes them: "€195.00", "¥350". The digits after the point are the currency's own
 * (ISO 4217, by the machine's own tables).
 */
export function moneyWords(minor: number, currency: string): string {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency })
  return format.format(minor / 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2))
}
