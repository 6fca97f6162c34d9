import { preparedPhoto, type Prepared } from './preparedPhoto'
import { preparedVoice } from './preparedVoice'

/** A picture or a recording as it came. */
export type SentMedium = { kind: 'photo' | 'voice'; bytes: Uint8Array }

/** Looks into one of them and makes of it what is kept, on a thread of the server's pool. Null where it is none. */
export default function prepare({ kind, bytes }: SentMedium): Promise<Prepared | null> {
  return kind === 'photo'
    ? preparedPhoto(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength))
    : preparedVoice(bytes)
}
