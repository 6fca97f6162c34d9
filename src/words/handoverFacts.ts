import { wallMsOf } from '@/core/base/clock'
import { handoverBlocks } from '@/core/job/handover'
import type { JobState } from '@/core/job/jobState'
import { customerOf } from './customerSheet'
import { dateWords } from './dates'
import {
  acceptedOf,
  airbagCautions,
  countsOf,
  foundWords,
  intakeWords,
  lookalikesOf,
  openedOf,
  ownCautions,
  replacedOf,
  sheetOf,
  testsOf,
  workersOf,
  type HandoverFacts,
  type HandoverShop,
  type HandoverSource,
  type JobSheet,
} from './jobSheet'
import { itemWords } from './items'
import { capital, settingTo } from './operations'
import { changeWords } from './overlayWords'

/** The sheet of one job, from the shop's own record of it. Cost: a fold and a derivation. */
export function handoverFacts(job: HandoverSource, shop: HandoverShop): HandoverFacts {
  const sheet = sheetOf(job, shop)
  const { document, state, plan, terms, balance, name } = sheet
  const day = (ms: number) => dateWords(ms, 'printed', shop.house.timeZone)
  const first = state.history[0]
  const blocks = handoverBlocks(document, state, shop.hasOthers, terms)
  const begun = first ? `${day(wallMsOf(first.at))} – ` : ''
  return {
    shopName: shop.name,
    label: job.vehicle.label,
    vehicle: `${document.name} ${job.vehicle.plate}`.trim(),
    customer: job.vehicle.customer || '–',
    done: job.title,
    on: onWords(state, begun, day),
    by: workersOf(sheet).join(', ') || '–',
    verdict: verdictOf(balance, state.handedOver !== null, blocks.length),
    counts: countsOf(sheet),
    opened: openedOf(sheet),
    work: [...state.works].map(([id, work]) =>
      [plan?.job.works.get(id)?.name ?? 'Work', work.reading, work.note].filter(Boolean).join(', '),
    ),
    replaced: replacedOf(sheet),
    changed: [...state.changes.values()].map(
      (item) =>
        `${changeWords(item)}. Agreed by ${item.consentBy}. ${item.edgeTreated ? 'Edge treated.' : 'Edge not treated.'}`,
    ),
    accepted: acceptedOf(sheet),
    cautions: [...airbagCautions(sheet), ...ownCautions(sheet)],
    lookalikes: lookalikesOf(sheet),
    tests: testsOf(sheet),
    asFound: [...intakeWords(sheet), ...foundWords(sheet)].join('; '),
    asLeft: document.settings
      .map((setting) => settingTo(setting.name, state.settings.get(setting.id) ?? setting.asFound))
      .join(', '),
    withCustomer: customerOf(sheet),
    notes: state.notes.filter((note) => note.text !== '').map((note) => `${note.text} (${name(note.personId)})`),
    photos: state.photos.map((photo) => ({
      id: photo.photoId,
      words: photo.itemId
        ? (plan?.job.works.get(photo.itemId)?.name ?? itemWords(document, photo.itemId))
        : 'photo of this job',
    })),
    signatures: state.signatures.map((signature) => ({
      name: signature.name,
      as: SIGNED_AS[signature.as],
      at: day(wallMsOf(signature.at)),
    })),
    foot: `${capital(document.name)}, ${job.revisionNumber ? `revision ${job.revisionNumber}` : 'draft record'}`,
    code: `${shop.origin}/jobs/${job.id}/handover`,
  }
}

const SIGNED_AS = {
  installer: 'installer',
  checker: 'checked it',
  'second pass': 'second pass, the same person',
} as const

/** When it was handed over; where it was before and no longer is, which sheet this one stands in for. */
function onWords({ handedOver, handedOverBefore }: JobState, begun: string, day: (ms: number) => string): string {
  const now = handedOver ? `${begun}${day(wallMsOf(handedOver.at))}` : 'not handed over yet'
  return handedOverBefore ? `${now} (supersedes the sheet of ${day(wallMsOf(handedOverBefore.at))})` : now
}

/** What is to be known of a job that was handed over, and is open again. `when`: that hand-over. */
export function reopenedWords(when: string): string {
  return `Opened again. It was handed over on ${when}; what arrived or was done after that nobody has signed for. That sheet is superseded: sign again and hand over anew.`
}

function verdictOf(balance: JobSheet['balance'], isHandedOver: boolean, blocks: number): string {
  if (!isHandedOver && blocks > 0) return `Not handed over: ${blocks} in the way`
  return balance.closed ? 'Nothing left open' : `${balance.acceptedRows.length} left open, accepted`
}
