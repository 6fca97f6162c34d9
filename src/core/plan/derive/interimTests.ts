import type { Id } from '../../base/id'
import { KeyGraph } from '../../order/keyGraph'
import { keyDoing, type Because, type Demand, type Edge, type Operation } from '../../order/operation'
import { isAirbagCircuit } from '../../procedure/circuits'
import type { VehicleFunction } from '../../procedure/vehicleFunction'
import type { TestSetting } from '../../shop/addedFunction'
import { closureOf } from '../../shop/functionClosure'
import { matches } from '../../vehicle/judge'
import type { Power } from '../../vehicle/powers'
import type { Rule } from '../../vehicle/rule'
import type { DerivedJob } from './derivedJob'
import { closeKeyOf } from './workOrder'
import { keyOf, splitKey } from '../../procedure/acts'

type Tested = Pick<VehicleFunction, 'id' | 'power' | 'alsoNeeds' | 'interim'> & {
  tetherIds: Id[]
  after: string[]
  testWith: readonly TestSetting[]
}

/**
 * Adds the tests that are to be made before trim hides their plugs again: once what a test needs is closed and what its
 * power needs is closed, before the first seat of another part that would hide it or is hard to undo. A plug that its
 * power needs and that can't be home by then is plugged for the test and unplugged again. A function nothing hides is
 * tested at hand-over only. Answers whether what follows the opening now runs in a loop.
 */
export function addInterimTests(job: DerivedJob): { hasLoop: boolean } {
  const wayOut = new KeyGraph(job.refit.edges)
  // Looked at before any test is among them: a seat that waits for a test hides nothing by that.
  const hidden = functionsTouched(job)
    .filter((item) => item.interim !== 'at hand-over')
    .map((item) => ({ item, hiders: hidersOf(job, wayOut, item) }))
  for (const { item, hiders } of hidden)
    if (hiders.length === 0) continue
    else if (job.goal.closeAtOnce)
      job.notTriedBefore.push({ functionId: item.id, hiders: [...new Set(hiders.map(({ partId }) => partId))] })
    else addTest(job, wayOut, item, hiders)
  return { hasLoop: wayOut.hasLoop() }
}

/** Functions of plugs that come back after they were open, and what the kits add, in the order of the record. */
function functionsTouched(job: DerivedJob): Tested[] {
  const found: Tested[] = []
  const taken = new Set(job.goal.kits.flatMap(({ fit }) => fit.functionsTaken))
  for (const item of job.model.functions.values()) {
    if (taken.has(item.id)) continue
    const tetherIds = [...job.model.tethers.values()]
      .filter((tether) => tether.functions.includes(item.id) && closeKeyOf(job, tether.id))
      .map((tether) => tether.id)
    if (tetherIds.length > 0) found.push({ ...item, tetherIds, after: adaptedFirst(job, tetherIds), testWith: [] })
  }
  for (const { kit } of job.goal.kits)
    for (const item of kit.functions) {
      const after = [...closureOf(kit, [item.id]).works].map((id) => keyOf('work', id))
      found.push({ ...item, alsoNeeds: [], tetherIds: [], after })
    }
  return found
}

/** The work that plugs an adapter put into one of these connections: before it nothing can be tried. */
function adaptedFirst(job: DerivedJob, tetherIds: readonly Id[]): string[] {
  const plugs = job.goal.kits.flatMap(({ fit }) =>
    fit.adapted.flatMap(({ tetherId, plugIds }) => (tetherIds.includes(tetherId) ? plugIds : [])),
  )
  return [...job.works.values()]
    .filter(({ steps }) => steps.some(({ itemId }) => itemId !== null && plugs.includes(itemId)))
    .map(({ id }) => keyOf('work', id))
}

/**
 * The seats that would have to be undone to reach the plugs, or the new work, again: those that come after them on the
 * way out. A part whose last push can hardly be undone is tested before it goes home itself, where the test does not
 * need it home.
 */
function hidersOf(job: DerivedJob, wayOut: KeyGraph, item: Tested): Hider[] {
  const { operations } = job.refit
  const own = new Set(item.tetherIds.map((id) => job.model.hostOf(job.model.tethers.get(id)!.partId)))
  const closes = item.tetherIds.flatMap((id) => closeKeyOf(job, id) ?? [])
  const hiders: Hider[] = []
  for (const seat of wayOut.after([...closes, ...item.after]).keys()) {
    const operation = operations.get(seat)
    if (operation?.act !== 'seat') continue
    const partId = operation.itemId
    if (!own.has(partId) || job.model.parts.get(partId)!.refit.hardToUndo) hiders.push({ partId, seat })
  }
  return hiders
}

type Hider = { partId: Id; seat: string }

function addTest(job: DerivedJob, wayOut: KeyGraph, item: Tested, hiders: readonly Hider[]): void {
  const key = keyOf('test', item.id)
  const plugs = [...item.tetherIds, ...item.alsoNeeds].flatMap((tetherId) => closeKeyOf(job, tetherId) ?? [])
  const stated = statedNeeds(job, item.id, key)
  const waiting = stated.edges.filter((edge) => edge.before === key).map((edge) => edge.after)
  const forbidding = forbiddingPlugs(job, item, plugs)
  const airbags = forbidding.filter(({ airbag }) => airbag).map(({ close }) => close)
  // A test can't hold up a seat that one of its own plugs, or its own work, waits for: then only the seats still to
  // come count. An airbag plug is never closed just to try something: the test comes after its own closing as well.
  const all = hiders.map(({ seat }) => seat)
  const seats = seatsAfter(wayOut, seatsAfter(wayOut, all, [...plugs, ...item.after]), airbags)
  if (seats.length + waiting.length === 0) return
  const follows = wayOut.after([...seats, ...waiting])
  const added: Edge[] = [
    ...pluggedFirst(job, item, key),
    // The innermost seats hold the others up.
    ...hiders
      .filter(({ seat }) => seats.includes(seat) && !follows.has(seat))
      .map(({ partId, seat }): Edge => ({
        before: key,
        after: seat,
        because: { kind: 'hidden', functionId: item.id, partId },
      })),
    ...stated.edges,
  ]
  const plugged: Id[] = []
  for (const { tetherId, rule, close, airbag } of forbidding) {
    if (airbag || !follows.has(close))
      added.push({
        before: close,
        after: key,
        because: { kind: 'powered', functionId: item.id, tetherId, ruleId: rule.id },
      })
    else plugged.push(tetherId)
  }
  const kitTest = job.added.get(item.id)
  job.refit.operations.set(key, {
    ...operation(key, 'test', item.id, null),
    ...(kitTest && {
      name: kitTest.name,
      ...(kitTest.how && { note: kitTest.how }),
      tried: { warmUpS: kitTest.warmUpS, testWith: kitTest.testWith },
    }),
  })
  const ignition = powerDemand(job, item)
  job.refit.demands.set(key, [...(ignition ? [ignition] : []), ...stated.demands, ...setForIt(job, item)])
  for (const tetherId of plugged) added.push(...plugForTest(job, item.id, tetherId))
  job.refit.edges.push(...added)
  for (const edge of added) wayOut.add(edge)
  job.tests.push({ functionId: item.id, key, plugged })
}

/** The plugs that, open, forbid the power a test needs, beside its own. */
function forbiddingPlugs(job: DerivedJob, item: Tested, own: readonly string[]) {
  return forbiddingPower(job, item.power).flatMap(({ tetherId, rule }) => {
    const close = closeKeyOf(job, tetherId)
    if (!close || own.includes(close)) return []
    return [{ tetherId, rule, close, airbag: isAirbagCircuit(job.model.tethers.get(tetherId)!) }]
  })
}

/** What a test comes after: the plugs it needs, and the work it tries. */
function pluggedFirst(job: DerivedJob, item: Tested, key: string): Edge[] {
  const plugs = [...item.tetherIds, ...item.alsoNeeds].flatMap((tetherId): Edge[] => {
    const close = closeKeyOf(job, tetherId)
    return close ? [{ before: close, after: key, because: { kind: 'plugged', functionId: item.id, tetherId } }] : []
  })
  const works = item.after.map((first): Edge => ({
    before: first,
    after: key,
    because: { kind: 'work first', workId: splitKey(first)[1] },
  }))
  return [...plugs, ...works]
}

/** Those of these seats that none of the plugs waits for. */
function seatsAfter(wayOut: KeyGraph, seats: readonly string[], plugs: readonly string[]): string[] {
  const first = wayOut.before(plugs)
  return seats.filter((seat) => !first.has(seat))
}

/** Closed by hand for the test, opened again, closed for good later. Several tests share one such plugging. */
function plugForTest(job: DerivedJob, functionId: Id, tetherId: Id): Edge[] {
  const { operations } = job.refit
  const [close, open] = [keyOf('close', tetherId, 'test'), keyOf('open', tetherId, 'test')]
  const partId = job.model.hostOf(job.model.tethers.get(tetherId)!.partId)
  const because: Because = { kind: 'only for the test', functionId, tetherId }
  const edges: Edge[] = [
    { before: close, after: keyOf('test', functionId), because },
    { before: keyOf('test', functionId), after: open, because },
  ]
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
  if (power === 'none' || power === 'battery') return []
  const { model, removal, circumstances } = job
  const rules = circumstances.rules.filter(
    (rule) =>
      rule.effect === 'refuses' &&
      rule.at !== null &&
      matches(model, rule.at, { act: 'power', itemId: '', power: power as Power }, circumstances),
  )
  const found = new Map<Id, { tetherId: Id; rule: Rule }>()
  const opened = [...model.tethers.values()].filter((tether) => removal.operations.has(keyOf('open', tether.id)))
  for (const rule of rules)
    for (const condition of rule.while)
      if (condition.kind === 'open')
        for (const tether of opened)
          if ((condition.circuits as readonly string[]).includes(tether.circuit ?? ''))
            found.set(tether.id, { tetherId: tether.id, rule })
  return [...found.values()]
}

function powerDemand(job: DerivedJob, item: Tested): Demand | null {
  if (item.power === 'none') return null
  const battery =
    item.power === 'battery'
      ? [...job.model.settings.values()].find((setting) => setting.role === 'battery' && setting.values.includes('on'))
      : undefined
  if (item.power === 'battery')
    return battery
      ? { settingId: battery.id, value: 'on', because: { kind: 'only for its act', settingId: battery.id } }
      : null
  const ignition = [...job.model.settings.values()].find((setting) => setting.role === 'ignition')
  if (!ignition) return null
  const value =
    item.power === 'accessory' && ignition.values.includes('accessory')
      ? 'accessory'
      : (ignition.values.find((v) => v === 'on') ?? ignition.values.find((v) => v !== 'off'))
  return value ? { settingId: ignition.id, value, because: { kind: 'only for its act', settingId: ignition.id } } : null
}

/** How settings of the vehicle have to stand for a kit's test, where this model has one of that role and value. */
function setForIt(job: DerivedJob, { testWith }: Tested): Demand[] {
  return testWith.flatMap(({ role, value }): Demand[] => {
    const setting = [...job.model.settings.values()].find(
      (item) => item.role === role && item.role !== 'ignition' && item.values.includes(value),
    )
    return setting
      ? [{ settingId: setting.id, value, because: { kind: 'only for its act', settingId: setting.id } }]
      : []
  })
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
      const first = needs.kind === 'operation' ? keyDoing(operations, needs.act, needs.id) : undefined
      if (first !== undefined) edges.push({ before: first, after: key, because })
      const close = needs.kind === 'tether' && needs.state === 'closed' ? closeKeyOf(job, needs.tetherId) : undefined
      if (close) edges.push({ before: close, after: key, because })
    }
    // Something of the way back that is to wait for the test.
    const waiting = keyDoing(operations, need.dependent.act, need.dependent.id)
    if (needs.kind === 'operation' && needs.act === 'test' && needs.id === functionId && waiting !== undefined)
      edges.push({ before: key, after: waiting, because })
  }
  return { edges, demands }
}
