import { wallMsOf } from '@/core/base/clock'
import { balanceOf, type BalanceRow } from '@/core/job/balance'
import { foldJob } from '@/core/job/fold'
import { handoverBlocks } from '@/core/job/handover'
import { liveCircumstances } from '@/core/job/liveVehicle'
import { termsOf, testsOwed } from '@/core/job/terms'
import { uRows } from '@/core/job/uRows'
import type { JobEvent } from '@/core/job/event'
import { judged } from '@/core/plan/derive/demandsOf'
import type { FoundPlan } from '@/core/plan/find/foundPlan'
import { countedIn } from '@/core/order/operation'
import { keptPlan } from '@/core/plan/keptPlan'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import { traysFor } from '@/core/plan/show/trays'
import type { Severity } from '@/core/procedure/severity'
import type { ProcedureDocument } from '@/core/procedure/document'
import { modelNow } from '@/core/job/modelNow'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import type { HouseValues } from '@/core/shop/houseValues'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { rowWords } from './balanceWords'
import { INTAKE_WORDS } from './intakeWords'
import { changeWords } from './overlayWords'
import { holderWords, itemWords, ownerWords, threadWords } from './items'
import { capital, settingTo } from './operations'
import { dateWords } from './dates'

export type HandoverSource = {
  id: string
  title: string
  revisionNumber: number | null
  vehicle: { label: string; plate: string; customer: string }
  request: PlanRequest | null
  found: FoundPlan | null
  document: ProcedureDocument
  events: readonly JobEvent[]
}

/** Everything the hand-over sheet says, in the words it says it in. */
export type HandoverFacts = {
  shopName: string
  label: string
  vehicle: string
  customer: string
  done: string
  on: string
  by: string
  verdict: string
  counts: { words: string; of: string }[]
  opened: { name: string; level: 'eased' | 'free' | 'off'; what: string; back: boolean }[]
  work: string[]
  replaced: string[]
  changed: string[]
  accepted: string[]
  cautions: { severity: Severity | 'AIRBAG'; sentence: string }[]
  lookalikes: { words: string; diameterMm: number; lengthMm: number }[]
  tests: { name: string; how: string; reading: string; who: string; result: string }[]
  asFound: string
  asLeft: string
  notes: string[]
  photos: { id: string; words: string }[]
  signatures: { name: string; as: string; at: string }[]
  foot: string
  code: string
}

/** The sheet of one job, from the shop's own record of it. Cost: a fold and a derivation. */
export function handoverFacts(
  job: HandoverSource,
  shop: {
    name: string
    house: HouseValues
    rules: ShopRules
    people: ReadonlyMap<string, string>
    origin: string
    hasOthers: boolean
  },
): HandoverFacts {
  const { document } = job
  const state = foldJob(document, job.events)
  const rules = rulesInForce(shop.rules)
  const model = modelNow(document, job.request, state)
  const kept = job.request && keptPlan(model, job.request, shop.house, rules, job.found)
  const plan = kept?.ok ? kept.value : null
  const terms = termsOf(document, job.request)
  const balance = balanceOf(document, state, terms)
  const circumstances = liveCircumstances(model, state, shop.house, rules, { id: '', authorised: [] })
  const name = (id: string) => shop.people.get(id) ?? 'somebody'
  const holder = (id: string) => document.holders.find((item) => item.id === id)!
  const steps = plan ? [...plan.wayIn, ...plan.wayOut].flatMap((card) => card.steps) : []
  const cautions = new Map(
    steps.flatMap((step) =>
      cautionsFor(model, judged(plan!.job, step.operation), circumstances).flatMap((caution) =>
        caution.builtIn ? [] : [[caution.id, caution] as const],
      ),
    ),
  )
  const airbags = [...state.tethersTouched].filter((id) =>
    isAirbagCircuit(document.tethers.find((tether) => tether.id === id)!),
  )
  const account = (words: string, rows: readonly BalanceRow[]) => ({
    words,
    of: `${rows.filter((row) => !balance.openRows.includes(row) && !balance.acceptedRows.includes(row)).length} of ${rows.length}`,
  })
  const rowsOf = (kind: BalanceRow['account']) => balance.rows.filter((row) => row.account === kind)
  const touched = [...state.holders].filter(([, c]) => c.undone > 0)
  const [undone, standing] = touched.reduce(
    ([u, s], [, c]) => [u + c.undone, s + Math.min(c.undone, c.fastenedOld + c.fittedNew)],
    [0, 0],
  )
  const first = state.history[0]
  const day = (ms: number) => dateWords(ms, 'printed', shop.house.timeZone)
  const workers = [
    ...new Set(
      state.history
        .filter(({ what }) => ['undone', 'part at', 'opened', 'closed', 'fastened', 'work done'].includes(what.kind))
        .map((event) => name(event.personId)),
    ),
  ]
  const blocks = handoverBlocks(document, state, shop.hasOthers, terms)
  const nothingOpen = balance.closed
  return {
    shopName: shop.name,
    label: job.vehicle.label,
    vehicle: `${document.name} ${job.vehicle.plate}`.trim(),
    customer: job.vehicle.customer || '–',
    done: job.title,
    on: state.handedOver
      ? `${first ? `${day(wallMsOf(first.at))} – ` : ''}${day(wallMsOf(state.handedOver.at))}`
      : 'not handed over yet',
    by: workers.join(', ') || '–',
    verdict:
      !state.handedOver && blocks.length > 0
        ? `Not handed over: ${blocks.length} in the way`
        : nothingOpen
          ? 'Nothing left open'
          : `${balance.acceptedRows.length} left open, accepted`,
    counts: [
      { words: 'fasteners', of: `${standing} of ${undone}` },
      account('parts', rowsOf('part')),
      account('plugs', rowsOf('tether')),
      account('settings', rowsOf('setting')),
      account('tools', rowsOf('tool')),
    ],
    opened: (plan ? uRows(plan, state) : []).flatMap((row) => {
      const was = state.setAside.has(row.id) ? 'off' : state.moved.has(row.id) ? 'free' : null
      if (row.thing !== 'part' || was === null) return []
      const groups = row.inCards.flatMap((card) =>
        card.steps.flatMap(({ operation }) => [
          ...countedIn(operation).map((id) => holderWords(holder(id))),
          ...(operation.act === 'open' ? [`plug ${itemWords(document, operation.itemId)}`] : []),
        ]),
      )
      return [
        {
          name: itemWords(document, row.id),
          level: was,
          what: groups.join(', '),
          back: row.level === 'in place',
        } as const,
      ]
    }),
    work: [...state.works].map(([id, work]) =>
      [plan?.job.works.get(id)?.name ?? 'Work', work.reading, work.note].filter(Boolean).join(', '),
    ),
    replaced: [
      ...[...state.holders].flatMap(([id, c]) =>
        c.fittedNew > 0
          ? [
              `${holderWords({ ...holder(id), count: c.fittedNew }).replace(' ', ' new ')} of ${ownerWords(document, holder(id)).toLowerCase()}${c.broken > 0 && c.piecesRecovered >= c.broken ? '; all pieces of the old found' : ''}.`,
            ]
          : [],
      ),
      ...[...terms.endings].flatMap(([id, end]) =>
        end !== 'refitted' && state.moved.has(id) ? [`${itemWords(document, id)}: ${end}.`] : [],
      ),
      ...state.leftOut.map((item) => `${item.count} left out, ${itemWords(document, item.holderId)}: ${item.reason}.`),
    ],
    changed: [...state.changes.values()].map(
      (item) =>
        `${changeWords(item)}. Agreed by ${item.consentBy}. ${item.edgeTreated ? 'Edge treated.' : 'Edge not treated.'}`,
    ),
    accepted: [
      ...balance.acceptedRows.map((row) => {
        const by = state.accepted.get(`${row.account}:${row.id}`)!
        return `${rowWords(document, row).heading}: ${by.reason} (${name(by.personId)}).`
      }),
      ...(state.lossAccepted
        ? [
            `Does not work any more: ${state.lossAccepted.functionIds.map((id) => itemWords(document, id)).join(', ')}. Accepted by ${state.lossAccepted.by}.`,
          ]
        : []),
      ...[...state.ends].flatMap(([id, { end }]) =>
        end === 'left open and insulated'
          ? [`Plug ${itemWords(document, id)} is left open on purpose and insulated.`]
          : [],
      ),
    ],
    cautions: [
      ...[
        { words: 'Is open', ids: airbags.filter((id) => state.tethersOpen.has(id)) },
        { words: 'Was open and is closed again', ids: airbags.filter((id) => !state.tethersOpen.has(id)) },
      ]
        .filter(({ ids }) => ids.length > 0)
        .map(({ words, ids }) => ({
          severity: 'AIRBAG' as const,
          sentence: `${words}: ${ids.map((id) => itemWords(document, id)).join(', ')}.`,
        })),
      ...[...cautions.values()].map(({ severity, sentence }) => ({ severity, sentence })),
    ],
    lookalikes: (plan ? traysFor(plan) : [])
      .filter((tray) => tray.notWith.length > 0)
      .flatMap((tray) =>
        tray.holderIds.flatMap((id) =>
          holder(id).thread
            ? [
                {
                  words: `${threadWords(holder(id))}, ${ownerWords(document, holder(id)).toLowerCase()}`,
                  diameterMm: holder(id).thread!.diameterMm,
                  lengthMm: holder(id).thread!.lengthMm,
                },
              ]
            : [],
        ),
      ),
    tests: testsOwed(document, state, terms).map((item) => {
      const test = state.tests.get(item.id)
      const before = state.workedBefore.get(item.id)?.works === false ? 'did not work before' : ''
      return {
        name: item.name,
        how: item.how,
        reading: [test?.reading, before].filter(Boolean).join(', '),
        who: test ? `${name(test.personId)}, ${dateWords(wallMsOf(test.at), 'clock', shop.house.timeZone)}` : '',
        result: test?.result ?? 'not tested',
      }
    }),
    asFound: [
      ...[...state.intake].flatMap(([point, { value }]) =>
        value === ''
          ? []
          : [
              `${INTAKE_WORDS[point].name.toLowerCase()} ${value}${INTAKE_WORDS[point].unit ? ` ${INTAKE_WORDS[point].unit}` : ''}`,
            ],
      ),
      ...[...state.holders].flatMap(([id, c]) =>
        [c.missing > 0 && `${c.missing} missing`, c.extra > 0 && `${c.extra} too many`].flatMap((found) =>
          found ? [`${found} of ${itemWords(document, id)}`] : [],
        ),
      ),
    ].join('; '),
    asLeft: document.settings
      .map((setting) => settingTo(setting.name, state.settings.get(setting.id) ?? setting.asFound))
      .join(', '),
    notes: state.notes.filter((note) => note.text !== '').map((note) => `${note.text} (${name(note.personId)})`),
    photos: state.photos.map((photo) => ({
      id: photo.photoId,
      words: photo.itemId ? itemWords(document, photo.itemId) : 'photo of this job',
    })),
    signatures: state.signatures.map((signature) => ({
      name: signature.name,
      as: { installer: 'installer', checker: 'checked it', 'second pass': 'second pass, the same person' }[
        signature.as
      ],
      at: day(wallMsOf(signature.at)),
    })),
    foot: `${capital(document.name)}, ${job.revisionNumber ? `revision ${job.revisionNumber}` : 'draft record'}`,
    code: `${shop.origin}/jobs/${job.id}/handover`,
  }
}
