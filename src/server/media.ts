import 'server-only'
import type { SentMedium } from '@/workers/mediaOnServer'
import type { Prepared } from '@/workers/preparedPhoto'
import { inShop, type Crew } from './whoAsks'
import { onThread } from './threads'
import { REFUSALS } from '@/words/refusals'

/** `later`: so much waits already that it is better sent again. */
export type MediaOutcome =
  { status: 'kept' } | { status: 'later' } | { status: 'unknown job' } | { status: 'refused'; sentence: string }

/**
 * Keeps a picture or a recording of a job, once however often it is sent. A picture is decoded and written anew:
 * upright, no larger than needed, and without anything a camera put into the file (place, owner, other pictures).
 */
export async function keepMedia(crew: Crew, jobId: string, medium: { id: string } & SentMedium): Promise<MediaOutcome> {
  const { kind, bytes } = medium
  const looked = await onThread<Prepared | null>('medium', crew.shopId, () => ({ kind, bytes }) satisfies SentMedium)
  if (looked.kind === 'not answered' && looked.why === 'too many wait') return { status: 'later' }
  if (looked.kind === 'not answered')
    return { status: 'refused', sentence: REFUSALS.mediumTookTooLong(looked.deadlineS) }
  const prepared = looked.answer
  if (!prepared)
    return { status: 'refused', sentence: kind === 'photo' ? REFUSALS.notAPicture : REFUSALS.notARecording }
  return inShop(crew, async (trx): Promise<MediaOutcome> => {
    const job = await trx.selectFrom('job').select('id').where('id', '=', jobId).executeTakeFirst()
    if (!job) return { status: 'unknown job' }
    await trx
      .insertInto('media')
      .values({
        id: medium.id,
        shop_id: crew.shopId,
        job_id: jobId,
        kind: medium.kind,
        made_by: crew.acting.id,
        ...plain(prepared),
      })
      .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
      .execute()
    return { status: 'kept' }
  })
}

/** A picture, small where it has a small one, or a recording. Null when it is not this shop's. */
export async function readMedia(
  crew: Crew,
  id: string,
  small: boolean,
): Promise<{ bytes: Buffer; mime: string } | null> {
  return inShop(crew, async (trx) => {
    const row = await trx
      .selectFrom('media')
      .select(small ? ['mime', 'thumbnail as bytes'] : ['mime', 'bytes'])
      .where('id', '=', id)
      .executeTakeFirst()
    return row?.bytes ? { bytes: row.bytes, mime: row.mime } : null
  })
}

/** What came over from a thread, as the database takes it: bytes arrive there without their class. */
function plain({ bytes, thumbnail, ...rest }: Prepared): Prepared {
  return { ...rest, bytes: Buffer.from(bytes), thumbnail: thumbnail && Buffer.from(thumbnail) }
}
