import { expect, test } from '@jest/globals'
import { seededRandom, type Random } from '@/core/base/random'
import { balanceOf } from '@/core/job/balance'
import { bayStanding } from '@/core/job/bayStanding'
import { closingActs } from '@/core/job/decide/closingActs'
import { Happening, JobEvent } from '@/core/job/event'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { evidenceOf } from '@/core/job/evidence'
import { figuresOf } from '@/core/job/figures'
import { foldJob } from '@/core/job/fold'
import { HAPPENINGS } from '@/core/job/happenings'
import { handoverBlocks } from '@/core/job/handover'
import { leaveGate } from '@/core/job/leaveGate'
import { liveCircumstances, liveVehicle } from '@/core/job/liveVehicle'
import { modelNow } from '@/core/job/modelNow'
import { overlayOf } from '@/core/job/overlay'
import { nextTap } from '@/core/job/progress'
import { confirmationsOf, stripsOf } from '@/core/job/strips'
import { termsOf } from '@/core/job/terms'
import { uRows } from '@/core/job/uRows'
import { wheelTagOf } from '@/core/job/wheelTag'
import { whilePlanning } from '@/core/vehicle/circumstances'
import { powerGate } from '@/core/vehicle/powerGate'
import { BUILT_IN_RULES } from '@/core/vehicle/builtInRules'
import { ShopRules } from '@/core/vehicle/rule'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { cleanUpOf } from '@/core/strip/cleanUp'
import { forPuttingBack } from '@/core/strip/putBack'
import { questionsOf } from '@/core/strip/questions'
import { stripDocument } from '@/core/strip/stripDocument'
import { stripRows } from '@/core/strip/stripRows'
import { crewAtDash } from '@/core/testing/atDash.testing'
import { smallDash } from '@/core/testing/smallDash.testing'
import { blockSentence, forbidsWords, noPutBackWords, rowWords } from './balanceWords'
import { handoverFacts } from './handoverFacts'
import { historyWords, overlayWords } from './overlayWords'

/** Ids of every kind of thing of the dash, of another model, and of nothing: any of them where any is expected. */
const dash = smallDash()
const OPENED = crewAtDash().plan
const IDS = [
  ...[dash.parts, dash.holders, dash.tethers, dash.settings, dash.functions, dash.needs].flatMap((items) =>
    items.map((item) => item.id),
  ),
  ...['nowhere', 'gone-with-its-statement', 'of-another-model'],
]
const PEOPLE = ['22222222-2222-4222-8222-222222222222', '33333333-3333-4333-8333-333333333333']
let made = 0
const uuid = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`

type Draw = (r: Random, id: string) => object
const group: Draw = (r, holderId) => ({ holderId, count: 1 + r.below(9) })
const plug: Draw = (_, tetherId) => ({ tetherId })
/** What each kind of happening can say, with an id that may be of anything. */
const DRAWN: Readonly<Record<Happening['kind'], Draw>> = {
  'job opened': (_, vehicleId) => ({ vehicleId, build: {} }),
  'plan adopted': (r) => ({
    request: OPENED.request,
    people: r.chance(0.5) ? [] : [{ personId: PEOPLE[0], station: 'centre' }],
  }),
  'card taken': (_, id) => ({ keys: [`undo:${id}`] }),
  'checked in': (r) => ({ point: r.pick(['workplace', 'fasteners', 'marks and damage']), value: r.pick(['', 'so']) }),
  'worked before': (r, functionId) => ({ functionId, works: r.chance(0.5) }),
  'facet told': (_, facetId) => ({ facetId, choiceId: facetId }),
  'as found': (r, id) => ({ ...group(r, id), what: r.pick(['missing', 'extra']) }),
  undone: group,
  'part at': (r, partId) => ({ partId, level: r.pick(['in place', 'eased', 'free', 'off']) }),
  opened: plug,
  closed: plug,
  tried: plug,
  'led through': plug,
  set: (r, settingId) => ({ settingId, value: r.pick(['on', 'off', 'out of park', 'no such value']) }),
  broken: (r, id) => ({ ...group(r, id), wasFitted: r.pick(['no', 'old', 'new']) }),
  'pieces recovered': group,
  'left out': (r, id) => ({ ...group(r, id), reason: 'so' }),
  ordered: group,
  arrived: group,
  lost: (r, id) => ({ ...group(r, id), from: r.pick(['vehicle', 'stock']) }),
  'found again': group,
  'new fitted': (r, id) => ({ ...group(r, id), insteadOf: r.pick(['old', 'missing']) }),
  fastened: (r, id) => ({ ...group(r, id), stage: r.pick(['started', 'snug', 'final']) }),
  'lead parked': plug,
  'work done': (_, workId) => ({ workId }),
  'step done': (_, workId) => ({ workId, stepId: 'first' }),
  fitted: (r, itemId) => ({ itemId, count: 1 + r.below(9) }),
  supplied: (r, itemId) => ({ itemId, from: r.pick(['box', 'stock', 'ordered', 'arrived']), count: r.below(9) }),
  'left over': (r, itemId) => ({ itemId, count: r.below(9) }),
  adjusted: (_, moduleSettingId) => ({ moduleSettingId, value: '0110' }),
  'place judged': (r, workId) => ({ workId, of: r.pick(['camera', 'module']), answers: { vents: r.chance(0.5) } }),
  'gone on without': (_, id) => ({ functionIds: [id] }),
  'left for later': () => ({ text: 'the second speaker' }),
  'shown to the customer': (_, id) => ({ functionIds: [id], points: ['taught'], by: 'them' }),
  'tell seen': (r, facetId) => ({ facetId, tellId: 'leads', seen: r.chance(0.5) }),
  'changed for good': (_, changeId) => ({
    changeId,
    what: 'cut',
    where: 'there',
    consentBy: 'them',
    edgeTreated: false,
  }),
  'loss accepted': (_, id) => ({ functionIds: [id], by: 'them' }),
  restored: (r) => ({ point: r.pick(['workplace', 'fasteners']) }),
  'trouble found': (_, functionId) => ({ functionId, cause: 'a fuse' }),
  'tool out': (r) => ({ tool: r.pick(['six-lobe T20', 'no such tool']) }),
  'tool back': (r) => ({ tool: r.pick(['six-lobe T20', 'no such tool']) }),
  'row accepted': (r, itemId) => ({
    account: r.pick(['holder', 'tether', 'x']),
    itemId,
    asItStood: '{}',
    reason: 'so',
  }),
  tested: (r, functionId) => ({ functionId, result: r.pick(['passed', 'failed']) }),
  ended: (r, itemId) => ({ itemId, end: r.pick(['stock', 'replaced', 'left open and insulated', 'scrapped']) }),
  'stray found': (r, strayId) => ({ strayId, head: r.pick(['six-lobe T20', 'odd']) }),
  'stray settled': (r, id) => ({ strayId: r.pick(IDS), holderId: r.chance(0.5) ? null : id }),
  'search signed': (_, holderId) => ({ holderId, note: 'behind it' }),
  'caution read': (_, cautionId) => ({ cautionId }),
  noted: (r, id) => ({ itemId: r.chance(0.5) ? null : id, text: 'a note' }),
  paused: () => ({ reason: 'parts' }),
  resumed: (_, id) => ({ checked: [id] }),
  'different from the record': (r, itemId) => ({
    itemId,
    field: r.pick(['head', 'count', 'nothing']),
    value: r.pick(['six-lobe T15', 'x']),
  }),
  stated: (_, id) => ({ edits: [{ kind: 'field', collection: 'parts', id, field: 'note', from: '', to: 'so' }] }),
  'came before': (r, itemId) => ({ itemId, otherId: r.pick(IDS) }),
  'order means nothing': (_, itemId) => ({ itemId }),
  'already off': (_, itemId) => ({ itemId }),
  'question put off': (_, id) => ({ question: id }),
  photographed: (_, itemId) => ({ photoId: uuid(), itemId }),
  'voice noted': (_, itemId) => ({ voiceId: uuid(), seconds: 3, itemId }),
  'note settled': () => ({ noteId: uuid() }),
  'proposal declined': (_, itemId) => ({ collection: 'parts', itemId, field: 'note' }),
  'taken back': () => ({}),
  countersigned: (r) => ({ as: r.pick(['installer', 'checker', 'second pass']), name: 'Tolu' }),
  'handed over': () => ({}),
  reopened: (r) => ({ arrived: 1 + r.below(9) }),
}
const KINDS = Object.keys(HAPPENINGS) as Happening['kind'][]

/** A log that the door lets through, of anything, in any order, some of it taken back. */
function anyLog(seed: number): JobEvent[] {
  const r = seededRandom(seed)
  const events: JobEvent[] = []
  for (let i = 0; i < 60; i++) {
    const kind = r.pick(KINDS)
    const what = Happening.parse({ kind, ...DRAWN[kind](r, r.pick(IDS)) })
    const corrects = events.length > 0 && (kind === 'taken back' || r.chance(0.05)) ? r.pick(events).id : null
    events.push(
      JobEvent.parse({
        id: uuid(),
        jobId: PEOPLE[0],
        v: EVENT_VERSION,
        deviceId: PEOPLE[1],
        seq: i,
        at: `${String(r.below(1_000_000)).padStart(16, '0')}-0000`,
        personId: r.pick(PEOPLE),
        certainty: r.pick(['counted', 'assumed']),
        corrects,
        what,
      }),
    )
  }
  return events
}

/** Everything that a page, a sheet or a figure asks of a log; answers what the balance says. */
function readAll(events: readonly JobEvent[], kind: 'job' | 'strip') {
  const { request, found } = OPENED
  const document = kind === 'strip' ? stripDocument(dash, events) : dash
  const state = foldJob(document, events)
  const terms = termsOf(document, request)
  const balance = balanceOf(document, state, terms)
  const model = modelNow(document, request, state)
  const vehicle = liveVehicle(model, state, 0)
  const circumstances = liveCircumstances(model, state, DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, {
    id: '',
    authorised: [],
  })
  for (const row of balance.rows) rowWords(document, row)
  for (const row of balance.openRows) closingActs(row, { document, model, vehicle, circumstances, state })
  for (const block of handoverBlocks(document, state, true, terms)) blockSentence(document, block)
  const power = powerGate(model, vehicle, circumstances)
  leaveGate(model, state, vehicle, circumstances)
  wheelTagOf(model, state, { power, mayLeave: true }, [])
  const source = { kind, request, found, document, events }
  const standing = bayStanding(source, forPuttingBack(document, events), DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, 0)
  if (standing?.plan) {
    nextTap(standing.plan, state)
    uRows(standing.plan, state)
  }
  const history = [{ id: 'j', label: 'Van', events, base: kind === 'strip' ? dash : null }]
  stripsOf(document, history, whilePlanning(DEFAULT_HOUSE_VALUES))
  confirmationsOf(document, history)
  evidenceOf(document, history)
  cleanUpOf(document, history)
  figuresOf(document, state, terms, null)
  overlayWords(document, overlayOf([state]))
  historyWords(document, state)
  stripRows(document, state, IDS[0]!)
  questionsOf(document, state)
  const vehicleNamed = { label: 'V', plate: '', customer: '' }
  const shop = {
    name: 'S',
    house: DEFAULT_HOUSE_VALUES,
    rules: ShopRules.parse({}),
    people: new Map(),
    origin: '',
    devices: new Map<string, string>(),
    hasOthers: true,
  }
  handoverFacts(
    { id: 'j', title: 'T', revisionNumber: 1, vehicle: vehicleNamed, request, found, document, events },
    shop,
  )
  return { state, balance, power }
}

test('every kind of happening is drawn', () => expect(Object.keys(DRAWN).sort()).toEqual([...KINDS].sort()))

test.each([...Array(150).keys()])('whatever a log holds, nothing that reads it breaks (%i)', (seed) => {
  const events = anyLog(seed)
  for (const kind of ['job', 'strip'] as const) expect(() => readAll(events, kind)).not.toThrow()
})

test('an opened plug that the record does not have is owed, and closes by being looked at', () => {
  const opened = anyLog(1)
    .slice(0, 1)
    .map((event) => ({ ...event, what: { kind: 'opened', tetherId: 'nowhere' } as const }))
  const { state, balance, power } = readAll(opened, 'job')
  const row = balance.openRows.find((each) => each.account === 'unresolved')!
  expect(rowWords(dash, row).heading).toBe('Opened: a plug no longer in the record')
  expect(balance.rows[0]).toBe(row)
  expect(balance.closed).toBe(false)
  const { forbiddenBy, putBack } = power.ignition
  expect(putBack).toBeNull()
  expect(forbidsWords(dash, forbiddenBy[0]!, state.settings)).toBe('a plug open that is not in the record')
  expect(noPutBackWords(dash, forbiddenBy)).toMatch(/close the plug, then close its row in the balance/)
  const ofTheRecord = [{ ...forbiddenBy[0]!, tetherIds: [dash.tethers[0]!.id] }]
  expect(noPutBackWords(dash, ofTheRecord)).toMatch(/^Nothing that a crew puts back/)
  const [act] = closingActs(row, {} as never).acts
  const closed = opened.concat({ ...opened[0]!, id: uuid(), seq: 2, what: act!.happenings[0]! as never })
  const after = readAll(closed, 'job')
  expect(after.balance.closed).toBe(true)
  expect(after.power.ignition.allowed).toBe(true)
})
