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
  'window',
  'mirror',
  'brake-control',
  'sensor',
  'other',
] as const
export type Circuit = (typeof CIRCUITS)[number]

export function isElectrical(tether: { kind: string }): boolean {
  return tether.kind === 'electrical' || tether.kind === 'coax' || tether.kind === 'optical'
}

export function isAirbagCircuit(tether: { circuit: Circuit | null }): boolean {
  return tether.circuit === 'srs-firing' || tether.circuit === 'srs-indicator'
}

/** Circuits a vehicle is not driven without: airbags, hazard lights, brakes, lamps. */
const WARNING_CIRCUITS: readonly Circuit[] = ['srs-firing', 'srs-indicator', 'hazard', 'brake-control', 'lighting']

export function isWarningCircuit(tether: { circuit: Circuit | null }): boolean {
  return WARNING_CIRCUITS.includes(tether.circuit ?? 'other')
}
