import { describe, expect, test } from '@jest/globals'
import type { CrewAtWork } from '@/core/job/crew.testing'
import { INES, TOLU } from '@/core/job/crew.testing'
import type { Happening } from '@/core/job/event'
import { nextTap } from '@/core/job/progress'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import { Kit } from '@/core/shop/kit'
import { KitFit } from '@/core/shop/kitFit'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { crewAtDash, goOnTo, record } from '@/core/testing/atDash.testing'
import { smallDash } from '@/core/testing/smallDash.testing'
import { ShopRules } from '@/core/vehicle/rule'
import { handoverFacts } from './handoverFacts'

const people = new Map([
  [TOLU, 'Tolu'],
  [INES, 'Ines'],
])
/** The sheet of a job as it stands. */
function sheet(crew: CrewAtWork, devices: ReadonlyMap<string, string> = new Map()) {
  const vehicle = { label: 'Van 12', plate: 'SM 12', customer: 'Town Works' }
  const job = { id: 'j', title: 'Unit out', revisionNumber: 3, vehicle, request: crew.request, found: crew.opened }
  const house = { ...DEFAULT_HOUSE_VALUES, timeZone: 'Europe/Berlin' }
  const shop = {
    name: 'Saltmarsh',
    house,
    rules: ShopRules.parse({}),
    people,
    devices,
    origin: 'http://shop',
    hasOthers: true,
  }
  return handoverFacts({ ...job, document: crew.document, events: crew.events }, shop)
}
function toTheEnd(document: ProcedureDocument = smallDash(), accidents: (crew: CrewAtWork) => void = () => undefined) {
  const crew = crewAtDash(document)
  goOnTo(crew, 'fasten:screws')
  accidents(crew)
  for (let tap = nextTap(crew.plan, crew.state); tap; tap = nextTap(crew.plan, crew.state))
    for (const step of tap.steps) crew.does(step)
  return crew
}
const signed = (crew: CrewAtWork) => {
  crew.add({ kind: 'countersigned', as: 'installer', name: 'Tolu' }, TOLU)
  crew.add({ kind: 'countersigned', as: 'checker', name: 'Ines' }, INES)
  crew.add({ kind: 'handed over' }, INES)
  return crew
}

describe('the sheet that is signed', () => {
  test('a job that was opened again says which sheet is superseded, also once it is handed over anew', () => {
    const crew = signed(toTheEnd())
    const first = sheet(crew).on.split(' – ')[1]!
    expect(first).toMatch(/20\d\d, \d\d:\d\d$/)
    crew.add({ kind: 'reopened', arrived: 2 }, INES)
    expect(sheet(crew)).toMatchObject({
      on: `not handed over yet (supersedes the sheet of ${first})`,
      verdict: expect.stringMatching(/^Not handed over/),
      signatures: [],
    })
    expect(sheet(signed(crew)).on).toMatch(new RegExp(`^.+ – .+ \\(supersedes the sheet of ${first}\\)$`))
  })
  test('a whole job: nothing left open, as many back as out, what was opened and by whom', () => {
    const facts = sheet(signed(toTheEnd()))
    expect(facts.verdict).toBe('Nothing left open')
    expect(facts.counts).toEqual([
      { words: 'fasteners', of: '14 of 14' },
      { words: 'parts', of: '3 of 3' },
      { words: 'plugs', of: '2 of 2' },
      { words: 'settings', of: '5 of 5' },
      { words: 'tools', of: '0 of 0' },
    ])
    expect(facts.opened.map(({ name, level, back }) => [name, level, back])).toEqual([
      ['Cover', 'off', true],
      ['Panel', 'off', true],
      ['Unit', 'off', true],
    ])
    expect(facts.by).toBe('Tolu')
    const on = new Map([[toTheEnd().events[0]!.deviceId, 'Bay 2 tablet']])
    expect(sheet(signed(toTheEnd()), on).by).toBe('Tolu on Bay 2 tablet')
    expect(facts.signatures.map(({ name }) => name)).toEqual(['Tolu', 'Ines'])
    expect(facts.tests.map(({ name, result }) => [name, result])).toContainEqual(['Radio', 'passed'])
    expect([facts.replaced, facts.accepted, facts.changed]).toEqual([[], [], []])
  })
  test('not handed over: how much is in the way, and what is not back', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'place:panel')
    const facts = sheet(crew)
    expect(facts.verdict).toMatch(/^Not handed over: \d+ in the way$/)
    expect(facts.on).toBe('not handed over yet')
    expect(facts.opened.find(({ name }) => name === 'Panel')).toMatchObject({ back: false })
    expect(facts.counts[0]).toEqual({ words: 'fasteners', of: '2 of 14' })
  })
  test('new ones and what became of the old, what was left out and why, what a lead let stand', () => {
    const broke: Happening[] = [
      { kind: 'broken', holderId: 'screws', count: 1, wasFitted: 'no', note: '' },
      { kind: 'pieces recovered', holderId: 'screws', count: 1 },
    ]
    const leftOut: Happening = { kind: 'left out', holderId: 'cover-clips', count: 1, reason: 'its hole is torn' }
    const facts = sheet(toTheEnd(smallDash(), (crew) => record(crew, [...broke, leftOut])))
    expect(facts.replaced.join(' ')).toMatch(/1 new .*T20.* of panel; all pieces of the old found\./i)
    expect(facts.replaced.join(' ')).toContain('1 left out')
    expect(facts.replaced.join(' ')).toContain('its hole is torn')
  })
  test('an airbag plug is said to be closed again only where it is', () => {
    const dash = smallDash()
    dash.tethers.push({ ...dash.tethers[1]!, id: 'bag', name: 'airbag lamp', circuit: 'srs-indicator', functions: [] })
    const crew = crewAtDash(dash)
    record(crew, [{ kind: 'opened', tetherId: 'bag' }])
    const said = () =>
      sheet(crew)
        .cautions.filter(({ severity }) => severity === 'AIRBAG')
        .map(({ sentence }) => sentence)
    expect(said()).toEqual([expect.stringMatching(/^Is open: airbag lamp/i)])
    record(crew, [{ kind: 'closed', tetherId: 'bag' }])
    expect(said()).toEqual([expect.stringMatching(/^Was open and is closed again: airbag lamp/i)])
  })
  test('times are the shop’s, whatever machine prints the sheet', () => {
    // The crew's clock begins on 24 November 2025 at 16:00 in London: five in Berlin.
    expect(sheet(signed(toTheEnd())).on).toMatch(/^24 Nov 2025, 17:00 – 24 Nov 2025, 17:0\d$/)
  })
})

test('a plug of the vehicle that a kit leaves hanging is named on the sheet; one that goes back is not', () => {
  const kit = Kit.parse({ id: 'k', name: 'Taken out', works: [{ id: 'w', name: 'Look' }] })
  const fit = KitFit.parse({
    procedureId: 'small-dash',
    access: { w: [{ kind: 'part', partId: 'unit', level: 'off' }] },
    endings: [
      { itemId: 'unit', ending: 'given to the customer' },
      { itemId: 'main', ending: 'left open and insulated' },
    ],
  })
  const crew = crewAtDash(smallDash(), PlanRequest.parse({ kits: [{ kit, fit }], build: {} }))
  for (let tap = nextTap(crew.plan, crew.state); tap; tap = nextTap(crew.plan, crew.state))
    for (const step of tap.steps) crew.does(step)
  expect(sheet(crew).accepted).toEqual(['Plug main is left open on purpose and insulated.'])
})
