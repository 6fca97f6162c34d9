import sharp from 'sharp'

/** What is kept of a picture or a recording. */
export type Prepared = {
  bytes: Buffer
  mime: string
  thumbnail: Buffer | null
  width: number | null
  height: number | null
}

const PHOTOS = ['jpeg', 'png', 'webp', 'heif', 'avif', 'gif', 'tiff']
const LONGEST_SIDE_PX = 2400
const THUMBNAIL_PX = 360
/** More dots than a picture of a dash needs; the tablet makes its own smaller before it sends them. */
const MOST_PIXELS = 40_000_000
// One at a time on one core, and nothing kept in memory afterwards: the other core answers the shops meanwhile.
sharp.concurrency(1)
sharp.cache(false)

/**
 * A picture written anew: turned upright, no larger than needed, and with nothing but the picture in it (no place, no
 * owner, no preview). Null where the bytes are no picture. Cost: some tenths of a second.
 */
export async function preparedPhoto(bytes: Buffer): Promise<Prepared | null> {
  try {
    // Drawings in words (SVG) and documents are no photos, and may name other files.
    const asked = { limitInputPixels: MOST_PIXELS, sequentialRead: true }
    const { format, width, height, pages } = await sharp(bytes, asked).metadata()
    // Looked at before anything is decoded; of what moves only the first picture is read.
    if (width * (height / (pages ?? 1)) > MOST_PIXELS) return null
    if (!PHOTOS.includes(format)) return null
    const whole = await sharp(bytes, asked)
      .rotate()
      .resize({ width: LONGEST_SIDE_PX, height: LONGEST_SIDE_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    const thumbnail = await sharp(whole.data)
      .resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: 'inside' })
      .jpeg({ quality: 74 })
      .toBuffer()
    return { bytes: whole.data, mime: 'image/jpeg', thumbnail, width: whole.info.width, height: whole.info.height }
  } catch {
    return null
  }
}
