import { expect, test } from '@jest/globals'
import { Facet } from '../procedure/facet'
import { RADIO, RADIO_KIT } from '../testing/radioKit.testing'
import { Kit } from './kit'
import { decidesSupplies, suppliesToBring } from './supplyBranches'

const AUDIO = Facet.parse({
  ...{ id: 'audio', name: 'Audio', toldFrom: { partId: 'unit', level: 'off' } },
  choices: ['plain', 'amplified'].map((id) => ({ id, name: id })),
})
const GEARBOX = Facet.parse({ id: 'gearbox', name: 'Gearbox', choices: ['a', 'm'].map((id) => ({ id, name: id })) })
const FAMILY = RADIO_KIT.facets[0]!
const bring = (build: Record<string, string>, open: Facet[], kit = RADIO_KIT) =>
  Object.fromEntries(suppliesToBring([{ ...RADIO, kit }], build, open).map(({ itemId, needed }) => [itemId, needed]))

test('for every branch: what only one of them needs lies ready too', () => {
  expect(bring({ family: 'plain-unit' }, [AUDIO])).toMatchObject({ 'k-amp-lead': 1, 'k-map-antenna': 0 })
  expect(bring({ family: 'plain-unit', audio: 'plain' }, [])).toMatchObject({ 'k-amp-lead': 0 })
  expect(bring({}, [AUDIO, FAMILY])).toMatchObject({ 'k-amp-lead': 1, 'k-map-antenna': 1 })
})
test('two sockets on one branch and one on the other: two are brought, not three', () => {
  const kit = Kit.parse({
    ...{ id: 'k', name: 'Kit', parts: [{ id: 'ext', name: 'Extension', count: 1 }] },
    works: [
      {
        ...{ id: 'w', name: 'Lead out' },
        steps: [
          { id: 'a', act: 'fit', itemId: 'ext', count: 2, when: { audio: ['amplified'] } },
          { id: 'b', act: 'fit', itemId: 'ext', count: 1, when: { audio: ['plain'] } },
        ],
      },
    ],
  })
  expect(bring({}, [AUDIO], kit)).toEqual({ ext: 2 })
})
test('only what decides about parts is named, with what each branch costs and what bringing all costs', () => {
  const [audio, ...others] = decidesSupplies([RADIO], { family: 'plain-unit' }, [GEARBOX, AUDIO])
  expect(others).toEqual([])
  expect(audio).toEqual({
    facetId: 'audio',
    branches: [
      { choiceId: 'plain', costMinor: 0, only: [] },
      { choiceId: 'amplified', costMinor: 4_500, only: [{ itemId: 'k-amp-lead', count: 1 }] },
    ],
    ...{ bringMinor: 4_500, unpriced: 0 },
  })
})
test('a part without a price is counted as one whose cost nobody knows', () => {
  expect(decidesSupplies([RADIO], { audio: 'plain' }, [FAMILY])).toMatchObject([
    { facetId: 'family', bringMinor: 0, unpriced: 1 },
  ])
})
test('with nothing open nothing decides', () => {
  expect(decidesSupplies([RADIO], { audio: 'plain', family: 'plain-unit' }, [])).toEqual([])
})
