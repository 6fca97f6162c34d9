import type { Holder } from '@/core/procedure/holder'
import type { Part } from '@/core/procedure/part'
import type { Tether } from '@/core/procedure/tether'
import { holderWords } from '@/words/items'

export type Tool = 'pick' | 'outline' | 'corners' | `mark:${string}`
type Group = Holder | Tether

/** What the tool in hand waits for. */
export function hintOf(
  tool: Tool,
  {
    corners,
    hasCorner,
    picked,
    marking,
  }: { corners: number; hasCorner: boolean; picked: Part | null; marking: Group | null | undefined },
): string {
  if (tool === 'corners')
    return corners < 3
      ? 'Tap corner after corner. They cling to what is drawn, and level or plumb with the one before.'
      : 'Tap the first corner again, or Close it.'
  if (tool === 'outline')
    return hasCorner
      ? 'Tap the opposite corner.'
      : `Drag a rectangle for the ${picked?.name.toLowerCase()}, or tap two corners.`
  if (!marking) return ''
  return `Tap where ${'count' in marking ? `mark ${marking.positions.length + 1} of ${marking.count}` : 'the plug'} sits.`
}

/** The tools of the map, for the picked part. */
export function MapTools({
  picked,
  groups,
  tool,
  choose,
  corners,
  oneBack,
  close,
  clearMarks,
  otherSide,
  said,
}: {
  picked: Part | null
  groups: readonly Group[]
  tool: Tool
  choose: (tool: Tool) => void
  /** How many corners are drawn. */
  corners: number
  oneBack: () => void
  close: () => void
  clearMarks: () => void
  otherSide: () => void
  said: string
}) {
  return (
    <div className="flex min-h-11 flex-wrap items-center gap-2 border-b border-hair px-2 py-1">
      {picked ? (
        <>
          <button
            type="button"
            className={`desk-button ${tool === 'outline' ? 'main' : ''}`}
            aria-pressed={tool === 'outline'}
            onClick={() => choose(tool === 'outline' ? 'pick' : 'outline')}
          >
            {picked.outline ? 'Draw its outline anew' : 'Draw its outline'}
          </button>
          <button
            type="button"
            className={`desk-button ${tool === 'corners' ? 'main' : ''}`}
            aria-pressed={tool === 'corners'}
            onClick={() => choose(tool === 'corners' ? 'pick' : 'corners')}
          >
            Corner by corner
          </button>
          {tool === 'corners' && corners > 0 && (
            <>
              <button type="button" className="desk-button" onClick={oneBack}>
                One back
              </button>
              <button type="button" className="desk-button main" disabled={corners < 3} onClick={close}>
                Close it
              </button>
            </>
          )}
          {groups.map((item) => {
            const missing = ('count' in item ? item.count : 1) - item.positions.length
            return missing > 0 ? (
              <button
                key={item.id}
                type="button"
                className={`desk-button ${tool === `mark:${item.id}` ? 'main' : ''}`}
                aria-pressed={tool === `mark:${item.id}`}
                onClick={() => choose(tool === `mark:${item.id}` ? 'pick' : `mark:${item.id}`)}
              >
                Mark {'count' in item ? holderWords({ ...item, count: missing }) : item.name}
              </button>
            ) : null
          })}
          {groups.some((item) => item.positions.length > 0) && (
            <button type="button" className="desk-button" onClick={clearMarks}>
              Clear its marks
            </button>
          )}
          {tool === 'pick' && picked.outline && (
            <button type="button" className="desk-button" onClick={otherSide}>
              Copy to the other side
            </button>
          )}
        </>
      ) : (
        <span className="text-second">Pick a part on the map or in the list.</span>
      )}
      <button type="button" className="desk-button ml-auto" onClick={() => window.print()}>
        Print this view
      </button>
      <span className="font-semibold" role="status">
        {said}
      </span>
    </div>
  )
}
