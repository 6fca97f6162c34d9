import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { isAirbagCircuit } from '../procedure/circuits'
import type { GateAnswer } from '../vehicle/powerGate'
import type { Power } from '../vehicle/powers'
import type { Tray } from '../plan/show/trays'
import { levelNow } from './fold'
import type { JobState } from './jobState'

/** One line of a wheel tag, what hurts first at the top. */
export type TagLine =
  | { kind: 'airbag open'; tetherIds: Id[] }
  | { kind: 'setting'; settingId: Id; value: string }
  | { kind: 'plugs open'; tetherIds: Id[] }
  | { kind: 'parts out'; partIds: Id[] }
  | { kind: 'fasteners'; count: number; tray: string }
  | { kind: 'waits'; reason: string; until: string }

/** What the least careful reader may do with it, strictest first. */
export type TagVerdict = 'do not switch on' | 'do not start' | 'do not drive' | 'may be used'

/** What hangs on the wheel of a vehicle that is left: what must not be done with it, and how it stands. */
export type WheelTag = { verdict: TagVerdict; lines: TagLine[] }

/**
 * The tag from the live state. `gates`: what the power gate answers, and whether it may be used unfinished. A tag never
 * allows more than all of them: with the lever out of park the ignition may come on, and yet nobody may start it. Cost:
 * O(items).
 */
export function wheelTagOf(
  model: ProcedureForBuild,
  state: JobState,
  gates: { power: Record<Power, GateAnswer>; mayLeave: boolean },
  trays: readonly Tray[],
): WheelTag {
  const open = [...state.tethersOpen].flatMap((id) => model.tethers.get(id) ?? [])
  const airbags = open.filter(isAirbagCircuit).map(({ id }) => id)
  const others = open.filter((tether) => !isAirbagCircuit(tether)).map(({ id }) => id)
  const parts = [...model.parts.keys()].filter((id) => levelNow(state, id) !== 'in place')
  const lines: TagLine[] = []
  if (airbags.length > 0) lines.push({ kind: 'airbag open', tetherIds: airbags })
  lines.push(...settingLines(model, state))
  if (others.length > 0) lines.push({ kind: 'plugs open', tetherIds: others })
  if (parts.length > 0) lines.push({ kind: 'parts out', partIds: parts })
  lines.push(...fastenerLines(state, trays))
  if (state.paused) lines.push({ kind: 'waits', reason: state.paused.reason, until: state.paused.until })
  return { verdict: verdictOf(gates), lines }
}

/** What moves the vehicle or feeds it: whoever reads the tag has to know that it stands otherwise. */
const TOLD_ROLES: readonly string[] = ['battery', 'gear lever', 'parking brake', 'wheels', 'stand']

function settingLines(model: ProcedureForBuild, state: JobState): TagLine[] {
  return [...model.settings.values()].flatMap((setting): TagLine[] => {
    const value = state.settings.get(setting.id) ?? setting.asFound
    return value !== setting.asFound && TOLD_ROLES.includes(setting.role)
      ? [{ kind: 'setting', settingId: setting.id, value }]
      : []
  })
}

/** Clips stay on their panel: only what lies in a tray can be swept off the bench. */
function fastenerLines(state: JobState, trays: readonly Tray[]): TagLine[] {
  const lying = new Map<string, number>()
  for (const [id, c] of state.holders) {
    const count = c.undone - c.fastenedOld - c.broken - c.lost - c.ended
    const tray = trays.find((item) => item.holderIds.includes(id))?.label
    if (count > 0 && tray !== undefined) lying.set(tray, (lying.get(tray) ?? 0) + count)
  }
  return [...lying].map(([tray, count]) => ({ kind: 'fasteners', count, tray }))
}

function verdictOf({ power, mayLeave }: { power: Record<Power, GateAnswer>; mayLeave: boolean }): TagVerdict {
  if (!power.accessory.allowed || !power.ignition.allowed) return 'do not switch on'
  if (!power.engine.allowed) return 'do not start'
  return mayLeave ? 'may be used' : 'do not drive'
}
