import { describe, expect, test } from '@jest/globals'
import { checkRecord } from '../core/plan/check/checkRecord'
import { forBuild } from '../core/procedure/forBuild'
import { parseDocument } from '../core/procedure/parseDocument'
import { planJob } from '../core/plan/planJob'
import { PlanRequest } from '../core/plan/ask/planRequest'
import { DEFAULT_HOUSE_VALUES } from '../core/shop/houseValues'
import { whilePlanning } from '../core/vehicle/circumstances'
import type { Build } from '../core/procedure/when'
import { panelVan } from './panelVan'
import { patrolMotorcycle } from './patrolMotorcycle'
import { roadWorksPickup } from './roadWorksPickup'
import { smallBus } from './smallBus'

describe.each(
  [panelVan(), roadWorksPickup(), patrolMotorcycle(), smallBus()].map((document) => [document.name, document] as const),
)('%s', (_, document) => {
  const builds = document.facets.reduce<Build[]>(
    (all, facet) => all.flatMap((build) => facet.choices.map((choice) => ({ ...build, [facet.id]: choice.id }))),
    [{}],
  )

  test('is a valid procedure with 12 to 30 parts and a drawn view', () => {
    const parsed = parseDocument(JSON.parse(JSON.stringify(document)))
    expect(parsed.ok ? 'read' : parsed.error).toBe('read')
    expect(parsed).toEqual({ ok: true, value: document })
    expect(document.parts.length).toBeGreaterThanOrEqual(12)
    expect(document.parts.length).toBeLessThanOrEqual(30)
    for (const view of document.views) expect(view.backdrop.length).toBeGreaterThan(40)
  })
  test('has nothing in it that would hurt, and nothing missing', () => {
    expect(checkRecord(document, whilePlanning(DEFAULT_HOUSE_VALUES))).toEqual([])
  })
  test('every cavity has a plan on every build', () => {
    for (const build of builds)
      for (const cavity of forBuild(document, build).cavities.values()) {
        const result = planJob(
          forBuild(document, build),
          PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: cavity.id }], build }),
          DEFAULT_HOUSE_VALUES,
        )
        expect([cavity.id, result.ok ? 'planned' : result.error]).toEqual([cavity.id, 'planned'])
      }
  })
  test('marks lie on or near the outline of the part they hold', () => {
    for (const item of [
      ...document.holders.map((h) => ({ id: h.id, of: h.holds, positions: h.positions })),
      ...document.tethers.map((t) => ({ id: t.id, of: [t.partId], positions: t.positions })),
    ])
      for (const position of item.positions) {
        const outlines = document.parts
          .filter((part) => item.of.includes(part.id) && part.outline?.viewId === position.viewId)
          .flatMap((part) => part.outline!.points)
        const xs = outlines.map(([x]) => x)
        const ys = outlines.map(([, y]) => y)
        expect([
          item.id,
          position.x > Math.min(...xs) - 60 &&
            position.x < Math.max(...xs) + 60 &&
            position.y > Math.min(...ys) - 60 &&
            position.y < Math.max(...ys) + 60,
        ]).toEqual([item.id, true])
      }
  })
})
