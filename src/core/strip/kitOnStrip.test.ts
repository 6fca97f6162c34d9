import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { modelOfRequest } from '../plan/ask/modelOfRequest'
import { planJob } from '../plan/planJob'
import { allSteps } from '../plan/show/planOnCards'
import { levelNow } from '../job/fold'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { SCREEN_KIT } from '../testing/screenKit.testing'
import { kitOnStrip } from './kitOnStrip'
import { forPuttingBack } from './putBack'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'

/** A model nobody has recorded: three things are off, one after another. */
function stripped(): Recorder {
  const r = new Recorder(blankModel('Gritter'))
  for (const name of ['surround', 'vent', 'unit']) {
    r.say(`${name}: 2 clips, pull toward you`)
    r.off(name)
  }
  return r
}

test('a kit nobody has fitted to this model is fitted while all of it is open: every piece of its work before anything goes home', () => {
  const r = stripped()
  const fitted = kitOnStrip(SCREEN_KIT, 'gritter', r.document, r.state)
  expect(fitted.fit.access.connect).toMatchObject(
    ['unit', 'vent', 'surround'].map((name) => ({ partId: r.part(name) })),
  )
  const goals = ['surround', 'vent', 'unit'].map((name) => ({
    ...{ kind: 'part' as const, partId: r.part(name), level: 'off' as const },
  }))
  expect(goals.map(({ partId }) => levelNow(r.state, partId))).toEqual(['off', 'off', 'off'])
  const request = PlanRequest.parse({ goals, kits: [fitted], build: {}, start: 'centre' })
  r.happen({ kind: 'plan adopted', request, found: null, people: [], lanes: [] })
  const document = forPuttingBack(r.document, r.events)
  const planned = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error(planned.error.kind)
  const keys = allSteps(planned.value).map(({ operation }) => operation.key)
  const firstHome = keys.findIndex((key) => /^(seat|place):/.test(key))
  for (const { id } of SCREEN_KIT.works) {
    expect(keys.indexOf(`work:${id}`)).toBeGreaterThanOrEqual(0)
    expect(keys.indexOf(`work:${id}`)).toBeLessThan(firstHome)
  }
})
test('one that somebody has fitted to it goes as they said', () => {
  const r = stripped()
  const fits = [
    {
      procedureId: 'gritter',
      access: { connect: [] },
      stations: {},
      endings: [],
      adapted: [],
      leads: {},
      wayOut: [],
      functionsChanged: [],
      functionsTaken: [],
    },
  ]
  expect(kitOnStrip({ ...SCREEN_KIT, fits }, 'gritter', r.document, r.state).fit).toBe(fits[0])
  expect(kitOnStrip({ ...SCREEN_KIT, fits }, 'other', r.document, r.state).fit.procedureId).toBe('other')
})
