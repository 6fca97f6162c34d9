import { describe, expect, test } from '@jest/globals'
import { seededRandom, type Random } from '../../base/random'
import { seeds } from '../../testing/seeds.testing'
import { clearFacts, lineInHand, NOTHING_MENDED } from '../lineInHand'
import type { Fact } from '../meaning'
import { understand } from '../understand'

/**
 * A fact never comes of a word that was dropped: lines drawn at random around what forbids, doubts, makes conditional,
 * denies, or leaves what fires, however they are punctuated. What could be taken with one tap is looked at.
 */
const ELSE = [
  ...['surround: 9 clips', '2 T20', 'unplug hazard', 'and', 'then', 'vent pulls down', 'behind the vent', 'grey'],
  ...['press tab top', '4 clips', 'pull rearward', 'with the lever', 'it has a lever', 'the panel hangs'],
]
const LINES = 2_500
const BETWEEN = [' ', ', ', '. ', ' and ', ' - ', '; ']

function lineAround(random: Random, own: readonly string[], others: readonly string[]): string {
  const parts = [...own]
  for (let more = random.below(3); more > 0; more--)
    parts.splice(random.below(parts.length + 1), 0, random.pick(others))
  return parts.reduce((line, part) => line + random.pick(BETWEEN) + part)
}
const taken = (line: string): Fact[] => clearFacts(lineInHand(understand(line), NOTHING_MENDED))

describe('what fires', () => {
  const FIRES = [
    ...['airbag', 'airbag plug', 'the airbag lamp', 'srs plug', 'the tensioner', 'tensioner plug', 'airbag wiring'],
    ...['passenger airbag connector', 'the yellow airbag plug', 'airbag module plug'],
  ]
  const LEFT = [
    ...['leave it plugged', 'do not unplug it', 'dont touch it', 'stays plugged', 'leave it alone', 'never unplug'],
    ...['keep it plugged', 'must not be unplugged', 'no leave it', 'do not disconnect', 'dont open it', 'not unplug'],
    ...['leave that plugged in', 'stays connected', 'dont pull the plug'],
  ]
  const opened = (line: string) =>
    taken(line).filter((fact) => fact.fact === 'plug' && fact.leave !== true && /airbag|srs|tensioner/.test(fact.name))
  test('is opened by no line in which something is left', () => {
    const random = seededRandom(5)
    let saysSo = 0
    for (let i = 0; i < seeds(LINES); i++) {
      const own = [random.pick(FIRES), random.pick(LEFT)]
      const line = lineAround(random, random.chance(0.5) ? own : own.reverse(), ELSE)
      expect([line, opened(line)]).toEqual([line, []])
      if (understand(line).facts.some((fact) => fact.fact === 'plug' && fact.leave)) saysSo += 1
    }
    // And most of these lines are understood to leave it.
    expect(saysSo).toBeGreaterThan(seeds(LINES) / 2)
  })
  test('is opened where somebody says so of it and leaves nothing', () => {
    for (const plug of FIRES) {
      const line = `2 T20, unplug ${plug}, 4 clips`
      expect([line, opened(line).length]).toEqual([line, 1])
    }
  })
})

test('a motion that is forbidden is no way off, whichever way and however hard', () => {
  const random = seededRandom(8)
  const around = [
    'surround: 9 clips',
    '2 T20',
    'unplug hazard',
    'behind the liner',
    'with a pry tool',
    'start at the top',
  ]
  let said = 0
  for (let i = 0; i < seeds(LINES); i++) {
    const forbidden = [
      random.pick(['never', 'dont', 'do not', 'must not', "don't", 'you must not']),
      random.pick(['pull', 'push', 'lift', 'slide', 'twist', 'turn', 'pry', 'tilt', 'press', 'squeeze', 'unclip']),
      random.pick(['', 'it', 'the vent', 'the panel', 'on it', 'the cover']),
      random.pick(['up', 'down', 'rearward', 'inboard', 'outboard', 'toward you', 'forward', '']),
      random.pick(['', 'because it snaps', 'or the hooks break', 'it cracks', 'at the corners', 'too hard']),
    ]
    const line = lineAround(random, [forbidden.filter(Boolean).join(' ')], around)
    const off = taken(line).filter((fact) => fact.fact === 'release' && (fact.motions ?? fact.effort) !== undefined)
    expect([line, off]).toEqual([line, []])
    if (understand(line).facts.some((fact) => fact.fact === 'must not')) said += 1
  }
  expect(said).toBeGreaterThan(seeds(LINES) / 2)
})

const KINDS = ['clips', 'T20 screws', 'push pins', 'bolts hex 8']
const BESIDE = ['vent: pull down', 'unplug hazard', 'surround off', 'press tab top', 'start at the top']
/** `#`: how many, `K`: of what. */
const DOUBTED = [
  ...['about # K', 'maybe # K', '#? K', 'roughly # K', 'around # K', 'probably # K', 'could be # K', 'usually # K'],
  ...['# K, not sure', '# K or so', '# K perhaps', '# K i think', 'i think # K', '# K sometimes', '# or 9 K'],
]
const CONDITIONAL = [
  ...['# K only on the long wheelbase', '# K if it has the towbar', '# K on some cars', 'with the big tank # K'],
  ...['only when the roof is open # K', '# K for the police version', 'on older ones # K', 'if fitted # K'],
  ...['# K unless it is the van', '# K except on the bus'],
]
const DENIED = [
  ...['not # K', 'there are no K', 'without K', 'no more K', "there aren't # K", 'i could not find # K', 'no K here'],
  ...['# K missing', '# K were gone', 'never saw # K', "it doesn't have # K"],
]
test.each<[string, readonly string[], (fact: Extract<Fact, { fact: 'holder' }>) => boolean]>([
  ['doubted are doubted', DOUBTED, ({ unsure }) => (unsure ?? []).length > 0],
  ['of some vehicles are of those only', CONDITIONAL, ({ when }) => when !== undefined],
  ['denied are none', DENIED, () => false],
])('fasteners that are %s, or they are asked', (_, said, isKept) => {
  const random = seededRandom(11)
  for (let i = 0; i < seeds(LINES); i++) {
    const own = random
      .pick(said)
      .replace('#', String(2 + random.below(7)))
      .replace('K', random.pick(KINDS))
    const line = lineAround(random, [own], BESIDE)
    const wrong = taken(line).filter((fact) => fact.fact === 'holder' && !isKept(fact))
    expect([line, wrong]).toEqual([line, []])
  }
})
