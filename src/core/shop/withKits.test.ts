import { expect, test } from '@jest/globals'
import { withDefaultTests } from '../procedure/defaultTests'
import { ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { Tether } from '../procedure/tether'
import { suppliedIn } from '../procedure/jobDocument'
import { RADIO } from '../testing/radioKit.testing'
import { smallDash } from '../testing/smallDash.testing'
import { Kit } from './kit'
import { withKits } from './withKits'

const bare = { kit: Kit.parse({ id: 'k', name: 'Only work', works: [{ id: 'w', name: 'Mount' }] }) }

test('a kit without things leaves the record as it is', () => {
  const dash = smallDash()
  expect(withKits(dash, [bare])).toBe(dash)
  expect(suppliedIn(dash).size).toBe(0)
})
test('its things are found like the vehicle’s, on its build, and are known as the kit’s', () => {
  const job = withKits(smallDash(), [RADIO])
  const model = forBuild(job, { audio: 'plain' })
  expect(model.parts.get('k-display')?.name).toBe('Display')
  expect([model.parts.has('k-amp-lead'), model.tethers.has('k-amp')]).toEqual([false, false])
  expect(forBuild(job, {}).openFacets).toEqual(new Set(['audio', 'family']))
  expect(['k-display', 'k-unit-screws', 'k-power', 'family'].every((id) => suppliedIn(job).has(id))).toBe(true)
  expect(['unit', 'screws', 'main'].some((id) => suppliedIn(job).has(id))).toBe(false)
})
test('the record itself stays as it was, and what comes out is a record', () => {
  const dash = smallDash()
  const job = withKits(dash, [RADIO])
  expect(dash).toEqual(smallDash())
  expect(ProcedureDocument.safeParse(job).success).toBe(true)
  expect(job.settings).toEqual(dash.settings)
})
test('what is written out is what the records have by default', () => {
  const job = withKits(smallDash(), [RADIO])
  const own = (items: readonly { id: string }[]) => items.filter(({ id }) => suppliedIn(job).has(id))
  for (const part of own(job.parts)) expect(part).toEqual(Part.parse({ ...part }))
  const bare = withKits(smallDash(), [
    {
      kit: Kit.parse({
        id: 'k',
        name: 'Kit',
        parts: [{ id: 'p', name: 'Part' }],
        holders: [{ id: 'h', kind: 'rivet nut', count: 1, holds: ['p'] }],
        plugs: [{ id: 't', name: 'plug', partId: 'p' }],
      }),
    },
  ])
  expect(bare.parts.at(-1)).toEqual(Part.parse({ id: 'p', name: 'Part', station: 'bench' }))
  expect(bare.holders.at(-1)).toEqual(Holder.parse({ id: 'h', kind: 'rivet nut', count: 1, holds: ['p'] }))
  expect(bare.tethers.at(-1)).toEqual(Tether.parse({ id: 't', name: 'plug', partId: 'p', circuit: 'other' }))
})
test('twice is once, also after a way through JSON that knows nothing of kits', () => {
  const job = withKits(smallDash(), [RADIO])
  expect(withKits(job, [RADIO])).toEqual(job)
  expect(withKits(ProcedureDocument.parse(job), [RADIO])).toEqual(job)
})
test('a plug of a kit brings no test by its circuit: the kit says what is tested', () => {
  const tested = withDefaultTests(withKits(smallDash(), [RADIO]))
  expect(tested.tethers.find(({ id }) => id === 'k-power')!.functions).toEqual([])
  expect(tested.tethers.find(({ id }) => id === 'hazard')!.functions).toHaveLength(1)
})
