/** What a connector serves. */
export const CIRCUITS = [
  'srs-firing',
  'srs-indicator',
  'high-voltage',
  'start',
  'hazard',
  'climate',
  'audio',
  'antenna',
  'can',
  'video',
  'usb',
  'power-outlet',
  'lighting',
  'courtesy-lamp',
  'window',
  'mirror',
  'brake-control',
  'sensor',
  'other',
] as const
export type Circuit = (typeof CIRCUITS)[number]

/** Wires or light: what has pins that must not be touched or bent. */
export function isElectrical(tether: { kind: string }): boolean {
  return tether.kind === 'electrical' || tether.kind === 'coax' || tether.kind === 'optical'
}

/** A tether as far as its circuit can be told: what was said, else by its name and colour. */
export type Classed = { circuit: Circuit | null; kind?: string; name?: string; colour?: string | null }

const LIKE_AN_AIRBAG = /air ?bag|\bsrs\b|tensioner|pretension/i
const LIKE_ITS_LAMP = /lamp|light|indicator|switch/i

/**
 * What a plug counts as. Until somebody says what it feeds, one that is named or coloured like an airbag plug counts as
 * one, and one that nobody has classified as one of the airbag system's lamps: the ignition stays off while it is open.
 */
export function countsAs(tether: Classed): Circuit | null {
  const { circuit, kind, name, colour } = tether
  if (circuit !== null || kind !== 'electrical' || name === undefined) return circuit
  const isLike = LIKE_AN_AIRBAG.test(name) || colour === 'yellow'
  return isLike && !LIKE_ITS_LAMP.test(name) ? 'srs-firing' : 'srs-indicator'
}

/** Whether it counts as an airbag plug only because nobody has said what it feeds. */
export function isUnclassified(tether: Classed): boolean {
  return tether.circuit === null && countsAs(tether) !== null
}

/** Airbags and tensioners, the circuit that fires them or the lamp that watches them. */
export function isAirbagCircuit(tether: Classed): boolean {
  const circuit = countsAs(tether)
  return circuit === 'srs-firing' || circuit === 'srs-indicator'
}

/**
 * Circuits a vehicle is not driven without: airbags, hazard lights, brakes, exterior lamps and instruments. Courtesy
 * lamps are none.
 */
const WARNING_CIRCUITS: readonly Circuit[] = ['srs-firing', 'srs-indicator', 'hazard', 'brake-control', 'lighting']

/** Whether the vehicle is not driven while this is open. */
export function isWarningCircuit(tether: Classed): boolean {
  return WARNING_CIRCUITS.includes(countsAs(tether) ?? 'other')
}

/**
 * Circuits nobody may leave open because it suits the job. A lamp that was taken away may stay unplugged, when that is
 * told.
 */
const NEVER_LEFT_OPEN: readonly Circuit[] = [
  'srs-firing',
  'srs-indicator',
  'high-voltage',
  'hazard',
  'brake-control',
  'start',
]

/** Whether somebody at the vehicle may decide that it stays open and insulated. */
export function mayStayOpen(tether: Classed): boolean {
  return !NEVER_LEFT_OPEN.includes(countsAs(tether) ?? 'other')
}
