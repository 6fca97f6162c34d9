'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { runningLow, sameNumber, type OnShelf } from '@/core/shop/onShelf'
import { Stock, type StockItem } from '@/core/shop/stock'
import { SaveBar } from './SaveBar'
import { useFilledFrom, useSaving, type SaveShared } from './useSaving'

/** A number that kits use: what it is called there, and where it is said to lie. */
export type NumberOfKit = { partNumber: string; name: string; place: string; kit: string }

/** The shop's shelves: each line a part number, how many lie there, where, and when to order. */
export function StockForm({
  stock,
  shelf,
  numbers,
  may,
  save,
}: {
  stock: Stock
  shelf: OnShelf[]
  numbers: NumberOfKit[]
  may: boolean
  save: SaveShared<Stock>
}) {
  const [list, setList] = useState(stock)
  const [problem, setProblem] = useState<{ row: number; sentence: string } | null>(null)
  const saving = useSaving()
  const saveFilled = useFilledFrom(stock, save)
  const change = (i: number, more: Partial<StockItem>) => setList(list.with(i, { ...list[i]!, ...more }))
  const add = (more: Partial<StockItem> = {}) =>
    setList([...list, { ...{ partNumber: '', name: '', place: '', counted: 0, orderAt: null }, ...more, ...now() }])
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = Stock.safeParse(list)
    if (!parsed.success) {
      const [issue] = parsed.error.issues
      return setProblem({ row: Number(issue!.path[0] ?? -1), sentence: issue!.message })
    }
    setProblem(null)
    saving.save(() => saveFilled(parsed.data))
  }
  const listed = new Set(list.map(({ partNumber }) => sameNumber(partNumber)))
  return (
    <form className="grid gap-10 lg:grid-cols-[2fr_1fr]" onSubmit={submit} noValidate>
      <section className="space-y-2">
        <h2 className="border-b-2 border-ink pb-1 text-xl">On the shelves</h2>
        {list.length === 0 && (
          <p className="text-second">
            Nothing listed yet. Add what you keep: a box that comes short is then filled from here, and you see what to
            order.
          </p>
        )}
        {list.length > 0 && (
          <div className={`${COLUMNS} text-[15px] font-semibold text-second`} aria-hidden>
            <span>Part number</span>
            <span>What</span>
            <span>Where</span>
            <span>There</span>
            <span>Order at</span>
          </div>
        )}
        <ul>
          {list.map((item, i) => (
            <StockLine
              key={i}
              {...{ item, may }}
              left={shelf.find((of) => of.countedAt === item.countedAt && isSame(of, item))}
              problem={problem?.row === i ? problem.sentence : undefined}
              change={(more) => change(i, more)}
              remove={() => setList(list.toSpliced(i, 1))}
            />
          ))}
        </ul>
        <button type="button" className="desk-button" disabled={!may} onClick={() => add()}>
          <Plus size={16} aria-hidden /> Add a line
        </button>
        {problem?.row === -1 && (
          <p role="alert" className="font-semibold text-stop">
            {problem.sentence}
          </p>
        )}
        <SaveBar {...saving} may={may} who="A lead" />
      </section>
      <section className="space-y-8">
        <ToOrder low={runningLow(shelf)} />
        <NotListed
          numbers={numbers.filter(({ partNumber }) => !listed.has(sameNumber(partNumber)))}
          {...{ may, add }}
        />
      </section>
    </form>
  )
}

const isSame = (a: { partNumber: string }, b: { partNumber: string }) =>
  sameNumber(a.partNumber) === sameNumber(b.partNumber)

const now = () => ({ countedAt: new Date().toISOString() })

const COLUMNS = 'grid grid-cols-[7.5rem_minmax(8rem,1fr)_7rem_5rem_5rem_3rem] gap-2'

/** One number: what is typed into *There* is a count, made now. */
function StockLine({
  item,
  left,
  may,
  problem,
  change,
  remove,
}: {
  item: StockItem
  left: OnShelf | undefined
  may: boolean
  problem: string | undefined
  change: (more: Partial<StockItem>) => void
  remove: () => void
}) {
  const of = item.name || item.partNumber || 'the new line'
  const text = (key: 'partNumber' | 'name' | 'place', label: string) => (
    <input
      className="field"
      aria-label={`${label} of ${of}`}
      aria-invalid={problem && key === 'partNumber' ? true : undefined}
      readOnly={!may}
      value={item[key]}
      onChange={(event) => change({ [key]: event.target.value })}
    />
  )
  const number = (label: string, value: number | '', said: (typed: string) => Partial<StockItem>) => (
    <input
      className="field num"
      aria-label={`${label}: ${of}`}
      type="number"
      min={0}
      readOnly={!may}
      value={value}
      onChange={(event) => change(said(event.target.value))}
    />
  )
  return (
    <li className="border-b border-hair py-1.5" data-stock={item.partNumber}>
      <div className={COLUMNS}>
        {text('partNumber', 'Part number')}
        {text('name', 'Name')}
        {text('place', 'Place')}
        {number('There', left?.onHand ?? item.counted, (typed) => ({ counted: Number(typed), ...now() }))}
        {number('Order at', item.orderAt ?? '', (typed) => ({ orderAt: typed === '' ? null : Number(typed) }))}
        <button
          type="button"
          className="desk-button !px-0"
          aria-label={`Remove ${of}`}
          disabled={!may}
          onClick={remove}
        >
          <Trash2 size={16} aria-hidden className="mx-auto" />
        </button>
      </div>
      {problem && (
        <p role="alert" className="font-semibold text-stop">
          {problem}
        </p>
      )}
    </li>
  )
}

function ToOrder({ low }: { low: OnShelf[] }) {
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-xl">To order</h2>
      {low.length === 0 ? (
        <p className="py-2 text-second">Nothing has run down to where it is ordered.</p>
      ) : (
        <ul>
          {low.map(({ partNumber, name, onHand: left, orderAt }) => (
            <li key={partNumber} className="flex items-center gap-3 border-b border-hair py-2">
              <b className="num text-xl">{left}</b>
              <span className="flex-1">
                {name}{' '}
                <span className="text-second">
                  {partNumber}, order at {orderAt}
                </span>
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function NotListed({
  numbers,
  may,
  add,
}: {
  numbers: NumberOfKit[]
  may: boolean
  add: (more: Partial<StockItem>) => void
}) {
  if (numbers.length === 0) return null
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-xl">In kits, and not on the list</h2>
      <ul>
        {numbers.map(({ partNumber, name, place, kit }) => (
          <li key={`${kit} ${partNumber}`} className="flex items-center gap-3 border-b border-hair py-2">
            <span className="flex-1">
              <b>{name}</b>{' '}
              <span className="text-second">
                {partNumber}, {kit}
              </span>
            </span>
            <button
              type="button"
              className="desk-button"
              disabled={!may}
              aria-label={`List ${name}`}
              onClick={() => add({ partNumber, name, place })}
            >
              List it
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
