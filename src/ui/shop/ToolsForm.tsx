'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { Tool } from '@/core/shop/tool'
import { TextField } from '../forms/Field'
import { toolWords } from '@/words/items'
import { SaveBar } from './SaveBar'
import { useFilledFrom, useSaving, type SaveShared } from './useSaving'
import { newUuid } from '@/client/newId'

/**
 * The shop's tools: what drives which head, how many there are, where they are kept. `missing`: heads the record asks
 * for and no tool drives.
 */
export function ToolsForm({
  tools,
  missing,
  may,
  save,
}: {
  tools: Tool[]
  missing: { head: string; models: string[] }[]
  may: boolean
  save: SaveShared<Tool[]>
}) {
  const [list, setList] = useState(tools)
  const [problem, setProblem] = useState<{ row: number; sentence: string } | null>(null)
  const saving = useSaving()
  const saveFilled = useFilledFrom(tools, save)
  const change = (i: number, more: Partial<Tool>) => setList(list.with(i, { ...list[i]!, ...more }))
  const add = (more: Partial<Tool> = {}) =>
    setList([...list, { id: newUuid(), name: '', head: '', count: 1, kept: '', ...more }])
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = Tool.array().safeParse(list)
    if (!parsed.success)
      return setProblem({ row: Number(parsed.error.issues[0]!.path[0]), sentence: parsed.error.issues[0]!.message })
    setProblem(null)
    saving.save(() => saveFilled(parsed.data))
  }
  const uncovered = missing.filter(({ head }) => !list.some((tool) => tool.head === head))
  return (
    <form className="grid gap-10 lg:grid-cols-[1.6fr_1fr]" onSubmit={submit} noValidate>
      <section className="space-y-2">
        <h2 className="border-b-2 border-ink pb-1 text-xl">Tools</h2>
        {list.length === 0 && (
          <p className="text-second">
            No tool yet. Add what the crew carries; a tool of which there is one can’t be in two hands.
          </p>
        )}
        <ul className="space-y-2">
          {list.map((tool, i) => (
            <li key={tool.id} className="flex flex-wrap items-end gap-3 border-b border-hair pb-2">
              <TextField
                className="min-w-44 flex-1"
                label="Tool"
                value={tool.name}
                readOnly={!may}
                problem={problem?.row === i ? problem.sentence : undefined}
                onChange={(event) => change(i, { name: event.target.value })}
              />
              <TextField
                className="w-36"
                label="Drives"
                value={tool.head}
                placeholder="hex 7"
                readOnly={!may}
                onChange={(event) => change(i, { head: event.target.value })}
              />
              <TextField
                className="w-20"
                label="How many"
                type="number"
                min={0}
                value={tool.count}
                readOnly={!may}
                onChange={(event) => change(i, { count: Number(event.target.value) })}
              />
              <TextField
                className="w-36"
                label="Kept"
                value={tool.kept}
                readOnly={!may}
                onChange={(event) => change(i, { kept: event.target.value })}
              />
              <button
                type="button"
                className="desk-button"
                aria-label={`Remove ${tool.name || 'this tool'}`}
                disabled={!may}
                onClick={() => setList(list.toSpliced(i, 1))}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="desk-button" disabled={!may} onClick={() => add()}>
          <Plus size={16} aria-hidden /> Add a tool
        </button>
        <SaveBar {...saving} may={may} who="A lead" />
      </section>
      <section>
        <h2 className="border-b-2 border-ink pb-1 text-xl">Asked for, and not there</h2>
        {uncovered.length === 0 ? (
          <p className="py-2 text-second">Every head in the procedures has a tool.</p>
        ) : (
          <ul>
            {uncovered.map(({ head, models }) => (
              <li key={head} className="flex items-center gap-3 border-b border-hair py-2">
                <span className="flex-1">
                  <b>{toolWords(head)}</b> <span className="text-second">for {models.join(', ')}</span>
                </span>
                <button
                  type="button"
                  className="desk-button"
                  disabled={!may}
                  onClick={() => add({ name: toolWords(head), head })}
                >
                  Add
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
    </form>
  )
}
