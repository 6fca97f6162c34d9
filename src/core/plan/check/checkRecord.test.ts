import { newView } from '../../procedure/view'
import { describe, expect, test } from '@jest/globals'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { Need, trapsNeed } from '../../procedure/need'
import { newTether } from '../../procedure/tether'
import { newPart } from '../../procedure/part'
import type { ProcedureDocument } from '../../procedure/document'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import { Rule, ShopRules } from '../../vehicle/rule'
import { rulesInForce } from '../../vehicle/rulesInForce'
import { checkRecord, type Confirmations } from './checkRecord'
import { panelVan } from '../../testing/vehicles.testing'
import { seeds } from '../../testing/seeds.testing'

const van = panelVan()
const check = (document: ProcedureDocument, confirmations: Confirmations | null = null) =>
  checkRecord(document, whilePlanning(DEFAULT_HOUSE_VALUES), confirmations)
const kinds = (document: ProcedureDocument) => check(document).map((problem) => problem.kind)

test('the van’s record has no contradiction and nothing out of reach', () => {
  expect(kinds(van)).not.toContain('contradiction')
  expect(kinds(van)).not.toContain('goal out of reach')
})
test('a contradiction stands first, with the build it appears on', () => {
  const [first] = check({ ...van, needs: [...van.needs, trapsNeed('x', 'climate', 'surround', 'free')] })
  expect(first).toMatchObject({ kind: 'contradiction', build: { gearbox: 'automatic' } })
})
test('a contradiction stands before what is only missing, and what is missing is told all the same', () => {
  const found = kinds({
    ...van,
    needs: [...van.needs, trapsNeed('x', 'climate', 'surround', 'free')],
    parts: [...van.parts, newPart('loose', 'Loose trim')],
  })
  expect(found.indexOf('contradiction')).toBeLessThan(found.indexOf('nothing holds it'))
})
test('facts that only one strip has shown are told part by part, once there are strips at all', () => {
  const twice = new Map([...van.parts, ...van.holders, ...van.tethers].map((item) => [item.id, 2]))
  const seenOnce = (confirmations: Map<string, number>) =>
    check(van, confirmations).filter((problem) => problem.kind === 'seen once')
  expect(kinds(van)).not.toContain('seen once')
  expect(seenOnce(twice)).toEqual([])
  expect(seenOnce(new Map([...twice, ['surround-t20', 1]]))).toMatchObject([
    { itemId: 'surround', count: 1, facts: ['surround-t20'] },
  ])
})
test('what can only be uncovered through high voltage is covered for good, and its goal is out of reach', () => {
  const found = check({
    ...van,
    tethers: [
      ...van.tethers,
      {
        ...newTether('hv', 'liner', 'high voltage'),
        circuit: 'high-voltage',
        latch: 'friction fit',
        functions: ['t-unit'],
      },
    ],
  })
  expect(found).toContainEqual(
    expect.objectContaining({ kind: 'covered for good', itemId: 'surround-hex7', coverId: 'liner' }),
  )
  expect(found).toContainEqual(expect.objectContaining({ kind: 'goal out of reach', itemId: 'radio-cavity' }))
  expect(found.some((problem) => problem.kind === 'goal out of reach' && problem.itemId === 'pillar-cavity')).toBe(
    false,
  )
})
test('a lever that only the ignition moves, with the unit’s screws behind an open airbag plug, has no safe order', () => {
  const stuck: ProcedureDocument = {
    ...van,
    settings: van.settings.map((s) =>
      s.id === 'lever' ? { ...s, methods: s.methods.filter((m) => m.id !== 'lever-by-release') } : s,
    ),
    cautions: [],
    needs: [
      ...van.needs.filter((n) => n.dependent.id !== 'lever-by-release'),
      Need.parse({
        id: 'late',
        dependent: { act: 'method', id: 'lever-by-ignition' },
        needs: { kind: 'part', partId: 'surround', level: 'off' },
        reason: 'reaches',
      }),
    ],
  }
  expect(check(stuck).filter((problem) => problem.kind === 'no safe order')).toMatchObject([
    { itemId: 'radio-cavity', build: { gearbox: 'automatic' } },
  ])
})
test('a rule of the shop can leave a cavity without a safe order, and the check says which', () => {
  expect(kinds(van)).not.toContain('no safe order')
  const never = Rule.parse({
    id: 'lever-stays',
    severity: 'CAUTION',
    sentence: 'The lever is never moved out here.',
    origin: 'this shop',
    effect: 'refuses',
    at: null,
    while: [{ kind: 'setting is', role: 'gear lever', values: ['out of park'] }],
  })
  const found = checkRecord(van, whilePlanning(DEFAULT_HOUSE_VALUES, rulesInForce(ShopRules.parse({ added: [never] }))))
  expect(found.filter((problem) => problem.kind === 'no safe order')).toMatchObject([{ itemId: 'radio-cavity' }])
})
describe('witnesses', () => {
  const looped = Array.from({ length: seeds(200) }, (_, seed) => seed).flatMap((seed) =>
    check(randomProcedure(seed, { kind: seed % 2 ? 'dash' : 'fairing' })).flatMap((problem) =>
      problem.kind === 'contradiction' ? [{ seed, problem }] : [],
    ),
  )
  test('there are enough to look at', () => expect(looped.length).toBeGreaterThan(seeds(30)))
  test('each is a loop, and without any one of its stated facts that loop is gone', () => {
    for (const { seed, problem } of looped) {
      const { loop } = problem.error
      loop.forEach((edge, i) => expect([seed, edge.after]).toEqual([seed, loop[(i + 1) % loop.length]!.before]))
      // Two facts may say the same of two operations: a loop is told by its facts as well.
      const name = (edges: typeof loop) =>
        edges
          .map((edge) => `${edge.before}>${edge.after} ${JSON.stringify(edge.because)}`)
          .sort()
          .join()
      for (const edge of loop) {
        const without = withoutFact(randomProcedure(seed, { kind: seed % 2 ? 'dash' : 'fairing' }), edge.because)
        if (!without) continue
        const left = check(without).flatMap((other) => (other.kind === 'contradiction' ? [name(other.error.loop)] : []))
        expect([seed, left.includes(name(loop))]).toEqual([seed, false])
      }
    }
  })
})
/** The record without the fact an edge stands for; null for what is no stated fact (a lift after its release). */
function withoutFact(
  document: ProcedureDocument,
  because: { kind: string; needId?: string; holderId?: string; tetherId?: string; partId?: string },
): ProcedureDocument | null {
  if (because.needId) return { ...document, needs: document.needs.filter((need) => need.id !== because.needId) }
  if (because.holderId)
    return {
      ...document,
      holders: document.holders.flatMap((holder) =>
        holder.id !== because.holderId
          ? [holder]
          : holder.holds.length > 1
            ? [{ ...holder, holds: holder.holds.filter((id) => id !== because.partId) }]
            : [],
      ),
      needs: document.needs.filter(
        (need) =>
          document.holders.find((h) => h.id === because.holderId)!.holds.length > 1 ||
          need.dependent.id !== because.holderId,
      ),
    }
  if (because.tetherId)
    return { ...document, tethers: document.tethers.filter((tether) => tether.id !== because.tetherId) }
  return null
}
describe('what is missing', () => {
  const withTether = (more: object) => ({
    ...van,
    tethers: [...van.tethers, { ...newTether('new', 'unit', 'spare'), ...more }],
  })
  test.each<[string, ProcedureDocument]>([
    ['no circuit', withTether({})],
    ['no latch', withTether({ circuit: 'other' })],
    ['no tab side', withTether({ circuit: 'other', latch: 'press tab' })],
    ['no function', withTether({ circuit: 'other', latch: 'friction fit' })],
    ['nothing holds it', { ...van, parts: [...van.parts, newPart('loose', 'Loose trim')] }],
    ['may not rest', { ...van, needs: [...van.needs, trapsNeed('y', 'liner', 'cover', 'free')] }],
    [
      'lookalike without difference',
      { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, thread: null } : h)) },
    ],
    [
      'thread lets go',
      {
        ...van,
        holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, letsGo: 'with the pull' as const } : h)),
      },
    ],
    [
      'marks differ',
      {
        ...van,
        holders: van.holders.map((h) =>
          h.id === 'unit-hex7' ? { ...h, positions: [{ viewId: 'dash', x: 1, y: 1 }] } : h,
        ),
        views: [...van.views, { ...newView('dash', 'dash'), widthMm: 10, heightMm: 10 }],
      },
    ],
    [
      'no way to set',
      {
        ...van,
        settings: van.settings.map((s) =>
          s.id === 'lever' ? { ...s, methods: s.methods.filter((m) => m.to === 'park') } : s,
        ),
        needs: van.needs.filter((n) => n.dependent.act !== 'method'),
        cautions: [],
      },
    ],
    [
      'mix-up one way',
      {
        ...van,
        tethers: van.tethers.map((t) => (t.id === 'main' ? { ...t, mixups: ['antenna'], tell: 'the wide one' } : t)),
      },
    ],
    [
      'mix-up without difference',
      {
        ...van,
        tethers: van.tethers.map((t) =>
          t.id === 'main' ? { ...t, mixups: ['antenna'] } : t.id === 'antenna' ? { ...t, mixups: ['main'] } : t,
        ),
      },
    ],
    [
      'other steering side',
      {
        ...van,
        parts: van.parts.map((p) =>
          p.id === 'pillar'
            ? {
                ...p,
                release: {
                  ...p.release,
                  motions: [{ move: 'pull' as const, directions: ['left' as const], turn: null, note: '' }],
                },
              }
            : p,
        ),
      },
    ],
    [
      'condition on every choice',
      {
        ...van,
        parts: van.parts.map((p) => (p.id === 'liner' ? { ...p, when: { gearbox: ['automatic', 'manual'] } } : p)),
      },
    ],
    ['stated twice', { ...van, needs: [...van.needs, { ...van.needs[0]!, id: 'again' }] }],
    [
      'carried in a circle',
      {
        ...van,
        parts: van.parts.map((p) =>
          p.id === 'liner' ? { ...p, carriedBy: 'cover' } : p.id === 'cover' ? { ...p, carriedBy: 'liner' } : p,
        ),
      },
    ],
    ['no cavity', { ...van, cavities: [] }],
    ['same name', { ...van, parts: [...van.parts, { ...van.parts[0]!, id: 'again' }] }],
    [
      'facet not told apart',
      {
        ...van,
        facets: van.facets.map((facet) => ({
          ...facet,
          choices: facet.choices.map((choice) => ({ ...choice, tell: '' })),
        })),
      },
    ],
    ['loose end', { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, holds: [] } : h)) }],
    ['reference', { ...van, holders: van.holders.map((h) => (h.id === 'unit-hex7' ? { ...h, holds: ['gone'] } : h)) }],
  ])('%s is told', (kind, document) => {
    expect(kinds(van)).not.toContain(kind)
    expect(kinds(document)).toContain(kind)
  })
})
