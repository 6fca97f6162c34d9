import 'server-only'
import { sql } from 'kysely'
import { HouseValues } from '@/core/shop/houseValues'
import { HouseWords, type HouseWord } from '@/core/shop/houseWord'
import { mayDo, RIGHTS, type Act, type Role } from '@/core/shop/rights'
import { Stock } from '@/core/shop/stock'
import { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'
import { asShop, type ShopTransaction } from '../db/client'
import { accessBy, writeAccess } from './accessLog'
import { auth } from './auth'
import { database } from './database'
import { REFUSALS } from '@/words/refusals'

export type Person = { id: string; name: string; role: Role; authorised: string[] }

/** Who is asking: the shop the tablet is signed in to, the person who signed it in, and the person who acts now. */
export type Crew = {
  shopId: string
  shopName: string
  isDemo: boolean
  house: HouseValues
  rules: ShopRules
  tools: Tool[]
  words: HouseWord[]
  stock: Stock
  sessionId: string
  signedIn: Person
  acting: Person
}

/** However busy it is, a device is signed in again after so long. */
const LONGEST_SESSION_MS = 7 * 24 * 60 * 60_000

/** A device that says it is there stays signed in: its session lasts longer, and it is told so by its cookie. */
export async function prolongSession(asked: Headers): Promise<void> {
  await auth().api.getSession({ headers: asked })
}

/**
 * The crew behind a request with these headers, or null when nobody is signed in. It prolongs nothing: most of those
 * who ask can't be given the longer cookie, and the session would last on without it.
 */
export async function crewBehind(asked: Headers): Promise<Crew | null> {
  const session = await auth().api.getSession({ headers: asked, query: { disableRefresh: true } })
  if (!session || Date.now() - session.session.createdAt.getTime() > LONGEST_SESSION_MS) return null
  const found = await sql<{ shop_id: string; crew_id: string }>`select * from crew_of_user(${session.user.id})`.execute(
    database(),
  )
  const row = found.rows[0]
  if (!row) return null
  return asShop(database(), row.shop_id, async (trx) => {
    const shop = await trx.selectFrom('shop').selectAll().executeTakeFirstOrThrow()
    const signedIn = await person(trx, row.crew_id)
    const now = await trx
      .selectFrom('acting')
      .select('crew_id')
      .where('session_id', '=', session.session.id)
      .where('current', '=', true)
      .executeTakeFirst()
    const acting = (now && (await person(trx, now.crew_id))) ?? signedIn
    if (!signedIn || !acting) return null
    return {
      shopId: shop.id,
      shopName: shop.name,
      isDemo: shop.is_demo,
      house: HouseValues.parse(shop.house),
      rules: ShopRules.parse(shop.rules),
      tools: Tool.array().parse(shop.tools),
      words: HouseWords.parse(shop.words),
      stock: Stock.parse(shop.stock),
      sessionId: session.session.id,
      signedIn,
      acting,
    }
  })
}

async function person(trx: ShopTransaction, crewId: string): Promise<Person | null> {
  const row = await trx
    .selectFrom('crew')
    .select(['id', 'name', 'role', 'authorised'])
    .where('id', '=', crewId)
    .where('active', '=', true)
    .executeTakeFirst()
  return row ?? null
}

/** Whether who acts may do this: for what a page shows. What is done asks `refusalOf`. */
export function may(crew: Crew, act: Act): boolean {
  return mayDo(act, crew.acting.role)
}

export type Refused = { status: 'refused'; sentence: string }

/** Null when who acts may do this; else why not, and it is written down that somebody tried. */
export async function refusalOf(crew: Crew, act: Act): Promise<Refused | null> {
  if (may(crew, act)) return null
  await inShop(crew, (trx) => writeAccess(trx, crew.shopId, accessBy(crew, 'refused', { detail: act })))
  return { status: 'refused', sentence: REFUSALS.needs(RIGHTS[act]) }
}

/** Runs a use case as the crew's shop. */
export function inShop<T>(crew: Crew, run: (trx: ShopTransaction) => Promise<T>): Promise<T> {
  return asShop(database(), crew.shopId, run)
}
