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

/** Wires or light: what has pins that must not be touched or bent. */
export function isElectrical(tether: { kind: string }): boolean {
  return tether.kind === 'electrical' || tether.kind === 'coax' || tether.kind === 'optical'
}

/** Airbags and tensioners, the circuit that fires them or the lamp that watches them. */
export function isAirbagCircuit(tether: { circuit: Circuit | null }): boolean {
  return tether.circuit === 'srs-firing' || tether.circuit === 'srs-indicator'
}

/** Circuits a vehicle is not driven without: airbags, hazard lights, brakes, lamps. */
const WARNING_CIRCUITS: readonly Circuit[] = ['srs-firing', 'srs-indicator', 'hazard', 'brake-control', 'lighting']

/** Whether the vehicle is not driven while this is open. */
export function isWarningCircuit(tether: { circuit: Circuit | null }): boolean {
  return WARNING_CIRCUITS.includes(tether.circuit ?? 'other')
}

/** Circuits nobody may leave open because it suits the job. A lamp that was taken away may stay unplugged, when that is told. */
const NEVER_LEFT_OPEN: readonly Circuit[] = ['srs-firing', 'srs-indicator', 'high-voltage', 'hazard', 'brake-control', 'start']

/** Whether somebody at the vehicle may decide that it stays open and insulated. */
export function mayStayOpen(tether: { circuit: Circuit | null }): boolean {
  return !NEVER_LEFT_OPEN.includes(tether.circuit ?? 'other')
}
