import type { ProcedureDocument } from '../procedure/document'
import { panelVan } from './vehicles.testing'

/** The van with so many cavities like its radio's, each with so many openings. */
export function withCavities(cavities: number, openings: number): ProcedureDocument {
  const dash = panelVan()
  const like = dash.cavities[0]!
  const some = <T>(count: number, make: (i: number) => T) => Array.from({ length: count }, (_, i) => make(i))
  dash.cavities = some(cavities, (c) => ({
    ...like,
    id: `cavity-${c}`,
    name: `Cavity ${c}`,
    openings: some(openings, (o) => ({ ...like.openings[0]!, id: `opening-${c}-${o}` })),
  }))
  return dash
}
