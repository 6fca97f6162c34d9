import { describe, expect, test } from '@jest/globals'
import type { Ending } from '../procedure/end'
import { forBuild } from '../procedure/forBuild'
import { Holder } from '../procedure/holder'
import { Need } from '../procedure/need'
import { smallDash } from '../testing/smallDash.testing'
import { deriveRemoval } from './deriveRemoval'
import { deriveRefit } from './refit'

/** The small dash with its unit out, and the way back where these things end elsewhere. */
function back(endings: Record<string, Ending> = {}, dash = smallDash()) {
  const removal = deriveRemoval(forBuild(dash, {}), [{ kind: 'part', partId: 'unit', level: 'off' }], {
    openings: {},
    methods: {},
    resting: 'rest',
  })
  if (!removal.ok) throw new Error(removal.error.kind)
  return deriveRefit(removal.value, new Map(Object.entries(endings)))
}
function ways(endings: Record<string, Ending> = {}, dash = smallDash()) {
  const refit = back(endings, dash)
  if (!refit.ok) throw new Error(refit.error.kind)
  return refit.value
}
const keys = (endings: Record<string, Ending> = {}, dash = smallDash()) =>
  [...ways(endings, dash).operations.keys()].sort()
const ALL = [
  ...['close:hazard', 'close:main', 'fasten:bolts', 'fasten:screws', 'place:cover', 'place:panel', 'place:unit'],
  ...['seat:cover', 'seat:panel', 'seat:unit'],
]

describe('what goes back', () => {
  test('everything that came off, the clips with the pull they let go in', () => {
    expect(keys()).toEqual(ALL)
    expect(ways().operations.get('seat:panel')!.pulled).toEqual(['panel-clips'])
    expect(ways().operations.get('seat:unit')!.pulled).toBeUndefined()
  })
  test.each<Ending>(['refitted', 'replaced'])('a part that is %s goes back with all that holds it', (ending) => {
    expect(keys({ unit: ending })).toEqual(ALL)
  })
  test('a part that does not come back leaves its screws and its plug away, once somebody says what becomes of the plug', () => {
    expect(back({ unit: 'scrapped' })).toEqual({
      ok: false,
      error: { kind: 'tether without end', tetherId: 'main', partId: 'unit' },
    })
    const without = ALL.filter((key) => !/unit|bolts|main/.test(key))
    expect(keys({ unit: 'scrapped', main: 'left open and insulated' })).toEqual(without)
  })
  test('a plug that is left open has no way back, its part has', () => {
    expect(keys({ main: 'left open and insulated' })).toEqual(ALL.filter((key) => key !== 'close:main'))
  })
  test('an airbag plug is never left open', () => {
    const dash = smallDash()
    dash.tethers.find(({ id }) => id === 'main')!.circuit = 'srs-indicator'
    expect(back({ main: 'left open and insulated' }, dash)).toMatchObject({ error: { kind: 'airbag left open' } })
  })
  test('a screw that is not put back stays away, its part goes back', () => {
    expect(keys({ bolts: 'scrapped' })).toEqual(ALL.filter((key) => key !== 'fasten:bolts'))
  })
  test('clips that are kept are not pressed home with the panel', () => {
    expect(ways({ 'panel-clips': 'scrapped' }).operations.get('seat:panel')!.pulled).toBeUndefined()
  })
  test('a screw through two parts goes back for the one that does', () => {
    const dash = smallDash()
    dash.holders.find(({ id }) => id === 'bolts')!.holds = ['unit', 'panel']
    expect(keys({ unit: 'scrapped', main: 'left open and insulated' }, dash)).toContain('fasten:bolts')
  })
  test('clips between two panels are pressed home with the one that comes back', () => {
    const dash = smallDash()
    const both = Holder.parse({ id: 'both', kind: 'spring clip', count: 3, holds: ['panel', 'cover'] })
    dash.holders.push(both)
    const pulledWith = (endings: Record<string, Ending>) =>
      [...ways(endings, dash).operations.values()].flatMap(({ key, pulled }) => (pulled?.includes('both') ? [key] : []))
    expect(pulledWith({ cover: 'scrapped' })).toEqual(['seat:panel'])
    expect(pulledWith({})).toHaveLength(1)
  })
})

describe('what before what', () => {
  const orders = (dash = smallDash()) => ways({}, dash).edges.map(({ before, after }) => `${before} ${after}`)
  test('a plug before the part is seated, the seat before its screws, what covers them after', () => {
    expect(orders()).toEqual(
      expect.arrayContaining([
        'close:main seat:unit',
        'seat:unit fasten:bolts',
        'fasten:screws place:cover',
        'seat:panel fasten:screws',
      ]),
    )
  })
  test('a habit of the way in is nobody’s on the way out', () => {
    const dash = smallDash()
    const before = orders().length
    dash.needs.push(
      Need.parse({
        id: 'n-habit',
        reason: 'habit',
        dependent: { act: 'undo', id: 'bolts' },
        needs: { kind: 'operation', act: 'open', id: 'main' },
      }),
    )
    expect(orders(dash)).toHaveLength(before)
  })
})
