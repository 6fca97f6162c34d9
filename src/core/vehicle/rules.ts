import type { Severity } from '../procedure/caution'

/**
 * The built-in rules of safety. Data: when they bite is computed elsewhere, what they say is here. Shops may add rules,
 * never weaken these. Origin: common practice of the trade; the maker's data and local rules go first.
 */
export type Rule = { id: string; severity: Severity; sentence: string; remedy: string; origin: string }

const practice = "Common practice, no source; the maker's data and local rules go first."

export const RULES = {
  'srs-firing-power': {
    id: 'srs-firing-power',
    severity: 'DANGER',
    sentence: 'It can fire. Ignition off, battery off, the maker’s wait over (10 minutes where nobody knows), until it is closed again. Only for people trained and authorised.',
    remedy: 'Ignition off, battery off, then wait as long as the maker says.',
    origin: practice,
  },
  'srs-ignition': {
    id: 'srs-ignition',
    severity: 'WARNING',
    sentence: 'Ignition off while this is opened, open or being closed, or a fault is stored. Only for people trained and authorised under local rules.',
    remedy: 'Turn the ignition off, close the plug, then switch on.',
    origin: practice,
  },
  'lever-out': {
    id: 'lever-out',
    severity: 'CAUTION',
    sentence: 'Lever out of park only with the parking brake on and the wheels chocked.',
    remedy: 'Parking brake on, chocks in, service brake held from the driver’s seat when it is done by the ignition.',
    origin: practice,
  },
  'battery-ignition': {
    id: 'battery-ignition',
    severity: 'NOTICE',
    sentence: 'Battery off only with the ignition off, codes known, media ejected, keys outside.',
    remedy: 'Ignition off first. Note security codes, eject media, keys outside, windows where they are wanted.',
    origin: practice,
  },
  'high-voltage': {
    id: 'high-voltage',
    severity: 'DANGER',
    sentence: 'High voltage is never opened here.',
    remedy: 'Stop and hand this to people licensed for high voltage.',
    origin: practice,
  },
  'start-plug': {
    id: 'start-plug',
    severity: 'WARNING',
    sentence: 'Engine only with the start control plugged, the lever in park or neutral, the parking brake on.',
    remedy: 'Plug the start control, lever to park, parking brake on.',
    origin: practice,
  },
} as const satisfies Record<string, Rule>

export type RuleId = keyof typeof RULES
