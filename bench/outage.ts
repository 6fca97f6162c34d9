// What a shop's machine does that lacks something, tried for real: a full disk, one that takes nothing any more, a
// database that lets nobody in, a clock that is set back by a day. A bin/start of its own on a small disk in a file,
// and a tablet that writes five times a second and keeps what it could not send. bin/bench outage [CASE...]. Linux, as
// root: it mounts the disk; the clock needs Debian's faketime.
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import pg from 'pg'
import { smallDash } from '../src/core/testing/smallDash.testing'
import { emptyEvent } from './events'
import { ShopClient } from './shopClient'

const HOME = '/tmp/istruzione-outage'
const DISK = `${HOME}/disk`
const DATA = `${DISK}/data`
const [PORT, DB_PORT] = [3400, 5540]
const LACKING_S = 15
const FAKETIME = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1'
const CLOCK = `${HOME}/clock`

const run = (command: string, ...args: string[]) =>
  execFileSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim()
const sleep = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** A disk of its own in a file. */
function mountDisk(): string {
  mkdirSync(DISK, { recursive: true })
  run('truncate', '-s', '1200M', `${HOME}/file`)
  run('mkfs.ext4', '-q', '-m', '0', `${HOME}/file`)
  const loop = run('losetup', '--show', '-f', `${HOME}/file`)
  run('mount', '-o', 'errors=remount-ro', loop, DISK)
  return loop
}
function unmountDisk(loop: string): void {
  run('umount', '-l', DISK)
  run('losetup', '-d', loop)
  rmSync(HOME, { recursive: true, force: true })
}

let running: ChildProcess | null = null

async function start(more: Record<string, string> = {}): Promise<ChildProcess> {
  const settings = { ISTRUZIONE_DATA: DATA, ISTRUZIONE_PORT: String(PORT), ISTRUZIONE_DB_PORT: String(DB_PORT) }
  const started = spawn('bash', ['bin/start'], {
    env: { ...process.env, ...settings, ...more },
    stdio: ['ignore', 'ignore', openSync(`${HOME}/start.log`, 'w')],
  })
  running = started
  for (let tries = 0; tries < 600; tries++) {
    if ((await health()).status === 200) return started
    if (started.exitCode !== null) break
    await sleep(500)
  }
  throw new Error(`bin/start did not come up: ${readFileSync(`${HOME}/start.log`, 'utf8')}`)
}
async function stop(started: ChildProcess): Promise<void> {
  const ended = new Promise((done) => started.once('exit', done))
  started.kill('SIGTERM')
  await ended
}

async function health(): Promise<{ status: number; reasons: string[] }> {
  try {
    const response = await fetch(`http://localhost:${PORT}/api/health`, { signal: AbortSignal.timeout(6000) })
    const text = await response.text()
    // A page where the reasons are meant to be is a fault.
    const said = text.startsWith('{') ? (JSON.parse(text) as { reasons: string[] }) : null
    return { status: response.status, reasons: said?.reasons ?? [`${response.status} ${text.slice(0, 80)}`] }
  } catch {
    return { status: 0, reasons: ['no answer'] }
  }
}

/** A tablet at work: what it wrote, and what became of each try to send it. */
class Tablet {
  readonly written: string[] = []
  readonly said = new Map<string, number>()
  private waiting: ReturnType<typeof emptyEvent>[] = []
  private over = false
  private readonly working: Promise<void>

  constructor(
    private readonly shop: ShopClient,
    private readonly jobId: string,
    private readonly personId: string,
  ) {
    this.working = this.work()
  }

  private async work(): Promise<void> {
    while (!this.over) {
      const event = emptyEvent(this.jobId, this.personId)
      this.written.push(event.id)
      this.waiting.push(event)
      await this.send()
      await sleep(200)
    }
  }

  private async send(): Promise<void> {
    const events = this.waiting.slice(0, 200)
    if (events.length === 0) return
    try {
      const answer = await this.shop.post(`/api/jobs/${this.jobId}/events`, { events, each: true })
      const { stored, refused, sentence } = JSON.parse(answer.text) as {
        stored?: string[]
        refused?: { eventId: string; sentence: string }[]
        sentence?: string
      }
      this.waiting = this.waiting.filter(({ id }) => !stored?.includes(id))
      this.count(`${answer.status} ${sentence ?? refused?.[0]?.sentence ?? 'stored'}`)
    } catch (error) {
      this.count(`no answer (${error instanceof Error && 'code' in error ? String(error.code) : 'broke'})`)
    }
  }

  private count(said: string): void {
    this.said.set(said, (this.said.get(said) ?? 0) + 1)
  }

  /** Ends, once the shop has everything or a minute has passed: how many are missing there, or there twice. */
  async end(): Promise<{ lost: number; twice: number; waitedS: number }> {
    this.over = true
    await this.working
    const began = performance.now()
    while (this.waiting.length > 0 && performance.now() - began < 90_000) {
      await this.send()
      await sleep(200)
    }
    const told = JSON.parse((await this.shop.get(`/api/jobs/${this.jobId}/events`)).text) as {
      events: { id: string }[]
    }
    const there = told.events.map(({ id }) => id)
    const missing = this.written.filter((id) => !there.includes(id))
    return {
      lost: missing.length,
      twice: there.length - new Set(there).size,
      waitedS: (performance.now() - began) / 1000,
    }
  }
}

type Case = { lack: () => Promise<() => Promise<void>>; settings?: () => Record<string, string> }

function connection(user: string, name: string): pg.Client {
  const password = readFileSync(`${DATA}/pg-${name}`, 'utf8')
  return new pg.Client({ host: '127.0.0.1', port: DB_PORT, user, password, database: 'istruzione' })
}

const cases = (loop: string): Record<string, Case> => ({
  'full disk': {
    lack: async () => {
      try {
        run('dd', 'status=none', 'if=/dev/zero', `of=${DISK}/filler`, 'bs=1M')
      } catch {
        // It ends when nothing is left.
      }
      // What the database set aside beforehand would last for minutes.
      const chief = connection('postgres', 'superuser')
      chief.on('error', () => undefined)
      await chief.connect()
      for (let i = 0; i < 8; i++)
        await chief.query('select pg_switch_wal(); create table filled (); drop table filled').catch(() => undefined)
      await chief.end().catch(() => undefined)
      return async () => rmSync(`${DISK}/filler`)
    },
  },
  'a disk that takes nothing': {
    lack: async () => {
      // What the kernel does with a disk that answers with errors.
      writeFileSync(`/sys/fs/ext4/${loop.replace('/dev/', '')}/trigger_fs_error`, 'tried')
      return async () => {
        // Somebody stops it, has the disk looked at, and starts it again.
        await stop(running!)
        run('umount', DISK)
        try {
          run('e2fsck', '-fy', loop)
        } catch {
          // It says so where it corrected something.
        }
        run('mount', '-o', 'errors=remount-ro', loop, DISK)
        await start()
      }
    },
  },
  'no connections': {
    lack: async () => {
      const connections: pg.Client[] = []
      const chief = connection('postgres', 'superuser')
      await chief.connect()
      await chief.query(`select pg_terminate_backend(pid) from pg_stat_activity where usename in
        ('istruzione_app', 'istruzione_accounts')`)
      for (;;) {
        const client = connection('istruzione_app', 'app')
        client.on('error', () => undefined)
        try {
          await client.connect()
        } catch {
          break
        }
        connections.push(client)
      }
      return async () => {
        await Promise.all([...connections, chief].map((client) => client.end()))
      }
    },
  },
  'clock set back by a day': {
    settings: () => {
      writeFileSync(CLOCK, '+0d')
      return {
        LD_PRELOAD: FAKETIME,
        FAKETIME_TIMESTAMP_FILE: CLOCK,
        FAKETIME_NO_CACHE: '1',
        FAKETIME_DONT_FAKE_MONOTONIC: '1',
      }
    },
    lack: async () => {
      writeFileSync(CLOCK, '-1d')
      return async () => writeFileSync(CLOCK, '+0d')
    },
  },
})

async function tryIt(name: string, { lack, settings }: Case): Promise<void> {
  if (settings && !existsSync(FAKETIME)) return console.log(`\n${name}: not tried. Install Debian’s faketime first.`)
  await start(settings?.())
  const shop = new ShopClient()
  await shop.setUp(`Outage ${Date.now() % 1_000_000}`)
  const request = { goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} }
  const { jobId } = await shop.job('Van 1', smallDash(), request)
  const { acting } = JSON.parse((await shop.get(`/api/jobs/${jobId}/events`)).text) as { acting: { id: string } }
  const tablet = new Tablet(shop, jobId, acting.id)
  await sleep(3000)
  const mend = await lack()
  const reasons = new Set<string>()
  const pages = new Set<number>()
  for (const until = performance.now() + LACKING_S * 1000; performance.now() < until; await sleep(1000)) {
    for (const reason of (await health()).reasons) reasons.add(reason)
    pages.add((await shop.get('/today').catch(() => ({ status: 0 }))).status)
  }
  const began = performance.now()
  await mend()
  while ((await health()).status !== 200 && performance.now() - began < 90_000) await sleep(200)
  const backS = (performance.now() - began) / 1000
  const { lost, twice, waitedS } = await tablet.end()
  console.log(`\n${name}, for ${LACKING_S} s`)
  console.log(`  health: ${[...reasons].join(' | ') || 'nothing said'}; pages ${[...pages].join(', ')}`)
  for (const [said, times] of tablet.said) console.log(`  the tablet ${times} times: ${said}`)
  const { length } = tablet.written
  console.log(`  ready again after ${backS.toFixed(1)} s; ${length} written, ${lost} lost, ${twice} twice`)
  console.log(`  the last was in the shop ${waitedS.toFixed(1)} s after the tablet stopped writing`)
  await stop(running!)
}

const wanted = process.argv.slice(2)
console.log(`${cpus().length} x ${cpus()[0]!.model.trim()}, ${new Date().toISOString().slice(0, 10)}`)
rmSync(HOME, { recursive: true, force: true })
const loop = mountDisk()
try {
  for (const [name, one] of Object.entries(cases(loop)))
    if (wanted.length === 0 || wanted.some((word) => name.includes(word))) await tryIt(name, one)
} finally {
  if (running && running.exitCode === null) await stop(running)
  unmountDisk(loop)
}
process.exit(0)
