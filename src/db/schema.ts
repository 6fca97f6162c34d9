import type { ColumnType, Generated, JSONColumnType } from 'kysely'
import type { JobEvent } from '@/core/job/event'
import type { Mark } from '@/core/job/happenings'
import type { FoundOrder } from '../core/plan/find/foundOrder'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Source } from '@/core/procedure/source'
import type { Build } from '@/core/procedure/when'
import type { HouseValues } from '@/core/shop/houseValues'
import type { Kit } from '@/core/shop/kit'
import type { HouseWord } from '@/core/shop/houseWord'
import type { Role } from '@/core/shop/rights'
import type { StockItem } from '@/core/shop/stock'
import type { Tool } from '@/core/shop/tool'
import type { ShopRules } from '@/core/vehicle/rule'

type Timestamp = ColumnType<Date, Date | string | undefined, Date | string>
type Json<T extends object> = JSONColumnType<T, string, string>
type Defaulted<T> = ColumnType<T, string | undefined, string>

/** The tables as Kysely sees them. Every row belongs to a shop; row-level security keeps shops apart. */
export type Database = {
  shop: {
    id: string
    name: string
    is_demo: ColumnType<boolean, boolean | undefined, never>
    house: Json<HouseValues>
    rules: Defaulted<ShopRules>
    tools: Defaulted<Tool[]>
    words: Defaulted<HouseWord[]>
    stock: Defaulted<StockItem[]>
    created_at: Timestamp
  }
  crew: {
    id: string
    shop_id: string
    name: string
    role: Role
    pin_hash: string
    user_id: string | null
    authorised: Generated<string[]>
    active: Generated<boolean>
    pin_failures: Generated<number>
    pin_locked_until: Timestamp | null
    created_at: Timestamp
  }
  acting: { session_id: string; shop_id: string; crew_id: string; since: Timestamp; current: boolean }
  procedure: { id: string; shop_id: string; name: string; created_at: Timestamp }
  revision: {
    id: string
    shop_id: string
    procedure_id: string
    number: number
    document: Json<ProcedureDocument>
    published_by: string
    published_at: Timestamp
    note: Generated<string>
  }
  draft: {
    procedure_id: string
    shop_id: string
    document: Json<ProcedureDocument>
    version: number
    changed_by: string
    changed_at: Timestamp
  }
  vehicle: {
    id: string
    shop_id: string
    label: string
    plate: Generated<string>
    customer: Generated<string>
    procedure_id: string | null
    /** The fold of what was said of it (`said_build`) and of what jobs told since. */
    build: Json<Build>
    said_build: Defaulted<Build>
    said_at: Timestamp
    created_at: Timestamp
  }
  job: {
    id: string
    shop_id: string
    vehicle_id: string
    procedure_id: string
    revision_id: string | null
    /** The document a job on a draft was opened with; null for a job on a revision. */
    draft_document: Json<ProcedureDocument> | null
    title: string
    bay: Generated<string>
    promised_at: Timestamp | null
    /** A strip has no plan until its vehicle goes back together. */
    kind: Generated<'job' | 'strip'>
    request: JSONColumnType<PlanRequest, string, string> | null
    /** The order it was opened with; null for jobs older than kept orders. */
    found_plan: Json<FoundOrder> | null
    created_by: string
    created_at: Timestamp
    handed_over_at: Timestamp | null
  }
  kit: {
    id: string
    shop_id: string
    name: string
    body: Json<Kit>
    version: Generated<number>
    changed_by: string
    changed_at: Timestamp
  }
  media: {
    id: string
    shop_id: string
    job_id: string
    kind: 'photo' | 'voice'
    mime: string
    bytes: Buffer
    thumbnail: Buffer | null
    width: number | null
    height: number | null
    made_by: string
    made_at: Timestamp
  }
  /** A tablet, phone or computer that has signed in, as it last said; its id is the one in its events. */
  device: {
    id: string
    shop_id: string
    name: Generated<string>
    kind: 'tablet' | 'phone' | 'computer'
    /** Who signed it in, and the session that it is signed in by. */
    crew_id: string
    session_id: string
    waiting: Generated<number>
    clock_ahead_ms: Generated<number>
    first_seen: Timestamp
    last_seen: Timestamp
  }
  /** Who entered what at the desk, and from where: appended, never changed. */
  evidence: {
    id: string
    shop_id: string
    procedure_id: string
    item_id: string
    fields: string[]
    source: Source['kind']
    words: string
    person_id: string
    made_at: Timestamp
  }
  /** What this installation remembers about itself; only the owner reads and writes it. */
  installation_note: { name: string; at: Timestamp }
  job_event: {
    id: string
    shop_id: string
    job_id: string
    person_id: string
    at: string
    body: Json<JobEvent>
    received_seq: ColumnType<string, never, never>
    received_at: Timestamp
    /** What is odd about how it came: by somebody who had left when it arrived. */
    mark: Generated<Mark | null>
  }
  /** Who came in, who was refused, whose rights changed: appended, never changed. */
  access_entry: {
    seq: ColumnType<string, never, never>
    shop_id: string
    at: Timestamp
    kind: string
    by_id: string | null
    of_id: string | null
    session_id: string | null
    detail: Generated<string>
  }
}

/** The tables of the sign-in library that are asked directly, and what was tried at a name or an address. */
export type AccountsDatabase = {
  user: { id: string; username: string | null; twoFactorEnabled: boolean | null }
  account: { userId: string; providerId: string; password: string | null; updatedAt: Timestamp }
  session: { id: string; userId: string; expiresAt: Timestamp }
  twoFactor: { id: string; userId: string }
  try: { what: string; failures: number; last: Timestamp }
}
