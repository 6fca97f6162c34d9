import type { ProcedureDocument } from '../procedure/document'
import { panelVan } from './vehicles.testing'

/**
 * The van with so many cavities like its radio's, each with so many openings. `apart`: each asks for other parts, or
 * for one at another level, so that no two of them are the same.
 */
export function withCavities(cavities: number, openings: number, apart = false): ProcedureDocument {
  const dash = panelVan()
  const like = dash.cavities[0]!
  const some = <T>(count: number, make: (i: number) => T) => Array.from({ length: count }, (_, i) => make(i))
  const part = (n: number, level: 'free' | 'off') => ({ partId: dash.parts[n % dash.parts.length]!.id, level })
  dash.cavities = some(cavities, (c) => ({
    ...like,
    id: `cavity-${c}`,
    name: `Cavity ${c}`,
    openings: some(openings, (o) => ({
      ...like.openings[0]!,
      id: `opening-${c}-${o}`,
      ...(apart && { parts: [part(c * openings + o, o % 2 ? 'off' : 'free'), part(c * 7 + o * 3 + 1, 'off')] }),
    })),
  }))
  return dash
}
