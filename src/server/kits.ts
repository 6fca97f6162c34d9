import 'server-only'
import { z } from 'zod'
import { readKept, toKeep } from '@/core/base/keptJson'
import { checkKit, refusesKit } from '@/core/shop/checkKit'
import { KEPT_KIT, Kit } from '@/core/shop/kit'
import { holdNames } from './lock'
import { inShop, refusalOf, type Crew, type Refused } from './whoAsks'
import { kitProblemSentence } from '@/words/kitWords'
import { REFUSALS } from '@/words/refusals'

export type KitRow = { kit: Kit; version: number }

/**
 * The shop's kits by name, and the names of those that a newer version of this program wrote: they stay as they are.
 */
export async function readKits(crew: Crew): Promise<{ kits: KitRow[]; newer: string[] }> {
  const rows = await inShop(crew, (trx) =>
    trx.selectFrom('kit').select(['name', 'body', 'version']).orderBy('name').execute(),
  )
  const read = rows.map(({ name, body, version }) => ({ name, kit: readKept(KEPT_KIT, body), version }))
  return {
    kits: read.flatMap(({ kit, version }) => (kit ? [{ kit, version }] : [])),
    newer: read.flatMap(({ name, kit }) => (kit ? [] : [name])),
  }
}

export const listKits = async (crew: Crew): Promise<KitRow[]> => (await readKits(crew)).kits

/** `version`: the one the form was filled from; 0 for a new kit. */
export const KitInput = z.object({ kit: Kit.extend({ id: z.uuid() }), version: z.number().int().min(0) })

/** Saves a kit. Somebody else's change in between is not overwritten: the form stays and says so. */
export async function saveKit(
  crew: Crew,
  input: z.infer<typeof KitInput>,
): Promise<{ status: 'done'; version: number } | Refused> {
  const refusal = await refusalOf(crew, 'keep kits')
  if (refusal) return refusal
  const { kit, version } = input
  const problem = checkKit(kit).find(refusesKit)
  if (problem) return { status: 'refused', sentence: kitProblemSentence(problem) }
  return inShop(crew, async (trx) => {
    await holdNames(crew, trx, 'kits')
    const same = await trx
      .selectFrom('kit')
      .select('id')
      .where('name', '=', kit.name)
      .where('id', '<>', kit.id)
      .executeTakeFirst()
    if (same) return { status: 'refused', sentence: REFUSALS.kitCalledSo(kit.name) }
    const values = { name: kit.name, body: toKeep(KEPT_KIT, kit), changed_by: crew.acting.id, changed_at: new Date() }
    if (version === 0) {
      const made = await trx
        .insertInto('kit')
        .values({ id: kit.id, shop_id: crew.shopId, ...values })
        .onConflict((conflict) => conflict.doNothing())
        .executeTakeFirst()
      // An id that is taken is somebody's kit, of this shop or of another: it is not written over.
      if (made.numInsertedOrUpdatedRows === 0n) return { status: 'refused', sentence: REFUSALS.kitChanged }
      return { status: 'done', version: 1 }
    }
    const saved = await trx
      .updateTable('kit')
      .set({ ...values, version: version + 1 })
      .where('id', '=', kit.id)
      .where('version', '=', version)
      .executeTakeFirst()
    if (saved.numUpdatedRows === 0n)
      return {
        status: 'refused',
        sentence: REFUSALS.kitChanged,
      }
    return { status: 'done', version: version + 1 }
  })
}

/** A kit that was planned with stays whole in those jobs; it is only offered no more. */
export async function removeKit(crew: Crew, kitId: string): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'keep kits')
  if (refusal) return refusal
  const gone = await inShop(crew, (trx) => trx.deleteFrom('kit').where('id', '=', kitId).executeTakeFirst())
  return gone.numDeletedRows > 0n ? { status: 'done' } : { status: 'refused', sentence: REFUSALS.thingGone }
}
