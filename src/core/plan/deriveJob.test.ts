import { describe, expect, test } from '@jest/globals'
import { emptyDocument, type ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { Facet } from '../procedure/facet'
import { Holder } from '../procedure/holder'
import { coversNeed, Need } from '../procedure/need'
import { Part } from '../procedure/part'
import { Setting } from '../procedure/setting'
import { Tether } from '../procedure/tether'
import { VehicleFunction } from '../procedure/vehicleFunction'
import { Kit, KitFit } from '../shop/kit'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whatStaysShut } from '../order/why'
import { planJob } from './jobPlan'
import type { JobPlan } from './planFrom'
import { PlanRequest } from './planRequest'
import { summarise } from './summary'

type Loose = Record<string, unknown>
/** A record in a few lines: parts with their clips, and whatever else a test needs. */
function record(...parts: [string, Loose?][]): ProcedureDocument {
  const document = emptyDocument('Bench model')
  for (const [id, rest] of parts) {
    document.parts.push(Part.parse({ id, name: id, station: 'centre', ...rest }))
    document.holders.push(Holder.parse({ id: `${id}-clips`, kind: 'spring clip', count: 2, holds: [id] }))
  }
  return document
}
const need = (id: string, act: string, on: string, needs: Loose, reason: string) => Need.parse({ id, dependent: { act, id: on }, needs, reason })
const part = (partId: string, level: string) => ({ kind: 'part', partId, level })
const setting = (settingId: string, value: string) => ({ kind: 'setting', settingId, value })
const ways = (id: string, ...values: string[]) => Setting.parse({ id, name: id, role: id === 'ignition' || id === 'battery' ? id : 'other', values, asFound: values[0], methods: values.map((to) => ({ id: `${id}-${to}`, name: to, to, stations: ['centre'] })) })
const off = (...ids: string[]) => ids.map((partId) => ({ kind: 'part', partId, level: 'off' }))
function plan(document: ProcedureDocument, request: Loose): JobPlan {
  const result = planJob(forBuild(document, (request.build as Record<string, string>) ?? {}), PlanRequest.parse({ build: {}, start: 'centre', ...request }), DEFAULT_HOUSE_VALUES)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const failure = (document: ProcedureDocument, request: Loose) => {
  const result = planJob(forBuild(document, {}), PlanRequest.parse({ build: {}, ...request }), DEFAULT_HOUSE_VALUES)
  return result.ok ? null : result.error
}
const keys = (cards: JobPlan['wayIn']) => cards.flatMap((card) => card.steps.map((step) => step.operation.key))
const inOrder = (list: string[], ...wanted: string[]) => expect(list.filter((key) => wanted.includes(key))).toEqual(wanted)

describe('eased', () => {
  const document = record(['sill', { ease: { holderIds: ['sill-front'], gapMm: 30 } }], ['kick'])
  document.holders.push(Holder.parse({ id: 'sill-front', kind: 'spring clip', count: 1, holds: ['sill'] }))
  document.needs.push(need('n', 'release', 'kick', part('sill', 'eased'), 'reaches'))
  test('only the holders it takes are undone, and it is pressed home after the other is back', () => {
    const job = plan(document, { goals: off('kick') })
    expect(keys(job.wayIn)).not.toContain('undo:sill-clips')
    inOrder(keys(job.wayIn), 'undo:sill-front', 'ease:sill', 'release:kick')
    inOrder(keys(job.wayOut), 'seat:kick', 'seat:sill', 'fasten:sill-front')
    expect(job.removal.levels.get('sill')).toBe('eased')
  })
  test('a part that comes off anyway is not eased first', () => {
    expect(keys(plan(document, { goals: off('kick', 'sill') }).wayIn)).not.toContain('ease:sill')
  })
  test('unless something that comes before its release needs it eased', () => {
    const needing = { ...document, needs: [...document.needs, coversNeed('c', 'sill-clips', 'kick', 'off')] }
    inOrder(keys(plan(needing, { goals: off('sill') }).wayIn), 'ease:sill', 'release:kick', 'undo:sill-clips', 'release:sill')
  })
})

test('what is carried comes along, is unplugged with its carrier and taken out of it at the bench, and goes in before it', () => {
  const document = record(['bezel'], ['clock', { carriedBy: 'bezel' }])
  document.tethers.push(Tether.parse({ id: 'clock-plug', name: 'clock', partId: 'clock', circuit: 'other' }))
  const bezelOnly = plan(document, { goals: off('bezel') })
  expect(keys(bezelOnly.wayIn)).toContain('open:clock-plug')
  expect(keys(bezelOnly.wayIn)).not.toContain('release:clock')
  const job = plan(document, { goals: off('clock') })
  inOrder(keys(job.wayIn), 'open:clock-plug', 'lift:bezel', 'undo:clock-clips', 'release:clock', 'lift:clock')
  inOrder(keys(job.wayOut), 'fasten:clock-clips', 'place:bezel', 'close:clock-plug')
  expect(job.wayIn.flatMap((card) => card.steps).find((step) => step.operation.key === 'release:clock')!.station).toBe('bench')
})

test('a vent up for the screws and down for the clips, on the way in and on the way back', () => {
  const document = record(['panel'])
  document.holders.push(Holder.parse({ id: 'screws', kind: 'machine screw', count: 2, holds: ['panel'] }))
  document.settings.push(ways('vent', 'middle', 'up', 'down'))
  document.needs.push(need('u', 'undo', 'screws', setting('vent', 'up'), 'covers'), need('d', 'undo', 'panel-clips', setting('vent', 'down'), 'covers'))
  const job = plan(document, { goals: off('panel') })
  const at = (list: string[], key: string) => list.slice(0, list.indexOf(key)).filter((k) => k.startsWith('set:vent')).at(-1)
  expect(at(keys(job.wayIn), 'undo:screws')).toMatch(/=up/)
  expect(at(keys(job.wayIn), 'undo:panel-clips')).toMatch(/=down/)
  expect(at(keys(job.wayOut), 'fasten:screws') ?? keys(job.wayIn).filter((k) => k.startsWith('set:vent')).at(-1)).toMatch(/=up/)
  expect(keys(job.wayOut).at(-1)).toMatch(/set:vent=middle/)
  const all = [...keys(job.wayIn), ...keys(job.wayOut)]
  expect(new Set(all).size).toBe(all.length)
})

test('what threads through: a lead is opened before the part it passes lifts, and the part is placed before the lead is plugged', () => {
  const document = record(['surround'], ['switch', { rests: [{ level: 'free', how: 'on a cloth' }] }])
  document.tethers.push(Tether.parse({ id: 'lead', name: 'lead', partId: 'switch', circuit: 'other' }))
  document.needs.push(need('t', 'lift', 'surround', { kind: 'tether', tetherId: 'lead', state: 'open' }, 'threads'))
  const job = plan(document, { goals: off('surround') })
  inOrder(keys(job.wayIn), 'open:lead', 'lift:surround')
  inOrder(keys(job.wayOut), 'place:surround', 'close:lead')
})

describe('the way back only', () => {
  test('all started by hand before any is snug, then in the order of the record', () => {
    const document = record(['screen', { refit: { startAllFirst: true, tightenOrder: ['lower', 'screen-clips'] } }])
    document.holders.push(Holder.parse({ id: 'lower', kind: 'bolt', count: 2, holds: ['screen'] }))
    const out = keys(plan(document, { goals: off('screen') }).wayOut)
    inOrder(out, 'fasten:lower', 'fasten:screen-clips')
    for (const start of ['start:lower', 'start:screen-clips']) for (const snug of ['fasten:lower', 'fasten:screen-clips']) expect(out.indexOf(start)).toBeLessThan(out.indexOf(snug))
    expect(out.indexOf('seat:screen')).toBeLessThan(out.indexOf('start:lower'))
  })
  test('a lead goes through another part’s aperture before that part seats', () => {
    const document = record(['shroud'], ['unit'])
    document.tethers.push(Tether.parse({ id: 'mic', name: 'mic', partId: 'unit', circuit: 'audio', leadThrough: 'the slot', throughPartId: 'shroud' }))
    inOrder(keys(plan(document, { goals: off('unit', 'shroud') }).wayOut), 'place:shroud', 'feed:mic', 'close:mic')
    inOrder(keys(plan(document, { goals: off('unit', 'shroud') }).wayOut), 'feed:mic', 'seat:shroud')
  })
})

describe('ends', () => {
  const document = record(['surround'], ['unit'])
  document.tethers.push(Tether.parse({ id: 'plug', name: 'plug', partId: 'unit', circuit: 'audio' }), Tether.parse({ id: 'bag', name: 'bag', partId: 'surround', circuit: 'srs-indicator' }))
  document.settings.push(ways('ignition', 'off', 'on'))
  document.needs.push(coversNeed('c', 'unit-clips', 'surround', 'off'))
  test('a part that is scrapped takes its holders with it; its plug has to be told an end', () => {
    expect(failure(document, { goals: off('unit'), endings: { unit: 'scrapped' } })).toEqual({ kind: 'tether without end', tetherId: 'plug', partId: 'unit' })
    const out = keys(plan(document, { goals: off('unit'), endings: { unit: 'scrapped', plug: 'left open and insulated' } }).wayOut)
    expect(out.join()).not.toMatch(/unit|plug/)
    expect(out).toContain('fasten:surround-clips')
  })
  test('one that is replaced goes back like the old one; an airbag plug is never left open', () => {
    expect(keys(plan(document, { goals: off('unit'), endings: { unit: 'replaced' } }).wayOut)).toContain('seat:unit')
    expect(failure(document, { goals: off('unit'), endings: { surround: 'moved', bag: 'left open and insulated' } })).toEqual({ kind: 'airbag left open', tetherId: 'bag' })
  })
})

describe('a kit', () => {
  const document = record(['panel'], ['bin'])
  document.functions.push(VehicleFunction.parse({ id: 'old', name: 'old radio' }))
  document.settings.push(ways('ignition', 'off', 'on'))
  const kit = Kit.parse({
    id: 'kit', name: 'Fit a recorder',
    works: [
      { id: 'glue', name: 'Glue the bracket', kind: 'glue', durationS: 60, unattendedS: 600, tool: 'adhesive' },
      { id: 'mount', name: 'Mount the recorder', kind: 'mount', durationS: 120, afterWork: ['glue'], persons: 2, helperStation: 'passenger side' },
      { id: 'lead', name: 'Route the lead', kind: 'route a lead', durationS: 90 },
    ],
    functions: [{ id: 'rec', name: 'Recorder', power: 'ignition', warmUpS: 60, afterWork: ['mount', 'lead'] }],
    changes: [{ id: 'hole', what: 'drill', where: 'behind the bin', consent: true }],
  })
  const fit = KitFit.parse({ procedureId: 'p', access: { glue: [part('panel', 'off')], mount: [part('panel', 'off')], lead: [part('bin', 'off')] }, functionsTaken: ['old'] })
  const job = plan(document, { goals: [], kits: [{ kit, fit }] })
  const out = keys(job.wayOut)
  test('brings its goals, its work after what opens it, and its test before that closes again', () => {
    expect([...job.removal.levels.keys()].sort()).toEqual(['bin', 'panel'])
    inOrder(out, 'work:glue', 'work:mount', 'test:rec', 'seat:panel')
    expect(out.indexOf('work:lead')).toBeLessThan(out.indexOf('place:bin'))
    expect(out.indexOf('test:rec')).toBeLessThan(out.indexOf('seat:bin'))
  })
  test('glue that has to set holds up the mount by its time and nobody else: the lead is laid meanwhile', () => {
    const steps = job.wayOut.flatMap((card) => card.steps)
    const waits = steps.filter((step) => step.operation.act === 'wait')
    expect(waits.map((step) => step.operation.key)).toEqual(['wait:work:mount'])
    const from = steps.findIndex((step) => step.operation.key === 'work:glue') + 1
    const meanwhileS = steps.slice(from, steps.indexOf(waits[0]!)).reduce((sum, step) => sum + step.workS + step.setUpS, 0)
    expect(meanwhileS).toBeGreaterThanOrEqual(90)
    // Whoever waits takes up the next tool meanwhile.
    expect(waits[0]!.workS).toBe(600 - meanwhileS - waits[0]!.setUpS)
    expect(out.indexOf('work:lead')).toBeLessThan(out.indexOf('wait:work:mount'))
  })
  test('says what takes two, what the vehicle does differently, and what is changed for good', () => {
    const summary = summarise(job)
    expect(summary.together).toEqual(['work:mount'])
    expect(summary.functions).toEqual({ added: ['Recorder'], changed: [], taken: ['old'] })
    expect(summary.changesForGood).toMatchObject([{ what: 'drill', consent: true }])
  })
  test('a signal is never bypassed, whatever the kit says', () => {
    expect(failure(document, { kits: [{ kit: { ...kit, works: [{ id: 'trick', name: 'Ground the brake lead', kind: 'bypass a signal' }] }, fit }] })).toEqual({ kind: 'bypass', workId: 'trick' })
  })
})

describe('interim tests', () => {
  const document = record(['cover'], ['start-panel'], ['unit'])
  document.functions.push(VehicleFunction.parse({ id: 'camera', name: 'camera', power: 'engine' }), VehicleFunction.parse({ id: 'late', name: 'late', power: 'none', interim: 'at hand-over' }))
  document.tethers.push(
    Tether.parse({ id: 'video', name: 'video', partId: 'unit', circuit: 'video', functions: ['camera', 'late'] }),
    Tether.parse({ id: 'start', name: 'start', partId: 'start-panel', circuit: 'start' }),
  )
  document.settings.push(ways('ignition', 'off', 'on'))
  // The start panel goes back over the cover: it can't be home when the camera is tried.
  document.needs.push(coversNeed('c', 'unit-clips', 'cover', 'off'), coversNeed('d', 'cover-clips', 'start-panel', 'off'))
  const out = keys(plan(document, { goals: off('unit') }).wayOut)
  test('a start control that can’t be home yet is plugged by hand for the test, unplugged, and plugged for good later', () => {
    inOrder(out, 'close:video', 'test:camera', 'seat:cover')
    inOrder(out, 'close:start@test', 'test:camera', 'open:start@test', 'seat:cover', 'close:start')
  })
  test('one that is tested at hand-over only has no step of its own', () => {
    expect(out).not.toContain('test:late')
  })
})

describe('a facet nobody knows yet', () => {
  const document = record(['trim'], ['unit'], ['box'])
  document.facets.push(Facet.parse({ id: 'audio', name: 'Audio', choices: [{ id: 'plain', name: 'plain' }, { id: 'amplified', name: 'amplified' }], toldFrom: { partId: 'trim', level: 'free' } }))
  document.tethers.push(Tether.parse({ id: 'extra', name: 'extra', partId: 'unit', circuit: 'audio', reached: 'before the release', when: { audio: ['amplified'] } }))
  document.holders.find((holder) => holder.id === 'unit-clips')!.drives = [{ drive: 'hex', size: '7', seen: 2 }, { drive: 'six-lobe', size: 'T20', seen: 1 }]
  document.needs.push(coversNeed('c', 'unit-clips', 'trim', 'off'))
  test('is told as early as it can be, and before what hangs on it', () => {
    const job = plan(document, { goals: off('unit') })
    inOrder(keys(job.wayIn), 'release:trim', 'decide:audio', 'open:extra')
    expect([...job.job.decisions[0]!.conditional]).toEqual([['open:extra', ['amplified']]])
  })
  test('once known there is nothing to decide; where it can’t be told on the way, everything it might bring stays in', () => {
    expect(keys(plan(document, { goals: off('unit'), build: { audio: 'plain' } }).wayIn).join()).not.toMatch(/decide|extra/)
    const elsewhere = { ...document, facets: [{ ...document.facets[0]!, toldFrom: { partId: 'box', level: 'free' as const } }] }
    const wayIn = keys(plan(elsewhere, { goals: off('unit') }).wayIn)
    expect(wayIn).not.toContain('decide:audio')
    expect(wayIn).toContain('open:extra')
  })
  test('an uncertain drive puts both drivers in the bag', () => {
    expect(summarise(plan(document, { goals: off('unit') })).tools.map((entry) => entry.tool)).toEqual(expect.arrayContaining(['hex 7', 'six-lobe T20']))
  })
})

test('"what if I don’t?": what waits for it, and the goals that stay shut', () => {
  const document = record(['cover'], ['unit'], ['box'])
  document.needs.push(coversNeed('c', 'unit-clips', 'cover', 'off'))
  const { removal } = plan(document, { goals: off('unit', 'box') })
  expect(whatStaysShut(removal, 'lift:cover')).toEqual({ waiting: ['undo:unit-clips'], goals: [{ kind: 'part', partId: 'unit', level: 'off' }] })
  expect(whatStaysShut(removal, 'undo:box-clips').goals).toEqual([{ kind: 'part', partId: 'box', level: 'off' }])
})
