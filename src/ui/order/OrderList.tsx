import type { ProcedureDocument } from '@/core/procedure/document'
import { LevelMark } from '../marks/LevelMark'
import { itemWords } from '@/words/items'
import { whySentence } from '@/words/reasons'
import { agreedWords, reasonWords } from './OrderGraph'
import type { OrderView } from './orderModel'

/**
 * The order as a list, layer by layer from the outside in, with the reason on every link. The same as the drawing, for
 * reading and for keys.
 */
export function OrderList({
  document,
  view,
  onPick,
}: {
  document: ProcedureDocument
  view: OrderView
  onPick: (id: string) => void
}) {
  const depth = Math.max(0, ...view.layers.map((item) => item.layer))
  return (
    <div className="overflow-auto pb-4 pr-2" data-testid="order-list">
      {Array.from({ length: depth }, (_, i) => i + 1).map((layer) => (
        <section key={layer} className="mt-3">
          <h3 className="border-b-2 border-ink text-base">
            {layer === 1 ? 'Outermost: nothing comes before these' : `Layer ${layer}`}
          </h3>
          <ul>
            {view.layers
              .filter((item) => item.layer === layer)
              .map(({ partId }) => {
                const level = view.removal.levels.get(partId)!
                const first = view.links.filter((link) => link.after === partId)
                return (
                  <li key={partId} className="flex gap-3 border-b border-hair py-1.5">
                    <LevelMark level={level} size={22} className="mt-0.5 shrink-0" />
                    <div className="min-w-0">
                      <button
                        type="button"
                        className="min-h-8 font-bold hover:underline"
                        onClick={() => onPick(partId)}
                      >
                        {itemWords(document, partId)}
                      </button>
                      <span className="text-second"> {level}</span>
                      {first.map((link) => (
                        <span key={link.before} className="block">
                          after {itemWords(document, link.before)}: {reasonWords(document, link)}
                          {agreedWords(link) && <span className="text-second"> (agreed by {agreedWords(link)})</span>}
                        </span>
                      ))}
                      <span className="block text-[15px] text-second">
                        {whySentence(
                          document,
                          view.removal,
                          `${level === 'off' ? 'lift' : level === 'eased' ? 'ease' : 'release'}:${partId}`,
                        )}
                      </span>
                    </div>
                  </li>
                )
              })}
          </ul>
        </section>
      ))}
      {view.layers.length === 0 && <p className="py-4 text-second">Nothing has to come off for this.</p>}
    </div>
  )
}
