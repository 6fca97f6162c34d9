import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Operation } from '../order/operation'

/**
 * A pair of hands on the vehicle, written apart from the derivation: it reads the facts only, keeps what is undone,
 * moved, open and set, and says whether an act is possible now. An act and the act that takes it back ask for the same needs.
 */
export class HandSimulator {
  readonly undone = new Set<string>()
  readonly moved = new Set<string>()
  readonly off = new Set<string>()
  readonly open = new Set<string>()
  readonly settings = new Map<string, string>()

  constructor(
    private readonly model: ProcedureForBuild,
    private readonly resting: 'rest' | 'set aside',
  ) {
    for (const setting of model.settings.values()) this.settings.set(setting.id, setting.asFound)
  }

  can(operation: Operation): boolean {
    const id = operation.itemId
    switch (operation.act) {
      case 'undo':
        return !this.undone.has(id) && this.needsHold('undo', id)
      case 'fasten':
        return this.undone.has(id) && this.model.holders.get(id)!.holds.every((partId) => !this.moved.has(partId)) && this.needsHold('undo', id)
      case 'release':
        return !this.moved.has(id) && this.holders(id).every((h) => this.undone.has(h)) && this.shortLeads(id).every((t) => this.open.has(t)) && this.needsHold('release', id)
      case 'seat':
        return this.moved.has(id) && !this.off.has(id) && this.lateTethers(id).every((t) => !this.open.has(t)) && this.needsHold('release', id)
      case 'open':
        return !this.open.has(id) && this.reachable(id) && this.airbagSafe(id) && this.needsHold('open', id)
      case 'close':
        return this.open.has(id) && this.reachable(id) && this.airbagSafe(id) && this.needsHold('open', id)
      case 'lift':
        return this.moved.has(id) && !this.off.has(id) && this.allTethers(id).every((t) => this.open.has(t)) && this.needsHold('lift', id)
      case 'place':
        return this.off.has(id) && this.needsHold('lift', id)
      case 'feed':
        return !this.off.has(this.model.tethers.get(id)!.partId) && this.open.has(id)
      default:
        return this.canSet(operation)
    }
  }

  do(operation: Operation): void {
    const id = operation.itemId
    const sets = { undo: this.undone, fasten: this.undone, release: this.moved, seat: this.moved, open: this.open, close: this.open, lift: this.off, place: this.off } as Record<string, Set<string>>
    if (operation.setting) this.settings.set(id, operation.setting.to)
    else if (['undo', 'release', 'open', 'lift'].includes(operation.act)) sets[operation.act]!.add(id)
    else sets[operation.act]?.delete(id)
  }

  private canSet(operation: Operation): boolean {
    const act = operation.setting!
    if (this.settings.get(act.settingId) !== act.from) return false
    const ignitionMoves = act.momentary.some((m) => this.model.settings.get(m.settingId)!.role === 'ignition' && m.value !== 'off')
    if (ignitionMoves && [...this.open].some((t) => this.model.tethers.get(t)!.circuit?.startsWith('srs'))) return false
    return (this.model.needsOf.get(`method:${act.methodId}`) ?? []).every((need) => need.needs.kind === 'setting' || this.holds(need.needs))
  }

  private needsHold(act: string, id: string): boolean {
    return (this.model.needsOf.get(`${act}:${id}`) ?? []).every((need) => need.reason === 'observed' || this.holds(need.needs))
  }

  private holds(needed: ProcedureForBuild['needs'][number]['needs']): boolean {
    if (needed.kind === 'setting') return this.settings.get(needed.settingId) === needed.value
    if (needed.kind === 'tether') return this.open.has(needed.tetherId) === (needed.state === 'open')
    if (needed.kind !== 'part') return true
    const rests = this.resting === 'rest' && this.model.parts.get(needed.partId)!.rests.some((rest) => rest.level === 'free')
    return needed.level === 'off' || !rests ? this.off.has(needed.partId) : this.moved.has(needed.partId)
  }

  private holders(partId: string): string[] {
    return [...this.model.holders.values()].filter((h) => h.holds.includes(partId)).map((h) => h.id)
  }
  private allTethers(partId: string): string[] {
    return [...this.model.tethers.values()].filter((t) => t.partId === partId).map((t) => t.id)
  }
  private shortLeads(partId: string): string[] {
    return this.allTethers(partId).filter((id) => this.model.tethers.get(id)!.mustOpenFor === 'free')
  }
  private isEarly(id: string): boolean {
    const tether = this.model.tethers.get(id)!
    return tether.mustOpenFor === 'free' || tether.reached === 'before the release'
  }
  private lateTethers(partId: string): string[] {
    return this.allTethers(partId).filter((id) => !this.isEarly(id))
  }
  /** Early ones with the part in place, late ones once it has come forward and is not away. */
  private reachable(id: string): boolean {
    const { partId } = this.model.tethers.get(id)!
    return this.isEarly(id) ? !this.moved.has(partId) : this.moved.has(partId) && !this.off.has(partId)
  }
  private airbagSafe(id: string): boolean {
    if (!this.model.tethers.get(id)!.circuit?.startsWith('srs')) return true
    return [...this.model.settings.values()].every((s) => s.role !== 'ignition' || this.settings.get(s.id) === 'off')
  }
}
