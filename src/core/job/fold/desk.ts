import { nothing, type Slice } from './slice'

/** What is said of the record and for the desk: notes, photos, differences, answers of a strip, decisions of a lead. */
export const desk: Slice<
  | 'noted'
  | 'voice noted'
  | 'photographed'
  | 'different from the record'
  | 'stated'
  | 'came before'
  | 'order means nothing'
  | 'already off'
  | 'question put off'
  | 'note settled'
  | 'proposal declined'
  | 'row accepted'
> = {
  noted: ({ state, event, by }, { itemId, text }) => {
    state.notes.push({ eventId: event.id, itemId, text, voice: null, settled: false, ...by })
  },
  'voice noted': ({ state, event, by }, { itemId, voiceId, seconds }) => {
    const voice = { id: voiceId, seconds }
    state.notes.push({ eventId: event.id, itemId, text: '', voice, settled: false, ...by })
  },
  photographed: ({ state, by }, { photoId, itemId }) => {
    state.photos.push({ photoId, itemId, ...by })
  },
  'different from the record': ({ state, event, by }, { itemId, field, value }) => {
    state.deviations.push({ eventId: event.id, itemId, field, value, ...by })
  },
  stated: nothing,
  'came before': ({ state }, { itemId, otherId }) => {
    state.putRight.push({ itemId, otherId })
  },
  'order means nothing': ({ state }, { itemId }) => {
    state.orderless.add(itemId)
  },
  'already off': ({ state }, { itemId }) => {
    state.alreadyOff.add(itemId)
  },
  'question put off': ({ state }, { question }) => {
    state.questionsPutOff.add(question)
  },
  'note settled': ({ state }, { noteId }) => {
    state.settledNotes.add(noteId)
    const note = state.notes.find((item) => item.eventId === noteId)
    if (note) note.settled = true
  },
  'proposal declined': ({ state }, { collection, itemId, field }) => {
    state.declined.add(`${collection}:${itemId}:${field}`)
  },
  'row accepted': ({ state, event }, { account, itemId, asItStood, reason }) => {
    state.accepted.set(`${account}:${itemId}`, { asItStood, reason, personId: event.personId })
  },
}
