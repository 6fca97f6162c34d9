import { toldByTells } from '@/core/procedure/tells'
import { rightWords, toldByTellsWords } from '@/words/tellWords'
import type { PlannedJob } from './useJob'

/** Signs that can be seen before the first screw, of a choice that is told for certain only on the way. */
export function SignsToSee({ facetId, job, threshold }: { facetId: string; job: PlannedJob; threshold: number }) {
  const facet = job.document.facets.find(({ id }) => id === facetId)!
  const signs = facet.choices.flatMap((choice) =>
    choice.tells.filter(({ from }) => from === null).map((tell) => ({ choice, tell })),
  )
  if (signs.length === 0) return null
  const looked = new Map<string, boolean>([
    ...(job.request.tells[facetId] ?? []).map((id) => [id, true] as const),
    ...(job.state.tells.get(facetId) ?? []),
  ])
  const seen = (also: readonly [string, boolean][] = []) =>
    new Set([...new Map([...looked, ...also])].flatMap(([id, isSeen]) => (isSeen ? [id] : [])))
  const told = toldByTells(facet, seen(), threshold)
  const say = (tellId: string, isSeen: boolean) => {
    const now = toldByTells(facet, seen([[tellId, isSeen]]), threshold)
    job.record([
      { kind: 'tell seen', facetId, tellId, seen: isSeen },
      ...(now.kind === 'settled' ? [{ kind: 'facet told', facetId, choiceId: now.choiceId } as const] : []),
    ])
  }
  return (
    <fieldset className="space-y-1" data-signs-of={facetId}>
      <legend className="text-xl font-bold">{facet.name}: signs from outside</legend>
      {signs.map(({ choice, tell }) => (
        <div key={tell.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair py-1">
          <span className="min-w-48 flex-1 text-lg leading-tight">
            {tell.words}{' '}
            <span className="text-second">
              {choice.name}, {rightWords(tell)}
            </span>
          </span>
          <button
            type="button"
            className="ghost"
            aria-pressed={looked.get(tell.id) === true}
            onClick={() => say(tell.id, true)}
          >
            Seen
          </button>
          <button
            type="button"
            className="ghost"
            aria-pressed={looked.get(tell.id) === false}
            onClick={() => say(tell.id, false)}
          >
            Not there
          </button>
        </div>
      ))}
      {told.kind !== 'none seen' && (
        <p role="status" className="border-l-4 border-petrol pl-3 text-lg font-semibold">
          {toldByTellsWords(job.document, facet, told)}
        </p>
      )}
    </fieldset>
  )
}
