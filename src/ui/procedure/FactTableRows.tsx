'use client'
import { Copy } from 'lucide-react'
import type { factRows } from './factRows'

/** The rows of a table of facts: chosen, opened, copied. */
export function FactRows({
  heads,
  rows,
  chosen,
  choose,
  copy,
  onOpen,
}: ReturnType<typeof factRows> & {
  chosen: ReadonlySet<string>
  choose: (chosen: ReadonlySet<string>) => void
  copy: (id: string) => void
  onOpen: (id: string) => void
}) {
  return (
    <table className="w-full text-[15px]">
      <thead>
        <tr className="border-b-2 border-ink text-left">
          <th className="w-10">
            <input
              type="checkbox"
              aria-label="Choose all"
              className="size-5 accent-[var(--petrol)]"
              checked={chosen.size === rows.length}
              onChange={(event) => choose(event.target.checked ? new Set(rows.map((row) => row.id)) : new Set())}
            />
          </th>
          {heads.map((head) => (
            <th key={head} className="py-1 pr-3 font-bold">
              {head}
            </th>
          ))}
          <th className="w-12">
            <span className="sr-only">Copy</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} className="border-b border-hair hover:bg-tint">
            <td>
              <input
                type="checkbox"
                aria-label={`Choose ${row.cells[0]}`}
                className="size-5 accent-[var(--petrol)]"
                checked={chosen.has(row.id)}
                onChange={(event) => {
                  const next = new Set(chosen)
                  if (event.target.checked) next.add(row.id)
                  else next.delete(row.id)
                  choose(next)
                }}
              />
            </td>
            {row.cells.map((cell, i) => (
              <td key={i} className="py-1 pr-3 align-top">
                {i === 0 ? (
                  <button
                    type="button"
                    className="text-left font-bold underline-offset-2 hover:underline"
                    onClick={() => onOpen(row.id)}
                  >
                    {cell || 'unnamed'}
                  </button>
                ) : (
                  cell
                )}
              </td>
            ))}
            <td>
              <button
                type="button"
                aria-label={`Copy ${row.cells[0]}`}
                className="grid size-8 place-items-center rounded hover:bg-ground"
                onClick={() => copy(row.id)}
              >
                <Copy size={16} aria-hidden />
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
