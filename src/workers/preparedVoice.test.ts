import { expect, test } from '@jest/globals'
import { preparedVoice } from './preparedVoice'

/** Frames of MPEG-1 layer III at 128 kbit/s and 44.1 kHz, 417 bytes each (ISO/IEC 11172-3, from memory): silence. */
function mp3(frames: number): Uint8Array {
  const frame = Buffer.alloc(417)
  frame.set([0xff, 0xfb, 0x90, 0x64])
  return Buffer.concat(Array.from({ length: frames }, () => frame))
}

test('a recording is what its bytes say, whatever it is called', async () => {
  const kept = (await preparedVoice(mp3(100)))!
  expect([kept.mime, kept.bytes.length]).toEqual(['audio/mpeg', 41_700])
})

test.each([
  ['a page', Buffer.from('<!doctype html><script>alert(1)</script>')],
  ['nothing', Buffer.alloc(0)],
  ['noughts', Buffer.alloc(5000)],
  ['the head of one, without sound', Buffer.from([0x1a, 0x45, 0xdf, 0xa3, 0x84, 0x77, 0x65, 0x62, 0x6d])],
  [
    'a picture',
    Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  ],
  // 26 ms a frame: a little over ten minutes.
  ['one of more than ten minutes', mp3(23_500)],
])('%s is no recording', async (_, bytes) => {
  expect(await preparedVoice(bytes)).toBeNull()
})
