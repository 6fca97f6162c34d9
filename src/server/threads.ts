import 'server-only'
import { availableParallelism } from 'node:os'
import { resolve } from 'node:path'
import { Piscina } from 'piscina'
import { log } from './log'
import { metrics, watchWaiting } from './metrics'

/**
 * Work that can be large, each kind with the file that does it, how long it may take by the clock on the wall, and
 * whose queue it waits in: a shop holds one thread whatever it asks, and of what takes much memory there is one at a
 * time for everybody. So many wait in one queue; one more is refused, so that nobody fills it.
 */
const WORK = {
  plan: { file: 'plansOnServer', deadlineMs: 20_000, queue: 'each shop', mostWaiting: 8 },
  leads: { file: 'leadsOnServer', deadlineMs: 20_000, queue: 'each shop', mostWaiting: 8 },
  sheet: { file: 'sheetsOnServer', deadlineMs: 20_000, queue: 'each shop', mostWaiting: 8 },
  medium: { file: 'mediaOnServer', deadlineMs: 15_000, queue: 'everybody', mostWaiting: 60 },
} as const
export type ThreadWork = keyof typeof WORK

/** What one question may hold. */
const MOST_MEMORY_MB = 768

export type Threaded<T> =
  | { kind: 'answer'; answer: T }
  | { kind: 'not answered'; why: 'too many wait' | 'nobody waits' | 'too slow' | 'too large'; deadlineS: number }

type Queue = { last: Promise<unknown>; waiting: number }
const shared = globalThis as { istruzioneThreads?: Piscina; istruzioneQueues?: Map<string, Queue> }

/** Threads kept apart from the one that answers every shop; one stays warm. */
function threads(): Piscina {
  shared.istruzioneThreads ??= new Piscina({
    minThreads: 1,
    maxThreads: Math.max(2, availableParallelism() - 1),
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  })
  return shared.istruzioneThreads
}

/** The last question of each queue and how many wait in it. */
const queues = (shared.istruzioneQueues ??= new Map<string, Queue>())

/**
 * Has a question answered on a thread of its own. `question` is made when its turn comes, not before: making it takes
 * the thread that answers everybody. `signal`: ends it where nobody waits for it any more. What takes too
 * long or too much is ended as well, and said; the thread is then made anew. Throws what the work itself throws.
 */
export async function onThread<Answer>(
  work: ThreadWork,
  shopId: string,
  question: () => unknown,
  { signal, deadlineMs = WORK[work].deadlineMs }: { signal?: AbortSignal; deadlineMs?: number } = {},
): Promise<Threaded<Answer>> {
  const { queue: whose, mostWaiting } = WORK[work]
  const name = `${work} ${whose === 'everybody' ? whose : shopId}`
  const queue = queues.get(name) ?? { last: Promise.resolve(), waiting: 0 }
  if (queue.waiting >= mostWaiting) return { kind: 'not answered', why: 'too many wait', deadlineS: deadlineMs / 1000 }
  queue.waiting += 1
  queues.set(name, queue)
  const mine = queue.last.then(() => ask<Answer>(work, question, signal, deadlineMs))
  // One that breaks is its own asker's trouble: the next one is asked all the same.
  queue.last = mine.catch(() => undefined)
  try {
    return await mine
  } finally {
    queue.waiting -= 1
    if (queue.waiting === 0) queues.delete(name)
  }
}

async function ask<Answer>(
  work: ThreadWork,
  question: () => unknown,
  left: AbortSignal | undefined,
  deadlineMs: number,
): Promise<Threaded<Answer>> {
  const { file } = WORK[work]
  const deadline = AbortSignal.timeout(deadlineMs)
  const signal = left ? AbortSignal.any([deadline, left]) : deadline
  const began = performance.now()
  const took = (outcome: string) => metrics.work.observe({ work, outcome }, (performance.now() - began) / 1000)
  const no = (why: 'nobody waits' | 'too slow' | 'too large') => {
    took(why)
    return { kind: 'not answered', why, deadlineS: deadlineMs / 1000 } as const
  }
  if (left?.aborted) return no('nobody waits')
  try {
    // Built beside the application, as one file each (bin/lib/build.sh): a thread is there in a moment.
    const folder = process.env.ISTRUZIONE_BUILD_DIR ?? '.next'
    const filename = resolve(folder, 'beside', `${file}.mjs`)
    const answer = (await threads().run(question(), { signal, filename })) as Answer
    took('answered')
    return { kind: 'answer', answer }
  } catch (error) {
    log.warn({ work, reason: error instanceof Error ? error.name : 'unknown' }, 'work on a thread ended')
    if (deadline.aborted) return no('too slow')
    if (left?.aborted) return no('nobody waits')
    if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY') return no('too large')
    took('broke')
    throw error
  }
}

/** How many wait, by kind of work. */
export function waitingNow(): Record<ThreadWork, number> {
  const of = (work: ThreadWork) =>
    [...queues].reduce((sum, [name, { waiting }]) => sum + (name.startsWith(`${work} `) ? waiting : 0), 0)
  return { plan: of('plan'), leads: of('leads'), sheet: of('sheet'), medium: of('medium') }
}

watchWaiting(waitingNow)

/** Ends every thread; for tests, and when the application ends. */
export async function endThreads(): Promise<void> {
  await shared.istruzioneThreads?.destroy()
  delete shared.istruzioneThreads
}
