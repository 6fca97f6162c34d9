import type { Random } from '../base/random'
import type { Id } from '../base/id'
import { countedIn, type Operation } from '../order/operation'
import { planJob } from '../plan/planJob'
import type { PlanOnCards } from '../plan/show/planOnCards'
import type { PlanRequest } from '../plan/ask/planRequest'
import { judged } from '../plan/derive/demandsOf'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { cautionsFor } from '../vehicle/cautionsFor'
import { refusals } from '../vehicle/judge'
import { rulesInForce } from '../vehicle/rulesInForce'
import { unreadCautions } from './acknowledged'
import { balanceOf, type Balance } from './balance'
import { CrewAtWork, INES, TOLU } from './crew.testing'
import { brokenHappenings, mayHaveBroken } from './decide/broken'
import { closingActs } from './decide/closingActs'
import { foundDifferent, groupsInTap } from './decide/different'
import { tappedDone, type DoneAnswer, withTools } from './decide/done'
import { foundBefore } from './decide/foundBefore'
import { testAsked } from './decide/owedHere'
import type { Happening } from './event'
import { handoverBlocks } from './handover'
import { toRestore } from './intake'
import { liveCircumstances, liveVehicle } from './liveVehicle'
import { nextTap, type NextTap } from './progress'
import { termsOf } from './terms'

/** One group on the vehicle itself: how many holes, how many of them filled, and where the rest of it is. */
type Group = { holes: number; filled: number; loose: number; pieces: number; gone: number }
const RULES = rulesInForce()
const HOUSE = DEFAULT_HOUSE_VALUES
const ME = { id: TOLU, authorised: ['airbag circuits'] }

/** The plan they follow; null where the record has no safe order. Any will do: it need not be the best. */
export function planOf(document: ProcedureDocument, request: PlanRequest): PlanOnCards | null {
  const model = forBuild(document, request.build, request.heads)
  const planned = planJob(model, request, HOUSE, RULES, { limits: { expandedStates: 4_000 } })
  return planned.ok ? planned.value : null
}

/**
 * Somebody with a real vehicle in front of them, which knows nothing of events, accounts or plans: holes, screws, plugs
 * and panels. They follow the taps, have accidents, say what they see, and close what is left open at the end. What the
 * log says can be held against what is there at any time.
 */
export class Player {
  private readonly crew: CrewAtWork
  private readonly plan: PlanOnCards
  private readonly groups: Map<Id, Group>
  private readonly plugs = new Set<Id>()
  private readonly away = new Set<Id>()
  private readonly settings = new Map<Id, string>()
  private readonly tools = new Set<string>()
  private readonly left = new Set<string>()
  accidents = 0

  constructor(
    private readonly document: ProcedureDocument,
    private readonly request: PlanRequest,
    private readonly random: Random,
    private readonly often: number,
  ) {
    const plan = planOf(document, request)
    if (!plan) throw new Error('No plan.')
    this.plan = plan
    this.crew = new CrewAtWork(document, request, plan.found)
    this.groups = new Map(
      document.holders.map(({ id, count }) => [id, { holes: count, filled: count, loose: 0, pieces: 0, gone: 0 }]),
    )
  }

  /** From the first look to the hand-over; after each tap `look` may compare. */
  play(look: (whole: boolean, balance: Balance, said: string) => void): void {
    const seen = (said: string) => look(this.isWhole(), this.balance(), said)
    this.before()
    seen('before the first screw')
    for (let taps = 0; taps < 2000; taps++) {
      const tap = nextTap(this.plan, this.crew.state, this.left)
      if (!tap) break
      this.tap(tap)
      seen(tap.step.operation.key)
    }
    for (let acts = 0; acts < 500 && !this.balance().closed; acts++) seen(this.close())
    this.sign()
  }

  blocks(): string[] {
    return handoverBlocks(this.document, this.crew.state, true, this.terms).map((block) => JSON.stringify(block))
  }

  private get terms() {
    return termsOf(this.document, this.request)
  }
  private balance(): Balance {
    return balanceOf(this.document, this.crew.state, this.terms)
  }
  private record(happenings: readonly Happening[]): void {
    for (const what of happenings) this.crew.add(what)
  }
  private happens(): boolean {
    const does = this.random.below(100) < this.often
    if (does) this.accidents += 1
    return does
  }

  /** Nothing is out, open, broken off, loose, missing of what was there, or still lying about. */
  private isWhole(): boolean {
    const groups = [...this.groups.values()].every((g) => g.filled === g.holes && g.loose + g.pieces + g.gone === 0)
    const settings = this.document.settings.every(({ id, asFound, atEnd }) => {
      return (this.settings.get(id) ?? asFound) === (atEnd === 'as found' ? asFound : atEnd)
    })
    return groups && settings && this.plugs.size + this.away.size + this.tools.size === 0
  }

  /** Some groups are not as recorded: one is said twice, as people do. */
  private before(): void {
    for (const holder of this.document.holders) {
      if (holder.howMany !== 'counted' || !this.happens()) continue
      const group = this.groups.get(holder.id)!
      group.holes = group.filled = Math.max(0, holder.count + (this.random.below(2) === 0 ? -1 : 1))
      for (const counted of [holder.count + 2, group.filled]) {
        const found = foundBefore(holder, this.crew.events, counted, '', false)
        for (const id of found.takeBack) this.crew.add({ kind: 'taken back' }, TOLU, { corrects: id })
        this.record(found.happenings)
      }
    }
  }

  private tap(tap: NextTap): void {
    const { operation } = tap.step
    const { model } = this.crew
    const act = judged(this.plan.job, operation)
    const state = this.crew.state
    const circumstances = liveCircumstances(model, state, HOUSE, RULES, ME)
    const refusal = refusals(model, liveVehicle(model, state, this.crew.nowMs), act, circumstances)[0]?.rule ?? null
    if (refusal) return this.answerRule(refusal.id, refusal.confirm.length > 0, refusal.while)
    if (operation.act === 'decide') return void this.record([this.told(operation)])
    if (tap.card.phase === 'in' && this.happens() && this.breaksComingOut(tap)) return
    if (tap.card.phase === 'out' && this.happens() && this.goesWrongGoingBack(tap)) return
    const unread = unreadCautions(cautionsFor(model, act, circumstances), state, TOLU)
    const readingUnit = testAsked(model, this.plan, operation).readingUnit
    const answer = tappedDone(state, tap, {
      refusal: null,
      unread,
      changes: 0,
      readingUnit,
      buried: [],
      job: this.plan.job,
    })
    if (answer.kind === 'read') return this.record(answer.happenings)
    if (answer.kind === 'ask') return this.answer(tap, answer.what)
    if (answer.kind === 'keep') this.did(tap, answer.happenings)
  }

  private answerRule(id: string, isPreparation: boolean, conditions: readonly { kind: string }[]): void {
    if (isPreparation) return this.record([{ kind: 'caution read', cautionId: id }])
    if (!conditions.some(({ kind }) => kind === 'waited too short')) throw new Error(`Refused by ${id}.`)
    this.crew.nowMs += 600_000
  }
  private told({ itemId }: Operation): Happening {
    const build = this.request.build[itemId] ?? this.document.facets.find(({ id }) => id === itemId)!.choices[0]!.id
    return { kind: 'facet told', facetId: itemId, choiceId: build }
  }
  private answer(tap: NextTap, what: Extract<DoneAnswer, { kind: 'ask' }>['what']): void {
    const { itemId } = tap.step.operation
    if (what === 'reading')
      return this.did(tap, [{ kind: 'tested', functionId: itemId, result: 'passed', reading: '12', note: '' }])
    const counted = tap.steps.flatMap((step) => countedIn(step.operation))
    const happenings = counted.flatMap((id): Happening[] => {
      const { filled } = this.groups.get(id)!
      return filled > 0 ? [{ kind: 'undone', holderId: id, count: filled }] : []
    })
    this.did(tap, happenings)
  }

  /** The hands do it, and the log is told. */
  private did(tap: NextTap, happenings: readonly Happening[]): void {
    const recorded = withTools(this.crew.state, tap, happenings)
    for (const what of recorded) if (what.kind === 'tool out') this.tools.add(what.tool)
    for (const { operation } of tap.steps) this.move(operation)
    this.record(recorded)
  }
  private move(operation: Operation): void {
    const { act, itemId, setting } = operation
    for (const id of act === 'start' ? [] : countedIn(operation)) {
      const group = this.groups.get(id)!
      if (operation.phase === 'in') [group.loose, group.filled] = [group.loose + group.filled, 0]
      else [group.filled, group.loose] = [group.holes, Math.max(0, group.loose - (group.holes - group.filled))]
    }
    if (act === 'open') this.plugs.add(itemId)
    if (act === 'close') this.plugs.delete(itemId)
    if (act === 'ease' || act === 'release') this.away.add(itemId)
    if (act === 'seat') this.away.delete(itemId)
    if (setting) this.settings.set(setting.settingId, setting.to)
  }

  /** One breaks as it comes out: said first, then the rest is done as written. */
  private breaksComingOut(tap: NextTap): boolean {
    const id = tap.steps
      .flatMap((step) => countedIn(step.operation))
      .find((group) => this.groups.get(group)!.filled > 1)
    if (id === undefined || this.crew.state.uncounted.has(id)) return false
    const group = this.groups.get(id)!
    this.record(brokenHappenings(id, this.crew.state.holders.get(id)!, 'in', 1, 'in hand'))
    group.filled -= 1
    group.pieces += 1
    return true
  }

  private goesWrongGoingBack(tap: NextTap): boolean {
    const counted = groupsInTap(this.crew.model, this.crew.state, tap).filter(({ expected }) => expected > 0)
    const one = counted[this.random.below(Math.max(1, counted.length))]
    if (!one) return false
    const id = one.holder.id
    const group = this.groups.get(id)!
    const kind = this.random.below(3)
    if (kind === 0 && group.loose > 0) {
      this.record([{ kind: 'lost', holderId: id, count: 1, from: 'vehicle' }])
      ;[group.loose, group.gone] = [group.loose - 1, group.gone + 1]
      return true
    }
    if (kind === 1) return this.breaksGoingBack(id, group)
    return this.fewerGoIn(tap, one.holder.id, one.expected)
  }
  private breaksGoingBack(id: Id, group: Group): boolean {
    const counts = this.crew.state.holders.get(id)!
    const where = mayHaveBroken(counts, 'out', 1).find(
      (place) => (place === 'in hand' ? group.loose : group.filled) > 0,
    )
    if (!where) return false
    this.record(brokenHappenings(id, counts, 'out', 1, where))
    if (where === 'in hand') group.loose -= 1
    else group.filled -= 1
    group.pieces += 1
    return true
  }
  /** One fewer than came off goes in; the panel is home all the same, and the step is left for later. */
  private fewerGoIn(tap: NextTap, id: Id, expected: number): boolean {
    const counts = { [id]: expected - 1 }
    const found = foundDifferent(this.crew.model, this.crew.state, tap, { counts, heads: {}, words: '' })
    for (const key of found.leave) this.left.add(key)
    for (const what of found.happenings) {
      if (what.kind === 'part at') this.away.delete(what.partId)
      if (what.kind !== 'fastened') continue
      const group = this.groups.get(what.holderId)!
      ;[group.filled, group.loose] = [group.filled + what.count, group.loose - what.count]
    }
    this.record(found.happenings)
    return found.leave.length > 0
  }

  /** Closes one open row by saying what is true of it and doing what it says. */
  private close(): string {
    const { model, state } = this.crew
    const vehicle = liveVehicle(model, state, this.crew.nowMs)
    const circumstances = liveCircumstances(model, state, HOUSE, RULES, ME)
    for (const row of this.balance().openRows) {
      const { acts, refusedBy } = closingActs(row, { document: this.document, model, vehicle, circumstances, state })
      const act = acts.find(({ says }) => this.isTrue(row.id, says))
      if (refusedBy || !act) continue
      if (act.says === 'searched') this.record([{ kind: 'search signed', holderId: row.id, note: 'everywhere' }])
      this.record(act.happenings)
      this.settle(row.id, act.says, act.count ?? 0, act.value ?? '')
      return `${act.says} ${row.id}`
    }
    throw new Error(`Nothing true can be said of ${JSON.stringify(this.balance().openRows)}`)
  }
  private isTrue(id: Id, says: string): boolean {
    const group = this.groups.get(id)
    if (says === 'old ones are in') return group!.loose > 0
    if (says === 'found again') return this.random.below(2) === 0
    return says !== 'lost' && says !== 'order' && says !== 'more came off' && says !== 'stays open, insulated'
  }
  private settle(id: Id, says: string, count: number, value: string): void {
    const group = this.groups.get(id)
    if (says === 'old ones are in') [group!.filled, group!.loose] = [group!.filled + count, group!.loose - count]
    if (says === 'new ones are in') group!.filled += count
    if (says === 'pieces found') group!.pieces = 0
    if (says === 'found again') [group!.loose, group!.gone] = [group!.loose + count, 0]
    if (says === 'searched') group!.gone = 0
    if (says === 'to stock') group!.loose -= count
    if (says === 'it is plugged') this.plugs.delete(id)
    if (says === 'it is set') this.settings.set(id, value)
    if (says === 'it is back') [this.tools, this.away].forEach((set) => set.delete(id))
  }

  /** Tests once more what was tested too early, and two people sign. */
  private sign(): void {
    const again = handoverBlocks(this.document, this.crew.state, true, this.terms).flatMap((block): Happening[] =>
      block.kind === 'not tested' || block.kind === 'tested before it was closed'
        ? [{ kind: 'tested', functionId: block.functionId, result: 'passed', reading: '', note: '' }]
        : [],
    )
    this.record(again)
    this.record(toRestore(this.crew.state).map((point) => ({ kind: 'restored', point })))
    this.crew.add({ kind: 'countersigned', as: 'installer', name: 'Tolu' }, TOLU)
    this.crew.add({ kind: 'countersigned', as: 'checker', name: 'Ines' }, INES)
  }
}
