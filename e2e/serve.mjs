// Runs the built application for the browser tests, writes down its process number, and starts it again two seconds
// after it died: so a test can kill it hard in the middle of a job and see what happens.
import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'

const port = process.argv[2]
let child = null
let stopping = false

function start() {
  child = spawn(process.execPath, ['bin/lib/serve.mjs', '127.0.0.1', port], {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production' },
  })
  writeFileSync(join(process.env.ISTRUZIONE_TEST_DATA, 'app.pid'), String(child.pid))
  child.on('exit', () => {
    if (!stopping) setTimeout(start, 2000)
    else process.exit(0)
  })
}
for (const signal of ['SIGTERM', 'SIGINT'])
  process.on(signal, () => {
    stopping = true
    child?.kill('SIGTERM')
    setTimeout(() => child?.kill('SIGKILL'), 4000).unref()
    setTimeout(() => process.exit(0), 5000).unref()
  })
start()
