import { renderToBuffer } from '@react-pdf/renderer'
import { join } from 'node:path'
import { z } from 'zod'
import { env } from '@/server/env'
import { shopHasOthers } from '@/server/handOver'
import { deviceNames } from '@/server/devices'
import { everybody, readJob } from '@/server/jobs'
import { readMedia } from '@/server/media'
import { currentCrew } from '@/server/session'
import { handoverFacts } from '@/words/handoverFacts'
import { HandoverPdf } from '@/ui/paper/HandoverPdf'
import type { Fonts } from '@/ui/paper/pdfStyles'

export const dynamic = 'force-dynamic'
const MOST_PHOTOS = 12

/** The hand-over sheet as a PDF, made from the shop's own record of the job. */
export async function GET(_: Request, { params }: { params: Promise<{ jobId: string }> }): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return new Response('Sign in first.', { status: 401 })
  const id = z.uuid().safeParse((await params).jobId)
  const job = id.success ? await readJob(crew, id.data) : null
  if (!job) return new Response('There is no such job in your shop.', { status: 404 })
  const people = new Map((await everybody(crew)).map((person) => [person.id, person.name]))
  const facts = handoverFacts(job, {
    name: crew.shopName,
    house: crew.house,
    rules: crew.rules,
    people,
    devices: await deviceNames(crew),
    origin: env().ISTRUZIONE_ORIGIN,
    hasOthers: await shopHasOthers(crew),
  })
  const photos = []
  for (const { id: photoId, words } of facts.photos.slice(0, MOST_PHOTOS)) {
    const photo = await readMedia(crew, photoId, true)
    if (photo) photos.push({ data: photo.bytes, words })
  }
  const pdf = await renderToBuffer(<HandoverPdf facts={facts} photos={photos} fonts={FONTS} />)
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="hand-over-${job.vehicle.label.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.pdf"`,
      'cache-control': 'private, no-store',
    },
  })
}

/** The fonts ship with the application as packages; nothing is fetched. */
const fontFile = (family: 'next' | 'mono', weight: number) =>
  join(
    process.cwd(),
    'node_modules',
    '@fontsource',
    `atkinson-hyperlegible-${family}`,
    'files',
    `atkinson-hyperlegible-${family}-latin-${weight}-normal.woff`,
  )
const FONTS: Fonts = {
  regular: fontFile('next', 400),
  bold: fontFile('next', 700),
  heavy: fontFile('next', 800),
  mono: fontFile('mono', 400),
  monoBold: fontFile('mono', 700),
}
