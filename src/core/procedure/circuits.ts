type Row = {
  /** Airbags and tensioners: what fires them, or the lamp that watches them. */
  airbag?: true
  /** The vehicle is not driven while a plug of it is open. A courtesy lamp warns nobody. */
  warns?: true
  /** Nobody leaves it open because it suits the job: it is needed to start, stop or warn, or it hurts people. */
  neverLeftOpen?: true
  /**
   * What is tried after one of its plugs was open, where the record says nothing else; null where nobody can tell.
   */
  test: { name: string; how: string; power: 'battery' | 'accessory' | 'ignition' | 'engine' } | null
}

const AIRBAG_LAMP = {
  name: 'Airbag lamp',
  how: 'lights with the ignition, goes out within ten seconds',
  power: 'ignition',
} as const

/** What a connector serves, and what follows from it. Common practice, no source. */
const CIRCUIT_TABLE = {
  'srs-firing': { airbag: true, warns: true, neverLeftOpen: true, test: AIRBAG_LAMP },
  'srs-indicator': { airbag: true, warns: true, neverLeftOpen: true, test: AIRBAG_LAMP },
  'high-voltage': { neverLeftOpen: true, test: null },
  start: { neverLeftOpen: true, test: { name: 'Starter', how: 'the engine starts, lever in park', power: 'engine' } },
  hazard: {
    warns: true,
    neverLeftOpen: true,
    test: { name: 'Hazard lights', how: 'all four flash', power: 'battery' },
  },
  climate: { test: { name: 'Climate', how: 'fan at all speeds, warm and cold, every outlet', power: 'ignition' } },
  audio: { test: { name: 'Sound', how: 'from all four corners; phone and navigation heard', power: 'accessory' } },
  antenna: { test: { name: 'Reception', how: 'stations found', power: 'accessory' } },
  can: { test: { name: 'Data line', how: 'no warning lamp more than before', power: 'ignition' } },
  video: { test: { name: 'Picture', how: 'the camera or display shows its picture', power: 'ignition' } },
  usb: { test: { name: 'USB socket', how: 'charges and is recognised', power: 'accessory' } },
  'power-outlet': { test: { name: 'Power outlet', how: 'supplies', power: 'accessory' } },
  /** Exterior lamps and instruments. A lamp that was taken away may stay unplugged, when that is told. */
  lighting: { warns: true, test: { name: 'Lamps', how: 'each lights and goes out', power: 'ignition' } },
  'courtesy-lamp': { test: { name: 'Courtesy lamp', how: 'lights and goes out', power: 'battery' } },
  window: { test: { name: 'Window', how: 'up and down, stops at the top', power: 'ignition' } },
  mirror: { test: { name: 'Mirror', how: 'all four ways, folds', power: 'ignition' } },
  'brake-control': {
    warns: true,
    neverLeftOpen: true,
    test: { name: 'Brake control', how: 'sets and releases, its lamp goes out', power: 'ignition' },
  },
  sensor: { test: null },
  other: { test: null },
} as const satisfies Record<string, Row>

export type Circuit = keyof typeof CIRCUIT_TABLE
export const CIRCUITS = Object.keys(CIRCUIT_TABLE) as [Circuit, ...Circuit[]]

/** What is known of the circuit a plug counts as. */
export function circuitOf(tether: Classed): Row {
  return CIRCUIT_TABLE[countsAs(tether) ?? 'other']
}

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
  return circuitOf(tether).airbag === true
}

/** Whether the vehicle is not driven while this is open. */
export function isWarningCircuit(tether: Classed): boolean {
  return circuitOf(tether).warns === true
}

/** Whether somebody at the vehicle may decide that it stays open and insulated. */
export function mayStayOpen(tether: Classed): boolean {
  return circuitOf(tether).neverLeftOpen !== true
}
