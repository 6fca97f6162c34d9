/*
 * Copper leads in vehicles: resistance, drop, sizes. Shared by leads and bench. Published formulas; every figure says
 * where it is from, and what is from memory says so.
 */

/** Resistivity of annealed copper at 20 °C in ohm mm2/m, and what it changes per K. IEC 60028 (from memory). */
export const COPPER = { ohmMm2PerM: 1 / 58, perK: 0.00393 } as const

/** How much more copper resists at a temperature (°C) than at 20: 1.118 at 50, 1.196 at 70. */
export function copperFactor(celsius: number): number {
  return 1 + COPPER.perK * (celsius - 20)
}

/** Ohms of a conductor of so many mm2 and metres at a temperature (°C). */
export function resistanceOhm(mm2: number, lengthM: number, celsius: number): number {
  return (COPPER.ohmMm2PerM / mm2) * lengthM * copperFactor(celsius)
}

/** Diameter in mm of a solid wire of this gauge; 1/0 is 0, 2/0 is -1. ASTM B258: each step is the 39th root of 92. */
export function awgDiameterMm(gauge: number): number {
  return 0.127 * 92 ** ((36 - gauge) / 39)
}

/** Section in mm2 of a solid wire of this gauge. */
export function awgMm2(gauge: number): number {
  return (Math.PI / 4) * awgDiameterMm(gauge) ** 2
}

/**
 * Sizes (mm2) that are kept, and the current (A) each carries for good with insulation for 70 °C in air of 30 °C. The
 * currents are those of ISO 10133 for small craft, from memory: a house table until somebody has looked them up.
 */
const CARRIES: readonly (readonly [mm2: number, ampere: number])[] = [
  ...([[0.75, 10], [1, 14], [1.5, 18], [2.5, 25], [4, 35], [6, 45]] as const), // prettier-ignore
  ...([[10, 65], [16, 90], [25, 120], [35, 160], [50, 210]] as const), // prettier-ignore
]

/** What a conductor carries for good; between two sizes of the table the smaller one's, below it nothing is said. */
export function carriesA(mm2: number): number | null {
  return CARRIES.findLast(([size]) => size <= mm2)?.[1] ?? null
}

/** Ratings of blade and high-current fuses in A. ISO 8820-3, from memory; 40 and above are the larger kinds. */
const FUSES_A: readonly number[] = [2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 100]

/** Of a lasting current a fuse carries four fifths (house value). */
const LASTING_SHARE = 0.8

/** The smallest fuse for a current; null where it takes more than there are. */
export function fuseFor(currentA: number, lasting: boolean): number | null {
  return FUSES_A.find((rating) => rating * (lasting ? LASTING_SHARE : 1) >= currentA) ?? null
}

/** What a lead carries: `lengthM` there and back, by a lead of its own or out and its ground lead. */
export type Load = { systemV: 12 | 24; currentA: number; lasting: boolean; lengthM: number }

/** How warm a lead is taken to be, how much of the voltage it may take, what a source resists: house values. */
export const LEAD_HOUSE = { celsius: 50, dropShare: 0.03, sourceOhm: 0.02, bundleShare: 1 } as const

/** How one conductor stands under a load with its fuse. */
export type Conductor = {
  mm2: number
  dropV: number
  /** Of the system's voltage. */
  dropShare: number
  carriesA: number | null
  /** What flows where its far end touches the body. */
  shortA: number
}

export function conductorAt({ systemV, currentA, lengthM }: Load, mm2: number): Conductor {
  const ohm = resistanceOhm(mm2, lengthM, LEAD_HOUSE.celsius)
  const dropV = currentA * ohm
  return {
    ...{ mm2, dropV, dropShare: dropV / systemV, carriesA: carriesA(mm2) },
    shortA: systemV / (ohm + LEAD_HOUSE.sourceOhm),
  }
}

/** What a load asks for: its fuse, the least section by the drop alone, and the smallest size that does for both. */
type Chosen = { fuseA: number; leastMm2: number; conductor: Conductor }

/**
 * The smallest conductor that drops little enough and carries what its fuse lets through. `bundleShare`: what is left
 * of a conductor's current in a tie with others. Null where no fuse or no size is large enough.
 */
export function conductorFor(load: Load, bundleShare: number = LEAD_HOUSE.bundleShare): Chosen | null {
  const fuseA = fuseFor(load.currentA, load.lasting)
  if (fuseA === null) return null
  const mostV = LEAD_HOUSE.dropShare * load.systemV
  const leastMm2 = (load.currentA * resistanceOhm(1, load.lengthM, LEAD_HOUSE.celsius)) / mostV
  const size = CARRIES.find(([mm2, ampere]) => mm2 >= leastMm2 && ampere * bundleShare >= fuseA)
  return size ? { fuseA, leastMm2, conductor: conductorAt(load, size[0]) } : null
}

/** Whether a short at its far end may leave the fuse whole: it draws less than three times its rating (house value). */
export function mayNotBlow({ shortA }: Pick<Conductor, 'shortA'>, fuseA: number): boolean {
  return shortA < 3 * fuseA
}
