import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Operation } from '../order/operation'
import { keyOf } from '../procedure/acts'

/** What a hand pulls off with the panel, and presses home with it. */
const IN_ONE_MOVEMENT = ['spring clip', 'fir-tree clip', 'adhesive', 'hook-and-loop']
const PHYSICAL = ['covers', 'traps', 'threads', 'reaches', 'rests on']

/**
 * A pair of hands on the vehicle, written apart from the derivation: it reads the facts only, keeps what is undone,
 * moved, open and set, and says whether an act is possible and safe now. An act and the act that takes it back ask for
 * the same physical needs. What it returns is a reason, or null when the act can be done.
 */
export class HandSimulator {
  readonly undone = new Set<string>()
  readonly started = new Set<string>()
  readonly eased = new Set<string>()
  readonly moved = new Set<string>()
  readonly cameForward = new Set<string>()
  readonly off = new Set<string>()
  readonly open = new Set<string>()
  readonly fed = new Set<string>()
  readonly settings = new Map<string, string>()

  constructor(
    private readonly model: ProcedureForBuild,
    private readonly resting: 'rest' | 'set aside',
  ) {
    for (const setting of model.settings.values()) this.settings.set(setting.id, setting.asFound)
  }

  why(operation: Operation): string | null {
    const { act, itemId: id } = operation
    if (operation.setting) return this.whyNotSet(operation)
    if (act === 'wait' || act === 'decide' || act === 'work') return null
    if (act === 'test') return this.whyNotTest(id)
    if (this.role('ignition') !== null && this.role('ignition') !== 'off') return 'the ignition is on'
    const forward =
      { fasten: 'undo', start: 'undo', seat: 'release', place: 'lift', close: 'open', feed: 'feed' }[act as string] ??
      act
    const stated = this.whyNeeds(act, id, forward !== act)
    return this.whyItself(operation) ?? stated ?? this.whyGroups(operation)
  }

  /**
   * Groups that let go or go home in this very movement: what hides them must be away, and exactly they are counted
   * with it.
   */
  private whyGroups({ act, itemId: id, pulled }: Operation): string | null {
    if (act !== 'ease' && act !== 'release' && act !== 'seat') return null
    const groups = act === 'seat' ? this.goingHome(id) : this.lettingGo(act, id)
    for (const group of groups) {
      const why = this.whyNeeds(act === 'seat' ? 'fasten' : 'undo', group, act === 'seat')
      if (why !== null) return `${group}: ${why}`
    }
    const [said, really] = [[...(pulled ?? [])].sort().join(), groups.sort().join()]
    return said === really ? null : `counts ${said || 'nothing'} where ${really || 'nothing'} lets go`
  }

  private letsGoWithIt(holderId: string): boolean {
    const { kind, letsGo } = this.model.holders.get(holderId)!
    return letsGo === 'with the pull' || (letsGo === 'as its kind' && IN_ONE_MOVEMENT.includes(kind))
  }
  private lettingGo(act: string, partId: string): string[] {
    const all =
      act === 'ease'
        ? this.model.parts.get(partId)!.ease!.holderIds.filter((h) => this.model.holders.has(h))
        : this.holders(partId)
    return all.filter((h) => this.letsGoWithIt(h) && !this.undone.has(h))
  }
  /** Pressed home with the last of the parts it holds. */
  private goingHome(partId: string): string[] {
    const out = (p: string) => p !== partId && (this.moved.has(p) || this.eased.has(p))
    return this.holders(partId).filter(
      (h) => this.letsGoWithIt(h) && this.undone.has(h) && !this.model.holders.get(h)!.holds.some(out),
    )
  }

  do(operation: Operation): void {
    const { act, itemId: id } = operation
    if (operation.setting) this.settings.set(operation.setting.settingId, operation.setting.to)
    if (act === 'undo') this.undone.add(id)
    if (act === 'fasten') for (const set of [this.undone, this.started]) set.delete(id)
    if (act === 'start') this.started.add(id)
    if (act === 'ease' || act === 'release') for (const group of this.lettingGo(act, id)) this.undone.add(group)
    if (act === 'seat') for (const group of this.goingHome(id)) this.undone.delete(group)
    if (act === 'ease') this.eased.add(id)
    if (act === 'release') for (const set of [this.moved, this.cameForward]) set.add(id)
    if (act === 'seat') for (const set of [this.moved, this.eased]) set.delete(id)
    if (act === 'lift') this.off.add(id)
    if (act === 'place') this.off.delete(id)
    if (act === 'open') this.open.add(id)
    if (act === 'close') this.open.delete(id)
    if (act === 'feed') this.fed.add(id)
  }

  private whyItself({ act, itemId: id, phase }: Operation): string | null {
    const say = (holds: boolean, words: string) => (holds ? null : words)
    switch (act) {
      case 'undo':
        return say(!this.undone.has(id), 'already undone') ?? this.whyBench(this.model.holders.get(id)!.holds)
      case 'start':
      case 'fasten': {
        const { holds } = this.model.holders.get(id)!
        const together =
          act === 'fasten'
            ? holds
                .filter((p) => this.model.parts.get(p)!.refit.startAllFirst && this.cameForward.has(p))
                .flatMap((p) => this.holders(p))
                .filter((h) => this.undone.has(h) && !this.started.has(h))
            : []
        return (
          say(this.undone.has(id), 'not undone') ??
          say(
            holds.every((p) => !this.moved.has(p) && !this.eased.has(p)),
            'its part is not home',
          ) ??
          say(together.length === 0, `not all started: ${together.join()}`) ??
          this.whyBench(holds)
        )
      }
      case 'ease':
        return (
          say(!this.moved.has(id) && !this.eased.has(id), 'has come forward') ??
          say(
            this.model.parts
              .get(id)!
              .ease!.holderIds.filter((h) => this.model.holders.has(h))
              .every((h) => this.undone.has(h) || this.letsGoWithIt(h)),
            'still held',
          )
        )
      case 'release':
        return (
          say(!this.moved.has(id), 'has come forward') ??
          say(
            this.holders(id).every((h) => this.undone.has(h) || this.letsGoWithIt(h)),
            'still held',
          ) ??
          say(
            this.leads(id)
              .filter((t) => this.model.tethers.get(t)!.mustOpenFor === 'free')
              .every((t) => this.open.has(t)),
            'a short lead is plugged',
          ) ??
          this.whyBench([id])
        )
      case 'seat':
        return (
          say((this.moved.has(id) || this.eased.has(id)) && !this.off.has(id), 'is not at its place') ??
          say(
            this.leads(id)
              .filter((t) => !this.isEarly(t))
              .every((t) => !this.open.has(t)),
            'a plug behind it is open',
          )
        )
      case 'open':
      case 'close':
        return (
          say(this.open.has(id) === (act === 'close'), 'is so already') ??
          say(phase === 'test' || this.reachable(id), 'is out of reach') ??
          this.whyUnsafe(id) ??
          say(
            act === 'open' || phase === 'test' || !this.model.tethers.get(id)!.leadThrough || this.fed.has(id),
            'its lead is not through',
          )
        )
      case 'lift':
        return (
          say(this.moved.has(id) && !this.off.has(id), 'has not come forward') ??
          say(
            this.leads(id).every((t) => this.open.has(t)),
            'is tied',
          )
        )
      case 'place':
        return say(this.off.has(id), 'is not off') ?? this.whyCarriedLeft(id)
      case 'feed':
        return say(
          this.open.has(id) && !this.off.has(this.hostOf(this.model.tethers.get(id)!.partId)),
          'its part is away',
        )
      default:
        return null
    }
  }

  /** What the record states for the act, and for the act it takes back where a hand would meet it again. */
  private whyNeeds(act: string, id: string, isBack: boolean): string | null {
    const forward = { fasten: 'undo', start: 'undo', seat: 'release', place: 'lift', close: 'open' }[act]
    for (const need of this.model.needs) {
      const own = need.dependent.act === act && need.dependent.id === id
      const turned =
        isBack &&
        need.dependent.act === forward &&
        need.dependent.id === id &&
        (PHYSICAL.includes(need.reason) || (need.reason === 'setting' && need.needs.kind !== 'setting'))
      if ((!own && !turned) || need.reason === 'observed' || need.reason === 'habit') continue
      if (act === 'seat' && turned && !this.moved.has(id)) continue
      if (!this.holds(need.needs)) return `need ${need.id}`
    }
    return null
  }

  private holds(needed: ProcedureForBuild['needs'][number]['needs']): boolean {
    if (needed.kind === 'setting') return this.settings.get(needed.settingId) === needed.value
    if (needed.kind === 'tether') return this.open.has(needed.tetherId) === (needed.state === 'open')
    if (needed.kind !== 'part') return true
    const part = this.model.parts.get(needed.partId)!
    if (needed.level === 'eased' && part.ease && (this.eased.has(part.id) || this.moved.has(part.id))) return true
    const rests = this.resting === 'rest' && part.rests.some((rest) => rest.level === 'free')
    return needed.level === 'off' || !rests ? this.off.has(part.id) : this.moved.has(part.id)
  }

  private whyNotSet(operation: Operation): string | null {
    const act = operation.setting!
    if (this.settings.get(act.settingId) !== act.from) return `stands at ${this.settings.get(act.settingId)}`
    const blocked = (this.model.needsOf.get(keyOf('method', act.methodId)) ?? []).find(
      (need) => !this.holds(need.needs),
    )
    if (blocked) return `method needs ${blocked.id}`
    const next = new Map(this.settings).set(act.settingId, act.to)
    return this.whyStateUnsafe(next)
  }

  private whyStateUnsafe(settings: ReadonlyMap<string, string>): string | null {
    const at = (role: string) =>
      [...this.model.settings.values()].flatMap((s) => (s.role === role ? [settings.get(s.id)] : []))[0] ?? null
    const open = [...this.open].map((id) => this.model.tethers.get(id)!.circuit ?? '')
    if (open.some((circuit) => circuit.startsWith('srs')) && at('ignition') !== null && at('ignition') !== 'off')
      return 'ignition with an airbag plug open'
    if (open.includes('srs-firing') && at('battery') !== 'off') return 'battery with a firing circuit open'
    if (open.includes('start') && at('ignition') !== null && at('ignition') !== 'off')
      return 'nothing comes on with the start control open'
    if (at('battery') === 'off' && at('ignition') === 'on') return 'ignition without battery'
    if (at('gear lever') === 'out' && (at('parking brake') !== 'on' || at('wheels') !== 'chocked'))
      return 'lever out and the vehicle may roll'
    return null
  }

  private whyUnsafe(tetherId: string): string | null {
    const circuit = this.model.tethers.get(tetherId)!.circuit ?? ''
    if (circuit === 'srs-firing' && this.role('battery') !== 'off') return 'battery is on'
    return circuit.startsWith('srs') && this.role('ignition') !== 'off' ? 'ignition is on' : null
  }

  private whyNotTest(functionId: string): string | null {
    const open = [...this.model.tethers.values()].filter((t) => t.functions.includes(functionId) && this.open.has(t.id))
    if (open.length > 0) return `still open: ${open.map((t) => t.id).join()}`
    const { power } = this.model.functions.get(functionId)!
    if (power === 'none') return null
    if (power === 'battery') return this.role('battery') === 'off' ? 'no battery' : null
    if (this.role('ignition') !== 'on') return 'no power'
    return power === 'engine' && [...this.open].some((id) => this.model.tethers.get(id)!.circuit === 'start')
      ? 'the start control is open'
      : this.whyStateUnsafe(this.settings)
  }

  /** What is carried is worked on once its carrier lies on the bench. */
  private whyBench(partIds: readonly string[]): string | null {
    const carriers = partIds.map((id) => this.model.parts.get(id)!.carriedBy)
    return carriers.every((carrier) => carrier !== null) && carriers.some((carrier) => !this.off.has(carrier!))
      ? 'its carrier is not on the bench'
      : null
  }

  private whyCarriedLeft(partId: string): string | null {
    const left = [...this.model.parts.values()].filter(
      (p) => p.carriedBy === partId && (this.off.has(p.id) || this.holders(p.id).some((h) => this.undone.has(h))),
    )
    return left.length > 0 ? `${left.map((p) => p.id).join()} is not back in it` : null
  }

  private role(role: string): string | null {
    const setting = [...this.model.settings.values()].find((s) => s.role === role)
    return setting ? this.settings.get(setting.id)! : null
  }
  private holders(partId: string): string[] {
    return [...this.model.holders.values()].filter((h) => h.holds.includes(partId)).map((h) => h.id)
  }
  private hostOf(partId: string): string {
    const carrier = this.model.parts.get(partId)!.carriedBy
    return carrier && this.model.parts.has(carrier) ? this.hostOf(carrier) : partId
  }
  private leads(partId: string): string[] {
    return [...this.model.tethers.values()].filter((t) => this.hostOf(t.partId) === partId).map((t) => t.id)
  }
  private isEarly(id: string): boolean {
    const tether = this.model.tethers.get(id)!
    return tether.mustOpenFor === 'free' || tether.reached === 'before the release'
  }
  /** Early ones with the part in place, late ones once it has come forward and is not away. */
  private reachable(id: string): boolean {
    const partId = this.hostOf(this.model.tethers.get(id)!.partId)
    return this.isEarly(id) ? !this.moved.has(partId) : this.moved.has(partId) && !this.off.has(partId)
  }
}
