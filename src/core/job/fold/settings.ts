import type { Slice } from './slice'

/** Settings, and what is known of this vehicle before and while it is worked on. */
export const settings: Slice<'set' | 'facet told' | 'checked in' | 'restored'> = {
  set: ({ state, event }, { settingId, value }) => {
    const reached = `${settingId}=${value}`
    state.settings.set(settingId, value)
    state.valuesReached.set(reached, (state.valuesReached.get(reached) ?? 0) + 1)
    state.settingChangedAt.set(settingId, event.at)
  },
  'facet told': ({ state }, { facetId, choiceId }) => {
    state.facets.set(facetId, choiceId)
  },
  'checked in': ({ state, by }, { point, value }) => {
    state.intake.set(point, { value, ...by })
  },
  restored: ({ state }, { point }) => {
    state.restored.add(point)
  },
}
