import 'server-only'
import type pg from 'pg'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

/**
 * What a watcher of this installation counts, as Prometheus reads it (text format 0.0.4), on a port of this machine
 * alone. No names and no ids: kinds, outcomes and times.
 */
function makeMetrics() {
  const registry = new Registry()
  const registers = [registry]
  collectDefaultMetrics({ register: registry, prefix: 'istruzione_' })
  new Gauge({
    name: 'istruzione_thread_work_waiting',
    help: 'Questions that wait for a thread or are being worked on, by kind of work',
    labelNames: ['work'],
    registers,
    collect() {
      for (const [work, count] of Object.entries(shared.istruzioneWaiting?.() ?? {})) this.set({ work }, count)
    },
  })
  new Gauge({
    name: 'istruzione_database_connections',
    help: 'Connections to the database, by pool and state',
    labelNames: ['pool', 'state'],
    registers,
    collect() {
      for (const [pool, { totalCount, idleCount, waitingCount }] of pools) {
        this.set({ pool, state: 'open' }, totalCount)
        this.set({ pool, state: 'idle' }, idleCount)
        this.set({ pool, state: 'waited for' }, waitingCount)
      }
    },
  })
  const counter = <Label extends string>(name: string, help: string, ...labelNames: Label[]) =>
    new Counter({ name: `istruzione_${name}_total`, help, labelNames, registers })
  return {
    registry,
    requests: new Histogram({
      name: 'istruzione_request_seconds',
      help: 'Time to answer, by door and by the first digit of the status',
      labelNames: ['door', 'status'],
      buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
      registers,
    }),
    events: counter('events', 'What tablets sent, by what became of it', 'outcome'),
    work: new Histogram({
      name: 'istruzione_thread_work_seconds',
      help: 'Time on a thread, by kind of work and what became of it',
      labelNames: ['work', 'outcome'],
      buckets: [0.05, 0.25, 1, 5, 20],
      registers,
    }),
    linesDropped: counter('log_lines_dropped', 'Lines of the log that could not be written'),
    access: counter('access', 'Sign-ins, PINs and refusals, by kind', 'kind'),
  }
}

// One for the process: the bundles of pages and of the tablets' door have their own copy of this module.
const shared = globalThis as {
  istruzioneMetrics?: ReturnType<typeof makeMetrics>
  istruzionePools?: Map<string, pg.Pool>
  istruzioneWaiting?: () => Record<string, number>
}
const pools = (shared.istruzionePools ??= new Map<string, pg.Pool>())
export const metrics = (shared.istruzioneMetrics ??= makeMetrics())

/** Counts a pool's connections from now on. */
export function watchPool(name: string, pool: pg.Pool): pg.Pool {
  pools.set(name, pool)
  return pool
}

/** Asks there, from now on, how many wait for a thread. */
export function watchWaiting(now: () => Record<string, number>): void {
  shared.istruzioneWaiting = now
}

/** Which door an address is, so that no id becomes a label. */
export function doorOf(method: string, path: string): string {
  if (path.startsWith('/_next/static/')) return 'built file'
  if (path.startsWith('/api/auth/')) return 'sign-in'
  const api = /^\/api\/(?:jobs\/[^/]+\/)?(events|media|plan|device|health)/.exec(path)
  if (api) return api[1]!
  if (/^\/jobs\/[^/]+\/sheet$/.test(path)) return 'sheet'
  return method === 'POST' ? 'action' : 'page'
}
