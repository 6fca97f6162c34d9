import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { capital } from './operations'

/** The name of a part or setting on this build, as a row of the U. */
export function itemNameIn(model: ProcedureForBuild, id: string): string {
  const name = model.parts.get(id)?.name ?? model.settings.get(id)?.name ?? model.cavities.get(id)?.name
  return name ? capital(name) : 'Something not on this build'
}
