import type { Id } from '../base/id'
import type { Kit } from './kit'
import type { WorkItem } from './workItem'

const FOR_GOOD: readonly WorkItem['kind'][] = ['cut', 'drill', 'file', 'scrape']

type Works = Pick<Kit, 'works'>['works']

/**
 * Looks before cuts: what is cut, drilled, filed or scraped for a camera waits for the work that looks at its picture.
 * A cut whose steps name only other parts is none of that camera's. Cost: O(works x steps).
 */
export function withLooksFirst(works: Works): Works {
  const looks = works.filter(({ kind, placing }) => kind === 'inspect' && placing?.of === 'camera')
  if (looks.length === 0) return works
  return works.map((work) => {
    const first = looks.filter((look) => look.id !== work.id && isCutFor(work, look.placing!.partId))
    return first.length === 0
      ? work
      : { ...work, afterWork: [...new Set([...work.afterWork, ...first.map(({ id }) => id)])] }
  })
}

function isCutFor({ kind, steps }: WorkItem, partId: Id | null): boolean {
  const named = steps.flatMap(({ act, itemId }) => (act === 'fit' && itemId !== null ? [itemId] : []))
  return FOR_GOOD.includes(kind) && (partId === null || named.length === 0 || named.includes(partId))
}
