// Serves the built application: serve.mjs HOST PORT. The built files of .next/static come from the disk already
// compressed (compress.mjs): a tablet on a weak signal gets the first page in the fewest bytes, and no processor
// compresses them again. Everything else is Next's own.
import { randomUUID } from 'node:crypto'
import { createServer } from 'node:http'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import next from 'next'
import sirv from 'sirv'

// Where the log lies on a full disk nothing can be said any more: that is no reason to end, nor to try without a pause.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined)

const [host, port] = [process.argv[2], Number(process.argv[3])]
const folder = process.env.ISTRUZIONE_BUILD_DIR ?? '.next'
const app = next({ dev: false, hostname: host, port })
const handle = app.getRequestHandler()
// Built files carry their content's hash in their name, so a browser may keep them for good.
const built = sirv(`${folder}/static`, {
  brotli: true,
  gzip: true,
  etag: true,
  immutable: true,
  maxAge: 31_536_000,
  setHeaders: (response) => response.setHeader('X-Content-Type-Options', 'nosniff'),
})

await app.prepare()
// Tablets at work, each second and each tap, don't wait for the framework.
const { answeredHere, doorOf, inRequest, metrics } = await import(
  pathToFileURL(resolve(folder, 'beside/eventsDoor.mjs')).href
)
const BUILT = '/_next/static/'

/** An address that no browser makes of anything typed: the framework would break on it. */
function isReadable(url) {
  try {
    decodeURIComponent(url.split('?', 1)[0])
    return true
  } catch {
    return false
  }
}

// Who stands in front of this server and may say for whom it asks: addresses, with commas between. Nobody by default.
const IN_FRONT = new Set((process.env.ISTRUZIONE_PROXIES ?? '').split(',').filter(Boolean))
const SAID_IN_FRONT = ['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-port', 'x-forwarded-proto', 'x-real-ip']

/** Writes down who asks, by the socket or by who stands in front; whatever anybody else says of it is taken away. */
function writeAddress(request) {
  const { headers, socket } = request
  const from = (socket.remoteAddress ?? 'unknown').replace(/^::ffff:/, '')
  const isInFront = IN_FRONT.has(from)
  const told = isInFront ? headers['x-forwarded-for']?.split(',').at(-1)?.trim() : undefined
  if (!isInFront) for (const name of [...SAID_IN_FRONT, 'forwarded']) delete headers[name]
  headers['x-istruzione-address'] = told || from
}

/** All that anything here is asked by: nothing is put, taken away or sent back as it came. */
const METHODS = ['GET', 'HEAD', 'POST', 'OPTIONS']

function answer(request, response) {
  if (!METHODS.includes(request.method)) {
    response.writeHead(405, { allow: METHODS.join(', '), 'content-type': 'text/plain; charset=utf-8' })
    return response.end('Nothing here is asked in this way. Open Today and go on from there.')
  }
  if (!isReadable(request.url ?? '/')) {
    response.writeHead(400, { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' })
    return response.end('This address can’t be read. Open Today and go on from there.')
  }
  if (answeredHere(request, response)) return undefined
  if (!request.url?.startsWith(BUILT)) return handle(request, response)
  const asked = request.url
  request.url = asked.slice(BUILT.length - 1)
  response.setHeader('Vary', 'Accept-Encoding')
  return built(request, response, () => {
    request.url = asked
    response.removeHeader('Vary')
    handle(request, response)
  })
}

const server = createServer((request, response) => {
  writeAddress(request)
  const id = randomUUID()
  response.setHeader('x-request-id', id)
  const done = metrics.requests.startTimer()
  const door = doorOf(request.method ?? '', (request.url ?? '').split('?', 1)[0])
  response.once('close', () => done({ door, status: `${String(response.statusCode)[0]}xx` }))
  inRequest(id, () => answer(request, response))
})

// For who watches this installation, and only from this machine.
const metricsPort = Number(process.env.ISTRUZIONE_METRICS_PORT ?? 0)
if (metricsPort > 0)
  createServer(async (_, response) => {
    const text = await metrics.registry.metrics()
    response.writeHead(200, { 'content-type': metrics.registry.contentType })
    response.end(text)
  })
    .on('error', (error) => console.error(`the figures are not served: ${error.message}`))
    .listen(metricsPort, '127.0.0.1')

server.listen(port, host, () => console.log(`listening on ${host}:${port}`))
// Requests under way may end within three seconds; a second signal ends it at once.
for (const signal of ['SIGTERM', 'SIGINT'])
  process.once(signal, () => {
    server.close(() => process.exit(0))
    server.closeIdleConnections()
    setTimeout(() => process.exit(0), 3000).unref()
  })
