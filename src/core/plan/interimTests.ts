import type { Id } from '../base/id'
import { KeyGraph } from '../order/keyGraph'
import { openKey, splitKey, type Because, type Demand, type Edge, type Operation } from '../order/operation'
import { isAirbagCircuit } from '../procedure/tether'
import type { VehicleFunction } from '../procedure/vehicleFunction'
import { matches } from '../vehicle/judge'
import type { Power, Rule } from '../vehicle/rule'
import type { DerivedJob } from './derivedJob'
import { closeKeyOf } from './workOrder'

type Tested = Pick<VehicleFunction, 'id' | 'power' | 'alsoNeeds' | 'interim'> & { tetherIds: Id[]; after: string[] }

/**
 * Adds the tests that are to be made before trim hides their plugs again: once what a test needs is closed and what its
 * power needs is closed, before the first seat of another part that would hide it or is hard to undo. A plug that its
 * power needs and that can't be home by then is plugged for the test and unplugged again. A function nothing hides is
 * tested at hand-over only. Answers whether what follows the opening now runs in a loop.
 */
export function addInterimTests(job: DerivedJob): { hasLoop: boolean } {
  const graphs: Graphs = { wayIn: new KeyGraph(job.removal.edges), wayOut: new KeyGraph(job.refit.edges) }
  for (const item of functionsTouched(job)) {
    if (item.interim === 'at hand-over') continue
    const hiders = hidersOf(job, graphs, item)
    if (hiders.length > 0) addTest(job, graphs, item, hiders)
  }
  return { hasLoop: graphs.wayOut.hasLoop() }
}

/** Both ways as graphs; tests are added to the way out as they are found. */
type Graphs = { wayIn: KeyGraph; wayOut: KeyGraph }

/** Functions of plugs that come back after they were open, and what the kits add, in the order of the record. */
function functionsTouched(job: DerivedJob): Tested[] {
  const found: Tested[] = []
  const taken = new Set(job.goal.kits.flatMap(({ fit }) => fit.functionsTaken))
  for (const item of job.model.functions.values()) {
    if (taken.has(item.id)) continue
    const tetherIds = [...job.model.tethers.values()].filter((tether) => tether.functions.includes(item.id) && closeKeyOf(job, tether.id)).map((tether) => tether.id)
    if (tetherIds.length > 0) found.push({ ...item, tetherIds, after: [] })
  }
  for (const item of job.added.values()) found.push({ ...item, alsoNeeds: [], tetherIds: [], after: item.afterWork.map((id) => `work:${id}`) })
  return found
}

/** The seats that would have to be undone to reach the plugs, or the new work, again. */
function hidersOf(job: DerivedJob, graphs: Graphs, item: Tested): { partId: Id; seat: string }[] {
  const { removal, refit } = job
  const own = new Set(item.tetherIds.map((id) => job.model.hostOf(job.model.tethers.get(id)!.partId)))
  const opened = item.after.flatMap((key) => refit.edges.filter((edge) => edge.after === key && removal.operations.has(edge.before)).map((edge) => edge.before))
  const before = [...opened, ...graphs.wayIn.before([...item.tetherIds.map(openKey), ...opened]).keys()]
  const hiders = new Map<Id, { partId: Id; seat: string }>()
  for (const key of before) {
    const { act, itemId: partId } = removal.operations.get(key)!
    if (act !== 'release' && act !== 'lift' && act !== 'ease') continue
    const seat = `seat:${partId}`
    if (!own.has(partId) && refit.operations.has(seat)) hiders.set(partId, { partId, seat })
  }
  // A part whose last push can hardly be undone is tested before it goes home, where the test does not need it home.
  for (const partId of own) if (job.model.parts.get(partId)?.refit.hardToUndo && refit.operations.has(`seat:${partId}`)) hiders.set(partId, { partId, seat: `seat:${partId}` })
  return [...hiders.values()]
}

function addTest(job: DerivedJob, graphs: Graphs, item: Tested, hiders: readonly { partId: Id; seat: string }[]): void {
  const { operations } = job.refit
  const key = `test:${item.id}`
  const added: Edge[] = []
  const order = (before: string, after: string, because: Because) => added.push({ before, after, because })
  const plugs = [...item.tetherIds, ...item.alsoNeeds].flatMap((tetherId) => closeKeyOf(job, tetherId) ?? [])
  const stated = statedNeeds(job, item.id, key)
  const waiting = stated.edges.filter((edge) => edge.before === key).map((edge) => edge.after)
  // A test can't hold up a seat that one of its own plugs waits for: then only the seats still to come count.
  let seats = seatsAfter(graphs, hiders.map(({ seat }) => seat), plugs)
  if (seats.length + waiting.length === 0) return
  const forbidding = forbiddingPower(job, item.power).flatMap(({ tetherId, rule }) => {
    const close = closeKeyOf(job, tetherId)
    return close && !plugs.includes(close) ? [{ tetherId, rule, close, airbag: isAirbagCircuit(job.model.tethers.get(tetherId)!) }] : []
  })
  // An airbag plug is never closed just to try something: the test comes after its own closing as well.
  seats = seatsAfter(graphs, seats, forbidding.filter(({ airbag }) => airbag).map(({ close }) => close))
  if (seats.length + waiting.length === 0) return
  const follows = graphs.wayOut.after([...seats, ...waiting])
  for (const tetherId of [...item.tetherIds, ...item.alsoNeeds]) {
    const close = closeKeyOf(job, tetherId)
    if (close) order(close, key, { kind: 'plugged', functionId: item.id, tetherId })
  }
  for (const first of item.after) order(first, key, { kind: 'work first', workId: splitKey(first)[1] })
  // The innermost seats hold the others up.
  for (const { partId, seat } of hiders) if (seats.includes(seat) && !follows.has(seat)) order(key, seat, { kind: 'hidden', functionId: item.id, partId })
  added.push(...stated.edges)
  const plugged: Id[] = []
  for (const { tetherId, rule, close, airbag } of forbidding) {
    if (airbag || !follows.has(close)) order(close, key, { kind: 'powered', functionId: item.id, tetherId, ruleId: rule.id })
    else plugged.push(tetherId)
  }
  operations.set(key, { ...operation(key, 'test', item.id, null), ...(job.added.has(item.id) && { name: job.added.get(item.id)!.name }) })
  const ignition = powerDemand(job, item)
  job.refit.demands.set(key, [...(ignition ? [ignition] : []), ...stated.demands])
  for (const tetherId of plugged) added.push(...plugForTest(job, item.id, tetherId))
  job.refit.edges.push(...added)
  for (const edge of added) graphs.wayOut.add(edge)
  job.tests.push({ functionId: item.id, key, plugged })
}

/** Those of these seats that none of the plugs waits for. */
function seatsAfter(graphs: Graphs, seats: readonly string[], plugs: readonly string[]): string[] {
  const first = graphs.wayOut.before(plugs)
  return seats.filter((seat) => !first.has(seat))
}

/** Closed by hand for the test, opened again, closed for good later. Several tests share one such plugging. */
function plugForTest(job: DerivedJob, functionId: Id, tetherId: Id): Edge[] {
  const { operations } = job.refit
  const [close, open] = [`close:${tetherId}@test`, `open:${tetherId}@test`]
  const partId = job.model.hostOf(job.model.tethers.get(tetherId)!.partId)
  const because: Because = { kind: 'only for the test', functionId, tetherId }
  const edges: Edge[] = [{ before: close, after: `test:${functionId}`, because }, { before: `test:${functionId}`, after: open, because }]
  if (operations.has(close)) return edges
  operations.set(close, { ...operation(close, 'close', tetherId, partId), nth: 1 })
  operations.set(open, { ...operation(open, 'open', tetherId, partId), nth: 2 })
  const home = closeKeyOf(job, tetherId)!
  operations.set(home, { ...operations.get(home)!, nth: 2 })
  return [...edges, { before: close, after: open, because }, { before: open, after: home, because }]
}

function operation(key: string, act: Operation['act'], itemId: Id, partId: Id | null): Operation {
  return { key, phase: 'test', act, itemId, partId, setting: null, nth: 1 }
}

/** Opened plugs that keep this power from coming on, by the rules in force. */
function forbiddingPower(job: DerivedJob, power: VehicleFunction['power']): { tetherId: Id; rule: Rule }[] {
  if (power === 'none') return []
  const { model, removal, circumstances } = job
  const rules = circumstances.rules.filter((rule) => rule.effect === 'refuses' && rule.at !== null && matches(model, rule.at, { act: 'power', itemId: '', power: power as Power }, circumstances))
  const found = new Map<Id, { tetherId: Id; rule: Rule }>()
  for (const rule of rules)
    for (const condition of rule.while)
      if (condition.kind === 'open')
        for (const operation of removal.operations.values())
          if (operation.act === 'open' && (condition.circuits as readonly string[]).includes(model.tethers.get(operation.itemId)!.circuit ?? '')) found.set(operation.itemId, { tetherId: operation.itemId, rule })
  return [...found.values()]
}

function powerDemand(job: DerivedJob, item: Tested): Demand | null {
  if (item.power === 'none') return null
  const ignition = [...job.model.settings.values()].find((setting) => setting.role === 'ignition')
  if (!ignition) return null
  const value = item.power === 'accessory' && ignition.values.includes('accessory') ? 'accessory' : ignition.values.find((v) => v === 'on') ?? ignition.values.find((v) => v !== 'off')
  return value ? { settingId: ignition.id, value, because: { kind: 'only for its act', settingId: ignition.id } } : null
}

/** What the record itself asks of a test: another operation first, a plug closed, a setting at a value. */
function statedNeeds(job: DerivedJob, functionId: Id, key: string): { edges: Edge[]; demands: Demand[] } {
  const edges: Edge[] = []
  const demands: Demand[] = []
  const { operations } = job.refit
  for (const need of job.model.needs) {
    const because: Because = { kind: 'need', needId: need.id }
    const { needs } = need
    if (need.dependent.act === 'test' && need.dependent.id === functionId) {
      if (needs.kind === 'setting') demands.push({ settingId: needs.settingId, value: needs.value, because })
      if (needs.kind === 'operation' && operations.has(`${needs.act}:${needs.id}`)) edges.push({ before: `${needs.act}:${needs.id}`, after: key, because })
      const close = needs.kind === 'tether' && needs.state === 'closed' ? closeKeyOf(job, needs.tetherId) : undefined
      if (close) edges.push({ before: close, after: key, because })
    }
    // Something of the way back that is to wait for the test.
    const waiting = `${need.dependent.act}:${need.dependent.id}`
    if (needs.kind === 'operation' && needs.act === 'test' && needs.id === functionId && operations.has(waiting)) edges.push({ before: key, after: waiting, because })
  }
  return { edges, demands }
}
