import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import type { ProcedureDocument } from '../procedure/document'
import type { Build } from '../procedure/when'
import { panelVan, patrolMotorcycle, roadWorksPickup, smallBus } from '../testing/vehicles.testing'
import { deriveRemoval } from './deriveRemoval'
import { layersOf, partLinks } from './layers'
import type { Because, Demand, Edge, Operation } from './operation'
import { deriveRefit, type Refit } from './refit'
import type { Removal } from './removal'
import { whatStaysShut, whyChain } from './why'

/**
 * What is derived from four whole records, line by line: what comes off and goes back, what before what and why, what a
 * setting must be, why each is there, what stays shut without it. A file beside the records says it as it came out when
 * it was written down: a change of a line is a change of meaning, and somebody has to read it.
 */
const because = ({ kind, ...of }: Because) => [kind, ...Object.values(of)].join(' ')
const edge = (e: Edge) => `${e.before} < ${e.after}: ${because(e.because)}${e.delayS ? ` after ${e.delayS} s` : ''}`
const operation = (o: Operation) =>
  [o.key, o.phase, o.partId ?? '-', ...(o.pulled ?? []).map((id) => `+${id}`), o.nth > 0 ? `nth ${o.nth}` : '']
    .filter(Boolean)
    .join(' ')
const demands = (all: ReadonlyMap<string, readonly Demand[]>) =>
  [...all].flatMap(([key, list]) => list.map((d) => `${key} wants ${d.settingId}=${d.value}: ${because(d.because)}`))

function removalLines(removal: Removal): string[] {
  const keys = [...removal.broughtIn.keys()].sort()
  return [
    ...[...removal.operations.values()].map(operation).sort(),
    ...removal.edges.map(edge).sort(),
    ...demands(removal.demands).sort(),
    ...[...removal.settings.values()].map((wish) => `wish ${wish.key} by ${wish.methodId}`).sort(),
    ...[...removal.levels].map(([id, level]) => `level ${id} ${level}`).sort(),
    ...keys.map((key) => `why ${key}: ${chain(removal, key)}`),
    ...keys.map((key) => `without ${key}: ${shut(removal, key)}`),
    ...partLinks(removal).map(
      ({ before, after, reasons, via }) => `link ${before} < ${after} ${via ?? '-'} ${reasons.length}`,
    ),
    ...layersOf(removal).map(
      ({ partId, layer, after }) => `layer ${layer} ${partId} after ${after.join(' ') || 'nothing'}`,
    ),
    ...removal.droppedNeeds.map((id) => `dropped ${id}`),
  ]
}
const chain = (removal: Removal, key: string) =>
  whyChain(removal, key)!
    .map((link) =>
      'relation' in link ? `${link.thing} ${link.id} ${link.relation}` : `goal ${JSON.stringify(link.goal)}`,
    )
    .join(', ')
const shut = (removal: Removal, key: string) => {
  const { waiting, goals } = whatStaysShut(removal, key)
  return `${[...waiting].sort().join(' ') || 'nothing'} | ${goals.length} goals`
}
function refitLines(refit: Refit): string[] {
  return [
    ...[...refit.operations.values()].map(operation).sort(),
    ...refit.edges.map(edge).sort(),
    ...demands(refit.demands).sort(),
    ...[...refit.outKeyOf].map(([key, back]) => `back of ${key}: ${back}`).sort(),
  ]
}

/** Every cavity of a record as a goal, by its first opening. */
export function derivedLines(document: ProcedureDocument, build: Build): string[] {
  const model = forBuild(document, build)
  const goals = [...model.cavities.keys()].map((cavityId) => ({ kind: 'cavity' as const, cavityId }))
  const openings = Object.fromEntries([...model.cavities.values()].map(({ id, openings: [first] }) => [id, first!.id]))
  const removal = deriveRemoval(model, goals, { openings, methods: {}, resting: 'rest' })
  if (!removal.ok) throw new Error(JSON.stringify(removal.error))
  const refit = deriveRefit(removal.value)
  if (!refit.ok) throw new Error(JSON.stringify(refit.error))
  return [...removalLines(removal.value), '', ...refitLines(refit.value)]
}

/** The first choice of every facet. */
const firstBuild = (document: ProcedureDocument): Build =>
  Object.fromEntries(document.facets.map(({ id, choices }) => [id, choices[0]!.id]))

describe.each([
  ['panelVan', panelVan],
  ['patrolMotorcycle', patrolMotorcycle],
  ['roadWorksPickup', roadWorksPickup],
  ['smallBus', smallBus],
] as const)('%s', (name, vehicle) => {
  test('comes apart and goes back as its file says', () => {
    const document = vehicle()
    const file = readFileSync(`src/core/testing/derived/${name}.txt`, 'utf8').trimEnd().split('\n')
    expect(derivedLines(document, firstBuild(document))).toEqual(file)
  })
})
