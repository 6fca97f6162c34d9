// A shop of its own on a running application, driven over HTTP as a browser would: for bin/bench and e2e/hostile.
import { readFileSync } from 'node:fs'
import { Agent, request, type IncomingMessage } from 'node:http'

const base = new URL(process.env.BASE ?? 'http://localhost:3000')
const agent = new Agent({ keepAlive: true, maxSockets: 400 })

const actions = new Map(
  Object.entries(
    (
      JSON.parse(
        readFileSync(`${process.env.ISTRUZIONE_BUILD_DIR ?? '.next'}/server/server-reference-manifest.json`, 'utf8'),
      ) as {
        node: Record<string, { exportedName: string }>
      }
    ).node,
  ).map(([id, { exportedName }]) => [exportedName, id]),
)

export type Answer = { status: number; headers: IncomingMessage['headers']; text: string; ms: number }

export class ShopClient {
  private readonly cookies = new Map<string, string>()

  async send(method: string, path: string, headers: Record<string, string> = {}, body?: Buffer): Promise<Answer> {
    const began = performance.now()
    const answer = await new Promise<Answer>((resolve, reject) => {
      const asked = request(
        new URL(path, base),
        {
          method,
          agent,
          headers: {
            origin: base.origin,
            cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
            ...(body ? { 'content-length': String(body.length) } : {}),
            ...headers,
          },
        },
        (response) => {
          const pieces: Buffer[] = []
          response.on('data', (piece: Buffer) => pieces.push(piece))
          response.on('error', reject)
          response.on('end', () =>
            resolve({
              status: response.statusCode ?? 0,
              headers: response.headers,
              text: Buffer.concat(pieces).toString(),
              ms: performance.now() - began,
            }),
          )
        },
      )
      asked.on('error', reject)
      asked.end(body)
    })
    for (const cookie of answer.headers['set-cookie'] ?? []) {
      const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie)!
      this.cookies.set(name!, value!)
    }
    return answer
  }

  get(path: string): Promise<Answer> {
    return this.send('GET', path)
  }

  post(path: string, json: unknown): Promise<Answer> {
    return this.send('POST', path, { 'content-type': 'application/json' }, Buffer.from(JSON.stringify(json)))
  }

  /** Calls a server action from a page that has it; where it leads comes as a header. */
  act(action: string, page: string, args: unknown[]): Promise<Answer> {
    const headers = { 'next-action': actions.get(action)!, 'content-type': 'text/plain;charset=UTF-8' }
    return this.send('POST', page, headers, Buffer.from(JSON.stringify(args)))
  }

  async setUp(name: string): Promise<void> {
    const username = `bench_${Math.random().toString(36).slice(2, 12)}`
    const shop = { shopName: name, ownerName: 'Ada', username, password: 'a long enough password', pin: '2468' }
    const done = await this.act('setUpMyShop', '/welcome', [shop])
    if (!this.cookies.size) throw new Error(`no shop was set up: ${done.status} ${done.text.slice(0, 300)}`)
  }

  /** Publishes a record and opens a job on it; the job's id. */
  async job(label: string, record: object, request: object): Promise<{ jobId: string; procedureId: string }> {
    const made = await this.act('importProcedureAction', '/procedures', [JSON.stringify(record)])
    const procedureId = idIn(made, 'procedures')
    await this.act('publishAction', `/procedures/${procedureId}`, [procedureId, ''])
    const vehicle = { label, plate: '', customer: '', procedureId, build: {} }
    const vehicleId = idIn(await this.act('addVehicleAction', '/vehicles', [vehicle]), 'vehicles')
    const job = { vehicleId, title: 'Bench', request }
    return { jobId: idIn(await this.act('openJob', `/plan?vehicle=${vehicleId}`, [job]), 'jobs'), procedureId }
  }
}

function idIn(answer: Answer, folder: string): string {
  const said = `${String(answer.headers['x-action-redirect'] ?? '')} ${answer.text}`
  const id = new RegExp(`/${folder}/([0-9a-f-]{36})`).exec(said)?.[1]
  if (!id) throw new Error(`no ${folder} was made: ${answer.status} ${said.slice(0, 400)}`)
  return id
}

/** The value below which so large a part of them lies. */
export function quantile(values: readonly number[], part: number): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? NaN
}
