import { describe, expect, test } from '@jest/globals'
import { smallDash } from '../testing/smallDash.testing'
import { panelVan, patrolMotorcycle, roadWorksPickup, smallBus } from '../testing/vehicles.testing'
import { takenAway, withoutDangling } from './cutOff'
import { COLLECTIONS, ProcedureDocument } from './document'
import { applyEdits, editsBetween, inverseOf } from './edit'
import { danglingReferences } from './references'
import { Need } from './need'
import { REFERENCES } from './referenceTable'

/** The small dash, pointing in every way that the demo's records do not. */
function pointing(): ProcedureDocument {
  const dash = smallDash()
  const when = { trim: ['plain'] }
  const view = (id: string, backOf: string | null) => ({ ...panelVan().views[0]!, id, name: id, backOf })
  const tells = [{ id: 'badge', words: 'a badge', seen: 2, right: 1, from: { partId: 'panel', level: 'off' } }]
  const choices = ['plain', 'full'].map((id) => ({ id, name: id, tells: id === 'full' ? tells : [] }))
  const positions = [{ viewId: 'front', x: 1, y: 2 }]
  const access = [
    { kind: 'part', partId: 'unit', level: 'off' },
    { kind: 'cavity', cavityId: 'hole' },
  ]
  const point = (id: string) => ({ id, name: id, station: 'centre', access, positions, when })
  const openings = [{ id: 'way', parts: ['panel', 'unit'].map((partId) => ({ partId, level: 'off' })) }]
  return ProcedureDocument.parse({
    ...dash,
    views: [view('front', null), view('back', 'front')],
    facets: [{ id: 'trim', name: 'Trim', choices, toldFrom: { partId: 'panel', level: 'off' } }],
    parts: dash.parts.map((part) => ({
      ...part,
      ...(part.id === 'cover' && { carriedBy: 'panel', ease: { holderIds: ['cover-clips', 'screws'] } }),
      ...(part.id === 'panel' && { refit: { ...part.refit, tightenOrder: ['screws'], keepInFront: ['hazard'] } }),
    })),
    tethers: dash.tethers.map((tether) => ({
      ...tether,
      ...(tether.id === 'main' && { throughPartId: 'panel', mixups: ['hazard'] }),
    })),
    functions: dash.functions.map((item) => ({ ...item, alsoNeeds: ['hazard'], when })),
    cavities: [{ id: 'hole', name: 'Hole', when, openings }],
    cautions: [{ id: 'mind', severity: 'CAUTION', sentence: 'Mind the edge.', at: { itemId: 'panel' }, when }],
    waypoints: [point('behind'), point('foot')],
    ways: [
      {
        ...{ id: 'down', name: 'Down the pillar', from: 'behind', to: 'foot', station: 'centre', lengthMm: 600 },
        ...{ layings: [{ id: 'down-1', access }], throughPartId: 'panel', positions, when },
        passes: [{ kind: 'airbag lead', how: 'beside', distanceMm: 40, itemId: 'hazard' }],
      },
    ],
  })
}
const RECORDS = {
  panelVan: panelVan(),
  patrolMotorcycle: patrolMotorcycle(),
  smallBus: smallBus(),
  pickup: roadWorksPickup(),
  pointing: pointing(),
}
const itemsOf = (document: ProcedureDocument) =>
  COLLECTIONS.flatMap((collection) => (document[collection] as { id: string }[]).map(({ id }) => ({ collection, id })))

describe.each(Object.entries(RECORDS))('%s', (_, document) => {
  test('whatever is taken away, nothing is left pointing nowhere, and the record still parses', () => {
    for (const { id } of itemsOf(document)) {
      const { document: after, goes } = takenAway(document, new Set([id]))
      expect([id, danglingReferences(after)]).toEqual([id, []])
      expect(ProcedureDocument.safeParse(after).success).toBe(true)
      expect(itemsOf(after)).toHaveLength(itemsOf(document).length - 1 - goes.length)
    }
  })
  test('as edits it is applied whole and undone whole, to the place of each', () => {
    for (const { id } of itemsOf(document).filter((_item, i) => i % 7 === 0)) {
      const edits = editsBetween(document, takenAway(document, new Set([id])).document)
      const there = applyEdits(document, edits)
      const back = there.ok && applyEdits(there.value.document, inverseOf(edits, document))
      expect([id, back && back.ok && back.value]).toEqual([id, { document, conflicts: [] }])
    }
  })
})

test('with a panel go what holds it alone, its plugs, what waits for it; a view only leaves its marks', () => {
  const van = panelVan()
  const goes = takenAway(van, new Set(['surround'])).goes.map(({ id }) => id)
  expect(goes).toEqual(expect.arrayContaining(['surround-t20', 'hazard']))
  expect(goes).not.toContain('unit')
  const seen = takenAway(van, new Set([van.views[0]!.id]))
  expect(seen.goes).toEqual([])
  expect(seen.document.parts.every(({ outline }) => outline?.viewId !== van.views[0]!.id)).toBe(true)
})
test('what loses one of several things keeps the rest, what loses all of them goes', () => {
  const { document, goes } = takenAway(pointing(), new Set(['panel']))
  expect(goes.map(({ id }) => id)).toEqual(
    expect.arrayContaining(['screws', 'panel-clips', 'hazard', 'n-trap', 'mind']),
  )
  const cover = document.parts.find(({ id }) => id === 'cover')!
  expect([cover.carriedBy, cover.ease?.holderIds]).toEqual([null, ['cover-clips']])
  expect(document.cavities[0]!.openings[0]!.parts.map(({ partId }) => partId)).toEqual(['unit'])
  expect(document.tethers[0]).toMatchObject({ id: 'main', throughPartId: null, mixups: [] })
  expect([document.functions[0]!.alsoNeeds, document.facets[0]!.toldFrom]).toEqual([[], null])
  expect(document.facets[0]!.choices[1]!.tells).toMatchObject([{ id: 'badge', from: null }])
  const both = takenAway(pointing(), new Set(['panel', 'unit']))
  expect(both.document.cavities).toEqual([])
  const { document: plain, everywhere } = takenAway(pointing(), new Set(['trim']))
  expect(everywhere.map(({ id }) => id)).toEqual(['hole', 'sound', 'mind', 'behind', 'foot', 'down'])
  expect(takenAway(pointing(), new Set(['cover'])).everywhere).toEqual([])
  expect([plain.functions[0]!.when, plain.cavities[0]!.when, plain.cautions[0]!.when]).toEqual([{}, {}, {}])
})
test('a way goes with its point; what it passes stays known when the thing is gone', () => {
  expect(takenAway(pointing(), new Set(['foot'])).goes.map(({ id }) => id)).toContain('down')
  const [way] = takenAway(pointing(), new Set(['hazard', 'panel', 'unit', 'hole'])).document.ways
  expect(way).toMatchObject({ throughPartId: null, passes: [{ kind: 'airbag lead', itemId: null }] })
  expect(way!.layings[0]!.access).toEqual([])
})
test('in a fold what held it stays as a loose end, to be asked about', () => {
  const van = panelVan()
  const left = withoutDangling({ ...van, parts: van.parts.filter(({ id }) => id !== 'surround') })
  expect(left.holders.find(({ id }) => id === 'surround-t20')!.holds).toEqual([])
  expect(left.tethers.find(({ id }) => id === 'hazard')!.partId).toBeNull()
  expect(left.needs.some(({ dependent }) => dependent.id === 'surround')).toBe(false)
  expect(danglingReferences(left)).toEqual([])
})
test('a record in which nothing dangles comes back as it is', () =>
  expect(withoutDangling(panelVan())).toEqual(panelVan()))

/** A record in which every row of the table points at something, so that each is seen to bite. */
test('every field of the table is told when it points nowhere, and is cut', () => {
  const said = new Set<string>()
  for (const document of Object.values(RECORDS)) {
    for (const { collection, field, pointers } of REFERENCES)
      for (const item of document[collection])
        for (const { id } of pointers(item as never)) {
          const key = `${collection}: ${field}`
          if (said.has(key)) continue
          const lists = COLLECTIONS.map((name) => [
            name,
            (document[name] as { id: string }[]).filter((other) => other.id !== id),
          ])
          const without = { ...document, ...Object.fromEntries(lists) } as ProcedureDocument
          const told = danglingReferences(without).some(
            (d) => d.problem === 'missing' && d.field === field && d.refersTo === id,
          )
          if (told) said.add(key)
        }
  }
  const never = REFERENCES.map(({ collection, field }) => `${collection}: ${field}`).filter((key) => !said.has(key))
  expect(never).toEqual([])
})

test('a need is told and goes whatever it asks for: a part, a plug, a setting, an act on a thing, a way of setting', () => {
  const dash = smallDash()
  const need = (id: string, needs: object, dependent: object = { act: 'release', id: 'unit' }) =>
    Need.parse({ id, dependent, needs, reason: 'method' })
  dash.needs = [
    need('part', { kind: 'part', partId: 'cover', level: 'off' }),
    need('plug', { kind: 'tether', tetherId: 'hazard', state: 'open' }),
    need('setting', { kind: 'setting', settingId: 'lever', value: 'park' }),
    need('act', { kind: 'operation', act: 'undo', id: 'screws' }),
    need('way', { kind: 'part', partId: 'panel', level: 'off' }, { act: 'method', id: 'lever-to-park' }),
    need('test', { kind: 'part', partId: 'panel', level: 'off' }, { act: 'test', id: 'sound' }),
  ]
  expect(danglingReferences(dash)).toEqual([])
  const goes = (id: string) =>
    takenAway(dash, new Set([id])).goes.flatMap((item) => (item.collection === 'needs' ? [item.id] : []))
  expect([goes('cover'), goes('hazard'), goes('lever'), goes('screws'), goes('sound')]).toEqual([
    ['part'],
    ['plug'],
    ['setting', 'way'],
    ['act'],
    ['test'],
  ])
  const told = danglingReferences({ ...dash, tethers: [], settings: [] }).map(({ itemId }) => itemId)
  expect(told).toEqual(expect.arrayContaining(['plug', 'setting', 'way']))
})
