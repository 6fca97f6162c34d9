import { expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { loopGroups } from './graph'
import { layersOf, partLinks } from './layers'
import { deriveRemoval } from './deriveRemoval'
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
