import { expect, test } from '@jest/globals'
import sharp from 'sharp'
import { preparedPhoto } from './preparedPhoto'

/** A camera's file: lying on its side, with the place it was taken at and its owner in it. */
const fromCamera = () =>
  sharp({ create: { width: 400, height: 300, channels: 3, background: '#456' } })
    .jpeg()
    .withExif({ IFD0: { Artist: 'Somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 30/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .toBuffer()

test('a photo is upright and carries nothing but the picture', async () => {
  const bytes = await fromCamera()
  const before = await sharp(bytes).metadata()
  expect([before.orientation, before.exif !== undefined, bytes.includes('Somebody')]).toEqual([6, true, true])
  const photo = (await preparedPhoto(bytes))!
  const after = await sharp(photo.bytes).metadata()
  expect([after.exif, after.iptc, after.xmp]).toEqual([undefined, undefined, undefined])
  expect(photo.bytes.includes('Somebody')).toBe(false)
  expect([photo.width, photo.height]).toEqual([300, 400])
  expect((await sharp(photo.thumbnail!).metadata()).height).toBe(360)
})

test('a large one is made to fit, a small one is left as small as it is', async () => {
  const large = (await preparedPhoto(
    await sharp({ create: { width: 6000, height: 3000, channels: 3, background: '#456' } })
      .png()
      .toBuffer(),
  ))!
  expect([large.width, large.height]).toEqual([2400, 1200])
  const small = (await preparedPhoto(
    await sharp({ create: { width: 64, height: 32, channels: 3, background: '#456' } })
      .webp()
      .toBuffer(),
  ))!
  expect([small.width, small.height]).toEqual([64, 32])
})

test.each([
  ['words', Buffer.from('no picture')],
  [
    'a drawing in words',
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>'),
  ],
  ['nothing', Buffer.alloc(0)],
  ['half a picture', null],
])('%s is refused', async (_, bytes) => {
  const half = bytes ?? (await fromCamera()).subarray(0, 120)
  expect(await preparedPhoto(half)).toBeNull()
})
