import 'server-only'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { Result } from '@/core/base/result'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { FoundPlan } from '@/core/plan/find/foundPlan'
import type { ServerPlanning } from '@/workers/plansOnServer'
import { REFUSALS } from '@/words/refusals'
import { log } from './log'

/** How long a question may take by the clock on the wall: the search itself knows none. */
const DEADLINE_MS = 20_000
/** So many questions of one shop wait for each other; one more is refused, so that no shop fills the queue. */
const MOST_WAITING = 8
/** What one question may hold. */
const MOST_MEMORY_MB = 768

export type Planned =
  { kind: 'answer'; answer: Result<FoundPlan, PlanError> } | { kind: 'not answered'; sentence: string }

const shared = globalThis as { istruzionePlanners?: Piscina }

/** Threads that plan, kept apart from the one that answers every shop; one stays warm. */
function planners(): Piscina {
  shared.istruzionePlanners ??= new Piscina({
    filename: join(process.cwd(), 'src/workers/plansOnServer.ts'),
    execArgv: ['--import', 'tsx'],
    minThreads: 1,
    maxThreads: Math.max(2, availableParallelism() - 1),
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  })
  return shared.istruzionePlanners
}

/** The last question of each shop and how many wait: a shop holds one thread, whatever it asks. */
const queues = new Map<string, { last: Promise<unknown>; waiting: number }>()

/**
 * Has an order found on a thread of its own. `signal`: ends it where nobody waits for it any more. What takes too long
 * or too much is ended as well, and said in a sentence; the thread is then made anew.
 */
export async function planOnThread(shopId: string, question: ServerPlanning, signal?: AbortSignal): Promise<Planned> {
  const queue = queues.get(shopId) ?? { last: Promise.resolve(), waiting: 0 }
  if (queue.waiting >= MOST_WAITING) return { kind: 'not answered', sentence: REFUSALS.manyPlansAsked }
  queue.waiting += 1
  queues.set(shopId, queue)
  const mine = queue.last.then(() => ask(question, signal))
  // One that breaks is its own asker's trouble: the next one is asked all the same.
  queue.last = mine.catch(() => undefined)
  try {
    return await mine
  } finally {
    queue.waiting -= 1
    if (queue.waiting === 0) queues.delete(shopId)
  }
}

async function ask(question: ServerPlanning, left: AbortSignal | undefined): Promise<Planned> {
  const deadline = AbortSignal.timeout(DEADLINE_MS)
  const signal = left ? AbortSignal.any([deadline, left]) : deadline
  try {
    return { kind: 'answer', answer: (await planners().run(question, { signal })) as Result<FoundPlan, PlanError> }
  } catch (error) {
    log.warn({ reason: error instanceof Error ? error.name : 'unknown' }, 'planning ended')
    if (deadline.aborted) return { kind: 'not answered', sentence: REFUSALS.planTookTooLong(DEADLINE_MS / 1000) }
    if (left?.aborted) return { kind: 'not answered', sentence: REFUSALS.nobodyWaits }
    if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
      return { kind: 'not answered', sentence: REFUSALS.planTooLarge }
    throw error
  }
}

/** Ends every thread; for tests, and when the application ends. */
export async function endPlanning(): Promise<void> {
  await shared.istruzionePlanners?.destroy()
  delete shared.istruzionePlanners
}
