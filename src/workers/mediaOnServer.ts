import { z } from 'zod'
import { preparedPhoto, type Prepared } from './preparedPhoto'
import { preparedVoice } from './preparedVoice'

/** A picture or a recording as it came. */
export const SentMedium = z.object({ kind: z.enum(['photo', 'voice']), bytes: z.instanceof(Uint8Array) })
export type SentMedium = z.infer<typeof SentMedium>

/** Looks into one of them and makes of it what is kept, on a thread of the server's pool. Null where it is none. */
export default function prepare(asked: unknown): Promise<Prepared | null> {
  const { kind, bytes } = SentMedium.parse(asked)
  return kind === 'photo'
    ? preparedPhoto(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength))
    : preparedVoice(bytes)
}
