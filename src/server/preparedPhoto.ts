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
/** A picture of more dots than any phone takes is no picture of a dash. */
const MOST_PIXELS = 80_000_000

/**
 * A picture written anew: turned upright, no larger than needed, and with nothing but the picture in it (no place, no
 * owner, no preview). Null where the bytes are no picture. Cost: some tenths of a second.
 */
export async function preparedPhoto(bytes: Buffer): Promise<Prepared | null> {
  try {
    // Drawings in words (SVG) and documents are no photos, and may name other files.
    const { format } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata()
    if (!PHOTOS.includes(format)) return null
    const whole = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
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
