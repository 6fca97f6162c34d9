import type { JobEvent } from '@/core/job/event'

/** An event that the shop does not take. `forGood`: never as it is; else once what is in the way was mended. */
export type Refusal = { eventId: string; sentence: string; forGood: boolean }

/**
 * What became of a post. `held`: none of it, until somebody does what the sentence says. `out of order`: the shop's
 * machine lacks something, whatever is sent; `failed`: it could not take this; `offline`: no answer.
 */
export type Sent =
  | { kind: 'answered'; stored: readonly string[]; refused: readonly Refusal[] }
  | { kind: 'held' | 'out of order'; sentence: string }
  | { kind: 'failed' }
  | { kind: 'offline' }
export type Send = (events: readonly JobEvent[]) => Promise<Sent>

/** Why not everything is in the shop. */
export type Trouble = Exclude<Sent, { kind: 'answered' }>

const MOST_AT_ONCE = 200

/**
 * Sends what waits, in its order, and tells what became of each; the answer is what is still in the way. Events are
 * sent many at once; where the shop fails at such a post they are sent one by one, so that the one it can't take keeps
 * none of the others back. Every event is tried at most twice.
 */
export async function sendWaiting(
  waiting: readonly JobEvent[],
  send: Send,
  tell: (stored: readonly string[], refused: readonly Refusal[]) => Promise<void>,
): Promise<Trouble | null> {
  let trouble: Trouble | null = null
  for (let from = 0; from < waiting.length; from += MOST_AT_ONCE) {
    const batch = waiting.slice(from, from + MOST_AT_ONCE)
    const posts = [batch]
    for (let post = posts.shift(); post; post = posts.shift()) {
      const sent = await send(post)
      if (sent.kind === 'offline' || sent.kind === 'held' || sent.kind === 'out of order') return sent
      if (sent.kind === 'answered') await tell(sent.stored, sent.refused)
      else if (post.length > 1) posts.push(...post.map((event) => [event]))
      else trouble = sent
      const held = sent.kind === 'answered' ? sent.refused.find(({ forGood }) => !forGood) : undefined
      if (held) trouble = { kind: 'held', sentence: held.sentence }
    }
  }
  return trouble
}
