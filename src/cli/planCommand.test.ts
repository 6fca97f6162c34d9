import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { beforeAll, describe, expect, test } from '@jest/globals'
import { build } from 'esbuild'
import { panelVan } from '../demo/panelVan'

const ROOT = fileURLToPath(new URL('../../', import.meta.url))
const VAN = 'docs/examples/panel-van.json'
const AUTOMATIC = ['--build', 'gearbox=automatic', '--build', 'starter=key']

let bundle = ''
/** The command is put together once; one test runs it as it is called. */
beforeAll(async () => {
  bundle = join(mkdtempSync(join(tmpdir(), 'plan-')), 'plan.mjs')
  await build({
    absWorkingDir: ROOT,
    entryPoints: ['src/cli/planCommand.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: bundle,
    logLevel: 'warning',
  })
})

/** Runs the command; what it printed and how it ended. */
const plan = (...args: string[]) => run(process.execPath, bundle, ...args)

function run(command: string, ...args: string[]): { out: string; err: string; status: number } {
  try {
    return { out: execFileSync(command, args, { cwd: ROOT, encoding: 'utf8', stdio: 'pipe' }), err: '', status: 0 }
  } catch (error) {
    const { stdout, stderr, status } = error as { stdout: string; stderr: string; status: number }
    return { out: stdout, err: stderr, status }
  }
}

test('the example file is the demo van as it is now', () => {
  expect(JSON.parse(readFileSync(`${ROOT}${VAN}`, 'utf8'))).toEqual(JSON.parse(JSON.stringify(panelVan())))
})

describe('bin/plan', () => {
  test('prints the whole job, what is proved and what is counted', () => {
    const { out, status } = run('bin/plan', VAN, '--goal', 'radio cavity', ...AUTOMATIC)
    expect(status).toBe(0)
    expect(out).toContain('whole job 469 s by house estimates; way in 220 s')
    expect(out).toContain('Proven: no safe order is better under this policy.')
    expect(out).toContain('22 fasteners, plugs opened: main, antenna, hazard, airbag lamp')
    expect(out.indexOf('Unplug airbag lamp')).toBeGreaterThan(out.indexOf('Gear lever out of park'))
    // Tests are printed where they happen: once the lamp is plugged, before the surround is pushed home.
    const at = (words: string) => out.indexOf(words)
    expect(at('Tests, way out')).toBeGreaterThan(0)
    expect([at('Plug airbag lamp') < at('Test Radio'), at('Test Radio') < at('Centre surround: Push home')]).toEqual([
      true,
      true,
    ])
  }, 30_000)
  test('as one JSON object, the way in alone, from another station', () => {
    const { out } = plan(VAN, '--goal', 'radio-cavity', ...AUTOMATIC, '--opened', '--start', 'centre', '--json')
    expect(JSON.parse(out)).toMatchObject({
      totalS: 214,
      proven: true,
      gapS: 0,
      fasteners: 22,
      wayOut: [],
      extraPartsFor: { 'lever=out of park': 'by the release under the small cover' },
    })
  }, 30_000)
  test('shared out for two', () => {
    const both = [
      VAN,
      '--goal',
      'radio-cavity',
      '--goal',
      'pillar-cavity',
      ...AUTOMATIC,
      '--opened',
      '--people',
      '2',
      '--start',
      'centre',
      '--start',
      'passenger side',
    ]
    const { lanes } = JSON.parse(plan(...both, '--json').out)
    expect(lanes.wayOut).toBeNull()
    expect(lanes.wayIn).toMatchObject({ proven: true, makespanS: 182 })
    expect(plan(...both).out).toContain('Person 2')
  }, 30_000)
  test('policies change the order, and a file that is no procedure is refused', () => {
    const { out, status } = plan(
      VAN,
      '--goal',
      'radio-cavity',
      ...AUTOMATIC,
      '--policy',
      'battery=off first',
      '--policy',
      'habit=tool in hand',
      '--json',
    )
    expect([status, JSON.parse(out).figures.toolChanges]).toEqual([0, 9])
    expect(plan('package.json', '--goal', 'x')).toMatchObject({ status: 2 })
  }, 30_000)
  test('where not all choices were compared it claims no bound', () => {
    const document = panelVan()
    const lever = document.settings.find((setting) => setting.id === 'lever')!
    lever.methods.push({
      ...lever.methods.find((method) => method.id === 'lever-by-release')!,
      id: 'lever-from-below',
      name: 'from below',
    })
    document.needs.push({
      ...document.needs.find((need) => need.dependent.id === 'lever-by-release')!,
      id: 'need-from-below',
      dependent: { act: 'method', id: 'lever-from-below' },
      needs: { kind: 'part', partId: 'glovebox', level: 'off' },
    })
    const file = join(mkdtempSync(join(tmpdir(), 'plan-')), 'two-releases.json')
    writeFileSync(file, JSON.stringify(document))
    const { out, status } = plan(file, '--goal', 'radio cavity', ...AUTOMATIC)
    expect(status).toBe(0)
    expect(out).toContain('Not proven: there are more ways to choose openings and extra parts than were compared.')
    expect(out).not.toContain('could be saved')
  }, 30_000)
  test.each([
    [['nowhere.json', '--goal', 'x'], 'can’t be read'],
    [[VAN], 'Say what to open with --goal.'],
    [[VAN, '--goal', 'roof'], 'no cavity or part “roof”'],
    [[VAN, '--goal', 'radio-cavity', '--build', 'gearbox=steam'], 'Gearbox has no choice “steam”'],
    [[VAN, '--goal', 'radio-cavity', '--policy', 'habit=fast'], 'policy, habit'],
    [[VAN, '--goal', 'radio-cavity', '--people', '9'], 'Say --people 1, 2 or 3.'],
    [[VAN, '--goal', 'radio-cavity', '--start', 'centre', '--start', 'driver side'], 'say --people 2'],
  ])(
    '%j is answered with a sentence that says what to do',
    (args, words) => {
      const { err, status } = plan(...args)
      expect([status, err]).toEqual([2, expect.stringContaining(words)])
    },
    30_000,
  )
})
