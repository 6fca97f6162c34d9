import { describe, expect, test } from '@jest/globals'
import { stripsOf } from '../job/strips'
import { planJob } from '../plan/planJob'
import { PlanRequest } from '../plan/ask/planRequest'
import { stripOrderS } from '../plan/find/recordedOrder'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { StripSeen } from '../procedure/stripSeen'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import { Recorder } from './recorder.testing'
import { reasonEdits } from './answers'
import { blankModel } from './stripDocument'

/** The way to a radio, as one person takes it: the liner first, screws as they come in sight. */
function firstStrip(): Recorder {
  const r = new Recorder(blankModel('Gritter'), 'a')
  r.say('liner: press fit, lift out')
  r.say('climate panel: 6 spring clips, start lower left, pull toward you, hangs on its leads')
  r.say('2 T20 behind climate panel')
  r.say('1 hex 7 behind liner')
  r.say('bezel: 9 spring clips, start bottom, pull toward you')
  r.takeAll()
  r.say('unplug hazard, tab driver side')
  r.say('surround off')
  r.say('unit: 4 hex 7, pull toward you')
  r.say('unplug main, lever')
  r.say('unit off')
  const question = r.questions().find((item) => item.kind === 'why first' && item.partId === r.part('surround'))!
  if (question.kind === 'why first')
    r.happen({
      kind: 'stated',
      said: '',
      edits: reasonEdits(r.document, r.state, question.partId, question.nextId, 'covers', r.newId),
    })
  return r
}

/** Another person, on top of that record, in another order: the climate panel first, clips before screws. */
function secondStrip(base: ProcedureDocument): Recorder {
  const r = new Recorder(base, 'b')
  r.turnTo('climate panel')
  r.say('6 spring clips')
  r.happen({ kind: 'part at', partId: r.part('climate panel'), level: 'free' })
  r.turnTo('liner')
  r.off('liner')
  r.turnTo('surround')
  for (const line of ['9 spring clips', '1 hex 7', '2 T20']) r.say(line)
  r.happen({ kind: 'part at', partId: r.part('surround'), level: 'free' })
  r.say('unplug hazard')
  r.off('surround')
  r.turnTo('unit')
  r.say('4 hex 7')
  r.happen({ kind: 'part at', partId: r.part('unit'), level: 'free' })
  r.say('unplug main')
  r.off('unit')
  return r
}

function merged(recorders: readonly Recorder[], document: ProcedureDocument): ProcedureDocument {
  const strips = recorders.flatMap((r, i) =>
    stripsOf(
      r.document,
      [{ id: `strip-${i}`, label: `Gritter ${i + 1}`, events: r.events }],
      whilePlanning(DEFAULT_HOUSE_VALUES),
    ).map((strip) =>
      StripSeen.parse({
        id: `strip-${i}`,
        label: strip.id,
        sequence: strip.sequence,
        brokeRule: strip.brokeRule ?? false,
      }),
    ),
  )
  return {
    ...document,
    strips,
    cavities: [
      {
        id: 'radio',
        name: 'Radio',
        openings: [
          {
            id: 'o1',
            name: 'front',
            roomier: false,
            saves: '',
            savesS: 0,
            parts: [{ partId: recorders[0]!.part('unit'), level: 'off' }],
          },
        ],
        when: {},
      },
    ],
  } as ProcedureDocument
}

const REQUEST = PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'radio' }], build: {}, start: 'centre' })
const planOf = (document: ProcedureDocument) => {
  const plan = planJob(forBuild(document, {}), REQUEST, DEFAULT_HOUSE_VALUES)
  if (!plan.ok) throw new Error(plan.error.kind)
  return plan.value
}

describe('two strips of one dash in different orders', () => {
  const a = firstStrip()
  const b = secondStrip(a.document)
  test('the second states nothing that the record has: it only confirms', () => {
    expect(b.events.filter((event) => event.what.kind === 'stated')).toEqual([])
    expect(b.document).toEqual(b.base)
  })
  test('one strip alone is obeyed as it was seen', () => {
    const document = merged([a], a.document)
    const plan = planOf(document)
    const way = plan.wayIn
      .flatMap((card) => card.steps.map((step) => step.operation.key))
      .filter((key) => !key.startsWith('set'))
    // A part that nobody said was set aside, only that the next one was turned to, gives no order for when it was
    // lifted away.
    const sequence = document.strips[0]!.sequence
    expect(sequence).not.toContain(`lift:${a.part('liner')}`)
    expect(way.filter((key) => sequence.includes(key))).toEqual(sequence.filter((key) => way.includes(key)))
    expect(plan.removal.edges.some((edge) => edge.because.kind === 'seen')).toBe(true)
  })
  test('the merge drops the habits and keeps the reasons; the plan is no dearer than either order, and proven', () => {
    const document = merged([a, b], a.document)
    const plan = planOf(document)
    const of = (i: number) => stripOrderS(plan, document.strips[i]!.sequence)
    expect(plan.proof.proven).toBe(true)
    expect(of(0)).not.toBeNull()
    expect(of(1)).not.toBeNull()
    expect(plan.proof.totalS).toBeLessThanOrEqual(of(0)!)
    expect(plan.proof.totalS).toBeLessThanOrEqual(of(1)!)
    // Seen both ways, so that neither holds: the surround's hex 7 and its T20, the liner and the climate panel.
    const [hex, t20, liner, climate] = [
      `undo:${a.holder('surround', 'machine screw', '7')}`,
      `undo:${a.holder('surround', 'machine screw', 'T20')}`,
      `release:${a.part('liner')}`,
      `release:${a.part('climate panel')}`,
    ]
    const seen = plan.removal.edges
      .filter((edge) => edge.because.kind === 'seen')
      .map(({ before, after }) => [before, after].sort().join())
    for (const pair of [
      [hex, t20],
      [liner, climate],
    ])
      expect(seen).not.toContain(pair.sort().join())
    const way = plan.wayIn.flatMap((card) => card.steps.map((step) => step.operation.key))
    const before = (first: string, then: string) => expect(way.indexOf(first)).toBeLessThan(way.indexOf(then))
    before(`release:${a.part('climate panel')}`, `undo:${a.holder('surround', 'machine screw', 'T20')}`)
    before(`lift:${a.part('liner')}`, `undo:${a.holder('surround', 'machine screw', '7')}`)
    before(`lift:${a.part('surround')}`, `undo:${a.holder('unit', 'machine screw', '7')}`)
  })
})
