import { wallMsOf } from '@/core/base/clock'
import { forCustomer } from '@/core/job/customer'
import { POINT_WORDS } from './customerWords'
import { dateWords } from './dates'
import { blockedSentence } from './functionWords'
import type { HandoverFacts, JobSheet } from './jobSheet'
import { placeSaidWords } from './placeWords'

/** What of a sheet is the customer's: what they were shown and signed for, what is left, how it was left set. */
export function customerOf(sheet: JobSheet): HandoverFacts['withCustomer'] {
  const { document, state, terms, plan, house } = sheet
  const said = forCustomer(document, state, terms)
  const named = (plan?.request.kits ?? []).flatMap(({ kit }) =>
    [kit.parts, kit.plugs, kit.settings, kit.functions].flat(),
  )
  const nameOf = (id: string) => named.find((item) => item.id === id)?.name ?? ''
  const { shown } = state
  return {
    shown: shown && {
      by: shown.by,
      at: dateWords(wallMsOf(shown.at), 'printed', house.timeZone),
      strokes: shown.strokes,
      what: said.gained.filter(({ id }) => shown.functionIds.includes(id)).map(({ name }) => name),
      points: shown.points.map((point) => POINT_WORDS[point].said),
    },
    missing: said.blocked.map((item) => blockedSentence(nameOf, item)),
    later: said.later.map(({ text }) => text),
    leftSet: said.asLeft.map(({ name, value }) => `${name}: ${value}`),
    places: [...state.places].map(([id, place]) =>
      [plan?.job.works.get(id)?.name, placeSaidWords(place)].filter(Boolean).join(', '),
    ),
  }
}
