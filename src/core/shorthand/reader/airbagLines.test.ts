import { expect, test } from '@jest/globals'
import { seededRandom, type Random } from '../../base/random'
import { seeds } from '../../testing/seeds.testing'
import { clearFacts, lineInHand, NOTHING_MENDED } from '../lineInHand'
import { understand } from '../understand'

/**
 * A plug that fires something is never opened by a line in which anything is left, kept or forbidden, whatever else
 * stands in it and however it is punctuated: what a hand said of it wins, or it is asked.
 */
const FIRES = [
  ...['airbag', 'airbag plug', 'the airbag lamp', 'srs plug', 'the tensioner', 'tensioner plug', 'airbag wiring'],
  ...['passenger airbag connector', 'the yellow airbag plug', 'airbag module plug'],
]
const LEFT = [
  ...['leave it plugged', 'do not unplug it', 'dont touch it', 'stays plugged', 'leave it alone', 'never unplug'],
  ...['keep it plugged', 'must not be unplugged', 'no leave it', 'do not disconnect', 'dont open it', 'not unplug'],
  ...['leave that plugged in', 'stays connected', 'dont pull the plug'],
]
const ELSE = [
  ...['surround: 9 clips', '2 T20', 'unplug hazard', 'and', 'then', 'vent pulls down', 'behind the vent', 'grey'],
  ...['press tab top', '4 clips', 'pull rearward', 'with the lever', 'it has a lever', 'the panel hangs'],
]
const BETWEEN = [' ', ', ', '. ', ' and ', ' - ', '; ']

function drawnLine(random: Random, own: readonly string[]): string {
  const parts = [...own]
  if (random.chance(0.5)) parts.reverse()
  for (let more = random.below(3); more > 0; more--) parts.splice(random.below(parts.length + 1), 0, random.pick(ELSE))
  return parts.reduce((line, part) => line + random.pick(BETWEEN) + part)
}
const opened = (line: string, of: RegExp) =>
  clearFacts(lineInHand(understand(line), NOTHING_MENDED)).filter(
    (fact) => fact.fact === 'plug' && fact.leave !== true && of.test(fact.name),
  )

test('of what fires nothing is opened by a line in which something is left', () => {
  const random = seededRandom(5)
  let saysSo = 0
  for (let i = 0; i < seeds(10_000); i++) {
    const line = drawnLine(random, [random.pick(FIRES), random.pick(LEFT)])
    // "Unplug hazard and airbag": whoever says that has said it of the airbag.
    expect([line, opened(line, /airbag|srs|tensioner/)]).toEqual([line, []])
    if (understand(line).facts.some((fact) => fact.fact === 'plug' && fact.leave)) saysSo += 1
  }
  // And most of these lines are understood to leave it.
  expect(saysSo).toBeGreaterThan(seeds(10_000) / 2)
})
test('it is opened where somebody says so of it and leaves nothing', () => {
  for (const plug of FIRES) {
    const line = `2 T20, unplug ${plug}, 4 clips`
    expect([line, opened(line, /airbag|srs|tensioner/).length]).toEqual([line, 1])
  }
})
