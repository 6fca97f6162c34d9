import { describe, expect, test } from '@jest/globals'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { RADIO, RADIO_KIT, radioDash } from '../../testing/radioKit.testing'
import { facetsThatMatter, type AskedFor } from './facetsThatMatter'

const UNIT_OUT = [{ kind: 'part', partId: 'unit', level: 'off' }] as const
const asked = (kit: Kit, more: Partial<AskedFor> = {}): AskedFor => ({
  goals: [],
  kits: [{ kit, fit: RADIO.fit }],
  endings: {},
  ...more,
})
const bare = Kit.parse({ id: 'k', name: 'Kit', works: [{ id: 'w-unit', name: 'Mount' }] })
const WHEN = { audio: ['amplified'] }

describe('a facet matters when anything of the job differs by it', () => {
  test('by the opening alone the audio does not matter; with the kit it does, and so does the unit’s family', () => {
    expect(facetsThatMatter(radioDash(), { goals: [...UNIT_OUT], kits: [], endings: {} }, {})).toEqual([])
    expect(facetsThatMatter(radioDash(), asked(RADIO_KIT), {})).toEqual(['audio', 'family'])
    expect(facetsThatMatter(radioDash(), asked(RADIO_KIT), { audio: 'plain' })).toEqual(['family'])
  })
  test.each<[string, object]>([
    ['work', { works: [...bare.works, { id: 'more', name: 'More', when: WHEN }] }],
    ['a step of work', { works: [{ id: 'w-unit', name: 'Mount', steps: [{ id: 's', when: WHEN }] }] }],
    ['a part that must be bought', { parts: [{ id: 'p', name: 'Lead', when: WHEN }] }],
    ['a plug', { parts: [{ id: 'p', name: 'Lead' }], plugs: [{ id: 't', name: 'plug', partId: 'p', when: WHEN }] }],
    [
      'how a module is set',
      { settings: [{ id: 's', name: 'Switches', expected: [{ id: 'e', value: '1', when: WHEN }] }] },
    ],
    ['a function', { functions: [{ id: 'f', name: 'Sound', when: WHEN }] }],
    ['what is changed for good', { changes: [{ id: 'c', what: 'drill', where: 'the lip', when: WHEN }] }],
  ])('by %s', (_, more) => {
    expect(facetsThatMatter(radioDash(), asked(Kit.parse({ ...bare, ...more })), {})).toEqual(['audio'])
  })
  test('by how many of a part are used', () => {
    const steps = [
      { id: 'a', act: 'fit', itemId: 'p', count: 1 },
      { id: 'b', act: 'fit', itemId: 'p', count: 1, when: WHEN },
    ]
    const kit = Kit.parse({
      ...bare,
      parts: [{ id: 'p', name: 'Extension', count: 2 }],
      works: [{ id: 'w-unit', name: 'Mount', steps }],
    })
    expect(facetsThatMatter(radioDash(), asked(kit), {})).toEqual(['audio'])
  })
  test('by an end, or what has to be open', () => {
    const opened = (more: object) => ({ kits: [{ kit: bare, fit: KitFit.parse({ procedureId: 'p', ...more }) }] })
    const access = { 'w-unit': [{ kind: 'part', partId: 'unit', level: 'off', when: WHEN }] }
    expect(facetsThatMatter(radioDash(), asked(bare, opened({ access })), {})).toEqual(['audio'])
    const endings = [{ itemId: 'unit', ending: 'scrapped', when: WHEN }]
    expect(facetsThatMatter(radioDash(), asked(bare, opened({ endings })), {})).toEqual(['audio'])
    expect(facetsThatMatter(radioDash(), asked(bare, opened({})), {})).toEqual([])
  })
  test('for nothing nothing matters', () => {
    expect(facetsThatMatter(radioDash(), { goals: [], kits: [], endings: {} }, {})).toEqual([])
  })
})
