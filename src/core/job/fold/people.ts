import { nothing, type Slice } from './slice'

/** Who does what, who has read and signed what, and whether it waits or is handed over. */
export const people: Slice<
  | 'job opened'
  | 'plan adopted'
  | 'card taken'
  | 'paused'
  | 'resumed'
  | 'countersigned'
  | 'handed over'
  | 'reopened'
  | 'caution read'
  | 'taken back'
  | 'left for later'
  | 'shown to the customer'
> = {
  'job opened': nothing,
  'taken back': nothing,
  'plan adopted': ({ state }, what) => {
    state.people = what.people
    state.givenTo = new Map(what.lanes.map(({ key, personId }) => [key, personId]))
  },
  'card taken': ({ state, event }, { keys }) => {
    for (const key of keys) state.givenTo.set(key, event.personId)
  },
  paused: ({ state, by }, { reason, until }) => {
    state.paused = { reason, until, ...by }
  },
  resumed: ({ state }) => {
    state.paused = null
  },
  countersigned: ({ state, by }, { as, name }) => {
    state.signatures.push({ as, name, ...by })
  },
  // The fold takes signatures and hand-over away for whatever reopens.
  reopened: nothing,
  'handed over': ({ state, by }) => {
    state.handedOver = by
  },
  'left for later': ({ state, event }, { text }) => {
    state.leftForLater.push({ eventId: event.id, text })
  },
  'shown to the customer': ({ state, by }, { kind: _, ...shown }) => {
    state.shown = { ...shown, ...by }
  },
  'caution read': ({ state, event }, { cautionId }) => {
    state.cautionsRead.add(`${event.personId}:${cautionId}`)
    state.cautionsReadAt.set(`${event.personId}:${cautionId}`, event.at)
  },
}
