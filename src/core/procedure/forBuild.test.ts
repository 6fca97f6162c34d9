import { expect, test } from '@jest/globals'
import { smallDash } from '../testing/smallDash.testing'
import { Cavity } from './cavity'
import { Facet } from './facet'
import { forBuild } from './forBuild'

/** The small dash with a cover that only full trim has. */
function withTrim(openings: { id: string; parts: string[] }[]) {
  const dash = smallDash()
  dash.facets.push(
    Facet.parse({ id: 'trim', name: 'Trim', choices: ['plain', 'full'].map((id) => ({ id, name: id })) }),
  )
  dash.parts[0]!.when = { trim: ['full'] }
  const parts = (ids: string[]) => ids.map((partId) => ({ partId, level: 'off' }))
  dash.cavities.push(
    Cavity.parse({ id: 'hole', name: 'Hole', openings: openings.map((o) => ({ id: o.id, parts: parts(o.parts) })) }),
  )
  return dash
}
const opens = (dash: ReturnType<typeof withTrim>, trim: string) =>
  forBuild(dash, { trim })
    .cavities.get('hole')
    ?.openings.map(({ parts }) => parts.map(({ partId }) => partId))

test('a part this build does not have is not in the way: its opening asks for the others', () => {
  const dash = withTrim([{ id: 'a', parts: ['cover', 'panel'] }])
  expect(opens(dash, 'full')).toEqual([['cover', 'panel']])
  expect(opens(dash, 'plain')).toEqual([['panel']])
})
test('an opening of parts it has none of is no way in; a cavity without one is not there', () => {
  const dash = withTrim([
    { id: 'a', parts: ['cover'] },
    { id: 'b', parts: ['panel'] },
  ])
  expect(opens(dash, 'plain')).toEqual([['panel']])
  expect(opens(withTrim([{ id: 'a', parts: ['cover'] }]), 'plain')).toBeUndefined()
})
test('what holds, ties or needs only what is not there goes with it', () => {
  const model = forBuild(withTrim([{ id: 'a', parts: ['panel'] }]), { trim: 'plain' })
  expect([model.parts.has('cover'), model.holders.has('cover-clips'), model.holders.has('screws')]).toEqual([
    false,
    false,
    true,
  ])
  expect(model.needs.map(({ id }) => id)).toEqual(['n-trap'])
})
