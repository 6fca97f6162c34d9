import { renderToBuffer } from '@react-pdf/renderer'
import { z } from 'zod'
import { handoverFacts } from '@/words/handoverFacts'
import { HandoverFacts, HandoverShop, HandoverSource } from '@/words/jobSheet'
import { shortSheet } from '@/words/shortSheet'
import { QuotationFacts } from '@/words/quotationFacts'
import { quotationSheet } from '@/paper/quotationSheet'
import { handoverPaper } from '@/paper/handoverPaper'
import { Fonts } from '@/paper/pdfStyles'

const ShortSheet = HandoverFacts.extend({ leftOut: z.array(z.string()) })
export type ShortSheet = z.infer<typeof ShortSheet>

/** First what the sheet says, then, with the pictures it names, the paper itself. */
export const SheetQuestion = z.discriminatedUnion('ask', [
  z.object({ ask: z.literal('facts'), job: HandoverSource, shop: HandoverShop }),
  z.object({
    ask: z.literal('paper'),
    facts: ShortSheet,
    photos: z.array(z.object({ data: z.instanceof(Uint8Array), words: z.string() })),
    fonts: Fonts,
  }),
  z.object({ ask: z.literal('quotation'), facts: QuotationFacts, fonts: Fonts }),
])
export type SheetQuestion = z.infer<typeof SheetQuestion>

/**
 * A paper, the hand-over's or a quotation's, on a thread of the server's pool. Cost: a fold, a derivation and the
 * drawing of its pages.
 */
export default async function sheet(asked: unknown): Promise<ShortSheet | Uint8Array> {
  const question = SheetQuestion.parse(asked)
  if (question.ask === 'quotation') return renderToBuffer(quotationSheet(question))
  if (question.ask === 'facts') return shortSheet(handoverFacts(question.job, question.shop))
  const photos = question.photos.map(({ data, words }) => ({ data: Buffer.from(data), words }))
  return renderToBuffer(handoverPaper({ facts: question.facts, photos, fonts: question.fonts }))
}
