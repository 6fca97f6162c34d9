import { expect, test } from '@jest/globals'
import type { ProcedureDocument } from '../../procedure/document'
import { applyEdits, inverseOf } from '../../procedure/edit'
import { trapsNeed } from '../../procedure/need'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import { checkRecord } from './checkRecord'
import type { Problem } from './problem'
import { mendFor } from './mend'
import { panelVan } from '../../testing/vehicles.testing'

const van = panelVan()
const check = (document: ProcedureDocument) => checkRecord(document, whilePlanning(DEFAULT_HOUSE_VALUES))
const broken: Record<string, ProcedureDocument> = {
  'may not rest': { ...van, needs: [...van.needs, trapsNeed('y', 'liner', 'cover', 'free')] },
  'mix-up one way': {
    ...van,
    tethers: van.tethers.map((t) => (t.id === 'main' ? { ...t, mixups: ['antenna'], tell: 'the wide one' } : t)),
  },
  'condition on every choice': {
    ...van,
    parts: van.parts.map((p) => (p.id === 'liner' ? { ...p, when: { gearbox: ['automatic', 'manual'] } } : p)),
  },
  'stated twice': { ...van, needs: [...van.needs, { ...van.needs[0]!, id: 'again' }] },
}

test.each(Object.keys(broken))('%s is mended by one tap, nothing else changes, and undo brings it back', (kind) => {
  const document = broken[kind]!
  const problem = check(document).find((item) => item.kind === kind) as Problem
  const edits = mendFor(document, problem)!
  const mended = applyEdits(document, edits)
  if (!mended.ok) throw new Error(mended.error.sentence)
  expect(check(mended.value.document).map((item) => item.kind)).toEqual(
    check(document)
      .filter((item) => item !== problem && JSON.stringify(item) !== JSON.stringify(problem))
      .map((item) => item.kind),
  )
  const back = applyEdits(mended.value.document, inverseOf(edits, document))
  expect(back.ok && back.value.document).toEqual(document)
  expect(back.ok && check(back.value.document).some((item) => item.kind === kind)).toBe(true)
})
test('where somebody has to decide there is no mend', () => {
  const problem = check({
    ...van,
    parts: van.parts.map((p) => (p.id === 'liner' ? { ...p, fixing: 'fastened' as const } : p)),
  }).find((item) => item.kind === 'nothing holds it')!
  expect(mendFor(van, problem)).toBeNull()
})
