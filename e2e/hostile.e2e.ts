import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { ShopClient } from '../bench/shopClient'
import { smallDash } from '../src/core/testing/smallDash.testing'
import { withCavities } from '../src/core/testing/withCavities.testing'
import type { PlanReport } from '../src/words/planReport'

// The short form of bin/bench hostile, without a clock: what one shop asks for keeps nobody else waiting for its end.

const small = { goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} }

async function someShop(name: string) {
  const shop = new ShopClient()
  await shop.setUp(name)
  return shop
}

test('while one shop asks for a large plan another one’s tablet is answered, again and again', async () => {
  const [hostile, modest] = [await someShop('Hostile'), await someShop('Modest')]
  const { jobId } = await modest.job('Van 1', smallDash(), small)
  const large = withCavities(10, 6, true)
  const { procedureId } = await hostile.job('Van 1', large, {
    goals: [{ kind: 'cavity', cavityId: 'cavity-0' }],
    build: { gearbox: 'manual', steering: 'left', starter: 'key' },
  })
  const goals = large.cavities.map(({ id }) => ({ kind: 'cavity', cavityId: id }))
  let answer: { status: number; text: string } | null = null
  const planning = hostile
    .post('/api/plan', {
      procedureId,
      request: { goals, build: { gearbox: 'manual', steering: 'left', starter: 'key' } },
    })
    .then((came) => (answer = came))
  const before: number[] = []
  while (answer === null) before.push((await modest.get(`/api/jobs/${jobId}/events?after=0`)).status)
  const { status, text } = await planning
  expect(status).toBe(200)
  // Sixty million ways: not all are made, and what is left is bounded.
  const { allChoices, choices, gapS } = JSON.parse(text) as PlanReport
  expect([allChoices, choices > 1, choices < 6 ** 10, Number.isFinite(gapS)]).toEqual([true, true, true, true])
  expect(before.length).toBeGreaterThan(3)
  expect(new Set(before)).toEqual(new Set([200]))
})

test('a picture of 80 million dots is refused', async () => {
  const shop = await someShop('Hostile')
  const { jobId } = await shop.job('Van 1', smallDash(), small)
  const bytes = await sharp({
    create: { width: 8000, height: 10_000, channels: 3, background: '#456' },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 9 })
    .toBuffer()
  const path = `/api/jobs/${jobId}/media/${crypto.randomUUID()}?kind=photo`
  const answer = await shop.send('POST', path, { 'content-type': 'image/png' }, bytes)
  expect([answer.status, answer.text]).toEqual([422, expect.stringContaining('40 million dots')])
})

test('nothing is put, taken away or sent back as it came', async () => {
  const shop = await someShop('Hostile')
  for (const method of ['TRACE', 'PUT', 'DELETE', 'PATCH'])
    for (const path of ['/today', '/api/device'])
      expect([method, path, (await shop.send(method, path)).status]).toEqual([method, path, 405])
})

test('who watches this machine is told doors, times and outcomes, and no id of anybody', async () => {
  const shop = await someShop('Watched')
  const { jobId } = await shop.job('Van 1', smallDash(), small)
  await shop.get(`/api/jobs/${jobId}/events?after=0`)
  const response = await fetch(`http://127.0.0.1:${process.env.ISTRUZIONE_METRICS_PORT}/metrics`)
  const text = await response.text()
  for (const line of [
    /^istruzione_request_seconds_count\{door="events",status="2xx"\} [1-9]/m,
    /^istruzione_thread_work_seconds_count\{work="plan",outcome="answered"\} [1-9]/m,
    /^istruzione_database_connections\{pool="records",state="open"\} [1-9]/m,
    /^istruzione_log_lines_dropped_total 0$/m,
  ])
    expect(text).toMatch(line)
  expect(text).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}-/)
})
