import 'server-only'
import { join } from 'node:path'
import type { SheetQuestion, ShortSheet } from '@/workers/sheetsOnServer'
import { REFUSALS } from '@/words/refusals'
import { deviceNames } from './devices'
import { env } from './env'
import { shopHasOthers } from './handOver'
import { everybody, readJob } from './jobs'
import { readMedia } from './media'
import type { Crew } from './whoAsks'
import { onThread, type Threaded } from './threads'

const MOST_PHOTOS = 12

export type Sheet =
  | { status: 'made'; pdf: Uint8Array; label: string }
  | { status: 'unknown job' }
  | { status: 'refused'; sentence: string }

/** The hand-over sheet as a PDF, made from the shop's own record of the job, on a thread of its own. */
export async function handOverSheet(crew: Crew, jobId: string, signal: AbortSignal): Promise<Sheet> {
  const job = await readJob(crew, jobId)
  if (!job) return { status: 'unknown job' }
  const shop = {
    name: crew.shopName,
    house: crew.house,
    rules: crew.rules,
    people: new Map((await everybody(crew)).map((person) => [person.id, person.name])),
    devices: await deviceNames(crew),
    origin: env().ISTRUZIONE_ORIGIN,
    hasOthers: await shopHasOthers(crew),
  }
  const ask = <T>(question: SheetQuestion) => onThread<T>('sheet', crew.shopId, () => question, { signal })
  const facts = await ask<ShortSheet>({ ask: 'facts', job, shop })
  if (facts.kind === 'not answered') return sheetNotMade(facts)
  const photos = []
  for (const { id, words } of facts.answer.photos.slice(0, MOST_PHOTOS)) {
    const photo = await readMedia(crew, id, true)
    if (photo) photos.push({ data: new Uint8Array(photo.bytes), words })
  }
  const paper = await ask<Uint8Array>({ ask: 'paper', facts: facts.answer, photos, fonts: FONTS })
  if (paper.kind === 'not answered') return sheetNotMade(paper)
  return { status: 'made', pdf: new Uint8Array(paper.answer), label: job.vehicle.label }
}

/** Why no paper was made, as a sentence. */
export function sheetNotMade({ why, deadlineS }: Extract<Threaded<unknown>, { kind: 'not answered' }>): {
  status: 'refused'
  sentence: string
} {
  const sentence = why === 'too many wait' ? REFUSALS.manySheetsAsked : REFUSALS.sheetTookTooLong(deadlineS)
  return { status: 'refused', sentence }
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
export const FONTS: Extract<SheetQuestion, { ask: 'paper' }>['fonts'] = {
  regular: fontFile('next', 400),
  bold: fontFile('next', 700),
  heavy: fontFile('next', 800),
  mono: fontFile('mono', 400),
  monoBold: fontFile('mono', 700),
}
