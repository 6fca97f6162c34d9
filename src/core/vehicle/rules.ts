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
    sentence: 'An airbag or tensioner circuit can fire: ignition off, battery off, and the maker’s waiting time over before it is opened, while it is open, and until it is closed.',
    remedy: 'Ignition off, battery off, then wait as long as the maker says (10 minutes where nobody knows). Only people trained and authorised for airbag circuits.',
    origin: practice,
  },
  'srs-ignition': {
    id: 'srs-ignition',
    severity: 'WARNING',
    sentence: 'The ignition stays off whenever an airbag-system plug is opened, is open, or is closed: otherwise a fault is stored that needs a diagnostic tool.',
    remedy: 'Turn the ignition off and close the plug first. Work on airbag circuits is for people trained and authorised under local rules.',
    origin: practice,
  },
  'lever-out': {
    id: 'lever-out',
    severity: 'CAUTION',
    sentence: 'The gear lever leaves park only with the parking brake on and the wheels chocked.',
    remedy: 'Parking brake on, chocks in, service brake held from the driver’s seat when it is done by the ignition.',
    origin: practice,
  },
  'battery-ignition': {
    id: 'battery-ignition',
    severity: 'NOTICE',
    sentence: 'The battery goes off only with the ignition off; the ignition needs the battery.',
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
    sentence: 'The engine is started only with the start control plugged, the lever in park or neutral and the parking brake on.',
    remedy: 'Plug the start control, lever to park, parking brake on.',
    origin: practice,
  },
} as const satisfies Record<string, Rule>

export type RuleId = keyof typeof RULES
