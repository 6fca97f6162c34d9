import { parseBuffer } from 'music-metadata'
import type { Prepared } from './preparedPhoto'

/** What a browser records into, as its bytes say; whatever the sender calls it. */
const CONTAINERS: readonly [RegExp, string][] = [
  [/^EBML\/webm|^webm|^matroska/i, 'audio/webm'],
  [/^ogg/i, 'audio/ogg'],
  [/^(MPEG-4|M4A|isom|mp4|iso\d)/i, 'audio/mp4'],
  [/^(MPEG|ADTS)/i, 'audio/mpeg'],
]
/** A note is spoken beside the vehicle; what is longer is something else. */
const LONGEST_S = 600

/**
 * A recording that was looked into: a container that a browser plays, sound and no picture in it, and not too long
 * where it says how long it is (a browser that streams its recording does not). Null where it is none.
 */
export async function preparedVoice(bytes: Uint8Array): Promise<Prepared | null> {
  try {
    const { format } = await parseBuffer(bytes, undefined, { skipCovers: true, duration: true })
    const mime = CONTAINERS.find(([name]) => name.test(format.container ?? ''))?.[1]
    if (!mime || format.hasVideo || format.hasAudio === false) return null
    if (!format.codec && !format.sampleRate) return null
    if ((format.duration ?? 0) > LONGEST_S) return null
    return { bytes: Buffer.from(bytes), mime, thumbnail: null, width: null, height: null }
  } catch {
    return null
  }
}
