// Times the laying of leads: bin/bench leads. On any folder of bare problems: bin/bench leads --instances FOLDER --json
import { execSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { layLeads } from '@/core/layout/layLeads'
import { LayoutProblem } from '@/core/layout/problem'
import { HARSH, LIKELY, randomLayout, type LayoutSize } from '@/core/layout/randomLayout.testing'

const { values } = parseArgs({
  options: { instances: { type: 'string' }, json: { type: 'boolean' }, drawn: { type: 'string' } },
})
const folder = values.instances ?? join(process.cwd(), 'bench/leads')
const quantile = (list: readonly number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN
const ms = (value: number) => value.toFixed(value < 10 ? 1 : 0)

/** Median of three runs, after one to warm up. */
function timed(problem: LayoutProblem) {
  const times: number[] = []
  let found = layLeads(problem)
  for (let run = 0; run < 3; run++) {
    const at = performance.now()
    found = layLeads(problem)
    times.push(performance.now() - at)
  }
  return { found, ms: quantile(times, 0.5) }
}

function instances(): void {
  const optima = (() => {
    try {
      return JSON.parse(readFileSync(join(folder, 'optima.json'), 'utf8')) as Record<string, { costMs?: number }>
    } catch {
      return {}
    }
  })()
  const files = readdirSync(folder).filter((file) => file.endsWith('.json') && file !== 'optima.json')
  const rows = files.map((file) => {
    const name = file.replace('.json', '')
    const { found, ms: taken } = timed(LayoutProblem.parse(JSON.parse(readFileSync(join(folder, file), 'utf8'))))
    const costMs = found.kind === 'runs' ? found.costMs : null
    return {
      ...{ name, kind: found.kind, costMs, boundMs: found.kind === 'runs' ? found.boundMs : null },
      ...{ proven: found.proven, ms: Number(taken.toFixed(1)) },
    }
  })
  if (values.json) {
    for (const row of rows) console.log(JSON.stringify(row))
    return
  }
  const known = rows.filter(({ name }) => optima[name])
  const matched = known.filter(({ name, costMs }) => (optima[name]!.costMs ?? null) === costMs)
  console.log(
    `${matched.length} of ${known.length} known optima matched, ${rows.filter((r) => r.proven).length} proven.\n`,
  )
  console.log('| instance | cost, s | bound, s | proven | median of 3, ms |\n|---|---|---|---|---|')
  for (const row of rows.filter(({ name }) => !name.startsWith('small')))
    console.log(
      `| ${row.name} | ${(row.costMs ?? NaN) / 1000} | ${(row.boundMs ?? NaN) / 1000} | ${row.proven ? 'yes' : 'no'} | ${ms(row.ms)} |`,
    )
}

function drawn(what: string, size: LayoutSize, count: number): void {
  const times: number[] = []
  const gaps: number[] = []
  for (let seed = 1; seed <= count; seed++) {
    const problem = randomLayout(seed, size)
    const at = performance.now()
    const found = layLeads(problem)
    times.push(performance.now() - at)
    if (!found.proven && found.kind === 'runs') gaps.push((100 * (found.costMs - found.boundMs)) / found.costMs)
    else if (!found.proven) gaps.push(NaN)
  }
  const gap = gaps.length === 0 ? '' : `${quantile(gaps, 0.5).toFixed(0)} / ${Math.max(...gaps).toFixed(0)}`
  console.log(
    `| ${what} | ${count} | ${ms(quantile(times, 0.5))} | ${ms(quantile(times, 0.95))} | ${ms(Math.max(...times))} | ${count - gaps.length} of ${count} | ${gap} |`,
  )
}

if (!values.json)
  console.log(
    `${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}, ${new Date().toISOString().slice(0, 10)}, commit ${execSync('git rev-parse --short HEAD').toString().trim()}\n`,
  )
instances()
if (!values.json) {
  const count = Number(values.drawn ?? 100)
  console.log(
    '\n| drawn | problems | median, ms | p95, ms | worst, ms | proven | gap where not, % (median / most) |\n|---|---|---|---|---|---|---|',
  )
  drawn('60 ways, 35 points, 8 leads, 58 units', LIKELY, count)
  drawn('the same with 70 units, and every third way too narrow', HARSH, Math.round(count * 0.6))
}
