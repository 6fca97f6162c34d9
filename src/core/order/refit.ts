import type { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { isAirbagCircuit } from '../procedure/tether'
import { shortestLoop } from './loop'
import { turnedRound, type Because, type Edge, type InAct, type Operation } from './operation'
import type { Removal, RemovalError } from './removal'
import { changeSetting } from './settingAct'

export type Refit = { operations: Map<string, Operation>; edges: Edge[] }

/**
 * The way out of what came off: undo and fasten, release and seat, open and close, lift and place, and every physical
 * before-relation turned round. It is a partial order, not the log read backwards: what only ordered the way in
 * (a habit, the recorder's own order, a rule about the ignition) is not carried over.
 * Errors: returned, with the loop. Cost: O(operations + edges).
 */
export function deriveRefit(removal: Removal): Result<Refit, RemovalError> {
  const { model } = removal
  const operations = new Map<string, Operation>()
  const edges: Edge[] = []
  const outKey = new Map<string, string>()
  const order = (before: string | undefined, after: string | undefined, because: Because) => {
    if (before && after && before !== after) edges.push({ before, after, because })
  }
  for (const operation of removal.operations.values()) {
    const turned = turnRound(removal, operation)
    if (!turned.ok) return fail(turned.error)
    if (!turned.value) continue
    operations.set(turned.value.key, turned.value)
    outKey.set(operation.key, turned.value.key)
  }
  for (const edge of removal.edges)
    if (isPhysical(removal, edge)) order(outKey.get(edge.after), outKey.get(edge.before), edge.because)

  for (const operation of [...operations.values()]) {
    if (operation.act === 'close') {
      const tether = model.tethers.get(operation.itemId)!
      if (tether.leadThrough !== '') {
        const feed = `feed:${tether.id}`
        operations.set(feed, { key: feed, phase: 'out', act: 'feed', itemId: tether.id, partId: tether.partId, setting: null })
        order(outKey.get(`lift:${tether.partId}`), feed, { kind: 'lead through', tetherId: tether.id })
        order(feed, operation.key, { kind: 'lead through', tetherId: tether.id })
      }
    }
    // The ignition for a moment on the way out waits until no airbag circuit is open.
    const ignition = operation.setting?.momentary.find((moment) => model.settings.get(moment.settingId)?.role === 'ignition')
    if (ignition)
      for (const other of operations.values())
        if (other.act === 'close' && isAirbagCircuit(model.tethers.get(other.itemId)!))
          order(other.key, operation.key, { kind: 'airbag', tetherId: other.itemId, settingId: ignition.settingId })
  }
  statedForTheWayBack(removal, operations, order)
  const loop = shortestLoop([...operations.keys()], edges)
  return loop ? fail({ kind: 'contradiction', loop }) : ok({ operations, edges })
}

function turnRound(removal: Removal, operation: Operation): Result<Operation | null, RemovalError> {
  const act = turnedRound(operation.act as InAct)
  if (operation.act !== 'set') return ok({ ...operation, key: `${act}:${operation.itemId}`, phase: 'out', act })
  const setting = removal.model.settings.get(operation.itemId)!
  const target = setting.atEnd === 'as found' ? setting.asFound : setting.atEnd
  if (target === operation.setting!.to) return ok(null)
  const change = changeSetting(removal.model, setting.id, operation.setting!.to, target)
  if (!change.ok) return fail(change.error)
  return ok({ ...operation, key: change.value.key, phase: 'out', act, setting: change.value.act })
}

/** What a hand would meet again on the way back. A rule or the recorder's order is not a relation between things. */
function isPhysical(removal: Removal, edge: Edge): boolean {
  if (edge.because.kind === 'in one go' || edge.because.kind === 'set back') return false
  // Battery and ignition off before an airbag circuit opens: closed again before they come back. The moment's ignition is handled apart.
  if (edge.because.kind === 'airbag') return removal.operations.get(edge.before)?.itemId === edge.because.settingId
  if (edge.because.kind !== 'need') return true
  const { needId } = edge.because
  const need = removal.model.needs.find((item) => item.id === needId)!
  return need.reason !== 'method' && need.reason !== 'observed'
}

/** Needs stated on the acts of the way back: a setting kept until then, or another operation first. */
function statedForTheWayBack(
  removal: Removal,
  operations: Map<string, Operation>,
  order: (before: string | undefined, after: string | undefined, because: Because) => void,
): void {
  const here = (act: string, id: Id) => (operations.has(`${act}:${id}`) ? `${act}:${id}` : undefined)
  for (const need of removal.model.needs) {
    const { act, id } = need.dependent
    if (act !== 'place' && act !== 'seat' && act !== 'close' && act !== 'fasten') continue
    const dependent = here(act, id)
    const because: Because = { kind: 'need', needId: need.id }
    const needed = need.needs
    if (needed.kind === 'operation') order(here(needed.act, needed.id), dependent, because)
    if (needed.kind === 'part') order(dependent, here(needed.level === 'off' ? 'place' : 'seat', needed.partId), because)
    if (needed.kind === 'tether') {
      if (needed.state === 'closed') order(here('close', needed.tetherId), dependent, because)
      else order(dependent, here('close', needed.tetherId), because)
    }
    if (needed.kind === 'setting')
      for (const operation of operations.values())
        if (operation.act === 'restore' && operation.itemId === needed.settingId) order(dependent, operation.key, because)
  }
}
