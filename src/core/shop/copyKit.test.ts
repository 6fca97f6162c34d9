import { expect, test } from '@jest/globals'
import { RADIO_FIT, RADIO_KIT } from '../testing/radioKit.testing'
import { checkKit } from './checkKit'
import { copyKit } from './copyKit'
import { Kit } from './kit'
import { suppliesNeeded } from './supplies'

const numbered = () => {
  let next = 0
  return (prefix: string) => `${prefix}-new-${(next += 1)}`
}
const copy = (kit = RADIO_KIT) => copyKit(kit, 'another-kit', numbered())
/** Every id in a kit, wherever it stands. */
const idsIn = (kit: Kit) => JSON.stringify(kit).match(/"id":"[^"]+"/g)!

test('nothing of a copy has an id of the first', () => {
  const first = new Set(idsIn(RADIO_KIT))
  expect(idsIn(copy()).filter((id) => first.has(id))).toEqual([])
  expect(idsIn(copy())).toHaveLength(idsIn(RADIO_KIT).length)
})
test('what pointed at a thing points at its copy: no step, condition or fit is left behind', () => {
  const fitted = { ...RADIO_KIT, fits: [RADIO_FIT] }
  const made = copy(fitted)
  expect(checkKit(made)).toEqual(checkKit(fitted))
  expect(made.works[1]!.afterWork).toEqual([made.works[0]!.id, made.works[2]!.id])
  expect(Object.keys(made.fits[0]!.access).sort()).toEqual(
    made.works
      .slice(1)
      .map(({ id }) => id)
      .sort(),
  )
  expect(made.functions[0]!.afterWork).toEqual([made.works[1]!.id])
  // A question of the vehicle keeps its id, one of the kit has a new one.
  expect(Object.keys(made.parts.find(({ name }) => name === 'Amplifier lead')!.when)).toEqual(['audio'])
  expect(made.parts.find(({ name }) => name === 'Map antenna')!.when).toEqual({
    [made.facets[0]!.id]: [made.facets[0]!.choices[1]!.id],
  })
  const counts = (kit: Kit) =>
    suppliesNeeded([{ kit, fit: RADIO_FIT }], {}).map(({ needed, listed }) => [needed, listed])
  expect(counts(made)).toEqual(counts(RADIO_KIT))
})
test('a word that reads like an id stays a word', () => {
  const named = Kit.parse({
    ...RADIO_KIT,
    note: 'k-unit',
    parts: RADIO_KIT.parts.map((part) => ({ ...part, name: part.id })),
  })
  expect(copy(named).note).toBe('k-unit')
  expect(copy(named).parts.map(({ name }) => name)).toEqual(named.parts.map(({ name }) => name))
  expect(copy(named).name).toBe('Swap the radio (copy)')
})
