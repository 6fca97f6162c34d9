import type { Laying, Way } from '../procedure/way'

/** Seconds a metre, and once for each way: house estimates, no source. */
const PER_METRE_S = { 'laid in': 15, tucked: 40, threaded: 20 } as const
const PER_WAY_S = { 'laid in': 5, tucked: 5, threaded: 10 } as const
/** A rod or a draw string, put in once, and a seal: house estimates, no source. */
const [ROD_S, SEAL_S] = [45, 30]

/** Whole seconds to lay one lead along a way in this manner: the proof of the layout counts in them. */
export function layS(
  { lengthMm }: Pick<Way, 'lengthMm'>,
  { how, perMetreS }: Pick<Laying, 'how' | 'perMetreS'>,
): number {
  return Math.round(((perMetreS ?? PER_METRE_S[how]) * lengthMm) / 1000 + PER_WAY_S[how])
}

/** Whole seconds to make a way ready in this manner, once, whoever is laid there; its seal is in it. */
export function readyS(way: Pick<Way, 'passage'>, { how, readyS: said }: Pick<Laying, 'how' | 'readyS'>): number {
  return Math.round((said ?? (how === 'threaded' ? ROD_S : 0)) + sealS(way))
}

/** Seconds to seal a way again; 0 where nothing is sealed. */
export function sealS({ passage }: Pick<Way, 'passage'>): number {
  return passage && passage.seal !== 'none' ? SEAL_S : 0
}
