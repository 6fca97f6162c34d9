import { expect, test } from '@jest/globals'
import { RADIO, RADIO_FIT, RADIO_KIT } from '../testing/radioKit.testing'
import { Kit } from './kit'
import { KitFit } from './kitFit'
import { kitHere } from './kitHere'

const ids = (items: readonly { id: string }[]) => items.map(({ id }) => id)

test('on a plain vehicle nothing of the amplifier is there, nor the step, the value and the work of it', () => {
  const { kit, open } = kitHere(RADIO, { audio: 'plain', family: 'plain-unit' })
  expect(ids(kit.parts)).not.toContain('k-amp-lead')
  expect(ids(kit.plugs)).toEqual(['k-power'])
  expect(ids(kit.works)).toEqual(['w-brackets', 'w-unit', 'w-display'])
  expect(kit.settings[0]!.expected.map(({ value }) => value)).toEqual(['0110'])
  expect(ids(kit.functions)).toEqual(['k-plays'])
  expect([...open]).toEqual([])
})
test('what nobody has told stays in, and its facets are named', () => {
  const { kit, open } = kitHere(RADIO, {})
  expect([ids(kit.parts).length, ids(kit.works).length]).toEqual([RADIO_KIT.parts.length, RADIO_KIT.works.length])
  expect([...open].sort()).toEqual(['audio', 'family'])
  expect([...kitHere(RADIO, { audio: 'plain' }).open]).toEqual(['family'])
})
test('what hangs on a thing that is not there goes with it; what is shared loses only that end', () => {
  const kit = Kit.parse({
    ...RADIO_KIT,
    parts: RADIO_KIT.parts.map((part) => (part.id === 'k-unit' ? { ...part, when: { family: ['map-unit'] } } : part)),
    holders: [...RADIO_KIT.holders, { id: 'shared', kind: 'machine screw', count: 1, holds: ['k-unit', 'k-display'] }],
  })
  const here = kitHere({ kit, fit: RADIO_FIT }, { audio: 'plain', family: 'plain-unit' }).kit
  expect(ids(here.holders)).not.toContain('k-unit-screws')
  expect(here.holders.find(({ id }) => id === 'shared')!.holds).toEqual(['k-display'])
  expect([here.plugs, here.settings]).toEqual([[], []])
  expect(ids(here.works.find(({ id }) => id === 'w-unit')!.steps)).toEqual(['s9'])
})
test('accesses and ends may be for some builds only, and those of work that is not done are gone', () => {
  const fit = KitFit.parse({
    ...RADIO_FIT,
    access: {
      ...RADIO_FIT.access,
      'w-unit': [
        { kind: 'part', partId: 'unit', level: 'off', when: { audio: ['plain'] } },
        { kind: 'part', partId: 'panel', level: 'free', when: { audio: ['amplified'] } },
      ],
    },
    endings: [{ itemId: 'unit', ending: 'scrapped', when: { audio: ['amplified'] } }],
  })
  const plain = kitHere({ kit: RADIO_KIT, fit }, { audio: 'plain', family: 'plain-unit' }).fit
  expect(Object.keys(plain.access).sort()).toEqual(['w-display', 'w-unit'])
  expect(plain.access['w-unit']).toMatchObject([{ partId: 'unit' }])
  expect(plain.endings).toEqual([])
  const amplified = kitHere({ kit: RADIO_KIT, fit }, { audio: 'amplified' }).fit
  expect(amplified.access['w-unit']).toMatchObject([{ partId: 'panel' }])
  expect(amplified.endings).toHaveLength(1)
})
