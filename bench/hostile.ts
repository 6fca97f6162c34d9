// What one shop can do to another: large questions to a running bin/start, while another shop's tablet asks each tenth
// of a second whether there is anything new. bin/bench hostile [WORD...]: only the cases whose name holds one
import { readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import sharp from 'sharp'
import { randomProcedure } from '../src/core/procedure/randomProcedure.testing'
import { withCavities } from '../src/core/testing/withCavities.testing'
import { smallDash } from '../src/core/testing/smallDash.testing'
import type { PlanReport } from '../src/words/planReport'
import { emptyEvent } from './events'
import { quantile, ShopClient } from './shopClient'

const WANTED_MS = 300
const [hostile, modest] = [new ShopClient(), new ShopClient()]
await hostile.setUp(`Hostile ${Date.now() % 1_000_000}`)
await modest.setUp(`Modest ${Date.now() % 1_000_000}`)
const small = { goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} }
const quiet = (await modest.job('Bench 1', smallDash(), small)).jobId
const known = JSON.parse((await modest.get(`/api/jobs/${quiet}/events`)).text) as { upTo: number }

/**
 * What the host took from this machine until now, in milliseconds of one processor, by Linux's own count of 10 ms
 * (steal in proc(5)); nothing elsewhere. A virtual machine stands still for it, whatever it does.
 */
function takenMs(): number {
  try {
    return Number(readFileSync('/proc/stat', 'utf8').split('\n')[0]!.trim().split(/\s+/)[8]) * 10
  } catch {
    return 0
  }
}

/** The other shop's polls while something goes on: how long each took, when, and what the host took meanwhile. */
type Poll = { ms: number; atS: number; taken: number }
async function meanwhile(act: () => Promise<string>): Promise<{ said: string; tookMs: number; polls: Poll[] }> {
  const polls: Poll[] = []
  let over = false
  const began = performance.now()
  const polling = (async () => {
    while (!over) {
      const [at, taken] = [performance.now(), takenMs()]
      const { ms } = await modest.get(`/api/jobs/${quiet}/events?after=${known.upTo}`)
      polls.push({ ms, atS: (at - began) / 1000, taken: takenMs() - taken })
      await new Promise((done) => setTimeout(done, 100))
    }
  })()
  const said = await act()
  const tookMs = performance.now() - began
  over = true
  await polling
  return { said, tookMs, polls }
}

async function published(record: object): Promise<string> {
  const made = await hostile.act('importProcedureAction', '/procedures', [JSON.stringify(record)])
  const id = /procedures\/([0-9a-f-]{36})/.exec(String(made.headers['x-action-redirect']))?.[1]
  if (!id) throw new Error(`not imported: ${made.text.slice(0, 500)}`)
  await hostile.act('publishAction', `/procedures/${id}`, [id, ''])
  return id
}
async function plan(procedureId: string, request: object): Promise<string> {
  const answer = await hostile.post('/api/plan', { procedureId, request })
  const said = JSON.parse(answer.text) as { status: string; sentence?: string } & Partial<PlanReport>
  const { proven, gapS } = said
  const known = gapS === undefined ? '' : `, ${proven ? 'proven' : `at most ${Math.ceil(gapS)} s to be saved`}`
  return `${answer.status} ${said.status}${known}${said.sentence ? `: ${said.sentence.slice(0, 90)}` : ''}`
}
const vanBuild = { gearbox: 'manual', steering: 'left', starter: 'key' }
const cavityGoals = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ kind: 'cavity', cavityId: `cavity-${i}` }))
/** Sixty parts, each panel by itself: a record that nobody could publish; a job is opened on its draft. */
async function panelByPanel(): Promise<() => Promise<string>> {
  const document = randomProcedure(1, { kind: 'dash', size: 60 })
  for (const holder of document.holders) holder.holds = holder.holds.slice(0, 1)
  const goals = document.parts.map(({ id }) => ({ kind: 'part', partId: id, level: 'off' }))
  const request = { goals, build: {}, policy: { habit: 'panel by panel' } }
  const procedureId = await published(document)
  const vehicle = { label: 'Bench 3', plate: '', customer: '', procedureId, build: {} }
  const made = await hostile.act('addVehicleAction', '/vehicles', [vehicle])
  const vehicleId = /vehicles\/([0-9a-f-]{36})/.exec(String(made.headers['x-action-redirect']))![1]
  return async () => {
    const answer = await hostile.act('openJob', `/plan?vehicle=${vehicleId}`, [{ vehicleId, title: 'Bench', request }])
    return /"sentence":"([^"]{0,90})/.exec(answer.text)?.[1] ?? String(answer.headers['x-action-redirect'])
  }
}

const { jobId } = await hostile.job('Bench 2', smallDash(), small)
const { acting } = JSON.parse((await hostile.get(`/api/jobs/${jobId}/events`)).text) as { acting: { id: string } }
async function notes(count: number): Promise<string> {
  let stored = 0
  for (let sent = 0; sent < count; sent += 500) {
    const events = Array.from({ length: Math.min(500, count - sent) }, () =>
      emptyEvent(jobId, acting.id, 'A hook at the top left, and the clip under it is the short one. '.repeat(3)),
    )
    const answer = await hostile.post(`/api/jobs/${jobId}/events`, { events, each: true })
    stored += (JSON.parse(answer.text) as { stored: string[] }).stored.length
  }
  return `${stored} of ${count} stored`
}
async function sheet(): Promise<string> {
  const answer = await hostile.get(`/jobs/${jobId}/sheet`)
  return `${answer.status} ${answer.headers['content-type']}, ${Math.round(answer.text.length / 1000)} kB`
}

/** A picture of so many million dots, so plain that it fits into what may be sent. */
const picture = (megapixels: number) =>
  sharp({
    create: { width: 8000, height: Math.round((megapixels * 1e6) / 8000), channels: 3, background: '#456' },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 9 })
    .toBuffer()
async function photo(bytes: Buffer): Promise<string> {
  const path = `/api/jobs/${jobId}/media/${crypto.randomUUID()}?kind=photo`
  return String((await hostile.send('POST', path, { 'content-type': 'image/png' }, bytes)).status)
}

const [eight, ten] = [await published(withCavities(8, 6)), await published(withCavities(10, 6))]
const apart = await published(withCavities(10, 6, true))
const panels = await panelByPanel()
const [large, tooLarge] = [await picture(39), await picture(80)]
const CASES: [string, () => Promise<string>][] = [
  ['nothing, for five seconds', async () => (await new Promise((done) => setTimeout(done, 5000)), '')],
  ['8 cavities with 6 openings each', () => plan(eight, { goals: cavityGoals(8), build: vanBuild })],
  ['10 cavities with 6 openings each', () => plan(ten, { goals: cavityGoals(10), build: vanBuild })],
  ['10 with 6 that all differ', () => plan(apart, { goals: cavityGoals(10), build: vanBuild })],
  ['panel by panel, 60 parts', panels],
  [
    'the same twelve times at once',
    async () => {
      const all = await Promise.all(Array.from({ length: 12 }, panels))
      return [...new Set(all)].join(' | ')
    },
  ],
  ['a picture of 80 million dots', () => photo(tooLarge)],
  [
    'eight pictures of 39 million dots at once',
    async () => (await Promise.all(Array.from({ length: 8 }, () => photo(large)))).join(' '),
  ],
  ['2,000 notes', () => notes(2000)],
  ['the sheet of a job with 2,000 notes', sheet],
  ['20,000 more notes', () => notes(20_000)],
  ['the sheet of a job with as many as it takes', sheet],
  ['Today with that job', async () => `${(await hostile.get('/today')).status}`],
  [
    'an import of 3 MB',
    async () => {
      const answer = await hostile.act('importProcedureAction', '/procedures', [
        JSON.stringify({ x: 'x'.repeat(2_900_000) }),
      ])
      return `${answer.status}`
    },
  ],
]

console.log(`${cpus().length} x ${cpus()[0]!.model.trim()}, ${new Date().toISOString().slice(0, 10)}`)
console.log(`the other shop’s polls are to be answered within ${WANTED_MS} ms`)
const only = process.argv.slice(2)
for (const [name, act] of CASES) {
  if (only.length > 0 && !only.some((word) => name.includes(word))) continue
  const before = takenMs()
  const { said, tookMs, polls } = await meanwhile(act)
  const taken = ((takenMs() - before) / 1000).toFixed(1)
  const times = polls.map(({ ms }) => ms)
  const longest = Math.max(...times)
  const figures = `polls p95 ${quantile(times, 0.95).toFixed(0)} ms, longest ${longest.toFixed(0)} ms${longest > WANTED_MS ? '  <-- over' : ''}`
  // The slowest, with what the host took of the machine's processors while each was under way.
  const slowest = [...polls].sort((a, b) => b.ms - a.ms).slice(0, 4)
  const when = slowest.map(({ ms, atS, taken }) => `${ms.toFixed(0)} at ${atS.toFixed(1)} s (${taken} taken)`)
  console.log(`${name}: ${(tookMs / 1000).toFixed(1)} s; ${figures}; ${said}`)
  console.log(`   the host took ${taken} s; slowest: ${when.join(', ')}`)
}
process.exit(0)
