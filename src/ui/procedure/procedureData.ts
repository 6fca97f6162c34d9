import type { Evidence } from '@/core/job/evidence'
import type { Strip } from '@/core/order/learntOrder'
import type { Problem } from '@/core/plan/check/problem'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import type { HouseWord } from '@/core/shop/houseWord'
import type { CleanUp } from '@/core/strip/cleanUp'
import type { Zone } from '@/words/dates'

export type ProcedureData = {
  id: string
  document: ProcedureDocument
  problems: Problem[]
  strips: Strip[]
  /** Stations the shop has besides the usual ones. */
  stations: string[]
  /** The shop's own words, for lines of shorthand. */
  words: HouseWord[]
  isDraft: boolean
  revision: { number: number; publishedWords: string; by: string } | null
  jobs: number
  mayPublish: boolean
  /** Who stated each thing, and who bore it out or found it otherwise. */
  evidence: ReadonlyMap<string, Evidence>
  /** What jobs have left for the desk, and who the people in it are. */
  cleanUp: CleanUp
  people: Record<string, string>
  /** The shop's time zone. */
  zone: Zone
}
/** What stands in the middle of the record's page. */
export type Tab = FactCollection | 'map' | 'order' | 'clean-up'

/** A fact that is being changed, or stated. */
export type Form = { collection: FactCollection; item: { id: string }; isNew: boolean } | null
