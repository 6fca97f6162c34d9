/** What is switched on, in the order in which it comes. */
export const POWERS = ['accessory', 'ignition', 'engine'] as const
export type Power = (typeof POWERS)[number]
