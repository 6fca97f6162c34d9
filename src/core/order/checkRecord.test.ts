import { describe, expect, test } from '@jest/globals'
import { panelVan } from '../../demo/panelVan'
import { trapsNeed } from '../procedure/need'
import { newTether } from '../procedure/tether'
import { newPart } from '../procedure/part'
import type { ProcedureDocument } from '../procedure/document'
import { checkRecord } from './checkRecord'

const van = panelVan()
const kinds = (document: ProcedureDocument) => checkRecord(document).map((problem) => problem.kind)

test('the van’s record has no contradiction and nothing out of reach', () => {
  expect(kinds(van)).not.toContain('contradiction')
  expect(kinds(van)).not.toContain('goal out of reach')
})
test('a contradiction stands first, with the build it appears on', () => {
  const [first] = checkRecord({ ...van, needs: [...van.needs, trapsNeed('x', 'climate', 'surround', 'free')] })
  expect(first).toMatchObject({ kind: 'contradiction', build: { gearbox: 'automatic' } })
})
describe('what is missing', () => {
  const withTether = (more: object) => ({ ...van, tethers: [...van.tethers, { ...newTether('new', 'unit', 'spare'), ...more }] })
  test.each<[string, ProcedureDocument]>([
    ['no circuit', withTether({})],
    ['no latch', withTether({ circuit: 'other' })],
    ['no tab side', withTether({ circuit: 'other', latch: 'press tab' })],
    ['no function', withTether({ circuit: 'other', latch: 'friction fit' })],
    ['nothing holds it', { ...van, parts: [...van.parts, newPart('loose', 'Loose trim')] }],
    ['may not rest', { ...van, needs: [...van.needs, trapsNeed('y', 'liner', 'cover', 'free')] }],
    ['lookalike without thread', { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, thread: null } : h)) }],
    ['marks differ', { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, positions: [{ viewId: 'dash', x: 1, y: 1 }] } : h)), views: [...van.views, { id: 'dash', name: 'dash', widthMm: 10, heightMm: 10, backdrop: [], leftWord: '', rightWord: '', looking: 'forward' }] }],
    ['no way to set', { ...van, settings: van.settings.map((s) => (s.id === 'lever' ? { ...s, methods: s.methods.filter((m) => m.to === 'park') } : s)), needs: van.needs.filter((n) => n.dependent.act !== 'method'), cautions: [] }],
    ['no cavity', { ...van, cavities: [] }],
    ['reference', { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, holds: ['gone'] } : h)) }],
  ])('%s is told', (kind, document) => {
    expect(kinds(van)).not.toContain(kind)
    expect(kinds(document)).toContain(kind)
  })
})
