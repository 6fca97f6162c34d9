import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@jest/globals'

const ROOT = fileURLToPath(new URL('../../', import.meta.url))

/** Runs the real command on lines that are piped in. */
function understand(input: string, ...args: string[]): { out: string; err: string; status: number } {
  try {
    return {
      out: execFileSync('bin/understand', args, { cwd: ROOT, encoding: 'utf8', input, stdio: 'pipe' }),
      err: '',
      status: 0,
    }
  } catch (error) {
    const { stdout, stderr, status } = error as { stdout: string; stderr: string; status: number }
    return { out: stdout, err: stderr, status }
  }
}

test('prints what each line says, asks, and what nobody could place', () => {
  const { out, status } = understand(
    '4x T20 behind rubber mat, hold bezel\n\npull it forward\n9 clips, 2 T20 rearward\n',
    '--procedure',
    'docs/examples/panel-van.json',
  )
  expect(status).toBe(0)
  expect(out).toContain('   4 T20, behind Rubber liner, holds Centre surround\n')
  expect(out).toContain('   ? Forward: toward the nose, or toward you?\n')
  expect(out).toContain('   ! Not understood: “rearward”.\n')
  expect(out).toContain('3 lines, 1 without a question or an unknown word\n')
})
test('as JSON, an object a line; what can’t be read is refused with what to do', () => {
  const [first] = understand('two people\n', '--json').out.trim().split('\n')
  expect(JSON.parse(first!)).toEqual({
    line: 'two people',
    facts: [{ fact: 'persons', count: 2 }],
    asks: [],
    notUnderstood: [],
    heard: [],
    whichPart: [],
    left: [],
    words: [
      [
        { from: 0, to: 3 },
        { from: 4, to: 10 },
      ],
    ],
  })
  expect(understand('', '--procedure', 'nowhere.json')).toMatchObject({
    status: 2,
    err: expect.stringContaining('docs/examples/panel-van.json'),
  })
})
