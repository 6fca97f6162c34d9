import type { Electric } from '../shop/lead'
import { conductorFor, type Load } from '../standards/conductor'

/** How long the ground lead of a return by the body is taken to be: house value. */
const GROUND_LEAD_M = 0.4

/** What a lead of this length carries there and back: by a lead of its own, or out and by its ground lead. */
export function loadOf({ systemV, currentA, lasting, returns }: Electric, lengthMm: number): Load {
  const outM = lengthMm / 1000
  return { systemV, currentA, lasting, lengthM: returns === 'by a lead of its own' ? 2 * outM : outM + GROUND_LEAD_M }
}

/** Its fuse and the least conductor; null where no fuse or no size is large enough. The kit's own rating goes first. */
export function fusedWith(electric: Electric, lengthMm: number): { fuseA: number; mm2: number; dropV: number } | null {
  const chosen = conductorFor(loadOf(electric, lengthMm))
  if (!chosen) return null
  return { fuseA: electric.fuseA ?? chosen.fuseA, mm2: chosen.conductor.mm2, dropV: chosen.conductor.dropV }
}
