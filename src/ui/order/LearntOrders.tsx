'use client'
import type { StandingOrder } from '@/core/order/standingOfOrder'
import { coverEdits, mayCover } from '@/core/order/mayCover'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { Need } from '@/core/procedure/need'
import { orderEdits, reasonEdit } from '@/core/order/statedOrder'
import { newId } from '@/client/newId'
import { itemWords } from '@/words/items'
import type { OrderView } from './orderModel'
import { splitKey } from '@/core/procedure/acts'

const SAID: Record<StandingOrder['standing'], string> = {
  explained: 'explained by the facts',
  habit: 'a habit',
  method: 'the recorder’s order',
  observed: 'observed, nobody has said why',
  new: 'new: the strips agree',
  contradicted: 'contradicted by a strip',
}

/**
 * Orders that strips show and the facts don't ask for: each with the strips behind it, to be explained, called a habit,
 * or left.
 */
export function LearntOrders({
  document,
  view,
  strips,
  save,
  onWhy,
}: {
  document: ProcedureDocument
  view: OrderView
  strips: number
  save: (edits: Edit[]) => Promise<string | null>
  onWhy: (needId: string) => void
}) {
  const name = (key: string) => itemWords(document, splitKey(key)[1])
  const change = (needId: string, to: Need['reason']) => {
    void save(reasonEdit(document, needId, to))
  }
  const record = (order: StandingOrder, reason: 'observed' | 'habit') => {
    void save(orderEdits(order, reason, newId('need'), `seen on ${order.strips.join(', ')}`))
  }
  const covers = (order: StandingOrder) => {
    const cover = mayCover(document, order)
    return order.standing === 'explained' || order.standing === 'habit' || !cover
      ? null
      : {
          words: `Does ${itemWords(document, cover.partId)} cover them?`,
          say: () => void save(coverEdits(document, cover, order.needId, () => newId('need'))),
        }
  }
  const remove = (needId: string) =>
    void save([
      { kind: 'remove', collection: 'needs', id: needId, item: document.needs.find((item) => item.id === needId)! },
    ])
  return (
    <section aria-label="Order learnt from strips" className="overflow-auto border-t-2 border-ink pb-3">
      <h3 className="pt-2 text-base">
        Order learnt from strips <span className="num font-normal">{strips}</span>
      </h3>
      {strips === 0 && (
        <p className="text-second">No job on this model has taken anything off yet. Each one that does is a strip.</p>
      )}
      {strips > 0 && view.standing.length === 0 && view.learnt.contradicted.length === 0 && (
        <p className="text-second">The strips show no order that the facts don’t ask for anyway.</p>
      )}
      <ul>
        {view.standing.map((order) => (
          <li
            key={`${order.before}>${order.after}`}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair py-1.5"
            data-standing={order.standing}
          >
            <span className="min-w-0 flex-1">
              <b>{name(order.before)}</b> before <b>{name(order.after)}</b>
              <span className="block text-[15px] text-second">
                {SAID[order.standing]}
                {order.strips.length > 0 && `; seen on ${order.strips.join(', ')}`}
                {order.against.length > 0 && `; the other way round on ${order.against.join(', ')}`}
                {covers(order) && <span className="block font-semibold text-ink">{covers(order)!.words}</span>}
              </span>
            </span>
            {covers(order) && (
              <button type="button" className="desk-button" onClick={covers(order)!.say}>
                It covers them
              </button>
            )}
            {order.standing === 'new' && (
              <>
                <button type="button" className="desk-button" onClick={() => record(order, 'observed')}>
                  Keep as observed
                </button>
                <button type="button" className="desk-button" onClick={() => record(order, 'habit')}>
                  It is a habit
                </button>
              </>
            )}
            {(order.standing === 'observed' || order.standing === 'contradicted') && order.needId && (
              <>
                <button type="button" className="desk-button" onClick={() => onWhy(order.needId!)}>
                  Say why
                </button>
                <button type="button" className="desk-button" onClick={() => change(order.needId!, 'habit')}>
                  It is a habit
                </button>
              </>
            )}
            {order.standing === 'explained' && order.needId && (
              <button type="button" className="desk-button" onClick={() => remove(order.needId!)}>
                Remove: the facts say it
              </button>
            )}
          </li>
        ))}
        {view.learnt.inCircle.length > 0 && (
          <li className="py-1.5">
            In a circle, so not kept:{' '}
            {view.learnt.inCircle.map((order) => `${name(order.before)} before ${name(order.after)}`).join('; ')}. Which
            of them holds, and why?
          </li>
        )}
        {view.learnt.contradicted.map((order) => (
          <li key={`${order.before}<>${order.after}`} className="border-b border-hair py-1.5 text-[15px] text-second">
            {name(order.before)} and {name(order.after)}: either order. {order.forIt.length} and {order.against.length}{' '}
            {order.forIt.length + order.against.length === 1 ? 'strip' : 'strips'}.
          </li>
        ))}
      </ul>
    </section>
  )
}
