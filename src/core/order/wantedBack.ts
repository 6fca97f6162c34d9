import { keyOf, type InAct } from '../procedure/acts'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Need } from '../procedure/need'

/** Settings that acts of the way back need, by the act of the way in that they answer. */
export function wantedOnTheWayBack(model: ProcedureForBuild): Map<string, Need[]> {
  const inAct: Partial<Record<Need['dependent']['act'], InAct>> = {
    seat: 'release',
    place: 'release',
    fasten: 'undo',
    close: 'open',
  }
  const wanted = new Map<string, Need[]>()
  for (const need of model.needs) {
    const act = need.needs.kind === 'setting' ? inAct[need.dependent.act] : undefined
    if (!act) continue
    const key = keyOf(act, need.dependent.id)
    wanted.set(key, [...(wanted.get(key) ?? []), need])
  }
  return wanted
}
