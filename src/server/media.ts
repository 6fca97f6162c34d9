import 'server-only'
import { preparedPhoto, type Prepared } from './preparedPhoto'
import { inShop, type Crew } from './session'
import { REFUSALS } from '@/words/refusals'

const VOICES = ['audio/webm', 'audio/ogg', 'audio/mp4', 'audio/mpeg']

export type MediaOutcome = { status: 'kept' } | { status: 'unknown job' } | { status: 'refused'; sentence: string }

/**
 * Keeps a picture or a recording of a job, once however often it is sent. A picture is decoded and written anew:
 * upright, no larger than needed, and without anything a camera put into the file (place, owner, other pictures).
 */
export async function keepMedia(
  crew: Crew,
  jobId: string,
  medium: { id: string; kind: 'photo' | 'voice'; mime: string; bytes: Buffer },
): Promise<MediaOutcome> {
  const prepared = medium.kind === 'photo' ? await preparedPhoto(medium.bytes) : preparedVoice(medium)
  if (!prepared)
    return {
      status: 'refused',
      sentence: medium.kind === 'photo' ? REFUSALS.notAPicture : REFUSALS.notARecording,
    }
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
        ...prepared,
      })
      .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
      .execute()
    return { status: 'kept' }
  })
}

function preparedVoice({ mime, bytes }: { mime: string; bytes: Buffer }): Prepared | null {
  const plain = mime.split(';')[0]!.trim()
  return VOICES.includes(plain) && bytes.length > 0
    ? { bytes, mime: plain, thumbnail: null, width: null, height: null }
    : null
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
