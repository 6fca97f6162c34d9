import 'fake-indexeddb/auto'
import { expect, test } from '@jest/globals'
import { MediaBox, type Medium } from './mediaBox'

const medium = (more: Partial<Medium> = {}): Medium => ({
  id: crypto.randomUUID(),
  jobId: 'job',
  kind: 'photo',
  blob: new Blob(['x']),
  seconds: 0,
  width: 1,
  height: 1,
  unclaimed: false,
  ...more,
})
let shops = 0
const shop = () => `shop-${++shops}`

test('a picture is kept before it is sent, and goes once the shop has it', async () => {
  const answers: ('offline' | 'stored')[] = ['offline', 'stored']
  const sent: string[] = []
  const box = new MediaBox(shop(), async ({ id }) => {
    sent.push(id)
    return answers.shift() ?? 'stored'
  })
  const photo = medium()
  await box.keep(photo)
  await box.flush()
  expect((await box.waiting('job')).map(({ id }) => id)).toEqual([photo.id])
  await box.flush()
  expect([await box.waiting('job'), sent]).toEqual([[], [photo.id, photo.id]])
})

test('one taken before its job was open waits until the job’s log knows of it', async () => {
  const sent: string[] = []
  const box = new MediaBox(shop(), async ({ id }) => {
    sent.push(id)
    return 'stored'
  })
  const photo = medium({ unclaimed: true })
  await box.keep(photo)
  await box.flush()
  expect([sent, (await box.waiting('job')).length]).toEqual([[], 1])
  await box.claim(photo.id)
  await box.flush()
  expect([sent, await box.waiting('job')]).toEqual([[photo.id], []])
})

test('what the shop refuses stays on the device, is not sent again, and holds up nothing', async () => {
  const sent: string[] = []
  const [bad, good] = [medium({ id: 'a' }), medium({ id: 'b' })]
  const box = new MediaBox(shop(), async ({ id }) => {
    sent.push(id)
    return id === 'a' ? 'refused' : 'stored'
  })
  await box.keep(bad)
  await box.keep(good)
  await box.flush()
  await box.flush()
  expect((await box.waiting('job')).map(({ id }) => id)).toEqual(['a'])
  expect(sent.filter((id) => id === 'a')).toHaveLength(1)
})

test('another page of the same device finds what was kept', async () => {
  const name = shop()
  const photo = medium()
  const first = new MediaBox(name, async () => 'offline')
  await first.keep(photo)
  await first.flush()
  const second = new MediaBox(name, async () => 'stored')
  expect((await second.waiting('job')).map(({ id }) => id)).toEqual([photo.id])
})
