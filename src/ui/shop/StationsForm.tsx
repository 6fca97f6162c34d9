'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { STATIONS } from '@/core/procedure/stations'
import { HouseValues, moveS } from '@/core/shop/houseValues'
import { TextField } from '../forms/Field'
import { SaveBar } from './SaveBar'
import { useFilledFrom, useSaving, type SaveShared } from './useSaving'

/** Stations of the shop's own, and how long it takes from one to another where that is not the usual time. */
export function StationsForm({
  house,
  may,
  save,
}: {
  house: HouseValues
  may: boolean
  save: SaveShared<HouseValues>
}) {
  const [own, setOwn] = useState(house.stations)
  const [moves, setMoves] = useState<Record<string, string>>(() =>
    Object.fromEntries(house.moves.map((move) => [pairName(move.from, move.to), String(move.seconds)])),
  )
  const [problem, setProblem] = useState('')
  const saving = useSaving()
  const saveFilled = useFilledFrom(house, save)
  const names = [...STATIONS, ...own.map((station) => station.name).filter(Boolean)]
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const listed = names.flatMap((from, i) =>
      names.slice(i + 1).map((to) => ({ from, to, text: (moves[pairName(from, to)] ?? '').trim().replace(',', '.') })),
    )
    const parsed = HouseValues.safeParse({
      ...house,
      stations: own,
      moves: listed
        .filter((move) => move.text !== '')
        .map(({ from, to, text }) => ({ from, to, seconds: Number(text) })),
    })
    if (!parsed.success) return setProblem(parsed.error.issues[0]!.message)
    if (new Set(names).size < names.length)
      return setProblem('Two stations have the same name. Give one of them another.')
    setProblem('')
    saving.save(() => saveFilled(parsed.data))
  }
  return (
    <form className="space-y-8" onSubmit={submit} noValidate>
      <section className="max-w-2xl">
        <h2 className="border-b-2 border-ink pb-1 text-xl">Stations of our own</h2>
        <p className="py-2 text-second">
          A station is where somebody must be. Every shop has the usual ones; add a lift, a hoist, a paint booth.
        </p>
        <ul className="space-y-2">
          {own.map((station, i) => (
            <li key={i} className="flex items-end gap-3">
              <TextField
                className="flex-1"
                label="Name"
                value={station.name}
                maxLength={40}
                readOnly={!may}
                onChange={(event) => setOwn(own.with(i, { ...station, name: event.target.value }))}
              />
              <TextField
                className="w-32"
                label="Room for"
                type="number"
                min={1}
                max={6}
                value={station.persons}
                readOnly={!may}
                onChange={(event) => setOwn(own.with(i, { ...station, persons: Number(event.target.value) }))}
              />
              <button
                type="button"
                className="desk-button"
                aria-label={`Remove ${station.name || 'this station'}`}
                disabled={!may}
                onClick={() => setOwn(own.toSpliced(i, 1))}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="desk-button mt-3"
          disabled={!may}
          onClick={() => setOwn([...own, { name: '', persons: 1 }])}
        >
          <Plus size={16} aria-hidden /> Add a station
        </button>
      </section>
      <section>
        <h2 className="border-b-2 border-ink pb-1 text-xl">Moves, in seconds</h2>
        <p className="py-2 text-second">
          An empty field takes the usual time of the house, shown in it. Write another where it takes longer or less,
          either way.
        </p>
        <div className="overflow-x-auto">
          <table className="text-sm">
            <thead>
              <tr>
                <th scope="col" className="px-2 py-1 text-left">
                  between
                </th>
                {names.slice(1).map((name) => (
                  <th key={name} scope="col" className="max-w-20 px-1 py-1 align-bottom font-semibold">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {names.slice(0, -1).map((from, row) => (
                <tr key={from} className="border-t border-hair">
                  <th scope="row" className="whitespace-nowrap px-2 text-left font-semibold">
                    {from}
                  </th>
                  {names.slice(1).map((to, column) => (
                    <td key={to} className="p-0.5">
                      {column >= row && (
                        <input
                          className="field num !w-16 !px-1 text-center placeholder:text-second"
                          aria-label={`${from} to ${to}, seconds`}
                          inputMode="decimal"
                          readOnly={!may}
                          placeholder={String(moveS({ ...house, moves: [] }, from, to))}
                          value={moves[pairName(from, to)] ?? ''}
                          onChange={(event) => setMoves({ ...moves, [pairName(from, to)]: event.target.value })}
                        />
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <SaveBar
        {...saving}
        said={problem || saving.said}
        failed={problem !== '' || saving.failed}
        may={may}
        who="A lead"
      />
    </form>
  )
}

function pairName(a: string, b: string): string {
  return [a, b].sort().join(' – ')
}
