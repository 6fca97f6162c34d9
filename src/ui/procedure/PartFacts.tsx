import type { Id } from '@/core/base/id'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import type { Evidence } from '@/core/job/evidence'
import { SignalPlate } from '../marks/Signs'
import { evidenceWords } from '@/words/evidenceWords'
import type { Zone } from '@/words/dates'
import { ComesOff, Facts, HeldBy, NeedsOf, TiedBy, type About } from './PartSections'

type Props = {
  document: ProcedureDocument
  partId: Id
  evidence: ReadonlyMap<Id, Evidence>
  people: Record<string, string>
  zone: Zone
  onOpen: (collection: FactCollection, id: Id) => void
  onAdd: (collection: FactCollection) => void
}

/**
 * Everything about one part at once: what holds, ties, covers and traps it, what it hides, how it comes off and goes
 * back.
 */
export function PartFacts({ document, partId, evidence, people, zone, onOpen, onAdd }: Props) {
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return null
  const holders = document.holders.filter((holder) => holder.holds.includes(partId))
  const tethers = document.tethers.filter((tether) => tether.partId === partId)
  const cautions = document.cautions.filter((caution) => caution.at.itemId === partId)
  const { refit } = part
  const seen = (id: Id) =>
    evidenceWords(evidence.get(id), people, zone).map((words) => (
      <span key={words} className="block text-[14px] text-second">
        {words}
      </span>
    ))
  const goesBack = [
    refit.before,
    refit.first,
    refit.align && `line up ${refit.align}`,
    refit.last,
    refit.confirm && `home when ${refit.confirm}`,
  ].filter(Boolean)
  const row: About['row'] = (key, mark, words, collection, id) => (
    <li key={key} className="border-b border-hair">
      <button
        type="button"
        className="flex min-h-9 w-full items-start gap-3 py-1.5 text-left hover:bg-tint"
        onClick={() => onOpen(collection, id)}
      >
        <span className="mt-0.5 w-6 shrink-0">{mark}</span>
        <span className="min-w-0">{words}</span>
      </button>
    </li>
  )
  const about: About = { document, part, seen, row }
  return (
    <div>
      <div className="flex items-start justify-between gap-2">
        <div>
          <h2 className="text-[28px]">{part.name}</h2>
          <p className="text-[15px] text-second">
            {[part.synonyms.join(', '), part.station].filter(Boolean).join(' · ')}
          </p>
          {seen(partId)}
        </div>
        <button type="button" className="desk-button" onClick={() => onOpen('parts', partId)}>
          Change
        </button>
      </div>
      <HeldBy about={about} holders={holders} add={() => onAdd('holders')} />
      <TiedBy about={about} tethers={tethers} add={() => onAdd('tethers')} />
      <ComesOff about={about} />
      <NeedsOf about={about} add={() => onAdd('needs')} />
      {goesBack.length > 0 && (
        <Facts title="Goes back">
          {goesBack.map((words) => row(words, <span aria-hidden>↧</span>, <b>{words}</b>, 'parts', partId))}
        </Facts>
      )}
      {cautions.length > 0 && (
        <Facts title="Take care">
          {cautions.map((caution) =>
            row(
              caution.id,
              <span aria-hidden>!</span>,
              <>
                <SignalPlate severity={caution.severity} small /> {caution.sentence}
              </>,
              'cautions',
              caution.id,
            ),
          )}
        </Facts>
      )}
    </div>
  )
}
