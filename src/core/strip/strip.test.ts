import { describe, expect, test } from '@jest/globals'
import { levelNow } from '../job/fold'
import { wayInOf } from '../job/strips'
import { applyEdits } from '../procedure/edit'
import { danglingReferences } from '../procedure/references'
import { namesOf, understand } from '../shorthand/understand'
import { caught } from './caught'
import { likelyNext, usualFasteners } from './likeliest'
import { looseEndsOf, offeredFor, takeLooseEnds } from './looseEnds'
import { likelyCircuits } from '../procedure/likelyCircuits'
import { goalEdits, outOfHabit, reasonEdits, sameScrewEdits } from './answers'
import { purposeSaid } from './purpose'
import { PlanRequest } from '../plan/ask/planRequest'
import { forPuttingBack } from './putBack'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'
import { stripRows } from './stripRows'
import { contradictionsOf, editsForDraft } from './toRecord'
import { waitsThere } from './waitsThere'

const fresh = () => new Recorder(blankModel('Gritter'))
const account = (r: Recorder, id: string) => r.state.holders.get(id)!

describe('what is said becomes facts and acts', () => {
  test('a panel with its clips and its pull: stated, undone, free, in that order', () => {
    const r = fresh()
    r.say('bezel: 9 spring clips, start lower left, pull toward you')
    expect(r.events.map(({ what }) => what.kind)).toEqual(['stated', 'undone', 'part at'])
    expect(r.document.holders).toMatchObject([{ kind: 'spring clip', count: 9, holds: [r.part('surround')] }])
    expect(account(r, r.holder('surround', 'spring clip')).undone).toBe(9)
    expect(levelNow(r.state, r.part('surround'))).toBe('free')
    expect(r.inHand).toBe(r.part('surround'))
  })
  test('fasteners belong to the part in hand while it is in place, later they are loose; plugs until it is off', () => {
    const r = fresh()
    r.say('surround')
    r.say('4 clips')
    expect(r.holder('surround', 'spring clip')).toBeTruthy()
    r.happen({ kind: 'part at', partId: r.part('surround'), level: 'free' })
    r.say('2 T20')
    r.say('unplug hazard')
    expect(r.document.tethers[0]!.partId).toBe(r.part('surround'))
    r.off('surround')
    r.say('unplug main')
    expect(looseEndsOf(r.document, r.state).map(({ kind }) => kind)).toEqual(['cover', 'holder', 'tether'])
    expect(r.document.tethers[1]!.partId).toBeNull()
  })
  test('two panels may each have a plug of one name: both are kept and both are open', () => {
    const r = fresh()
    for (const name of ['vent', 'glovebox']) {
      r.say(`${name}: 2 clips, pull toward you`)
      r.say('unplug airbag lamp')
    }
    expect(r.document.tethers.map((tether) => tether.partId)).toEqual([r.part('vent'), r.part('glovebox')])
    expect(r.state.tethersOpen.size).toBe(2)
    // Said again of the same panel it is the same plug.
    r.say('unplug airbag lamp, tab top')
    expect(r.document.tethers).toMatchObject([{ tabSide: null }, { tabSide: 'top' }])
  })
  test('hinged is no lift away: what was under it needs it no further than it went', () => {
    const r = fresh()
    r.say('glovebox: 2 clips, pull toward you')
    r.say('3 T20 behind glovebox')
    const needs = () =>
      r.document.needs
        .filter(({ reason }) => reason === 'covers')
        .map((need) => (need.needs as { level: string }).level)
    expect(needs()).toEqual(['off'])
    r.happen({
      kind: 'stated',
      said: 'glovebox hinged',
      edits: waitsThere(r.document, r.state, r.document.parts[0]!, 'hinged'),
    })
    expect(needs()).toEqual(['free'])
    // Was it off before, nothing is taken back.
    r.off('glovebox')
    expect(waitsThere(r.document, r.state, r.document.parts[0]!, 'hinged')).toEqual([])
  })
  test('a setting said is moved, once, and stated as needed only where a part is in hand', () => {
    const r = fresh()
    r.say('battery off')
    expect(r.events.map(({ what }) => what.kind)).toEqual(['set'])
    expect(r.state.settings.get('battery')).toBe('off')
    expect(r.document.needs).toEqual([])
  })
  test('whoever turns to another part has set aside what came forward untied: assumed, not counted', () => {
    const r = fresh()
    r.say('liner: lift out')
    r.say('surround: 4 clips, pull toward you')
    expect(levelNow(r.state, r.part('liner'))).toBe('off')
    expect(r.events.filter((event) => event.certainty === 'assumed').map(({ what }) => what)).toEqual([
      { kind: 'part at', partId: r.part('liner'), level: 'off' },
    ])
    expect(wayInOf(r.document, r.events)).not.toContain(`lift:${r.part('liner')}`)
    // One that hangs, or that something still ties, is left where it is.
    r.say('surround hangs on its leads')
    r.say('vent: 2 clips, pull toward you')
    expect(levelNow(r.state, r.part('surround'))).toBe('free')
  })
  test('what was taken back leaves nothing, and what hung on it is cut off, not lost', () => {
    const r = fresh()
    r.say('surround')
    const [named] = r.events
    r.say('2 T20 behind liner')
    r.takeBack([named!])
    expect(r.document.parts.map((part) => part.name)).toEqual(['Liner'])
    expect(r.document.holders).toMatchObject([{ count: 2, holds: [] }])
    expect(danglingReferences(r.document)).toEqual([])
    expect(looseEndsOf(r.document, r.state)).toMatchObject([{ kind: 'holder' }])
  })
  test('the fold is the same for any order of arrival, and for events that came twice', () => {
    const r = fresh()
    for (const line of [
      'surround: 4 clips, 2 T20 behind liner, pull toward you',
      'unplug hazard, tab driver side',
      'unit: 4 hex 7',
    ])
      r.say(line)
    const turned = new Recorder(r.base)
    turned.events.push(...[...r.events, ...r.events].reverse())
    expect(turned.document).toEqual(r.document)
    expect([...turned.state.parts]).toEqual([...r.state.parts])
  })
})

describe('loose ends', () => {
  const withLoose = () => {
    const r = fresh()
    r.say('liner: press fit, lift out')
    r.say('1 hex 7')
    r.say('climate panel: 6 clips, pull toward you')
    return r
  }
  test('are offered to the part that comes forward after them, with the cover that laid them bare', () => {
    const r = withLoose()
    expect(offeredFor(r.document, r.state, r.part('climate panel'))).toEqual([
      { kind: 'cover', id: r.part('liner') },
      { kind: 'holder', id: r.holder('', 'machine screw', '7') },
    ])
  })
  test('taken: the screw holds the part, and the liner covers the screw', () => {
    const r = withLoose()
    const screw = r.holder('', 'machine screw', '7')
    r.takeAll()
    expect(r.document.holders.find((holder) => holder.id === screw)!.holds).toEqual([r.part('climate panel')])
    expect(r.document.needs).toMatchObject([
      {
        reason: 'covers',
        dependent: { act: 'undo', id: screw },
        needs: { kind: 'part', partId: r.part('liner'), level: 'off' },
      },
    ])
    expect(looseEndsOf(r.document, r.state)).toEqual([])
  })
  test('a cover taken without its screw states nothing', () => {
    const r = withLoose()
    expect(takeLooseEnds(r.document, r.state, [r.part('liner')], r.part('climate panel'), r.newId)).toEqual([])
  })
  test('are counted from the first moment', () => {
    const r = withLoose()
    expect(account(r, r.holder('', 'machine screw', '7'))).toMatchObject({ design: 1, undone: 1 })
  })
})

describe('on top of a record', () => {
  const record = () => {
    const r = fresh()
    r.say('surround: 9 spring clips, 2 T20 behind liner, pull toward you')
    r.say('unplug hazard, tab driver side')
    return r
  }
  test('the same count confirms and states nothing; another one is a contradiction, counted as found', () => {
    const base = record().document
    const same = new Recorder(base, 'b')
    same.turnTo('surround')
    same.say('9 spring clips')
    expect(same.events.map(({ what }) => what.kind)).toEqual(['undone'])
    const other = new Recorder(base, 'c')
    other.turnTo('surround')
    other.say('8 spring clips')
    expect(contradictionsOf(base, other.document)).toMatchObject([
      { collection: 'holders', field: 'count', recorded: 9, found: 8 },
    ])
    expect(other.document.holders).toHaveLength(base.holders.length)
    expect(account(other, other.holder('surround', 'spring clip'))).toMatchObject({ design: 8, undone: 8 })
  })
  test('a group of the record is recognised also when its part has come forward before it was said', () => {
    const base = record().document
    const r = new Recorder(base, 'b')
    r.turnTo('surround')
    r.happen({ kind: 'part at', partId: r.part('surround'), level: 'free' })
    r.say('9 spring clips')
    expect(r.document).toEqual(base)
    expect(account(r, r.holder('surround', 'spring clip')).undone).toBe(9)
  })
  test('another head on as many screws is kept beside the first', () => {
    const base = record().document
    const r = new Recorder(base, 'b')
    r.turnTo('surround')
    r.say('2 PH2')
    expect(r.document.holders).toHaveLength(base.holders.length)
    expect(
      r.document.holders.find((holder) => holder.kind === 'machine screw')!.drives.map(({ size }) => size),
    ).toEqual(['T20', 'PH2'])
  })
  test('a published record is only added to; an unpublished one takes the better evidence', () => {
    const base = record().document
    const r = new Recorder(base, 'b')
    r.turnTo('surround')
    r.say('8 spring clips')
    r.say('unit: 4 hex 7')
    const published = editsForDraft(base, true, base, r.document)
    expect(published.every((edit) => edit.kind === 'add')).toBe(true)
    expect(published.map((edit) => (edit.kind === 'add' ? edit.collection : ''))).toEqual(['parts', 'holders'])
    const draft = applyEdits(base, editsForDraft(base, false, base, r.document))
    expect(draft.ok && draft.value.document).toEqual(r.document)
  })
})

describe('the order, put right', () => {
  const three = () => {
    const r = fresh()
    for (const line of ['sill trim: pull up', 'knee bolster: pull toward you', 'vent: pull toward you']) r.say(line)
    return r
  }
  const released = (r: Recorder) => wayInOf(r.document, r.events).filter((key) => key.startsWith('release'))
  test('came before: it stands where it belongs, on the rail and for what is learnt', () => {
    const r = three()
    r.happen({ kind: 'came before', itemId: r.part('vent'), otherId: r.part('sill trim') })
    expect(released(r)).toEqual(['vent', 'sill trim', 'knee bolster'].map((name) => `release:${r.part(name)}`))
    expect(stripRows(r.document, r.state, null).map((row) => row.id)).toEqual(
      ['vent', 'sill trim', 'knee bolster'].map((name) => r.part(name)),
    )
  })
  test('already off, and an order that means nothing: counted, and nothing is learnt from them', () => {
    const r = three()
    r.happen({ kind: 'already off', itemId: r.part('sill trim') }, ...outOfHabit(r.document, r.part('vent')))
    expect(released(r)).toEqual([`release:${r.part('knee bolster')}`])
    expect(levelNow(r.state, r.part('sill trim'))).toBe('off')
  })
  test('one that is said to be off at once has been released and lifted', () => {
    const r = fresh()
    r.say('vent')
    r.off('vent')
    expect(wayInOf(r.document, r.events)).toEqual([`release:${r.part('vent')}`, `lift:${r.part('vent')}`])
  })
})

/** Somebody who has said what the strip is for. */
const forRadio = () => {
  const r = fresh()
  r.happen(...purposeSaid('radio'))
  return r
}

describe('questions', () => {
  test('what the strip is for comes first, and names what is opened; with a record that opens something nobody asks', () => {
    const r = fresh()
    expect(r.questions().map(({ kind }) => kind)).toEqual(['purpose'])
    r.happen(...purposeSaid('recorder'))
    expect(r.questions()).toEqual([])
    r.say('surround: 4 clips, pull toward you')
    r.off('surround')
    const edits = goalEdits(r.document, r.state, r.part('surround'), r.newId)
    expect(edits).toMatchObject([
      {
        collection: 'cavities',
        item: { name: 'Recorder cavity', openings: [{ parts: [{ partId: r.part('surround'), level: 'off' }] }] },
      },
    ])
    r.happen({ kind: 'stated', said: '', edits })
    expect(new Recorder(r.document, 'b').questions()).toEqual([])
  })
  test('a battery that went off is asked what a planned job asks, once each time', () => {
    const r = forRadio()
    r.happen({ kind: 'set', settingId: 'battery', value: 'off', methodId: null })
    expect(r.questions().map(({ kind }) => kind)).toEqual(['battery prepared'])
    const read = () => r.happen({ kind: 'caution read', cautionId: 'battery-preparations' })
    read()
    expect(r.questions()).toEqual([])
    r.happen({ kind: 'set', settingId: 'battery', value: 'on', methodId: null })
    expect(r.questions()).toEqual([])
    r.happen({ kind: 'set', settingId: 'battery', value: 'off', methodId: null })
    expect(r.questions().map(({ kind }) => kind)).toEqual(['battery prepared'])
  })
  test('the second group of one head is asked whether it is the same screw; another head is not', () => {
    const r = forRadio()
    for (const line of ['surround: 2 T20, pull toward you', 'unit: 4 T20', 'vent: 1 T15']) r.say(line)
    const same = () => r.questions().filter(({ kind }) => kind === 'same screw')
    const [first, second] = [r.holder('surround', 'machine screw'), r.holder('unit', 'machine screw')]
    expect(same()).toMatchObject([{ holderId: second, otherId: first }])
    r.happen({ kind: 'stated', said: '', edits: sameScrewEdits(r.document, second, first, 'longer') })
    expect(same()).toEqual([])
    const tellOf = (id: string) => r.document.holders.find((holder) => holder.id === id)!.tell
    expect([tellOf(second), tellOf(first)]).toEqual([
      'longer than that of the surround',
      'shorter than that of the unit',
    ])
  })
  test('what a part came off for may be any of the later parts, first to last', () => {
    const r = forRadio()
    for (const name of ['surround', 'vent', 'unit', 'glovebox']) {
      r.say(`${name}: 2 clips, pull toward you`)
      r.off(name)
    }
    const why = (name: string) =>
      r.questions().find((item) => item.kind === 'why first' && item.partId === r.part(name))
    expect(why('surround')).toMatchObject({ laterIds: ['vent', 'unit', 'glovebox'].map((name) => r.part(name)) })
    expect(why('unit')).toMatchObject({ laterIds: [r.part('glovebox')] })
    expect(why('glovebox')).toBeUndefined()
  })
  test('what a part came off for that nothing waits for; answered, it brings the part into every plan', () => {
    const r = forRadio()
    r.say('surround: 4 clips, pull toward you')
    r.say('unit: 4 hex 7')
    const [question] = r.questions()
    expect(question).toMatchObject({
      kind: 'why first',
      partId: r.part('surround'),
      nextId: r.holder('unit', 'machine screw'),
    })
    if (question?.kind !== 'why first') throw new Error('no question')
    expect(question.reasons[0]).toBe('covers')
    r.happen({
      kind: 'stated',
      said: '',
      edits: reasonEdits(r.document, r.state, question.partId, question.nextId, 'covers', r.newId),
    })
    expect(r.questions()).toEqual([])
    expect(r.document.needs).toMatchObject([{ reason: 'covers', dependent: { act: 'undo' } }])
  })
  test('a plug nobody has said the circuit of is asked first, the likely ones before the others and the airbag never missing', () => {
    const r = forRadio()
    r.say('surround: 4 clips, pull toward you')
    r.say('unplug airbag lamp')
    r.say('unit: 4 hex 7')
    expect(r.questions().map(({ kind }) => kind)).toEqual(['circuit', 'why first'])
    expect(likelyCircuits('airbag lamp')[0]).toBe('srs-indicator')
    expect(likelyCircuits('whatever')).toEqual(expect.arrayContaining(['srs-indicator', 'srs-firing']))
  })
  test('what a lever was moved for; power is moved for safety and not asked about', () => {
    const r = forRadio()
    r.happen(
      { kind: 'set', settingId: 'battery', value: 'off', methodId: null },
      { kind: 'set', settingId: 'lever', value: 'out of park', methodId: null },
    )
    r.say('unit: 4 hex 7, pull toward you')
    expect(r.questions().filter(({ kind }) => kind !== 'battery prepared')).toMatchObject([
      { kind: 'what for', settingId: 'lever', value: 'out of park', partId: r.part('unit') },
    ])
  })
  test('put off, it is not asked again', () => {
    const r = forRadio()
    r.say('surround: 4 clips, pull toward you')
    r.say('unit: 4 hex 7')
    r.happen({ kind: 'question put off', question: r.questions()[0]!.id })
    expect(r.questions()).toEqual([])
  })
})

test('called just so, it is asked no more and orders no plan; on its own vehicle it still goes home the way it came', () => {
  const r = forRadio()
  for (const name of ['surround', 'unit']) {
    r.say(`${name}: 2 clips, pull toward you`)
    r.off(name)
  }
  r.happen(...outOfHabit(r.document, r.part('surround')))
  expect(r.questions()).toEqual([])
  expect(r.document.needs).toEqual([])
  expect(forPuttingBack(r.document, r.events).needs).toEqual([])
  const goals = ['surround', 'unit'].map((name) => ({
    kind: 'part' as const,
    partId: r.part(name),
    level: 'off' as const,
  }))
  r.happen({
    kind: 'plan adopted',
    request: PlanRequest.parse({ goals, build: {}, start: 'centre' }),
    found: null,
    people: [],
    lanes: [],
  })
  expect(forPuttingBack(r.document, r.events).needs).toMatchObject([
    {
      reason: 'traps',
      dependent: { act: 'release', id: r.part('unit') },
      needs: { partId: r.part('surround'), level: 'off' },
    },
  ])
})

test('the likeliest next: after a panel its clips and screws, once it is free its plugs, once it is off the next panel', () => {
  const r = fresh()
  const next = () => likelyNext(r.document, r.state, r.inHand)
  expect(next()).toBe('panel')
  r.say('surround')
  expect(next()).toBe('clip')
  r.say('4 clips')
  expect(next()).toBe('screw')
  r.happen({ kind: 'part at', partId: r.part('surround'), level: 'free' })
  expect(next()).toBe('plug')
  r.off('surround')
  expect(next()).toBe('panel')
})

test('heads are offered by how often the shop meets them, and what is plausible anyway after that', () => {
  const r = fresh()
  for (const line of ['surround: 2 T30', 'vent: 1 T30', 'unit: 4 hex 7']) r.say(line)
  const usual = usualFasteners([r.document])
  expect(usual.slice(0, 2)).toMatchObject([
    { size: 'T30', times: 2 },
    { size: '7', times: 1 },
  ])
  expect(usual.some((item) => item.kind === 'spring clip' && item.times === 0)).toBe(true)
})

test('a group on a build the record does not know is answered; the next one is undone under its own id', () => {
  const r = fresh()
  r.say('surround')
  const facts = [
    { fact: 'holder' as const, kind: 'spring clip' as const, count: 4, when: 'power windows' },
    { fact: 'holder' as const, kind: 'push-pin' as const, count: 2 },
  ]
  const { happenings, unplaced } = caught(r.document, r.state, facts, '', r.inHand, r.newId)
  expect(unplaced).toMatchObject([{ because: { kind: 'no facet' } }])
  const undone = happenings.filter((what) => what.kind === 'undone')
  expect(undone).toHaveLength(1)
  r.happen(...happenings)
  expect(r.document.holders).toMatchObject([{ kind: 'push-pin', count: 2 }])
  expect(account(r, r.document.holders[0]!.id).undone).toBe(2)
})

test('a fact that finds no place is answered and undoes nothing', () => {
  const r = fresh()
  const { happenings, unplaced } = caught(
    r.document,
    r.state,
    [{ fact: 'release', start: 'lower left' }],
    '',
    null,
    r.newId,
  )
  expect(happenings).toEqual([])
  expect(unplaced).toMatchObject([{ because: { kind: 'no part' } }])
})

describe('what a line says besides', () => {
  const told = () => {
    const first = fresh()
    first.say('seat: 4 bolts T50')
    return new Recorder(first.document, 'b')
  }
  test('of a group that is known: torque and another head are kept with it, and it is no second group', () => {
    const r = told()
    r.say('seat: 4 bolts T50 or T55, 45 Nm')
    expect(r.document.holders).toMatchObject([{ count: 4, torqueNm: 45, drives: [{ size: 'T50' }, { size: 'T55' }] }])
  })
  test('“no, five” corrects what has been done as well: nothing is done again, and it says what to do', () => {
    const r = told()
    r.say('seat: 4 bolts T50')
    const { facts } = understand('no, five bolts T50 not four', namesOf(r.document))
    const { happenings, unplaced } = caught(r.document, r.state, facts, '', r.part('seat'), r.newId)
    expect(unplaced).toMatchObject([{ because: { kind: 'corrects' } }])
    expect(happenings).toEqual([])
  })
  test('“battery off, wait ten minutes” is done on a strip', () => {
    const r = fresh()
    r.say('seat')
    r.say('battery off, wait 10 min')
    expect(r.state.settings.get('battery')).toBe('off')
  })
})
