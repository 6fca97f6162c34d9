import { renderToBuffer } from '@react-pdf/renderer'
import { handoverFacts } from '@/words/handoverFacts'
import type { HandoverFacts, HandoverShop, HandoverSource } from '@/words/jobSheet'
import { shortSheet } from '@/words/shortSheet'
import { handoverPaper } from '@/paper/handoverPaper'
import type { Fonts } from '@/paper/pdfStyles'

export type ShortSheet = HandoverFacts & { leftOut: string[] }

/** First what the sheet says, then, with the pictures it names, the paper itself. */
export type SheetQuestion =
  | { ask: 'facts'; job: HandoverSource; shop: HandoverShop }
  | { ask: 'paper'; facts: ShortSheet; photos: { data: Uint8Array; words: string }[]; fonts: Fonts }

/** The hand-over sheet, on a thread of the server's pool. Cost: a fold, a derivation and the drawing of its pages. */
export default async function sheet(question: SheetQuestion): Promise<ShortSheet | Uint8Array> {
  if (question.ask === 'facts') return shortSheet(handoverFacts(question.job, question.shop))
  const photos = question.photos.map(({ data, words }) => ({ data: Buffer.from(data), words }))
  return renderToBuffer(handoverPaper({ facts: question.facts, photos, fonts: question.fonts }))
}
