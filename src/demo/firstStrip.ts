import type { Id } from '@/core/base/id'
import type { Happening, JobEvent } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import type { ProcedureDocument } from '@/core/procedure/document'
import { namesOf, understand } from '@/core/shorthand/understand'
import { caught } from '@/core/strip/caught'
import { purposeSaid } from '@/core/strip/purpose'
import { stripDocument } from '@/core/strip/stripDocument'

/** What Ines has said so far of a gritter nobody has recorded: in the middle of a dash, two screws still loose. */
const LINES = [
  'liner: press fit, lift out',
  '1 hex 7 behind liner',
  'climate panel: 6 spring clips, start lower left, pull toward you, hangs on its leads',
  '2 T20 behind climate panel',
  'bezel: 9 spring clips, start bottom, pull toward you, never push up',
]

/** Takes the lines one after the other, as the record screen does; `add` stamps and keeps an event. */
export function recordFirstStrip(
  base: ProcedureDocument,
  events: readonly JobEvent[],
  add: (what: Happening, certainty: JobEvent['certainty']) => void,
): void {
  let inHand: Id | null = null
  let made = 0
  for (const what of purposeSaid('radio')) add(what, 'counted')
  for (const line of LINES) {
    const document = stripDocument(base, events)
    const { facts } = understand(line, namesOf(document))
    const result = caught(
      document,
      foldJob(document, events),
      facts,
      line,
      inHand,
      (prefix) => `${prefix}-gritter-${++made}`,
    )
    for (const what of result.assumed) add(what, 'assumed')
    for (const what of result.happenings) add(what, 'counted')
    inHand = result.inHand
  }
}
