import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { loopGroups } from './graph'
import { layersOf, partLinks } from './layers'
import { deriveRemoval } from './deriveRemoval'
import { Need } from '../procedure/need'
import { smallDash } from '../testing/smallDash.testing'
import { panelVan } from '../testing/vehicles.testing'

const layers = (build: Record<string, string>, methods: Record<string, string>) => {
  const removal = deriveRemoval(forBuild(panelVan(), build), [{ kind: 'cavity', cavityId: 'radio-cavity' }], {
    openings: {},
    methods,
    resting: 'rest',
  })
  if (!removal.ok) throw new Error('The van has an order.')
  return Object.fromEntries(layersOf(removal.value).map(({ partId, layer }) => [partId, layer]))
}

test('the van from the outside in: liner and climate panel, then the surround, then the unit', () => {
  expect(layers({ gearbox: 'manual' }, {})).toEqual({ liner: 1, climate: 1, surround: 2, unit: 3 })
})
test('a cover over the release of a lever lies outside what the lever frees', () => {
  expect(layers({ gearbox: 'automatic' }, { 'lever=out of park': 'lever-by-release' })).toMatchObject({
    cover: 1,
    unit: 3,
  })
})
test('a part’s layer is always deeper than those it waits for', () => {
  let checked = 0
  for (let seed = 1; seed <= 60; seed++) {
    const removal = deriveRemoval(forBuild(randomProcedure(seed), {}), [{ kind: 'cavity', cavityId: 'cavity' }], {
      openings: {},
      methods: {},
      resting: 'rest',
    })
    if (!removal.ok) continue
    const links = partLinks(removal.value)
    const found = layersOf(removal.value, links)
    // A part eased for another that it then waits for stands on both sides of it.
    const group = loopGroups([...removal.value.levels.keys()], links)
    if (new Set(group.values()).size < removal.value.levels.size) continue
    checked += 1
    const of = new Map(found.map((item) => [item.partId, item.layer]))
    for (const { partId, layer, after } of found)
      for (const first of after) expect([seed, partId, of.get(first)! < layer]).toEqual([seed, partId, true])
  }
  expect(checked).toBeGreaterThan(20)
})

describe('which part has to move before which', () => {
  const links = (change: (dash: ReturnType<typeof smallDash>) => void) => {
    const dash = smallDash()
    change(dash)
    const removal = deriveRemoval(forBuild(dash, {}), [{ kind: 'part', partId: 'unit', level: 'off' }], {
      ...{ openings: {}, methods: {}, resting: 'rest' },
    })
    if (!removal.ok) throw new Error(removal.error.kind)
    return partLinks(removal.value).map(({ before, after, reasons, via }) =>
      `${before} < ${after}: ${reasons.map(({ kind }) => kind)} ${via ?? ''}`.trim(),
    )
  }
  const need = (id: string, dependent: [string, string], needs: object, reason: string) =>
    Need.parse({ id, dependent: { act: dependent[0], id: dependent[1] }, needs, reason })
  const coverOff = { kind: 'part', partId: 'cover', level: 'off' }
  test('by what the record says, each reason once', () => {
    expect(links(() => {})).toEqual(['panel < unit: need', 'cover < panel: need'])
    const twice = need('n-again', ['release', 'panel'], coverOff, 'covers')
    expect(links((dash) => void dash.needs.push(twice))).toContain('cover < panel: need,need')
  })
  test('that it is done in one go is no reason of its own', () => {
    const plug = need('n-plug', ['open', 'main'], coverOff, 'covers')
    const found = links((dash) => {
      dash.parts.find(({ id }) => id === 'unit')!.rests = []
      dash.needs.push(plug)
    })
    expect(found).toContain('cover < unit: need')
  })
  test('what a setting’s method moves lies before what wants the setting, by way of it', () => {
    const found = links((dash) => {
      dash.needs = [
        need('n', ['release', 'unit'], { kind: 'setting', settingId: 'lever', value: 'out of park' }, 'setting'),
        need('m', ['method', 'lever-to-out-of-park'], coverOff, 'reaches'),
      ]
    })
    expect(found).toEqual(['cover < unit: need lever'])
  })
})
