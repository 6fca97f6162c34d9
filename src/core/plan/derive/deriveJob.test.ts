import { describe, expect, test } from '@jest/globals'
import { emptyDocument, type ProcedureDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Facet } from '../../procedure/facet'
import { Holder } from '../../procedure/holder'
import { HOLDER_KINDS } from '../../procedure/holderKinds'
import { coversNeed, Need } from '../../procedure/need'
import { Part } from '../../procedure/part'
import { Setting } from '../../procedure/setting'
import { Tether } from '../../procedure/tether'
import { VehicleFunction } from '../../procedure/vehicleFunction'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whatStaysShut, whyChain } from '../../order/why'
import { planJob } from '../planJob'
import { allSteps, type PlanOnCards } from '../show/planOnCards'
import { PlanRequest } from '../ask/planRequest'
import { summarise } from '../show/summary'

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
const need = (id: string, act: string, on: string, needs: Loose, reason: string) =>
  Need.parse({ id, dependent: { act, id: on }, needs, reason })
const part = (partId: string, level: string) => ({ kind: 'part', partId, level })
const setting = (settingId: string, value: string) => ({ kind: 'setting', settingId, value })
const ways = (id: string, ...values: string[]) =>
  Setting.parse({
    id,
    name: id,
    role: id === 'ignition' || id === 'battery' ? id : 'other',
    values,
    asFound: values[0],
    methods: values.map((to) => ({ id: `${id}-${to}`, name: to, to, stations: ['centre'] })),
  })
const off = (...ids: string[]) => ids.map((partId) => ({ kind: 'part', partId, level: 'off' }))
function plan(document: ProcedureDocument, request: Loose): PlanOnCards {
  const result = planJob(
    forBuild(document, (request.build as Record<string, string>) ?? {}),
    PlanRequest.parse({ build: {}, start: 'centre', ...request }),
    DEFAULT_HOUSE_VALUES,
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const failure = (document: ProcedureDocument, request: Loose) => {
  const result = planJob(forBuild(document, {}), PlanRequest.parse({ build: {}, ...request }), DEFAULT_HOUSE_VALUES)
  return result.ok ? null : result.error
}
const keys = (cards: PlanOnCards['wayIn']) => cards.flatMap((card) => card.steps.map((step) => step.operation.key))
const pulled = (job: PlanOnCards, key: string) =>
  allSteps(job)
    .find((step) => step.operation.key === key)
    ?.operation.pulled?.toSorted()
const inOrder = (list: string[], ...wanted: string[]) =>
  expect(list.filter((key) => wanted.includes(key))).toEqual(wanted)

describe('clips let go with the pull', () => {
  const document = record(['surround'], ['panel'])
  document.holders.push(
    Holder.parse({
      id: 'screws',
      kind: 'machine screw',
      drives: [{ drive: 'hex', size: '7' }],
      count: 2,
      holds: ['surround'],
    }),
  )
  const saying = (more: Loose, holds = ['surround']) => ({
    ...document,
    holders: document.holders.map((holder) =>
      holder.id === 'surround-clips' ? Holder.parse({ ...holder, ...more, holds }) : holder,
    ),
  })
  const clips = (of: ProcedureDocument, goals = off('surround')) => plan(of, { goals })

  test('one act with its tool, its count and its seconds, after the screws on the way in and before them on the way out', () => {
    const job = clips(document)
    const steps = allSteps(job)
    inOrder(keys(job.wayIn), 'undo:screws', 'release:surround')
    inOrder(keys(job.wayOut), 'seat:surround', 'fasten:screws')
    for (const key of ['release:surround', 'seat:surround'])
      expect([key, steps.find((step) => step.operation.key === key)]).toMatchObject([
        key,
        { tool: 'pry tool', workS: 2 * 3 + 5, operation: { pulled: ['surround-clips'] } },
      ])
    expect([...keys(job.wayIn), ...keys(job.wayOut)].join()).not.toContain('surround-clips')
    expect(summarise(job)).toMatchObject({
      fasteners: 4,
      tools: expect.arrayContaining([{ tool: 'pry tool', holderIds: ['surround-clips'], partIds: ['surround'] }]),
    })
  })
  test.each(HOLDER_KINDS)('%s', (kind) => {
    const job = clips(saying({ kind }))
    expect(pulled(job, 'release:surround') ?? []).toEqual(
      ['spring clip', 'fir-tree clip', 'adhesive', 'hook-and-loop'].includes(kind) ? ['surround-clips'] : [],
    )
  })
  test('a holder may say otherwise: squeezed from behind first, or a peg that comes with the pull', () => {
    const squeezed = clips(saying({ letsGo: 'by itself' }))
    inOrder(keys(squeezed.wayIn), 'undo:surround-clips', 'release:surround')
    inOrder(keys(squeezed.wayOut), 'seat:surround', 'fasten:surround-clips')
    expect(pulled(clips(saying({ kind: 'stud and grommet', letsGo: 'with the pull' })), 'release:surround')).toEqual([
      'surround-clips',
    ])
    expect(pulled(clips(saying({ kind: 'bolt', letsGo: 'with the pull' })), 'release:surround') ?? []).toEqual([])
  })
  test('what covers them keeps the pull waiting, and says so', () => {
    const covered = { ...document, needs: [coversNeed('c', 'surround-clips', 'panel', 'off')] }
    const job = clips(covered)
    inOrder(keys(job.wayIn), 'lift:panel', 'release:surround')
    inOrder(keys(job.wayOut), 'seat:surround', 'place:panel')
    expect(whyChain(job.removal, 'lift:panel')).toMatchObject([
      { id: 'panel', relation: 'covers' },
      { id: 'surround-clips', relation: 'holds' },
      { id: 'surround', relation: 'closes' },
      { thing: 'goal' },
    ])
  })
  test('of several parts the group lets go with the first that moves, stated or forced, and goes home with the last', () => {
    const both = saying({}, ['surround', 'panel'])
    const job = clips(both, off('surround', 'panel'))
    inOrder(keys(job.wayIn), 'release:surround', 'release:panel')
    inOrder(keys(job.wayOut), 'seat:panel', 'seat:surround')
    expect([pulled(job, 'release:surround'), pulled(job, 'release:panel'), pulled(job, 'seat:surround')]).toEqual([
      ['surround-clips'],
      ['panel-clips'],
      ['surround-clips'],
    ])
    const trapped = clips(
      { ...both, needs: [need('t', 'release', 'surround', part('panel', 'off'), 'traps')] },
      off('surround', 'panel'),
    )
    expect(pulled(trapped, 'release:panel')).toEqual(['panel-clips', 'surround-clips'])
    expect(pulled(clips(both, off('panel')), 'release:panel')).toEqual(['panel-clips', 'surround-clips'])
  })
  test('one that stays away leaves its clips to the other part they hold', () => {
    const job = plan(saying({}, ['surround', 'panel']), {
      goals: off('surround', 'panel'),
      endings: { surround: 'scrapped' },
    })
    expect(pulled(job, 'seat:panel')).toEqual(['panel-clips', 'surround-clips'])
  })
  test('a need stated on their undoing or fastening is the pull’s and the push’s', () => {
    const job = clips(
      {
        ...document,
        needs: [
          need('f', 'fasten', 'surround-clips', { kind: 'operation', act: 'seat', id: 'panel' }, 'reaches'),
          need('u', 'undo', 'panel-clips', { kind: 'operation', act: 'undo', id: 'surround-clips' }, 'method'),
        ],
      },
      off('surround', 'panel'),
    )
    inOrder(keys(job.wayIn), 'release:surround', 'release:panel')
    inOrder(keys(job.wayOut), 'seat:panel', 'seat:surround')
  })
})

describe('what bears the weight', () => {
  const document = record(['fairing'])
  for (const id of ['top', 'front', 'rear'])
    document.holders.push(
      Holder.parse({
        id,
        kind: 'bolt',
        drives: [{ drive: 'hex', size: '8' }],
        count: 1,
        holds: ['fairing'],
        bearsWeight: id === 'top',
      }),
    )
  const screws = (list: string[]) => list.filter((key) => /^(undo|fasten|start):/.test(key))
  test('comes out last and goes in first', () => {
    const job = plan(document, { goals: off('fairing') })
    expect([screws(keys(job.wayIn)).at(-1), screws(keys(job.wayOut))[0]]).toEqual(['undo:top', 'fasten:top'])
  })
  test('is started first where all are started before any is made snug; a stated order of tightening goes before', () => {
    const refit = (refit: Loose) =>
      plan({ ...document, parts: [Part.parse({ ...document.parts[0], refit })] }, { goals: off('fairing') })
    const started = screws(keys(refit({ startAllFirst: true }).wayOut))
    expect([started[0], started.slice(0, 3).every((key) => key.startsWith('start:'))]).toEqual(['start:top', true])
    expect(screws(keys(refit({ tightenOrder: ['rear', 'front', 'top'] }).wayOut))).toEqual([
      'fasten:rear',
      'fasten:front',
      'fasten:top',
    ])
  })
})

test('a part that may not rest goes back in one go: placed, its leads fed and plugged, pushed home', () => {
  const document = record(['unit'], ['trim', { rests: [{ level: 'free', how: 'on a cloth' }] }])
  document.tethers.push(
    Tether.parse({ id: 'main', name: 'main', partId: 'unit', circuit: 'audio', leadThrough: 'the slot' }),
    Tether.parse({ id: 'lamp', name: 'lamp', partId: 'trim', circuit: 'other' }),
  )
  const job = plan(document, { goals: off('unit', 'trim') })
  const out = keys(job.wayOut)
  expect(out.slice(out.indexOf('place:unit')).slice(0, 4)).toEqual([
    'place:unit',
    'feed:main',
    'close:main',
    'seat:unit',
  ])
  expect([...job.job.backInOneGo.keys()]).toEqual(['unit'])
  // A test that has to come before its own push home is made while the part is held.
  const tested = {
    ...document,
    functions: [VehicleFunction.parse({ id: 't', name: 't', power: 'none' })],
    tethers: document.tethers.map((tether) => (tether.id === 'main' ? { ...tether, functions: ['t'] } : tether)),
    parts: document.parts.map((item) =>
      item.id === 'unit' ? Part.parse({ ...item, refit: { hardToUndo: true } }) : item,
    ),
  }
  const held = plan(tested, { goals: off('unit') })
  inOrder(keys(held.wayOut), 'close:main', 'test:t', 'seat:unit')
  expect(held.job.backInOneGo.size).toBe(0)
})

describe('eased', () => {
  const document = record(['sill', { ease: { holderIds: ['sill-front'], gapMm: 30 } }], ['kick'])
  document.holders.push(Holder.parse({ id: 'sill-front', kind: 'spring clip', count: 1, holds: ['sill'] }))
  document.needs.push(need('n', 'release', 'kick', part('sill', 'eased'), 'reaches'))
  test('only the holders it takes are undone, and it is pressed home after the other is back', () => {
    const job = plan(document, { goals: off('kick') })
    inOrder(keys(job.wayIn), 'ease:sill', 'release:kick')
    expect(pulled(job, 'ease:sill')).toEqual(['sill-front'])
    inOrder(keys(job.wayOut), 'seat:kick', 'seat:sill')
    expect(pulled(job, 'seat:sill')).toEqual(['sill-front'])
    expect(job.removal.levels.get('sill')).toBe('eased')
  })
  test('a part that comes off anyway is not eased first', () => {
    expect(keys(plan(document, { goals: off('kick', 'sill') }).wayIn)).not.toContain('ease:sill')
  })
  test('unless something that comes before its release needs it eased', () => {
    const needing = { ...document, needs: [...document.needs, coversNeed('c', 'sill-clips', 'kick', 'off')] }
    const job = plan(needing, { goals: off('sill') })
    inOrder(keys(job.wayIn), 'ease:sill', 'release:kick', 'release:sill')
    expect([pulled(job, 'ease:sill'), pulled(job, 'release:sill'), pulled(job, 'seat:sill')]).toEqual([
      ['sill-front'],
      ['sill-clips'],
      ['sill-clips', 'sill-front'],
    ])
  })
})

test('what is carried comes along, is unplugged with its carrier and taken out of it at the bench, and goes in before it', () => {
  const document = record(['bezel'], ['clock', { carriedBy: 'bezel' }])
  document.tethers.push(Tether.parse({ id: 'clock-plug', name: 'clock', partId: 'clock', circuit: 'other' }))
  const bezelOnly = plan(document, { goals: off('bezel') })
  expect(keys(bezelOnly.wayIn)).toContain('open:clock-plug')
  expect(keys(bezelOnly.wayIn)).not.toContain('release:clock')
  const job = plan(document, { goals: off('clock') })
  inOrder(keys(job.wayIn), 'open:clock-plug', 'lift:bezel', 'release:clock', 'lift:clock')
  inOrder(keys(job.wayOut), 'seat:clock', 'place:bezel', 'close:clock-plug')
  expect(job.wayIn.flatMap((card) => card.steps).find((step) => step.operation.key === 'release:clock')!.station).toBe(
    'bench',
  )
})

test('a vent up for the screws and down for the clips, on the way in and on the way back', () => {
  const document = record(['panel'])
  document.holders.push(Holder.parse({ id: 'screws', kind: 'machine screw', count: 2, holds: ['panel'] }))
  document.settings.push(ways('vent', 'middle', 'up', 'down'))
  document.needs.push(
    need('u', 'undo', 'screws', setting('vent', 'up'), 'covers'),
    need('d', 'undo', 'panel-clips', setting('vent', 'down'), 'covers'),
  )
  const job = plan(document, { goals: off('panel') })
  const at = (list: string[], key: string) =>
    list
      .slice(0, list.indexOf(key))
      .filter((k) => k.startsWith('set:vent'))
      .at(-1)
  expect(at(keys(job.wayIn), 'undo:screws')).toMatch(/=up/)
  expect(at(keys(job.wayIn), 'release:panel')).toMatch(/=down/)
  expect(
    at(keys(job.wayOut), 'fasten:screws') ??
      keys(job.wayIn)
        .filter((k) => k.startsWith('set:vent'))
        .at(-1),
  ).toMatch(/=up/)
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
    const document = record(['screen', { refit: { startAllFirst: true, tightenOrder: ['lower', 'upper'] } }])
    for (const id of ['upper', 'lower'])
      document.holders.push(Holder.parse({ id, kind: 'bolt', count: 2, holds: ['screen'] }))
    const out = keys(plan(document, { goals: off('screen') }).wayOut)
    inOrder(out, 'fasten:lower', 'fasten:upper')
    for (const start of ['start:lower', 'start:upper'])
      for (const snug of ['fasten:lower', 'fasten:upper']) expect(out.indexOf(start)).toBeLessThan(out.indexOf(snug))
    expect(out.indexOf('seat:screen')).toBeLessThan(out.indexOf('start:lower'))
  })
  test('a lead goes through another part’s aperture before that part seats', () => {
    const document = record(['shroud'], ['unit'])
    document.tethers.push(
      Tether.parse({
        id: 'mic',
        name: 'mic',
        partId: 'unit',
        circuit: 'audio',
        leadThrough: 'the slot',
        throughPartId: 'shroud',
      }),
    )
    inOrder(keys(plan(document, { goals: off('unit', 'shroud') }).wayOut), 'place:shroud', 'feed:mic', 'close:mic')
    inOrder(keys(plan(document, { goals: off('unit', 'shroud') }).wayOut), 'feed:mic', 'seat:shroud')
  })
})

describe('ends', () => {
  const document = record(['surround'], ['unit'])
  document.tethers.push(
    Tether.parse({ id: 'plug', name: 'plug', partId: 'unit', circuit: 'audio' }),
    Tether.parse({ id: 'bag', name: 'bag', partId: 'surround', circuit: 'srs-indicator' }),
  )
  document.settings.push(ways('ignition', 'off', 'on'))
  document.needs.push(coversNeed('c', 'unit-clips', 'surround', 'off'))
  test('a part that is scrapped takes its holders with it; its plug has to be told an end', () => {
    expect(failure(document, { goals: off('unit'), endings: { unit: 'scrapped' } })).toEqual({
      kind: 'tether without end',
      tetherId: 'plug',
      partId: 'unit',
    })
    const out = keys(
      plan(document, { goals: off('unit'), endings: { unit: 'scrapped', plug: 'left open and insulated' } }).wayOut,
    )
    expect(out.join()).not.toMatch(/unit|plug/)
    expect(out).toContain('seat:surround')
  })
  test('one that is replaced goes back like the old one; an airbag plug is never left open', () => {
    expect(keys(plan(document, { goals: off('unit'), endings: { unit: 'replaced' } }).wayOut)).toContain('seat:unit')
    expect(
      failure(document, { goals: off('unit'), endings: { surround: 'moved', bag: 'left open and insulated' } }),
    ).toEqual({ kind: 'airbag left open', tetherId: 'bag' })
  })
})

describe('a kit', () => {
  const document = record(['panel'], ['bin'])
  document.functions.push(VehicleFunction.parse({ id: 'old', name: 'old radio' }))
  document.settings.push(ways('ignition', 'off', 'on'))
  const kit = Kit.parse({
    id: 'kit',
    name: 'Fit a recorder',
    works: [
      { id: 'glue', name: 'Glue the bracket', kind: 'glue', durationS: 60, unattendedS: 600, tool: 'adhesive' },
      {
        id: 'mount',
        name: 'Mount the recorder',
        kind: 'mount',
        durationS: 120,
        afterWork: ['glue'],
        persons: 2,
        helperStation: 'passenger side',
      },
      { id: 'lead', name: 'Route the lead', kind: 'route a lead', durationS: 90 },
    ],
    functions: [{ id: 'rec', name: 'Recorder', power: 'ignition', warmUpS: 60, afterWork: ['mount', 'lead'] }],
    changes: [{ id: 'hole', what: 'drill', where: 'behind the bin', consent: true }],
  })
  const fit = KitFit.parse({
    procedureId: 'p',
    access: { glue: [part('panel', 'off')], mount: [part('panel', 'off')], lead: [part('bin', 'off')] },
    functionsTaken: ['old'],
  })
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
    const meanwhileS = steps
      .slice(from, steps.indexOf(waits[0]!))
      .reduce((sum, step) => sum + step.workS + step.setUpS, 0)
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
    expect(
      failure(document, {
        kits: [
          { kit: { ...kit, works: [{ id: 'trick', name: 'Ground the brake lead', kind: 'bypass a signal' }] }, fit },
        ],
      }),
    ).toEqual({ kind: 'bypass', workId: 'trick' })
  })
})

describe('battery off first', () => {
  const document = record(['cover'], ['unit'])
  document.settings.push(ways('battery', 'on', 'off'), ways('ignition', 'off', 'on'), ways('media', 'in', 'ejected'))
  document.functions.push(
    VehicleFunction.parse({ id: 'hazard', name: 'hazard', power: 'battery' }),
    VehicleFunction.parse({ id: 'click', name: 'click', power: 'none' }),
  )
  document.tethers.push(
    Tether.parse({
      id: 'hazard-plug',
      name: 'hazard',
      partId: 'unit',
      circuit: 'hazard',
      functions: ['hazard', 'click'],
    }),
  )
  // The cover hides the plug, so that it is tried before the cover is home; the media come out by the ignition only.
  document.needs.push(
    coversNeed('c', 'unit-clips', 'cover', 'off'),
    need('media-first', 'method', 'battery-off', setting('media', 'ejected'), 'setting'),
    need('by-ignition', 'method', 'media-ejected', setting('ignition', 'on'), 'setting'),
  )
  const job = plan(document, { goals: off('unit'), policy: { battery: 'off first' } })
  const all = [...keys(job.wayIn), ...keys(job.wayOut)]

  test('what needs power beforehand is done before: the media come out by the ignition, then the battery goes off', () => {
    inOrder(all, 'set:media=ejected by media-ejected', 'set:battery=off by battery-off', 'release:cover')
    const on = all.indexOf('set:ignition=on by ignition-on')
    expect(on).toBeGreaterThanOrEqual(0)
    expect(on).toBeLessThan(all.indexOf('set:media=ejected by media-ejected'))
  })
  test('hazard lights are tried only with the battery on again; what needs no power at any time', () => {
    const on = all.findLastIndex((key) => /^(set|restore):battery=on/.test(key))
    expect(on).toBeGreaterThan(all.indexOf('set:battery=off by battery-off'))
    expect(all.indexOf('test:hazard')).toBeGreaterThan(on)
    inOrder(all, 'close:hazard-plug', 'test:hazard', 'seat:cover')
    expect(all).toContain('test:click')
  })
})

describe('interim tests', () => {
  const document = record(['cover'], ['start-panel'], ['unit'])
  document.functions.push(
    VehicleFunction.parse({ id: 'camera', name: 'camera', power: 'engine' }),
    VehicleFunction.parse({ id: 'late', name: 'late', power: 'none', interim: 'at hand-over' }),
  )
  document.tethers.push(
    Tether.parse({ id: 'video', name: 'video', partId: 'unit', circuit: 'video', functions: ['camera', 'late'] }),
    Tether.parse({ id: 'start', name: 'start', partId: 'start-panel', circuit: 'start' }),
  )
  document.settings.push(ways('ignition', 'off', 'on'))
  // The start panel goes back over the cover: it can't be home when the camera is tried.
  document.needs.push(
    coversNeed('c', 'unit-clips', 'cover', 'off'),
    coversNeed('d', 'cover-clips', 'start-panel', 'off'),
  )
  const out = keys(plan(document, { goals: off('unit') }).wayOut)
  test('a start control that can’t be home yet is plugged by hand for the test, unplugged, and plugged for good later', () => {
    inOrder(out, 'close:video', 'test:camera', 'seat:cover')
    inOrder(out, 'close:start@test', 'test:camera', 'open:start@test', 'seat:cover', 'close:start')
    // Nothing comes on before it is plugged.
    inOrder(out, 'close:start@test', 'set:ignition=on by ignition-on', 'test:camera')
  })
  test('one that is tested at hand-over only has no step of its own', () => {
    expect(out).not.toContain('test:late')
  })
})

describe('a facet nobody knows yet', () => {
  const document = record(['trim'], ['unit'], ['box'])
  document.facets.push(
    Facet.parse({
      id: 'audio',
      name: 'Audio',
      choices: [
        { id: 'plain', name: 'plain' },
        { id: 'amplified', name: 'amplified' },
      ],
      toldFrom: { partId: 'trim', level: 'free' },
    }),
  )
  document.tethers.push(
    Tether.parse({
      id: 'extra',
      name: 'extra',
      partId: 'unit',
      circuit: 'audio',
      reached: 'before the release',
      when: { audio: ['amplified'] },
    }),
  )
  const screws = document.holders.find((holder) => holder.id === 'unit-clips')!
  screws.kind = 'machine screw'
  screws.drives = [
    { drive: 'hex', size: '7', seen: 2 },
    { drive: 'six-lobe', size: 'T20', seen: 1 },
  ]
  document.needs.push(coversNeed('c', 'unit-clips', 'trim', 'off'))
  test('is told as early as it can be, and before what hangs on it', () => {
    const job = plan(document, { goals: off('unit') })
    inOrder(keys(job.wayIn), 'release:trim', 'decide:audio', 'open:extra')
    expect([...job.job.decisions[0]!.conditional]).toEqual([['open:extra', ['amplified']]])
  })
  test('once known there is nothing to decide; where it can’t be told on the way, everything it might bring stays in', () => {
    expect(keys(plan(document, { goals: off('unit'), build: { audio: 'plain' } }).wayIn).join()).not.toMatch(
      /decide|extra/,
    )
    const elsewhere = {
      ...document,
      facets: [{ ...document.facets[0]!, toldFrom: { partId: 'box', level: 'free' as const } }],
    }
    const wayIn = keys(plan(elsewhere, { goals: off('unit') }).wayIn)
    expect(wayIn).not.toContain('decide:audio')
    expect(wayIn).toContain('open:extra')
  })
  test('an uncertain drive puts both drivers in the bag', () => {
    expect(summarise(plan(document, { goals: off('unit') })).tools.map((entry) => entry.tool)).toEqual(
      expect.arrayContaining(['hex 7', 'six-lobe T20']),
    )
  })
})

test('"what if I don’t?": what waits for it, and the goals that stay shut', () => {
  const document = record(['cover'], ['unit'], ['box'])
  document.needs.push(coversNeed('c', 'unit-clips', 'cover', 'off'))
  const { removal } = plan(document, { goals: off('unit', 'box') })
  expect(whatStaysShut(removal, 'lift:cover')).toEqual({
    waiting: ['release:unit'],
    goals: [{ kind: 'part', partId: 'unit', level: 'off' }],
  })
  expect(whatStaysShut(removal, 'release:box').goals).toEqual([{ kind: 'part', partId: 'box', level: 'off' }])
})
