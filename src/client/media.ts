import { MediaBox, type Medium } from './mediaBox'
import { newUuid } from './newId'

/**
 * What a picture is made to fit before it leaves the device: enough to read a part number by, small enough for a bay's
 * network.
 */
const LONGEST_SIDE_PX = 2400

const boxes = new Map<string, MediaBox>()
const local = new Map<string, string>()

export function mediaBoxOf(shopId: string): MediaBox {
  const box = boxes.get(shopId) ?? new MediaBox(shopId, sendMedium)
  boxes.set(shopId, box)
  return box
}

async function sendMedium({ id, jobId, kind, blob }: Medium): Promise<'stored' | 'refused' | 'offline'> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/media/${id}?kind=${kind}`, {
      method: 'POST',
      headers: { 'content-type': blob.type || 'application/octet-stream' },
      body: blob,
      signal: AbortSignal.timeout(60_000),
    })
    return response.ok ? 'stored' : response.status >= 500 || response.status === 401 ? 'offline' : 'refused'
  } catch {
    return 'offline'
  }
}

/** Where a picture is shown from: this device while it still has it in the page, else the shop. */
export function mediaUrl(id: string, size: 'whole' | 'small' = 'whole'): string {
  return local.get(id) ?? `/api/media/${id}${size === 'small' ? '?size=small' : ''}`
}

export function showLocally(id: string, blob: Blob): void {
  if (!local.has(id)) local.set(id, URL.createObjectURL(blob))
}

/**
 * A picture upright, no larger than it need be, and without what a camera writes into it (place, owner). Null where the
 * browser can't read it.
 */
export async function preparePhoto(file: Blob): Promise<{ blob: Blob; width: number; height: number } | null> {
  try {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(bitmap.width * scale)
    canvas.height = Math.round(bitmap.height * scale)
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.85))
    return blob && { blob, width: canvas.width, height: canvas.height }
  } catch {
    return null
  }
}

/**
 * A picture taken for a job: prepared, shown from here at once, kept on this device, sent when there is a network. Null
 * where it is no picture.
 */
export async function keepPhoto(
  shopId: string,
  jobId: string,
  file: Blob,
): Promise<{ id: string; width: number; height: number } | null> {
  const photo = await preparePhoto(file)
  if (!photo) return null
  const { blob, width, height } = photo
  const id = newUuid()
  showLocally(id, blob)
  await mediaBoxOf(shopId).keep({ id, jobId, kind: 'photo', blob, seconds: 0, width, height, unclaimed: false })
  return { id, width, height }
}
