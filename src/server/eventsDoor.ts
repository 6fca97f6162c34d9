import 'server-only'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { OUT_OF_ORDER_SHORT, REFUSALS } from '@/words/refusals'
import { AppendRequest, appendJobEvents } from './appendEvents'
import { rootOf } from './diskOfData'
import { notLetIn, SECURITY_HEADERS } from './entrance'
import { eventsAfter } from './jobEvents'
import { crewOfTablet } from './keptCrew'
import { log } from './log'
import { metrics } from './metrics'
import { lackBehind } from './outOfOrder'

export { inRequest } from './log'
export { doorOf, metrics } from './metrics'

/**
 * The one door that every tablet knocks at each second, and every tap goes through: /api/jobs/ID/events. It is opened
 * before the framework is asked, which takes ten times as long as the look-up itself (docs/benchmarks.md). What every
 * other door refuses it refuses as well (`entrance.ts`).
 */
const ADDRESS = /^\/api\/jobs\/([^/?]+)\/events(?:\?(.*))?$/
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

type Answer = { status: number; body: unknown }
const SIGNED_OUT: Answer = { status: 401, body: { status: 'signed out', sentence: REFUSALS.signInFirst } }
const UNKNOWN: Answer = { status: 404, body: { status: 'unknown', sentence: REFUSALS.noSuchJob } }

/** Answers a request that comes to this door; false when it goes to another one. */
export function answeredHere(request: IncomingMessage, response: ServerResponse): boolean {
  const address = ADDRESS.exec(request.url ?? '')
  if (!address || !['GET', 'POST'].includes(request.method ?? '')) return false
  const answer = request.method === 'GET' ? tell(request, address[1]!, address[2] ?? '') : take(request, address[1]!)
  answer
    .catch(async (error: unknown): Promise<Answer> => {
      // A tablet that lost its network in the middle is no fault of ours, and sends it again.
      if (request.destroyed && !request.complete) return { status: 400, body: null }
      const behind = lackBehind(error)
      const lack = behind && (await rootOf(behind))
      log.error({ err: error, path: '/api/jobs/ID/events', lack }, 'request failed')
      if (lack) return { status: 503, body: { status: 'out of order', sentence: OUT_OF_ORDER_SHORT[lack] } }
      return { status: 500, body: { status: 'failed', sentence: REFUSALS.somethingBroke } }
    })
    .then(({ status, body }) => {
      for (const [name, value] of SECURITY_HEADERS) response.setHeader(name, value)
      const text = JSON.stringify(body)
      response.writeHead(status, {
        'content-type': 'application/json',
        'cache-control': 'private, no-store',
        'content-length': Buffer.byteLength(text),
      })
      response.end(text)
    })
  return true
}

/** What happened in a job, for the other tablets in the bay: all of it, or what arrived `after` a place told before. */
async function tell(request: IncomingMessage, jobId: string, query: string): Promise<Answer> {
  const crew = await crewOfTablet(request.headers.cookie ?? '')
  if (!crew) return SIGNED_OUT
  const after = Number(new URLSearchParams(query).get('after') ?? 0)
  const found = UUID.test(jobId) ? await eventsAfter(crew, jobId, Number.isSafeInteger(after) ? after : 0) : null
  return found ? { status: 200, body: { ...found, acting: crew.acting } } : UNKNOWN
}

/**
 * Appends what a tablet's outbox sends. Sent twice, it is stored once; what is refused is answered event by event, and
 * the rest is kept.
 */
async function take(request: IncomingMessage, jobId: string): Promise<Answer> {
  const header = (name: string) => request.headers[name]?.toString() ?? null
  const no = notLetIn({ method: 'POST', header })
  if (no) return { status: no.status, body: { status: 'refused', sentence: no.sentence } }
  const crew = await crewOfTablet(request.headers.cookie ?? '')
  if (!crew) return SIGNED_OUT
  if (!UUID.test(jobId)) return UNKNOWN
  // Each event is cleaned and parsed by itself.
  const body = AppendRequest.safeParse(await jsonOf(request))
  if (!body.success)
    return { status: 400, body: { status: 'invalid', sentence: REFUSALS.eventsUnread(body.error.issues[0]!.message) } }
  const outcome = await appendJobEvents(crew, jobId, body.data.events)
  if (outcome.status === 'unknown job') return UNKNOWN
  const { stored, refused } = outcome
  metrics.events.inc({ outcome: 'stored' }, stored.length)
  metrics.events.inc({ outcome: 'refused for good' }, refused.filter(({ forGood }) => forGood).length)
  metrics.events.inc({ outcome: 'held' }, refused.filter(({ forGood }) => !forGood).length)
  log.info({ jobId, events: body.data.events.length, stored: stored.length, refused: refused.length }, 'events')
  const [first] = refused
  if (first && !body.data.each)
    return { status: 409, body: { status: 'refused', eventId: first.eventId, sentence: first.sentence } }
  return { status: 200, body: outcome }
}

/** The JSON of a body whose length was looked at; null where it is none. */
async function jsonOf(request: IncomingMessage): Promise<unknown> {
  const pieces: Buffer[] = []
  for await (const piece of request) pieces.push(piece as Buffer)
  try {
    return JSON.parse(Buffer.concat(pieces).toString('utf8'))
  } catch {
    return null
  }
}
