import { describe, expect, test } from '@jest/globals'
import { RADIO_FIT, RADIO_KIT } from '../testing/radioKit.testing'
import { SCREEN_KIT as KIT } from '../testing/screenKit.testing'
import { checkKit, refusesKit } from './checkKit'
import { closureOf, doneWithout, isWanted, NOT_WANTED } from './functionClosure'
import { Kit } from './kit'
import { kitHere } from './kitHere'
import { suppliesNeeded } from './supplies'
import { WorkStep } from './workStep'

const without = (...ids: string[]) => Object.fromEntries(ids.map((id) => [id, NOT_WANTED]))
const here = (build = {}) => kitHere({ kit: KIT, fit: RADIO_FIT }, build)
const ids = (items: readonly { id: string }[]) => items.map(({ id }) => id)

describe('what functions need', () => {
  test('a closure has what is named, what that rests on, and all work that comes first', () => {
    const { functions, works, plugs, parts, settings } = closureOf(KIT, ['rear-view'])
    expect([...functions].sort()).toEqual(['plays', 'rear-view'])
    expect([...works].sort()).toEqual(['cam', 'connect', 'hole', 'in'])
    expect([[...plugs], [...parts], [...settings]]).toEqual([['video'], ['camera'], ['input']])
    expect([...closureOf(KIT, ['plays']).works].sort()).toEqual(['connect', 'in'])
    expect(closureOf(KIT, []).works.size).toBe(0)
  })
  test('everything is wanted until the customer says otherwise, and what is no option can’t be done without', () => {
    expect(KIT.functions.map((item) => isWanted(item, {}))).toEqual([true, true, true])
    expect(KIT.functions.map((item) => isWanted(item, without('plays', 'projection')))).toEqual([true, false, true])
    expect(doneWithout(KIT, {}).works.size).toBe(0)
  })
  test('without the camera its work, parts, fasteners, plug and setting fall away; its look stays nobody’s', () => {
    const { kit } = here(without('rear-view'))
    expect(ids(kit.works)).toEqual(['connect', 'in', 'see'])
    expect([ids(kit.parts), ids(kit.holders), ids(kit.plugs), ids(kit.settings)]).toEqual([
      ['screen', 'lead'],
      [],
      ['power', 'parking'],
      [],
    ])
    expect(ids(kit.functions)).toEqual(['plays', 'projection'])
    const needs = suppliesNeeded([{ kit: KIT, fit: RADIO_FIT }], without('rear-view'))
    expect(needs.find(({ itemId }) => itemId === 'camera')).toMatchObject({ needed: 0, isHere: false })
  })
  test('a part that only such functions name falls away out of work that is done all the same', () => {
    const works = KIT.works.map((work) =>
      work.id === 'connect'
        ? { ...work, steps: [...work.steps, { ...work.steps[0]!, id: 'c9', itemId: 'camera' }] }
        : work,
    )
    const { kit } = kitHere({ kit: { ...KIT, works }, fit: RADIO_FIT }, without('rear-view'))
    expect(kit.works[0]!.steps.map(({ itemId }) => itemId)).toEqual(['lead', 'power', 'parking'])
    expect(ids(kit.parts)).not.toContain('camera')
  })
  test('a lead of what is fitted all the same is capped: the step says so', () => {
    const { kit, capped } = here(without('projection'))
    expect([...capped]).toEqual(['parking'])
    const steps = kit.works[0]!.steps.map(({ act, itemId }) => `${act} ${itemId}`)
    expect(steps).toEqual(['fit lead', 'plug power', 'cap parking'])
    expect([...here().capped]).toEqual([])
    expect(here().kit.works[0]!.steps.map(({ act }) => act)).toEqual(['fit', 'plug', 'plug'])
  })
  test('a hole for a camera waits for the look at its picture, and for nothing else', () => {
    const after = Object.fromEntries(here().kit.works.map((work) => [work.id, work.afterWork]))
    expect(after).toEqual({ connect: [], in: ['connect'], hole: ['see'], see: [], cam: ['hole'] })
  })
})

test('what is done five times is five taps, each with its number; once is one', () => {
  const taught = {
    ...KIT.works[1]!,
    steps: [WorkStep.parse({ id: 't', act: 'do', words: 'teach a button', count: 5 })],
  }
  const { kit } = kitHere({ kit: { ...KIT, works: [taught] }, fit: RADIO_FIT }, {})
  expect(kit.works[0]!.steps.map(({ id, words }) => `${id}: ${words}`).slice(3)).toEqual([
    't.4: teach a button, 4 of 5',
    't.5: teach a button, 5 of 5',
  ])
  expect(here().kit.works[1]!.steps.map(({ id }) => id)).toEqual(['i1'])
})

describe('what is wrong with functions', () => {
  const problems = (more: object) =>
    checkKit(Kit.parse({ ...KIT, ...more })).flatMap((problem) => (refusesKit(problem) ? [problem.kind] : []))
  test('the kit itself is sound', () => expect(problems({})).toEqual([]))
  test('a need that points nowhere, and a function that needs itself by way of another', () => {
    const plays = KIT.functions[0]!
    const needing = (of: string, id: string) => ({
      functions: [{ ...plays, needs: [{ of, id }] }, ...KIT.functions.slice(1)],
    })
    expect(problems(needing('part', 'parking'))).toEqual(['no such thing'])
    expect(problems(needing('function', 'projection'))).toEqual(['function needs itself', 'function needs itself'])
  })
  test('a hole before the look', () => {
    const works = KIT.works.map((work) => (work.id === 'see' ? { ...work, afterWork: ['cam'] } : work))
    expect(problems({ works })).toContain('cut before the look')
    expect(RADIO_KIT.works.some(({ placing }) => placing)).toBe(false)
  })
  test('a place of a part the kit does not have', () => {
    const works = KIT.works.map((work) =>
      work.id === 'see' ? { ...work, placing: { of: 'camera', partId: 'x' } } : work,
    )
    expect(problems({ works })).toEqual(['no such thing'])
  })
})
