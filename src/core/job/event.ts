import { z } from 'zod'
import { Stamp } from '../base/stamp'
import { Id, uuid } from '../base/id'
import { COLLECTIONS } from '../procedure/document'
import { Edit } from '../procedure/edit'
import { ENDINGS } from '../procedure/endings'
import { Build } from '../procedure/when'
import { FoundOrder } from '../plan/find/foundOrder'
import { PlanRequest } from '../plan/ask/planRequest'
import { Station } from '../procedure/station'
import { PLACED } from '../shop/placingRules'
import { LASTING_CHANGES } from '../shop/workItem'
import { EVENT_VERSION } from './eventVersion'
import { CUSTOMER_POINTS } from './customerPoints'
import { INTAKE_POINTS } from './intakePoints'
import { upcast } from './upcast'

/** Events say what happened to things, never which row of a plan was ticked, so that they outlive a replan. */
const Count = z.number().int('A count is a whole number.').min(1).max(99)
const Note = z.string().max(1000).default('')
const named = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.object({ kind: z.literal(kind), ...shape })

/** Somebody on a job, and where they begin. */
export const Hand = z.object({ personId: uuid(), station: Station })
export type Hand = z.infer<typeof Hand>

/** Where a thing of a kit comes from, or is on its way from. */
export const SUPPLIED_FROM = ['box', 'stock', 'ordered', 'arrived'] as const

/** Ends of parts and tethers, and `stock` for fasteners that go back to the shop. */
export const ENDS = [...ENDINGS, 'stock'] as const

export const Happening = z.discriminatedUnion('kind', [
  named('job opened', { vehicleId: Id, build: Build }),
  /**
   * What is to be done from here. `found`: the order, whole: what was done before stands in front; null = the one it
   * was opened with. `people` and `lanes` (operations in the order of their time, and whose each is): who does what,
   * where there are several.
   */
  named('plan adopted', {
    request: PlanRequest,
    found: FoundOrder.nullable().default(null),
    people: z.array(Hand).max(3).default([]),
    lanes: z
      .array(z.object({ key: z.string().max(200), personId: uuid() }))
      .max(4000)
      .default([]),
  }),
  /** Somebody takes over what the lanes gave to another. */
  named('card taken', { keys: z.array(z.string().max(200)).min(1).max(80) }),
  /** Before the first screw: looked at, and what was noted of it. */
  named('checked in', { point: z.enum(INTAKE_POINTS), value: z.string().trim().max(200).default('') }),
  /** A function the job will touch, tried before: an old fault is not ours. */
  named('worked before', { functionId: Id, works: z.boolean(), note: Note }),
  named('facet told', { facetId: Id, choiceId: Id }),
  named('as found', { holderId: Id, what: z.enum(['missing', 'extra']), count: Count, note: Note }),
  named('undone', { holderId: Id, count: Count }),
  named('part at', { partId: Id, level: z.enum(['in place', 'eased', 'free', 'off']) }),
  named('opened', { tetherId: Id }),
  named('closed', { tetherId: Id }),
  /** Pulled at, its lever home, its ring turned: it will not come off by itself. */
  named('tried', { tetherId: Id }),
  /** Its lead passed its aperture before it is plugged. */
  named('led through', { tetherId: Id }),
  named('set', { settingId: Id, value: z.string().min(1).max(40), methodId: Id.nullable().default(null) }),
  /** `wasFitted`: it had been put back already, as an old one or as a new one. */
  named('broken', { holderId: Id, count: Count, wasFitted: z.enum(['no', 'old', 'new']).default('no'), note: Note }),
  named('pieces recovered', { holderId: Id, count: Count }),
  /** Not replaced and not fitted, for a reason. */
  named('left out', {
    holderId: Id,
    count: Count,
    reason: z.string().trim().min(1, 'Say why it is left out.').max(200),
  }),
  /** Put on the shop's shopping list; `arrived`: it is there. */
  named('ordered', { holderId: Id, count: Count, note: Note }),
  named('arrived', { holderId: Id, count: Count }),
  named('lost', { holderId: Id, count: Count, from: z.enum(['vehicle', 'stock']).default('vehicle') }),
  named('found again', { holderId: Id, count: Count }),
  /** Taken from stock and fitted. `instead of`: one that came off, or one that was missing as found. */
  named('new fitted', { holderId: Id, count: Count, insteadOf: z.enum(['old', 'missing']).default('old') }),
  named('fastened', { holderId: Id, count: Count, stage: z.enum(['started', 'snug', 'final']).default('final') }),
  /** An open lead tied back and covered, where the vehicle is used or left unfinished. */
  named('lead parked', { tetherId: Id }),
  named('work done', { workId: Id, reading: z.string().max(60).default(''), note: Note }),
  /** One tap of a piece of work that has steps. */
  named('step done', { workId: Id, stepId: Id, reading: z.string().trim().max(60).default(''), note: Note }),
  /** So many pieces of a part of a kit are where they belong. */
  named('fitted', { itemId: Id, count: Count }),
  /** How many of a kit's thing there are: counted in the box, taken from the shelf besides, ordered, arrived. */
  named('supplied', { itemId: Id, from: z.enum(SUPPLIED_FROM), count: z.number().int().min(0).max(99) }),
  /** Counted at the end: so many of a kit's thing are left over, and go back to the shelf. */
  named('left over', { itemId: Id, count: z.number().int().min(0).max(99) }),
  /** How a module of a kit stands: as it was entered, or as it was read off it. */
  named('adjusted', {
    moduleSettingId: Id,
    value: z.string().trim().min(1, 'Say how it stands.').max(40),
    how: z.enum(['entered', 'read back']).default('entered'),
  }),
  /** A sign of a choice that is not certain was looked for. */
  named('tell seen', { facetId: Id, tellId: Id, seen: z.boolean() }),
  /** Cut, filed, drilled or scraped: what was really done, and who agreed to it. */
  named('changed for good', {
    changeId: Id,
    what: z.enum(LASTING_CHANGES),
    where: z.string().trim().min(1, 'Say where.').max(120),
    how: z.string().trim().max(120).default(''),
    /** Empty where it is the kit's own plastic: nobody is asked. */
    consentBy: z.string().trim().max(80).default(''),
    edgeTreated: z.boolean(),
  }),
  /** What the vehicle can't do any more was told, and somebody accepted it. */
  named('loss accepted', {
    functionIds: z.array(Id).min(1).max(40),
    by: z.string().trim().min(1, 'Say who was told.').max(80),
  }),
  /** What the intake noted (the clock, a seat's place) is as it was again. */
  named('restored', { point: z.enum(INTAKE_POINTS) }),
  /** Why a test failed, once that is known. */
  named('trouble found', {
    functionId: Id,
    symptom: z.string().trim().max(120).default(''),
    cause: z.string().trim().min(1, 'Say what it was.').max(120),
    cure: z.string().trim().max(120).default(''),
  }),
  /** A place was judged before something was fixed there: answers by rule, true = as it should be. */
  named('place judged', {
    workId: Id,
    of: z.enum(PLACED),
    answers: z
      .record(z.string().max(40), z.boolean())
      .refine((answers) => Object.keys(answers).length <= 20, 'That is more than is asked of a place.'),
    where: z.string().trim().max(120).default(''),
    photoId: uuid().nullable().default(null),
  }),
  /** What a function needs is about to be closed over without it, and somebody goes on without that function. */
  named('gone on without', { functionIds: z.array(Id).min(1).max(20) }),
  /** What is left for another day, in words the customer reads. */
  named('left for later', { text: z.string().trim().min(1, 'Say what is left.').max(200) }),
  /** The customer was shown these functions, and what else there was to tell; they signed here or on paper. */
  named('shown to the customer', {
    functionIds: z.array(Id).max(60),
    points: z.array(z.enum(CUSTOMER_POINTS)).max(10),
    by: z.string().trim().min(1, 'Say who was shown.').max(80),
    /** The strokes as an SVG path of moves and lines in whole points; empty: signed on paper. */
    strokes: z
      .string()
      .max(20_000, 'That is more than a signature. Clear it, and sign once more.')
      .regex(/^(M\d{1,5} \d{1,5}( [ML]\d{1,5} \d{1,5})*)?$/, 'That is no drawn signature.')
      .default(''),
  }),
  named('tool out', { tool: z.string().min(1).max(60) }),
  named('tool back', { tool: z.string().min(1).max(60) }),
  /** A lead lets a row stand open. `asItStood`: the row then; it is void when anything happens to the thing. */
  named('row accepted', {
    account: z.string().max(20),
    itemId: z.string().min(1).max(80),
    asItStood: z.string().max(600),
    reason: z.string().trim().min(1, 'Give a reason.').max(200),
  }),
  named('tested', {
    functionId: Id,
    result: z.enum(['passed', 'failed']),
    reading: z.string().max(60).default(''),
    note: Note,
  }),
  named('ended', { itemId: Id, end: z.enum(ENDS), count: Count.default(1), note: Note }),
  /** A fastener nobody can place: what its head is, and where it lay. */
  named('stray found', { strayId: Id, head: z.string().trim().min(1).max(40), where: z.string().max(60).default('') }),
  named('stray settled', { strayId: Id, holderId: Id.nullable(), note: Note }),
  named('search signed', { holderId: Id, note: z.string().trim().min(1, 'Say where you searched.').max(300) }),
  named('caution read', { cautionId: Id }),
  named('noted', {
    itemId: Id.nullable().default(null),
    text: z.string().trim().min(1, 'A note needs words.').max(1000),
  }),
  named('paused', {
    reason: z.string().trim().min(1, 'Say what this waits for.').max(200),
    until: z.string().max(40).default(''),
  }),
  named('resumed', { checked: z.array(Id).max(60).default([]) }),
  named('different from the record', {
    itemId: Id,
    field: z.string().max(40),
    value: z.string().trim().min(1).max(300),
  }),
  /**
   * What a recorder says of the model while it comes apart or goes back: the line as it was said, and what it changes.
   */
  named('stated', { said: z.string().max(300).default(''), edits: z.array(Edit).min(1).max(80) }),
  /** Whatever the log says, this came off before that. */
  named('came before', { itemId: Id, otherId: Id }),
  /** It came off at a time that means nothing: counted, and no order is learnt from it. */
  named('order means nothing', { itemId: Id }),
  /** Somebody had undone it before: counted, goes back, and teaches no order. */
  named('already off', { itemId: Id }),
  /** A question about the model that nobody wants to answer now. */
  named('question put off', { question: z.string().min(1).max(200) }),
  named('photographed', { photoId: uuid(), itemId: Id.nullable().default(null) }),
  /** A few spoken words that nobody has time to write down. */
  named('voice noted', {
    voiceId: uuid(),
    seconds: z.number().int().min(0).max(600),
    itemId: Id.nullable().default(null),
  }),
  /** At the desk: a note has been worked into the record, or says nothing for it. */
  named('note settled', { noteId: uuid() }),
  /** At the desk: the record stays as it is in one field, whatever a strip found. */
  named('proposal declined', { collection: z.enum(COLLECTIONS), itemId: Id, field: z.string().min(1).max(40) }),
  named('taken back', {}),
  named('countersigned', {
    as: z.enum(['installer', 'checker', 'second pass']),
    name: z.string().trim().min(1).max(80),
  }),
  named('handed over', {}),
  /** Something arrived after the hand-over that nobody who signed had seen; written by the shop, never by hand. */
  named('reopened', { arrived: z.number().int().min(1).max(500) }),
])
export type Happening = z.infer<typeof Happening>

/**
 * What every event carries: where it was made, in which order there, by whom, and whether it was counted or assumed.
 */
export const JobEvent = z.object({
  id: uuid('An event id is a UUID made on the device.'),
  jobId: uuid(),
  v: z.literal(EVENT_VERSION),
  deviceId: uuid(),
  seq: z.number().int().min(0),
  at: Stamp,
  personId: uuid(),
  certainty: z.enum(['counted', 'assumed']).default('counted'),
  corrects: uuid().nullable().default(null),
  what: Happening,
})
export type JobEvent = z.infer<typeof JobEvent>

/** An event as it was stored or sent by any released version, as one of this version. */
export const StoredEvent = z.preprocess(upcast, JobEvent)
