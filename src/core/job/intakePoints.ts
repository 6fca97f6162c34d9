/** What is looked at before the first screw, besides facets, functions and fasteners. */
export const INTAKE_POINTS = [
  'workplace',
  'settings as recorded',
  'keys',
  'wheel',
  'windows',
  'media',
  'codes',
  'clock',
  'stations',
  'seat',
  'mirrors',
  'warning lamps',
  'battery voltage',
  'temperature',
  'marks and damage',
  'earlier work',
  'fasteners',
] as const
export type IntakePoint = (typeof INTAKE_POINTS)[number]
