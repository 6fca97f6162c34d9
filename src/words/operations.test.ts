import { describe, expect, test } from '@jest/globals'
import type { Operation, Phase } from '@/core/order/operation'
import { emptyDocument, type ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import { Holder } from '@/core/procedure/holder'
import { HOLDER_KINDS, type HolderKind } from '@/core/procedure/holderKinds'
import { coversNeed } from '@/core/procedure/need'
import { Part } from '@/core/procedure/part'
import { Setting } from '@/core/procedure/setting'
import { LATCHES, Tether, TETHER_KINDS } from '@/core/procedure/tether'
import { stepWords, type StepWords } from './operations'
import type { Act } from '@/core/procedure/acts'

// What a card says of each kind, each latch and each fact beside them. The wording is ours; that the hand does it so is
// common practice, no source.

type Loose = Record<string, unknown>

/** What a card says of one act on a record with a panel, a cover over it, one group, one tether and a lever. */
function words(
  act: Act,
  facts: {
    holder?: Loose
    tether?: Loose
    part?: Loose
    method?: Loose
    need?: string
    pulled?: boolean
    phase?: Phase
  } = {},
): StepWords {
  const document: ProcedureDocument = emptyDocument('Bench model')
  document.parts.push(
    Part.parse({ id: 'panel', name: 'Panel', station: 'centre', ...facts.part }),
    Part.parse({ id: 'cover', name: 'Cover', station: 'centre' }),
  )
  document.holders.push(Holder.parse({ id: 'group', kind: 'spring clip', count: 2, holds: ['panel'], ...facts.holder }))
  document.tethers.push(
    Tether.parse({
      id: 'tether',
      name: 'lead',
      partId: 'panel',
      kind: 'electrical',
      circuit: 'audio',
      ...facts.tether,
    }),
  )
  document.settings.push(
    Setting.parse({
      id: 'lever',
      name: 'Lever',
      role: 'gear lever',
      values: ['park', 'out'],
      asFound: 'park',
      methods: [{ id: 'by-release', name: 'by its release', to: 'out', stations: ['centre'], ...facts.method }],
    }),
  )
  if (facts.need !== undefined) document.needs.push({ ...coversNeed('n', 'group', 'cover', 'free'), note: facts.need })
  const itemId =
    act === 'undo' || act === 'fasten' || act === 'start'
      ? 'group'
      : act === 'open' || act === 'close' || act === 'feed'
        ? 'tether'
        : act === 'set'
          ? 'lever'
          : 'panel'
  const operation: Operation = {
    key: `${act}:${itemId}`,
    phase: facts.phase ?? 'out',
    act,
    itemId,
    partId: 'panel',
    nth: 0,
    setting: act === 'set' ? { settingId: 'lever', from: 'park', to: 'out', methodId: 'by-release' } : null,
    ...(facts.pulled ? { pulled: ['group'] } : {}),
  }
  return stepWords(forBuild(document, {}), operation)
}

describe('each kind of fastener has acts of its own', () => {
  const T20 = [{ drive: 'six-lobe', size: 'T20' }]
  const said: Record<HolderKind, [out: string, how: RegExp, back: string, backHow: RegExp]> = {
    'machine screw': ['2 T20', /^$/, '2 T20', /start all by hand first, firm by hand/],
    'self-tapping screw': ['2 T20', /^$/, '2 T20', /snug, never tight/],
    bolt: ['2 T20', /^$/, '2 T20', /firm by hand; the maker’s torque goes first/],
    nut: ['2 T20', /^$/, '2 T20', /firm by hand/],
    'plastic nut': ['2 T20', /^$/, '2 T20', /snug, never tight/],
    'rivet nut': ['2 T20', /^$/, '2 T20', /start all by hand/],
    'well nut': ['2 T20', /^$/, '2 T20', /snug, never tight/],
    'spring clip': ['Free 2 spring clips', /squeeze it from behind/, 'Press 2 spring clips', /clicks/],
    'fir-tree clip': [
      'Free 2 fir-tree clips',
      /fork tool under its head, straight out/,
      'Press 2 fir-tree clips',
      /clicks/,
    ],
    'push-pin': [
      'Draw 2 push-pins',
      /centre up, then pull/,
      'Set 2 push-pins',
      /centre up, then press the centre flush/,
    ],
    'pull-pin': ['Draw 2 pull-pins', /pull the pin, then its body/, 'Set 2 pull-pins', /body in first, then the pin/],
    'quarter-turn': [
      'Turn 2 quarter-turns',
      /nobody has said which way/,
      'Turn 2 quarter-turns',
      /nobody has said which way/,
    ],
    'expanding rivet': [
      'Draw 2 expanding rivets',
      /pin through, then draw the body/,
      'Set 2 expanding rivets',
      /then its pin until it spreads/,
    ],
    'slide-on clip nut': [
      'Slide off 2 slide-on clip nuts',
      /off the edge/,
      'Slide on 2 slide-on clip nuts',
      /lines up/,
    ],
    'stud and grommet': ['Pull 2 studs in grommets', /never sideways/, 'Press 2 studs in grommets', /until it snaps/],
    'retaining pin': ['Draw 2 retaining pins', /hold what it holds/, 'Set 2 retaining pins', /snaps over/],
    adhesive: ['Loosen 2 strips of adhesive', /warm it or cut it/, 'Stick 2 strips of adhesive', /new tape/],
    'hook-and-loop': [
      'Peel 2 strips of hook-and-loop',
      /from one end/,
      'Press 2 strips of hook-and-loop',
      /press it flat/,
    ],
    'cable tie': ['Cut 2 cable ties', /away from the leads/, 'Fit 2 cable ties', /a new one, tail trimmed/],
  }
  test.each(HOLDER_KINDS)('%s', (kind) => {
    const holder = { kind, drives: T20 }
    const [title, how, back, backHow] = said[kind]
    expect(words('undo', { holder }).title).toBe(title)
    expect(words('undo', { holder }).how).toMatch(how)
    expect(words('fasten', { holder }).title).toBe(back)
    expect(words('fasten', { holder }).how).toMatch(backHow)
    // A head is no kind: what turns in it is said beside it.
    expect(words('undo', { holder }).facts).toEqual(
      /nut|self-tapping/.test(kind) && kind !== 'slide-on clip nut' ? [`${kind}s`] : [],
    )
  })
  test('a quarter-turn goes back the other way round, as seen from where it was said', () => {
    const holder = { kind: 'quarter-turn', turn: { sense: 'anticlockwise', angleDeg: 90, seenFrom: 'outside' } }
    expect(words('undo', { holder }).how).toBe('a quarter turn anticlockwise, seen from outside')
    expect(words('fasten', { holder }).how).toBe('a quarter turn clockwise, seen from outside')
  })
  test('a torque that was recorded stands there instead of a feeling', () =>
    expect(words('fasten', { holder: { kind: 'bolt', torqueNm: 8 } }).how).toBe('start all by hand first, to 8 N m'))
  test('one screw alone is not "all of them"', () =>
    expect(words('fasten', { holder: { kind: 'machine screw', count: 1 } }).how).toBe(
      'start by hand, firm by hand; the maker’s torque goes first',
    ))
})

describe('each kind of tether and each latch has acts of its own', () => {
  const titles: Record<(typeof TETHER_KINDS)[number], [string, string]> = {
    electrical: ['Unplug lead', 'Plug lead'],
    coax: ['Unplug lead', 'Plug lead'],
    optical: ['Unplug lead', 'Plug lead'],
    ground: ['Take off lead', 'Put on lead'],
    hose: ['Pull off lead', 'Push on lead'],
    duct: ['Slip off lead', 'Slip on lead'],
    'control cable': ['Unhook lead', 'Hook in lead'],
    damper: ['Unhook lead', 'Hook in lead'],
    strap: ['Undo lead', 'Do up lead'],
  }
  test.each(TETHER_KINDS)('%s', (kind) => {
    const tether = { kind, circuit: ['electrical', 'coax', 'optical'].includes(kind) ? 'audio' : null }
    const [open, close] = [words('open', { tether, phase: 'in' }), words('close', { tether })]
    expect([open.title, close.title]).toEqual(titles[kind])
    // Wires, clicks and tugs are a plug's: nobody tugs a hose.
    if (kind !== 'electrical') expect([open.how, close.how, close.done].join()).not.toMatch(/by the wires|tug|click/)
  })
  const latches: Record<(typeof LATCHES)[number], [RegExp, RegExp]> = {
    'press tab': [/press the tab/, /clicks, then tug it once/],
    'squeeze two tabs': [/first one side, then the other/, /both tabs click/],
    lever: [
      /press its lock, swing the lever fully/,
      /fully open, push until it moves by itself, swing it home: half home works half/,
    ],
    'sliding lock': [/slide the lock back/, /then slide the lock in/],
    'spring-loaded collar': [/draw the collar back/, /collar springs forward/],
    'push-on': [/straight off/, /until it snaps/],
    threaded: [/nut with the spanner/, /nut on by hand first/],
    screw: [/its screw first/, /then its screw/],
    'ground stud': [/lug off its stud/, /lug on its stud/],
    'friction fit': [/pull it straight/, /fully home/],
  }
  test.each(LATCHES)('%s', (latch) => {
    expect(words('open', { tether: { latch }, phase: 'in' }).how).toMatch(latches[latch][0])
    expect(words('close', { tether: { latch } }).how).toMatch(latches[latch][1])
  })
  test('an electrical plug whose latch nobody looked at is not said to click', () => {
    expect(words('close', { tether: {} })).toMatchObject({ how: 'push fully home', done: 'it is home' })
    expect(words('open', { tether: {}, phase: 'in' }).how).toBe('look how it is latched, never by the wires')
  })
  test('side, place to press, tool, effort, reach and note are where the hand needs them', () => {
    const open = words('open', {
      phase: 'in',
      tether: {
        latch: 'press tab',
        tabSide: 'driver side',
        pressAt: 'its grey end',
        tool: 'spanner 8',
        effort: 'hard',
        note: 'cold: warm it',
        reach: { by: 'feel', depthMm: 60, lookFrom: 'below' },
      },
    })
    expect(open.how).toBe('press the tab, tab on the driver side, press its grey end, never by the wires')
    expect(open.facts).toEqual([
      'by feel',
      'look from below',
      '60 mm deep',
      'with the spanner 8',
      'it is hard',
      'cold: warm it',
    ])
  })
  test('a plug that nobody classified says what it counts as', () => {
    expect(words('open', { tether: { circuit: null }, phase: 'in' }).facts.join()).toContain(
      'counts as an airbag plug until somebody does',
    )
    expect(words('open', { tether: { circuit: 'audio' }, phase: 'in' }).facts).toEqual([])
  })
})

describe('what was recorded is said, and before the pull where it must be', () => {
  const motions = [
    { move: 'pull', directions: ['rearward'] },
    { move: 'turn', directions: [], turn: { sense: 'anticlockwise', seenFrom: 'the left' } },
    { move: 'lift', directions: ['up'], note: 'past the wheel' },
  ]
  const release = {
    start: 'top edge',
    motions,
    mustNot: 'bend it at its thin end',
    protect: 'tape the column',
    effort: 'hard',
    tool: 'pry tool',
  }

  test('a release: all its motions, what must not be and what to protect, its clips and their count', () => {
    const pull = words('release', { part: { release, note: 'two hands' }, pulled: true, phase: 'in' })
    expect(pull).toMatchObject({
      title: 'Pull rearward, then turn anticlockwise, seen from the left, then lift up',
      how: 'start at the top edge, 2 spring clips let go with it, with the pry tool, it is hard',
      mind: ['Bend it at its thin end', 'Tape the column'],
      done: '2 out, none broken; it has come forward',
    })
    expect(pull.facts).toEqual(['past the wheel', 'two hands'])
  })
  test('on the way back every motion is turned round, the last first', () => {
    expect(words('seat', { part: { release } }).title).toBe(
      'Lower, then turn clockwise, seen from the left, then push forward'.replace('Lower', 'Lower down'),
    )
    expect(words('seat', { part: { release: { motions: [{ move: 'slide', directions: ['left'] }] } } }).title).toBe(
      'Slide right',
    )
    expect(
      words('seat', { part: { release: { motions: [{ move: 'pull', directions: ['rearward'] }] } }, pulled: true }),
    ).toMatchObject({
      title: 'Push home',
      how: '2 spring clips until each one clicks',
      done: '2 of 2 home; it sits flush',
    })
  })
  test('a group: where it hides, from where it is seen, how deep, by feel, the driver its room asks for; tell, stack, captive, weight, note', () => {
    const reach = { lookFrom: 'below', by: 'feel', depthMm: 90, headroomMm: 30, powerTool: 'no' }
    const holder = {
      kind: 'machine screw',
      drives: [
        { drive: 'six-lobe', size: 'T20' },
        { drive: 'hex', size: '7' },
      ],
      reach,
      tell: 'blue thread lock',
      stack: ['washer', 'bracket'],
      captive: true,
      bearsWeight: true,
      note: 'the left one is stiff',
    }
    const undo = words('undo', { holder, need: 'swing it up first', phase: 'in' })
    expect(undo.how).toMatch(
      /^hidden behind the cover, by feel, look from below, 90 mm deep, 30 mm of room: right-angle driver/,
    )
    for (const fact of [
      'or hex 7: both were seen, look first',
      'in this order: washer, bracket',
      'told by: blue thread lock',
      'they stay in the panel',
      'it bears the weight: support the panel',
      'the left one is stiff',
      'swing it up first',
    ])
      expect(undo.facts).toContain(fact)
    // Nothing recorded, nothing said.
    expect(words('undo', { holder: { kind: 'machine screw' }, phase: 'in' })).toMatchObject({
      how: '',
      facts: [],
      mind: [],
    })
  })
  test('back at its place: held where it may not rest, hung or laid there where it may', () => {
    expect(words('place', { part: { refit: { first: 'top edge' } } })).toMatchObject({
      title: 'Hold it in place',
      how: 'top edge',
    })
    expect(words('place', { part: { rests: [{ level: 'free', how: 'hangs on its leads' }] } })).toMatchObject({
      title: 'Bring it back',
      how: 'hangs on its leads, until it is pressed home',
    })
  })
  test('a setting: its method, the tool for it and its note', () => {
    expect(words('set', { method: { tool: 'small flat blade', note: 'foot on the brake' } })).toMatchObject({
      title: 'Lever out',
      how: 'by its release, with small flat blade',
      facts: ['foot on the brake'],
    })
  })
})
