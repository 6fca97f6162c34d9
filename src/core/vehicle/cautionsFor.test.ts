import { describe, expect, test } from '@jest/globals'
import { Caution, newCaution } from '../procedure/caution'
import { forBuild } from '../procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { smallDash } from '../testing/smallDash.testing'
import { cautionsFor } from './cautionsFor'
import { whilePlanning } from './circumstances'
import type { JudgedAct } from './judge'
import { Rule } from './rule'

/** The record's own cautions said at an act, with these in it. */
function said(act: JudgedAct, ...cautions: [itemId: string, act: string, severity?: string][]): string[] {
  const dash = smallDash()
  dash.cautions = cautions.map(([itemId, name, severity = 'CAUTION'], i) =>
    Caution.parse({ id: `c${i}`, severity, sentence: `Mind ${itemId}.`, at: { itemId, act: name } }),
  )
  return cautionsFor(forBuild(dash, {}), act, whilePlanning(DEFAULT_HOUSE_VALUES)).flatMap(({ id, builtIn }) =>
    builtIn ? [] : [id],
  )
}

describe('a caution of the record is said', () => {
  test('at its thing and its act, not at another act or another thing', () => {
    expect(said({ act: 'undo', itemId: 'screws' }, ['screws', 'undo'])).toEqual(['c0'])
    expect(said({ act: 'fasten', itemId: 'screws' }, ['screws', 'undo'])).toEqual([])
    expect(said({ act: 'undo', itemId: 'bolts' }, ['screws', 'undo'])).toEqual([])
  })
  test('at any act of its thing', () =>
    expect(said({ act: 'seat', itemId: 'panel' }, ['panel', 'any'])).toEqual(['c0']))
  test('at a setting, and at one way of bringing it about', () => {
    const act: JudgedAct = {
      act: 'set',
      itemId: 'lever',
      setting: { settingId: 'lever', from: 'park', to: 'out of park', methodId: 'lever-to-out-of-park' },
    }
    expect(said(act, ['lever', 'set'], ['lever-to-out-of-park', 'any'], ['lever-to-park', 'any'])).toEqual(['c0', 'c1'])
    expect(said({ ...act, act: 'restore' }, ['lever', 'set'])).toEqual(['c0'])
  })
  test('at the pull that its clips let go with, and at the press that brings them home', () => {
    const clips = { itemId: 'panel', pulled: ['panel-clips'] }
    expect(said({ act: 'release', ...clips }, ['panel-clips', 'undo'])).toEqual(['c0'])
    expect(said({ act: 'seat', ...clips }, ['panel-clips', 'fasten'])).toEqual(['c0'])
    expect(said({ act: 'seat', ...clips }, ['panel-clips', 'undo'])).toEqual([])
    expect(said({ act: 'release', itemId: 'panel' }, ['panel-clips', 'undo'])).toEqual([])
  })
  test('strongest first', () => {
    const own: [string, string, string][] = [
      ['screws', 'any', 'NOTICE'],
      ['screws', 'any', 'DANGER'],
      ['screws', 'any', 'CAUTION'],
      ['screws', 'any', 'WARNING'],
    ]
    expect(said({ act: 'undo', itemId: 'screws' }, ...own)).toEqual(['c1', 'c3', 'c2', 'c0'])
  })
})

test('a caution of the record asks for nothing to be ticked; a rule’s does where it has something', () => {
  const dash = smallDash()
  dash.cautions.push(newCaution('sharp', 'cover', 'Sharp edges.'))
  const ours = Rule.parse({
    ...{ id: 'a', severity: 'WARNING', sentence: 'a.', origin: 'test', effect: 'cautions', at: { acts: ['lift'] } },
    ...{ confirm: ['Gloves on.'], remedy: 'Slowly.' },
  })
  const by = { ...whilePlanning(DEFAULT_HOUSE_VALUES), rules: [ours] }
  expect(cautionsFor(forBuild(dash, {}), { act: 'lift', itemId: 'cover' }, by)).toEqual([
    { id: 'a', severity: 'WARNING', sentence: 'a.', remedy: 'Slowly.', confirm: ['Gloves on.'], builtIn: true },
    { id: 'sharp', severity: 'CAUTION', sentence: 'Sharp edges.', remedy: '', confirm: [], builtIn: false },
  ])
})

test('what a lead may cross is said wherever it is laid or fixed at the vehicle, a station of the shop’s own among them; at the bench nothing is crossed', () => {
  const at = (station: string | undefined, work: JudgedAct['work'] = 'mount') =>
    cautionsFor(
      forBuild(smallDash(), {}),
      { act: 'work', itemId: 'w', work, ...(station !== undefined && { station }) },
      whilePlanning(DEFAULT_HOUSE_VALUES),
    ).some(({ id }) => id === 'leads')
  expect(['centre', 'under the vehicle', 'pit 2', undefined].map((station) => at(station))).toEqual([
    true,
    true,
    true,
    true,
  ])
  expect([at('bench'), at('centre', 'join')]).toEqual([false, false])
})
