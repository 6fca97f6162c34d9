import type { ReactNode } from 'react'
import type { BottomItem, URow } from '@/core/job/uRows'
import { countedIn } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { hiddenWords, settingTo } from '@/words/operations'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { PlugMark } from '../marks/PlugMark'
import type { Size, UProps } from './uProps'

/** The groups and plugs of a row, as marks with their counts. */
export function Counts({ model, row, size }: { model: ProcedureForBuild; row: URow; size: Size }) {
  const steps = row.inCards.flatMap((card) => card.steps)
  const px = size === 'bay' ? 20 : 18
  const marks = steps.flatMap((step) => {
    const { act, itemId, key } = step.operation
    const groups = countedIn(step.operation).map((id) => {
      const holder = model.holders.get(id)!
      return (
        <Count
          key={`${key} ${id}`}
          n={holder.count}
          mark={<FastenerMark shape={shapeOf(holder)} hidden={hiddenWords(model, id) !== ''} size={px} />}
        />
      )
    })
    return groups.length > 0
      ? groups
      : act === 'open'
        ? [<Count key={key} n={1} mark={<PlugMark tether={model.tethers.get(itemId)!} size={px + 2} />} />]
        : []
  })
  const part = model.parts.get(row.id)
  const rest =
    part && row.inCards.length > 0 && !steps.some((step) => step.operation.act === 'lift') ? part.rests[0]?.how : null
  const how =
    row.thing === 'setting'
      ? steps
          .map(({ operation }) => settingTo(model.settings.get(operation.itemId)!.name, operation.setting!.to))
          .join(', ')
      : rest
  if (marks.length === 0 && !how) return null
  return (
    <div
      className={`flex flex-wrap items-center gap-x-3 ${size === 'bay' ? 'text-[17px]' : 'text-[15px]'}`}
      aria-hidden="true"
    >
      {marks}
      {how && <span className="text-second">{how}</span>}
    </div>
  )
}

function Count({ n, mark }: { n: number; mark: ReactNode }) {
  return (
    <span className="inline-flex items-center gap-1">
      {mark}
      <span className="num">{n}</span>
    </span>
  )
}

export function Bottom({
  bottom,
  size,
  inTravelled,
  outTravelled,
}: {
  bottom: UProps['bottom']
  size: Size
  inTravelled: boolean
  outTravelled: boolean
}) {
  const bay = size === 'bay'
  const half = (side: 'left' | 'right', solid: boolean) => {
    const px = bay ? 12 : 8
    const edge = side === 'left' ? 'left-0 rounded-bl-[40px]' : 'right-0 rounded-br-[40px]'
    const inner = side === 'left' ? 'rounded-bl-[30px]' : 'rounded-br-[30px]'
    return (
      <span
        aria-hidden="true"
        className={`absolute top-0 bottom-2 w-1/2 ${edge} ${solid ? 'bg-petrol' : 'bg-untravelled'}`}
        style={{ [side]: bay ? 14 : 12, width: `calc(50% - ${bay ? 14 : 12}px)` }}
      >
        <span
          className={`absolute inset-0 bg-ground ${inner}`}
          style={side === 'left' ? { left: px, bottom: px } : { right: px, bottom: px }}
        />
        {!solid && (
          <span
            className={`absolute bg-ground ${edge}`}
            style={
              side === 'left' ? { left: 2, bottom: 2, top: 0, right: 0 } : { right: 2, bottom: 2, top: 0, left: 0 }
            }
          />
        )}
        {!solid && (
          <span
            className={`absolute bg-untravelled ${inner}`}
            style={
              side === 'left'
                ? { left: px - 2, bottom: px - 2, top: 0, right: 0 }
                : { right: px - 2, bottom: px - 2, top: 0, left: 0 }
            }
          />
        )}
        {!solid && (
          <span
            className={`absolute bg-ground ${inner}`}
            style={
              side === 'left' ? { left: px, bottom: px, top: 0, right: 0 } : { right: px, bottom: px, top: 0, left: 0 }
            }
          />
        )}
      </span>
    )
  }
  const marks = Math.max(1, Math.min(8, bottom.works.length)) + Math.min(8, bottom.tests.length)
  // A row of many is drawn smaller, between the two bends.
  const [square, diamond] = marks > 10 ? ['size-4', 'size-3.5'] : bay ? ['size-6', 'size-5'] : ['size-5', 'size-4']
  return (
    <div className="relative">
      {half('left', inTravelled)}
      {half('right', outTravelled)}
      <div className={`relative px-12 text-center ${bay ? 'pb-8 pt-1 text-[19px]' : 'pb-8 pt-1 text-[15px]'}`}>
        <span className="font-bold">{bottom.goals.join(', ')}</span>
        <BottomList title="work" items={bottom.works} bay={bay} />
        <BottomList title="test" items={bottom.tests} bay={bay} />
      </div>
      <div
        className={`absolute inset-x-10 bottom-0 flex items-end ${marks > 7 ? 'justify-between' : 'justify-center gap-5'}`}
        aria-hidden="true"
      >
        {bottom.works.length === 0 && (
          <span className={`shrink-0 border-[3px] border-ink ${square} ${inTravelled ? 'bg-ink' : 'bg-ground'}`} />
        )}
        {bottom.works.slice(0, 8).map((item, i) => (
          <span
            key={`w${i}`}
            className={`shrink-0 border-[3px] border-ink ${square} ${item.done ? 'bg-ink' : 'bg-ground'}`}
          />
        ))}
        {bottom.tests.slice(0, 8).map((item, i) => (
          <span
            key={`t${i}`}
            className={`shrink-0 rotate-45 border-[3px] border-ink ${diamond} ${item.done ? 'bg-ink' : 'bg-ground'}`}
          />
        ))}
      </div>
    </div>
  )
}

function BottomList({ title, items, bay }: { title: string; items: readonly BottomItem[]; bay: boolean }) {
  if (items.length === 0) return null
  return (
    <span className={`block text-second ${bay ? 'text-[16px]' : 'text-sm'}`}>
      {title}:{' '}
      {items.map((item, i) => (
        <span key={i}>
          {i > 0 && ', '}
          <span className={item.done ? 'line-through' : ''}>{item.words}</span>
          {item.done && <span className="sr-only"> done</span>}
        </span>
      ))}
    </span>
  )
}
