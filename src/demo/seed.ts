import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { toKeep } from '@/core/base/keptJson'
import { KEPT_KIT, type Kit } from '@/core/shop/kit'
import { placingRules, type Placed } from '@/core/shop/placingRules'
import { withKits } from '@/core/shop/withKits'
import { fittedKits } from '@/core/plan/ask/jobGoal'
import { KEPT_PLAN } from '@/core/plan/find/foundOrder'
import { nextStamp } from '@/core/base/clock'
import type { Stamp } from '@/core/base/stamp'
import { seededRandom, seedOfText } from '@/core/base/random'
import { JobEvent, type Happening } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import { stripsOf } from '@/core/job/strips'
import { termsOf, testsOwed } from '@/core/job/terms'
import { happeningsFor, toolsTakenUp } from '@/core/job/progress'
import { countedIn } from '@/core/order/operation'
import { planJob } from '@/core/plan/planJob'
import { allSteps, type PlanOnCards } from '@/core/plan/show/planOnCards'
import { KEPT_REQUEST, PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Build } from '@/core/procedure/when'
import { blankModel, stripDocument } from '@/core/strip/stripDocument'
import { whilePlanning } from '@/core/vehicle/circumstances'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { asShop, type Db, type ShopTransaction } from '../db/client'
import type { Role } from '@/core/shop/rights'
import { saidNow } from '../server/vehicleBuild'
import { insertPerson, makeAccount } from '../server/accounts'
import { DEMO_USERS, demoPassword } from '../server/demoUsers'
import { recordFirstStrip } from './firstStrip'
import { panelVan } from './panelVan'
import { patrolMotorcycle } from './patrolMotorcycle'
import { roadWorksPickup } from './roadWorksPickup'
import { DEMO_RULES, DEMO_TOOLS, DEMO_WORDS, demoKits, demoStock } from './shopFacts'
import { smallBus } from './smallBus'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { hasLeads, leadsLaid } from '@/words/leadsLaid'

const CREW: [string, Role, string, (keyof typeof DEMO_USERS)?][] = [
  ['Marit', 'lead', '1111', 'lead'],
  ['Tolu', 'installer', '2222', 'installer'],
  ['Ines', 'installer', '3333'],
  ['Pavel', 'installer', '4444'],
  ['Jo', 'lead', '5555'],
  ['Sunniva', 'owner', '6666'],
]

/** Trained and authorised for airbag circuits; the others hand such a card on. */
const AUTHORISED = ['Marit', 'Jo', 'Pavel', 'Tolu']

type JobSpec = {
  vehicle: string
  title: string
  bay: string
  goals: string[]
  /** Names of kits that are fitted, and what is known of them and of the vehicle besides. */
  kits?: string[]
  told?: Build
  by: string
  done: number | 'planned' | 'handed over'
  daysAgo?: number
  habit?: 'panel by panel' | 'tool in hand'
  promisedInH?: number
  broken?: string
}
const JOBS: JobSpec[] = [
  {
    vehicle: 'Van 12',
    title: 'Swap the radio unit',
    bay: 'Bay 1',
    goals: [],
    kits: ['Swap the radio unit'],
    told: { audio: 'plain', 'unit-family': 'unit-plain' },
    by: 'Jo',
    done: 0.83,
    promisedInH: 1,
  },
  {
    vehicle: 'Van 27',
    title: 'Recorder, microphone on the pillar',
    bay: 'Bay 2',
    goals: [],
    kits: ['Fit a recorder'],
    by: 'Tolu',
    done: 0.22,
    promisedInH: 3,
    broken: 'climate-clips',
  },
  {
    vehicle: 'Bus 4',
    title: 'Destination sign with audio',
    bay: 'Bay 3',
    goals: [],
    kits: ['Fit a destination sign with audio'],
    by: 'Pavel',
    done: 0.346,
    promisedInH: 5,
  },
  {
    vehicle: 'Moto 7',
    title: 'Tracker under the tank cover',
    bay: 'Bay 4',
    goals: [],
    kits: ['Fit a tracker'],
    by: 'Ines',
    done: 'planned',
    promisedInH: 26,
  },
  {
    vehicle: 'Pickup 3',
    title: 'Beacon relay and camera',
    bay: '',
    goals: [],
    kits: ['Fit a camera and a beacon relay'],
    by: 'Tolu',
    done: 'handed over',
    daysAgo: 1,
  },
  {
    vehicle: 'Van 8',
    title: 'Tracker behind the knee panel',
    bay: '',
    goals: [],
    kits: ['Fit a tracker'],
    by: 'Ines',
    done: 'handed over',
    daysAgo: 4,
  },
  {
    vehicle: 'Van 8',
    title: 'Radio lead renewed',
    bay: '',
    goals: [],
    kits: ['Renew the radio lead'],
    told: { 'lead-socket': 'lead-socket-no' },
    by: 'Pavel',
    done: 'handed over',
    daysAgo: 9,
  },
  {
    vehicle: 'Van 31',
    title: 'Radio lead and earpiece socket',
    bay: '',
    goals: [],
    kits: ['Renew the radio lead'],
    told: { 'lead-socket': 'lead-socket-yes' },
    by: 'Jo',
    done: 'handed over',
    daysAgo: 11,
    habit: 'tool in hand',
  },
  {
    vehicle: 'Moto 2',
    title: 'Radio lead to the nose',
    bay: '',
    goals: [],
    kits: ['Renew the radio lead'],
    told: { 'lead-socket': 'lead-socket-no' },
    by: 'Jo',
    done: 'handed over',
    daysAgo: 6,
  },
]

const VEHICLES: [string, string, string, string, Build][] = [
  ['Van 8', 'SM 1108', 'Harbour Linen', 'van', { gearbox: 'manual', starter: 'key', steering: 'left' }],
  ['Van 12', 'SM 1112', 'Town Works', 'van', { gearbox: 'automatic', starter: 'key', steering: 'left' }],
  ['Van 27', 'SM 1127', 'Harbour Linen', 'van', { gearbox: 'automatic', starter: 'key', steering: 'left' }],
  ['Van 31', 'SM 1131', 'Town Works', 'van', { gearbox: 'automatic', starter: 'button', steering: 'left' }],
  ['Van 33', 'SM 1133', 'Town Works', 'van', {}],
  ['Pickup 3', 'SM 2203', 'Road Office', 'pickup', { 'beacon-switches': 'fitted', cab: 'single' }],
  ['Pickup 9', 'SM 2209', 'Road Office', 'pickup', {}],
  ['Moto 2', 'SM 3302', 'Rescue Service', 'moto', { radio: 'with-box', windscreen: 'electric' }],
  ['Moto 7', 'SM 3307', 'Rescue Service', 'moto', { radio: 'no-box', windscreen: 'low' }],
  ['Bus 4', 'SM 4404', 'Town Works', 'bus', { 'sign-kind': 'led', gearbox: 'automatic' }],
]

/**
 * Writes the invented Saltmarsh Fleet Electronics: crew, four procedures, vehicles, and jobs finished, under way and
 * planned.
 */
export async function seedDemo(db: Db, secret: string, nowMs: number): Promise<void> {
  const shopId = crypto.randomUUID()
  const accounts = new Map<string, string>()
  for (const [name, , , user] of CREW) {
    if (!user) continue
    const made = await makeAccount(name, {
      username: DEMO_USERS[user],
      password: demoPassword(DEMO_USERS[user], secret),
    })
    if (!made.ok) throw new Error(made.sentence)
    accounts.set(name, made.userId)
  }
  await asShop(db, shopId, async (trx) => {
    await trx
      .insertInto('shop')
      .values({
        id: shopId,
        name: 'Saltmarsh Fleet Electronics',
        is_demo: true,
        house: JSON.stringify({ ...DEFAULT_HOUSE_VALUES, labourMinorPerHour: 7_200 }),
        rules: JSON.stringify(DEMO_RULES),
        tools: JSON.stringify(DEMO_TOOLS),
        words: JSON.stringify(DEMO_WORDS),
        stock: JSON.stringify(demoStock(nowMs)),
      })
      .execute()
    const crew = new Map<string, string>()
    for (const [name, role, pin] of CREW)
      crew.set(name, await insertPerson(trx, shopId, { name, role, pin, userId: accounts.get(name) ?? null }))
    await trx
      .updateTable('crew')
      .set({ authorised: [AIRBAG_CIRCUITS] })
      .where('name', 'in', AUTHORISED)
      .execute()
    const writer = new DemoWriter(trx, shopId, crew, nowMs)
    await writer.procedures({ van: panelVan(), pickup: roadWorksPickup(), moto: patrolMotorcycle(), bus: smallBus() })
    await writer.kits()
    await writer.vehicles()
    for (const job of JOBS) await writer.job(job)
    await writer.firstStrip()
  })
}

class DemoWriter {
  private readonly models = new Map<string, { procedureId: string; revisionId: string; document: ProcedureDocument }>()
  private kitsKept: Kit[] = []
  private readonly cars = new Map<string, { id: string; model: string; build: Build }>()

  constructor(
    private readonly trx: ShopTransaction,
    private readonly shopId: string,
    private readonly crew: Map<string, string>,
    private readonly nowMs: number,
  ) {}

  async procedures(documents: Record<string, ProcedureDocument>): Promise<void> {
    for (const [key, document] of Object.entries(documents)) {
      const [procedureId, revisionId] = [crypto.randomUUID(), crypto.randomUUID()]
      await this.trx
        .insertInto('procedure')
        .values({ id: procedureId, shop_id: this.shopId, name: document.name })
        .execute()
      await this.trx
        .insertInto('revision')
        .values({
          id: revisionId,
          shop_id: this.shopId,
          procedure_id: procedureId,
          number: 1,
          document: JSON.stringify(document),
          published_by: this.crew.get('Marit')!,
          published_at: new Date(this.nowMs - 12 * 86_400_000),
          note: '',
        })
        .execute()
      this.models.set(key, { procedureId, revisionId, document })
    }
  }

  async kits(): Promise<void> {
    const ids = Object.fromEntries([...this.models].map(([key, model]) => [key, model.procedureId]))
    this.kitsKept = demoKits(ids)
    for (const kit of this.kitsKept)
      await this.trx
        .insertInto('kit')
        .values({
          id: kit.id,
          shop_id: this.shopId,
          name: kit.name,
          body: toKeep(KEPT_KIT, kit),
          changed_by: this.crew.get('Marit')!,
        })
        .execute()
  }

  async vehicles(): Promise<void> {
    for (const [label, plate, customer, model, build] of VEHICLES) {
      const id = crypto.randomUUID()
      await this.trx
        .insertInto('vehicle')
        .values({
          id,
          shop_id: this.shopId,
          label,
          plate,
          customer,
          procedure_id: this.models.get(model)!.procedureId,
          // Said at the desk, as every vehicle's: what a job tells or takes back is folded over it.
          ...saidNow(build),
        })
        .execute()
      this.cars.set(label, { id, model, build })
    }
  }

  async job(spec: JobSpec): Promise<void> {
    const car = this.cars.get(spec.vehicle)!
    const { procedureId, revisionId, document: record } = this.models.get(car.model)!
    const kits = fittedKits(
      this.kitsKept.filter(({ name }) => spec.kits?.includes(name)).map((kit) => ({ kit })),
      procedureId,
    )
    const document = withKits(record, kits)
    const asked = PlanRequest.parse({
      goals: spec.goals.map((cavityId) => ({ kind: 'cavity', cavityId })),
      kits,
      build: { ...car.build, ...spec.told },
      policy: spec.habit ? { habit: spec.habit } : {},
    })
    const laid = hasLeads(asked) ? leadsLaid(document, asked, DEFAULT_HOUSE_VALUES) : null
    const request = laid?.ok ? laid.value.request : asked
    const plan = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
    if (!plan.ok) throw new Error(`The demo job on ${spec.vehicle} has no plan.`)
    const jobId = crypto.randomUUID()
    const startMs = this.nowMs - (spec.daysAgo ?? 0) * 86_400_000 - 50 * 60_000
    const events = spec.done === 'planned' ? [] : this.follow(spec, jobId, document, request, plan.value, startMs)
    const handedOver = spec.done === 'handed over' ? new Date(startMs + 48 * 60_000) : null
    await this.trx
      .insertInto('job')
      .values({
        id: jobId,
        shop_id: this.shopId,
        vehicle_id: car.id,
        procedure_id: procedureId,
        revision_id: revisionId,
        draft_document: null,
        title: spec.title,
        bay: spec.bay,
        promised_at: spec.promisedInH ? new Date(roundToQuarter(this.nowMs + spec.promisedInH * 3_600_000)) : null,
        request: toKeep(KEPT_REQUEST, request),
        found_plan: toKeep(KEPT_PLAN, plan.value.found),
        created_by: this.crew.get(spec.by)!,
        created_at: new Date(startMs - 600_000),
        handed_over_at: handedOver,
      })
      .execute()
    for (const event of events)
      await this.trx
        .insertInto('job_event')
        .values({
          id: event.id,
          shop_id: this.shopId,
          job_id: jobId,
          person_id: event.personId,
          at: event.at,
          body: JSON.stringify(event),
        })
        .execute()
  }

  /** A vehicle whose model nobody has recorded yet, half apart. */
  async firstStrip(): Promise<void> {
    const base = blankModel('Model of Gritter 2')
    const [procedureId, vehicleId, jobId, deviceId] = [
      crypto.randomUUID(),
      crypto.randomUUID(),
      crypto.randomUUID(),
      crypto.randomUUID(),
    ]
    const ines = this.crew.get('Ines')!
    const events: JobEvent[] = []
    const startMs = this.nowMs - 14 * 60_000
    let at: Stamp | null = null
    recordFirstStrip(base, events, (what, certainty) => {
      at = nextStamp(at, startMs + events.length * 50_000)
      events.push(
        JobEvent.parse({
          id: crypto.randomUUID(),
          jobId,
          v: EVENT_VERSION,
          deviceId,
          seq: events.length,
          at,
          personId: ines,
          certainty,
          what,
        }),
      )
    })
    const document = stripDocument(base, events)
    const strips = stripsOf(
      document,
      [{ id: jobId, label: 'Gritter 2', events }],
      whilePlanning(DEFAULT_HOUSE_VALUES),
    ).map(({ sequence }) => ({ id: jobId, label: 'Gritter 2', sequence: [...sequence], brokeRule: false }))
    await this.trx.insertInto('procedure').values({ id: procedureId, shop_id: this.shopId, name: base.name }).execute()
    await this.trx
      .insertInto('draft')
      .values({
        procedure_id: procedureId,
        shop_id: this.shopId,
        document: JSON.stringify({ ...document, strips }),
        version: 1,
        changed_by: ines,
      })
      .execute()
    await this.trx
      .insertInto('vehicle')
      .values({
        id: vehicleId,
        shop_id: this.shopId,
        label: 'Gritter 2',
        plate: 'SM 5502',
        customer: 'Road Office',
        procedure_id: procedureId,
        build: '{}',
      })
      .execute()
    await this.trx
      .insertInto('job')
      .values({
        id: jobId,
        shop_id: this.shopId,
        vehicle_id: vehicleId,
        procedure_id: procedureId,
        revision_id: null,
        draft_document: JSON.stringify(base),
        title: 'First strip',
        bay: 'Bay 5',
        promised_at: null,
        kind: 'strip',
        request: null,
        found_plan: null,
        created_by: ines,
        created_at: new Date(startMs),
        handed_over_at: null,
      })
      .execute()
    for (const event of events)
      await this.trx
        .insertInto('job_event')
        .values({
          id: event.id,
          shop_id: this.shopId,
          job_id: jobId,
          person_id: ines,
          at: event.at,
          body: JSON.stringify(event),
        })
        .execute()
  }

  /** Does the plan's steps as a crew would, up to the wished share of them. */
  private follow(
    spec: JobSpec,
    jobId: string,
    document: ProcedureDocument,
    request: PlanRequest,
    plan: PlanOnCards,
    startMs: number,
  ): JobEvent[] {
    const random = seededRandom(seedOfText(spec.vehicle))
    const events: JobEvent[] = []
    const deviceId = crypto.randomUUID()
    let at: Stamp | null = null
    let clockMs = startMs
    const add = (what: Happening, person = spec.by) => {
      clockMs += 4_000 + random.below(26_000)
      at = nextStamp(at, clockMs)
      events.push(
        JobEvent.parse({
          id: crypto.randomUUID(),
          jobId,
          v: EVENT_VERSION,
          deviceId,
          seq: events.length,
          at,
          personId: this.crew.get(person)!,
          what,
        }),
      )
    }
    const steps = allSteps(plan)
    const wanted = typeof spec.done === 'number' ? Math.round(steps.length * spec.done) : steps.length
    for (const step of steps.slice(0, wanted)) {
      const state = foldJob(document, events)
      const place = plan.job.works.get(step.operation.itemId)?.placing
      if (place && step.operation.act === 'work') add(goodPlace(step.operation.itemId, place.of))
      for (const what of [...toolsTakenUp(state, [step]), ...happeningsFor(state, step.operation, plan.job)]) add(what)
      if (spec.broken && step.operation.phase === 'in' && countedIn(step.operation).includes(spec.broken))
        add({ kind: 'broken', holderId: spec.broken, count: 1, wasFitted: 'no', note: 'cold morning' })
    }
    if (spec.done === 'handed over') {
      for (const tool of foldJob(document, events).tools.keys()) add({ kind: 'tool back', tool })
      for (const functionId of testsOwed(
        document,
        foldJob(document, events),
        termsOf(document, request, foldJob(document, events)),
      ))
        add({ kind: 'tested', functionId: functionId.id, result: 'passed', reading: '', note: '' })
      add({
        ...{ kind: 'shown to the customer', by: 'the driver', strokes: '' },
        functionIds: [...plan.job.added.keys()],
        points: ['taught', 'nothing of ours left', 'as left explained', 'told what is missing'],
      })
      add({ kind: 'countersigned', as: 'installer', name: spec.by })
      add({ kind: 'countersigned', as: 'checker', name: 'Marit' }, 'Marit')
      add({ kind: 'handed over' })
    }
    return events
  }
}

function goodPlace(workId: string, of: Placed): Happening {
  const answers = Object.fromEntries(placingRules(of).map(({ id }) => [id, true]))
  return { kind: 'place judged', workId, of, answers, where: '', photoId: null }
}

function roundToQuarter(ms: number): number {
  return Math.round(ms / 900_000) * 900_000
}
