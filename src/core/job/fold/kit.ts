import { accountIn, type Slice } from './slice'
import { NOT_COUNTED } from '../jobState'

/**
 * What comes with a kit: how many there are of a thing, what is fitted, which taps of its work are done, how it is set.
 */
export const kit: Slice<
  'fitted' | 'step done' | 'adjusted' | 'supplied' | 'left over' | 'tell seen' | 'place judged' | 'gone on without'
> = {
  fitted: ({ state }, { itemId, count }) => {
    accountIn(state, itemId).fastenedOld += count
  },
  'step done': ({ state, by }, { workId, stepId, reading, note }) => {
    state.stepsDone.set(`${workId}/${stepId}`, { reading, note, ...by })
  },
  adjusted: ({ state, by }, { moduleSettingId, value, how }) => {
    state.adjusted.set(moduleSettingId, { value, how, ...by })
  },
  supplied: ({ state }, { itemId, from, count }) => {
    const known = state.supplies.get(itemId) ?? NOT_COUNTED
    // The box is counted: the last count is the one that holds. What comes besides adds up.
    state.supplies.set(itemId, { ...known, [from]: from === 'box' ? count : known[from] + count })
  },
  'left over': ({ state }, { itemId, count }) => {
    state.leftOver.set(itemId, count)
  },
  'place judged': ({ state, by }, { kind: _, workId, ...place }) => {
    state.places.set(workId, { ...place, ...by })
  },
  'gone on without': ({ state }, { functionIds }) => {
    for (const id of functionIds) state.givenUp.add(id)
  },
  'tell seen': ({ state }, { facetId, tellId, seen }) => {
    const tells = new Map(state.tells.get(facetId))
    state.tells.set(facetId, tells.set(tellId, seen))
  },
}
