import { describe, expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { crewAtDash, goOnTo, record } from '../../testing/atDash.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { whilePlanning } from '../../vehicle/circumstances'
import { powerGate } from '../../vehicle/powerGate'
import { settleAccount } from '../account'
import type { CrewAtWork } from '../crew.testing'
import { liveVehicle } from '../liveVehicle'
import { isDone } from '../progress'
import { NO_WORK } from '../workSteps'
import { closingActs } from './closingActs'
import { foundDifferent, groupsInTap } from './different'
import { tappedDone, withTools } from './done'
import { foundBefore } from './foundBefore'
import { putBackTap } from './putBack'
import { whatHolds } from './whatHolds'

const NOTHING_BEFORE = { refusal: null, unread: [], changes: 0, readingUnit: '', buried: [], job: NO_WORK }

const at = (crew: CrewAtWork) => ({
  document: crew.document,
  model: crew.model,
  vehicle: liveVehicle(crew.model, crew.state, crew.nowMs),
  circumstances: whilePlanning(DEFAULT_HOUSE_VALUES),
  state: crew.state,
})
/** The acts a row of the balance offers, as [what it says, how many]. */
function offered(crew: CrewAtWork, account: string, id: string) {
  const row = crew.balance().rows.find((item) => item.account === account && item.id === id)!
  return closingActs(row, at(crew)).acts
}

describe('a tap on done', () => {
  test('keeps what the operations are for, with the tools it takes up', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'undo:screws')
    expect(tappedDone(crew.state, tap, NOTHING_BEFORE)).toEqual({
      kind: 'keep',
      happenings: [{ kind: 'undone', holderId: 'screws', count: 4 }],
    })
    expect(withTools(crew.state, tap, [])).toEqual([{ kind: 'tool out', tool: tap.step.tool }])
  })
  test('refused it does nothing; a caution is read first; what is owed is asked first, in that order', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'undo:screws')
    const refusal = whilePlanning(DEFAULT_HOUSE_VALUES).rules[0]!
    const unread = [{ id: 'hot', severity: 'WARNING', sentence: '', confirm: [] } as never]
    const all = { ...NOTHING_BEFORE, refusal, unread, changes: 1, readingUnit: 'V' }
    expect(tappedDone(crew.state, tap, all)).toEqual({ kind: 'nothing' })
    expect(tappedDone(crew.state, tap, { ...all, refusal: null })).toEqual({
      kind: 'read',
      happenings: [{ kind: 'caution read', cautionId: 'hot' }],
    })
    expect(tappedDone(crew.state, tap, { ...all, refusal: null, unread: [] })).toEqual({ kind: 'ask', what: 'work' })
    expect(tappedDone(crew.state, tap, { ...NOTHING_BEFORE, readingUnit: 'V' })).toEqual({
      kind: 'ask',
      what: 'reading',
    })
  })
  test('a group nobody has counted is counted at its first undo, and not again', () => {
    const dash = smallDash()
    dash.holders.find(({ id }) => id === 'screws')!.howMany = 'unknown'
    const crew = crewAtDash(dash)
    const tap = goOnTo(crew, 'undo:screws')
    expect(tappedDone(crew.state, tap, NOTHING_BEFORE)).toEqual({ kind: 'ask', what: 'count' })
    crew.add({ kind: 'undone', holderId: 'screws', count: 3 })
    expect(tappedDone(crew.state, tap, NOTHING_BEFORE).kind).toBe('keep')
    expect(settleAccount(crew.state.holders.get('screws')!).owed).toBe(3)
  })
})

describe('different from the record', () => {
  test('fewer on the way in are this vehicle’s account, and are not owed back', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'undo:screws')
    const found = foundDifferent(crew.model, crew.state, tap, { counts: { screws: 3 }, heads: {}, words: '' })
    expect(found.leave).toEqual([])
    record(crew, found.happenings)
    for (const step of tap.steps) crew.does(step)
    expect(settleAccount(crew.state.holders.get('screws')!)).toMatchObject({ asFound: 3, inHand: 3 })
    expect(crew.state.deviations).toMatchObject([{ itemId: 'screws', field: 'count', value: '3' }])
  })
  test('fewer on the way out: the panel goes home, three are in, one hole stays open and its step is left', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'seat:panel')
    expect(groupsInTap(crew.model, crew.state, tap).map(({ holder, expected }) => [holder.id, expected])).toEqual([
      ['panel-clips', 6],
    ])
    const found = foundDifferent(crew.model, crew.state, tap, { counts: { 'panel-clips': 5 }, heads: {}, words: '' })
    expect(found).toEqual({
      happenings: [
        { kind: 'part at', partId: 'panel', level: 'in place' },
        { kind: 'fastened', holderId: 'panel-clips', count: 5, stage: 'final' },
      ],
      leave: ['seat:panel'],
    })
    record(crew, found.happenings)
    expect(settleAccount(crew.state.holders.get('panel-clips')!).open).toEqual([{ kind: 'short', count: 1, loose: 1 }])
  })
  test('none of them in: nothing is fastened, and nothing is said of the count', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'fasten:screws')
    const found = foundDifferent(crew.model, crew.state, tap, { counts: { screws: 0 }, heads: {}, words: '' })
    expect(found).toEqual({ happenings: [], leave: ['fasten:screws'] })
  })
  test('a head and words are proposed to the record, not written into it', () => {
    const crew = crewAtDash()
    const tap = goOnTo(crew, 'undo:screws')
    const said = { counts: {}, heads: { screws: 'six-lobe T25' }, words: 'one more below' }
    expect(foundDifferent(crew.model, crew.state, tap, said)).toEqual({
      happenings: [
        { kind: 'different from the record', itemId: 'screws', field: 'head', value: 'six-lobe T25' },
        { kind: 'different from the record', itemId: 'screws', field: 'note', value: 'one more below' },
      ],
      leave: [],
    })
  })
})

describe('before the first screw', () => {
  const holder = smallDash().holders.find(({ id }) => id === 'screws')!
  test('what is said replaces what was said: the account is what was said last', () => {
    const crew = crewAtDash()
    for (const [count, asFound] of [
      [3, 3],
      [5, 5],
      [4, 4],
    ] as const) {
      const found = foundBefore(holder, crew.events, count, '', false)
      for (const id of found.takeBack) crew.add({ kind: 'taken back' }, undefined, { corrects: id })
      record(crew, found.happenings)
      expect(settleAccount(crew.state.holders.get('screws')!).asFound).toBe(asFound)
    }
  })
  test('as recorded again is said only where an earlier job found another head', () => {
    expect(foundBefore(holder, [], 4, '', false).happenings).toEqual([])
    expect(foundBefore(holder, [], 4, '', true).happenings).toEqual([
      { kind: 'different from the record', itemId: 'screws', field: 'head', value: 'six-lobe T20' },
    ])
    const others = crewAtDash()
    record(others, [
      { kind: 'as found', holderId: 'bolts', what: 'missing', count: 1, note: '' },
      { kind: 'different from the record', itemId: 'bolts', field: 'head', value: 'hex 8' },
      { kind: 'different from the record', itemId: 'screws', field: 'note', value: 'stiff' },
    ])
    expect(foundBefore(holder, others.events, 4, '', false)).toEqual({ takeBack: [], happenings: [] })
    const said = others.add({ kind: 'different from the record', itemId: 'screws', field: 'head', value: 'hex 8' })
    expect(foundBefore(holder, others.events, 4, '', false).takeBack).toEqual([said.id])
    expect(foundBefore(holder, [], 6, 'hex 7', false).happenings).toEqual([
      { kind: 'as found', holderId: 'screws', what: 'extra', count: 2, note: '' },
      { kind: 'different from the record', itemId: 'screws', field: 'head', value: 'hex 7' },
    ])
  })
})

describe('the acts that close a row', () => {
  test('a hole whose screw lies loose: in, or lost; one whose screw broke: a new one, or ordered', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'fasten:screws')
    crew.add({ kind: 'broken', holderId: 'screws', count: 1, wasFitted: 'no', note: '' })
    crew.add({ kind: 'fastened', holderId: 'screws', count: 2, stage: 'final' })
    const acts = offered(crew, 'holder', 'screws')
    expect(acts.map(({ says, count, main }) => [says, count, main])).toEqual([
      ['old ones are in', 1, true],
      ['new ones are in', 1, false],
      ['order', 1, false],
      ['lost', 1, false],
      ['pieces found', 1, true],
    ])
    crew.add({ kind: 'ordered', holderId: 'screws', count: 1, note: '' })
    expect(offered(crew, 'holder', 'screws').map(({ says }) => says)).toContain('ordered ones are here')
  })
  test('each act, tapped, closes its row: from any mixture of accidents to a closed account', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'fasten:screws')
    crew.add({ kind: 'broken', holderId: 'screws', count: 1, wasFitted: 'no', note: '' })
    crew.add({ kind: 'lost', holderId: 'screws', count: 1, from: 'vehicle' })
    for (let i = 0; i < 10; i++) {
      const act = offered(crew, 'holder', 'screws').find((item) => item.says !== 'order' && item.says !== 'lost')
      if (!act) break
      if (act.says === 'searched') crew.add({ kind: 'search signed', holderId: 'screws', note: 'under the seat' })
      else record(crew, act.happenings)
    }
    expect(settleAccount(crew.state.holders.get('screws')!)).toMatchObject({ open: [], standing: 4, inHand: 0 })
  })
  test('more in than out: so many more came off, and were there; new ones for old: the old ones go to stock', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'fasten:screws')
    crew.add({ kind: 'fastened', holderId: 'screws', count: 5, stage: 'final' })
    expect(offered(crew, 'holder', 'screws')).toMatchObject([{ says: 'more came off', count: 1 }])
    record(crew, offered(crew, 'holder', 'screws')[0]!.happenings)
    expect(settleAccount(crew.state.holders.get('screws')!)).toMatchObject({ asFound: 5, open: [] })
    const other = crewAtDash()
    other.add({ kind: 'new fitted', holderId: 'bolts', count: 2, insteadOf: 'old' })
    record(other, offered(other, 'holder', 'bolts')[0]!.happenings)
    expect(offered(other, 'holder', 'bolts')).toMatchObject([{ says: 'to stock', count: 2 }])
    record(other, offered(other, 'holder', 'bolts')[0]!.happenings)
    expect(settleAccount(other.state.holders.get('bolts')!)).toMatchObject({ asFound: 2, standing: 2, open: [] })
  })
  test('a radio plug may stay open, insulated; the hazard plug never', () => {
    const crew = crewAtDash()
    crew.add({ kind: 'opened', tetherId: 'main' })
    crew.add({ kind: 'opened', tetherId: 'hazard' })
    expect(offered(crew, 'tether', 'main').map(({ says }) => says)).toEqual(['it is plugged', 'stays open, insulated'])
    expect(offered(crew, 'tether', 'hazard').map(({ says }) => says)).toEqual(['it is plugged'])
  })
  test('a setting goes back where no rule refuses it, and the rule is named where one does', () => {
    const crew = crewAtDash()
    crew.add({ kind: 'set', settingId: 'ignition', value: 'on', methodId: null })
    expect(offered(crew, 'setting', 'ignition')).toMatchObject([{ says: 'it is set', value: 'off' }])
    crew.add({ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null })
    crew.add({ kind: 'set', settingId: 'brake', value: 'off', methodId: null })
    const dash = {
      ...smallDash(),
      settings: smallDash().settings.map((s) => (s.id === 'brake' ? { ...s, asFound: 'off' } : s)),
    }
    const other = crewAtDash(dash)
    other.add({ kind: 'set', settingId: 'brake', value: 'on', methodId: null })
    other.add({ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null })
    const row = other.balance().rows.find((item) => item.id === 'brake')!
    expect(closingActs(row, at(other))).toMatchObject({ acts: [], refusedBy: { id: 'lever-out-brake' } })
  })
  test('a stray belongs to a group with its head, or to none; a part and a tool are back', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'fasten:screws')
    crew.add({ kind: 'stray found', strayId: 's1', head: 'six-lobe T20', where: 'footwell' })
    expect(offered(crew, 'stray', 's1').map(({ says, holderId }) => [says, holderId])).toEqual([
      ['belongs to', 'screws'],
      ['none of this job', undefined],
    ])
    crew.add({ kind: 'tool out', tool: 'T20' })
    expect(offered(crew, 'tool', 'T20')[0]!.happenings).toEqual([{ kind: 'tool back', tool: 'T20' }])
    expect(offered(crew, 'part', 'cover')[0]!.happenings).toEqual([
      { kind: 'part at', partId: 'cover', level: 'in place' },
    ])
  })
})

describe('what lets the power come on', () => {
  test('a part that is off is held near its place for its plug, one that is near is not moved', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'place:unit')
    const { model, vehicle, circumstances } = at(crew)
    const plug = { kind: 'plug', tetherId: 'hazard', bringPartId: 'panel' } as const
    expect(putBackTap(plug, model, vehicle, crew.state, circumstances)).toEqual({
      happenings: [
        { kind: 'part at', partId: 'panel', level: 'free' },
        { kind: 'closed', tetherId: 'hazard' },
      ],
      refusedBy: null,
    })
    crew.add({ kind: 'part at', partId: 'panel', level: 'free' })
    expect(putBackTap(plug, model, vehicle, crew.state, circumstances).happenings).toEqual([
      { kind: 'closed', tetherId: 'hazard' },
    ])
  })
  test('each tap of the smallest set, in its order, is allowed, and after the last the power may come on', () => {
    const crew = crewAtDash()
    crew.add({ kind: 'set', settingId: 'battery', value: 'off', methodId: null })
    for (let i = 0; i < 5; i++) {
      const { model, vehicle, circumstances } = at(crew)
      const [item] = powerGate(model, vehicle, circumstances).ignition.putBack ?? []
      if (!item) break
      const tap = putBackTap(item, model, vehicle, crew.state, circumstances)
      expect(tap.refusedBy).toBeNull()
      record(crew, tap.happenings)
    }
    const { model, vehicle, circumstances } = at(crew)
    expect(powerGate(model, vehicle, circumstances).ignition.allowed).toBe(true)
  })
})

describe('it won’t move', () => {
  test('what still holds it: groups and plugs not done, the part over its edge, what is hidden, what goes with the pull', () => {
    const crew = crewAtDash()
    const names = (partId: string) => {
      const found = whatHolds(crew.model, crew.plan, crew.state, partId)
      return {
        steps: found.steps.map(({ operation }) => operation.key),
        trappedBy: found.trappedBy,
        hidden: found.hidden.map(({ id }) => id),
        withThePull: found.withThePull.map(({ id }) => id),
        assumed: found.assumed.map(({ id }) => id),
      }
    }
    expect(names('panel')).toEqual({
      steps: ['undo:screws', 'open:hazard'],
      trappedBy: [],
      hidden: ['screws'],
      withThePull: ['panel-clips'],
      assumed: [],
    })
    expect(names('unit').trappedBy).toEqual(['panel'])
    goOnTo(crew, 'undo:screws')
    crew.add({ kind: 'undone', holderId: 'screws', count: 4 }, undefined, { certainty: 'assumed' })
    expect(names('panel').steps).not.toContain('undo:screws')
    expect(names('panel').assumed).toEqual(['screws'])
    goOnTo(crew, 'undo:bolts')
    expect(names('unit').trappedBy).toEqual([])
    expect(crew.steps.filter((step) => isDone(crew.state, step.operation)).length).toBeGreaterThan(3)
  })
})
