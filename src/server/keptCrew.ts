import 'server-only'
import { crewBehind, type Crew } from './whoAsks'

/**
 * A tablet asks each second whether there is anything new: who it is, is looked up once in so many milliseconds.
 * Whatever changes that in between says so (`forgetCrews`): one process serves a shop.
 */
const KEPT_MS = 5_000
const MOST_KEPT = 5_000

// By the clock that nobody sets: a wall clock set back would keep somebody who has gone.
type Kept = { byToken: Map<string, { crew: Crew; untilMs: number }>; generation: number }
const shared = globalThis as { istruzioneCrews?: Kept }
const kept = (shared.istruzioneCrews ??= { byToken: new Map(), generation: 0 })

/** The crew behind a request of a tablet at work: for a few seconds from memory. `cookie`: its header. */
export async function crewOfTablet(cookie: string): Promise<Crew | null> {
  const token = /(?:^|; )(?:__Secure-)?istruzione\.session_token=([^;]+)/.exec(cookie)?.[1]
  if (!token) return null
  const known = kept.byToken.get(token)
  if (known && known.untilMs > performance.now()) return known.crew
  kept.byToken.delete(token)
  const asked = kept.generation
  const crew = await crewBehind(new Headers({ cookie }))
  // What was changed while it was looked up is not kept as it was before.
  if (crew && asked === kept.generation) keep(token, crew)
  return crew
}

function keep(token: string, crew: Crew): void {
  kept.byToken.set(token, { crew, untilMs: performance.now() + KEPT_MS })
  // The oldest go first: a map keeps the order in which it was filled.
  if (kept.byToken.size > MOST_KEPT) kept.byToken.delete(kept.byToken.keys().next().value!)
}

/**
 * Who acts, who is signed in, who is of the crew, or what the shop holds has changed: it is looked up anew. Said once
 * the change is written.
 */
export function forgetCrews(shopId: string): void {
  kept.generation += 1
  for (const [token, { crew }] of kept.byToken) if (crew.shopId === shopId) kept.byToken.delete(token)
}

/** The same for a change that is being made, whatever becomes of it. */
export async function thenForget<T>(crew: Crew, change: Promise<T>): Promise<T> {
  return change.finally(() => forgetCrews(crew.shopId))
}
