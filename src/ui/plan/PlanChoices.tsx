'use client'
import { seenFromWords } from '@/words/tellWords'
import { Signs } from './Signs'
import type { ReactNode } from 'react'
import { goalKey } from '@/core/order/wish'
import type { FittedKit } from '@/core/shop/kitHere'
import type { Goal } from '@/core/order/wish'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Build } from '@/core/procedure/when'

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="border-t-2 border-ink pt-3">
      <h2 className="mb-2 text-base">{title}</h2>
      {children}
    </div>
  )
}

/** Cavities first; any part can be asked for as well. Several at once are one job. */
export function GoalList({
  document,
  model,
  goals,
  onChange,
}: {
  document: ProcedureDocument
  model: ProcedureForBuild
  goals: Goal[]
  onChange: (goals: Goal[]) => void
}) {
  const keys = new Set(goals.map(goalKey))
  const toggle = (goal: Goal) =>
    onChange(keys.has(goalKey(goal)) ? goals.filter((other) => goalKey(other) !== goalKey(goal)) : [...goals, goal])
  const parts = goals.flatMap((goal) => (goal.kind === 'part' ? [goal] : []))
  return (
    <>
      <ul className="space-y-0.5">
        {[...model.cavities.values()].map((cavity) => {
          const goal: Goal = { kind: 'cavity', cavityId: cavity.id }
          return (
            <li key={cavity.id}>
              <label className="flex min-h-9 cursor-pointer items-center gap-3 rounded px-1 hover:bg-tint">
                <input
                  type="checkbox"
                  className="size-5 accent-[var(--petrol)]"
                  checked={keys.has(goalKey(goal))}
                  onChange={() => toggle(goal)}
                />
                <span className={keys.has(goalKey(goal)) ? 'font-bold' : ''}>{cavity.name}</span>
              </label>
            </li>
          )
        })}
        {parts.map((goal) => (
          <li key={goal.partId} className="flex min-h-9 items-center gap-3 px-1">
            <input
              type="checkbox"
              className="size-5 accent-[var(--petrol)]"
              checked
              aria-label={model.parts.get(goal.partId)?.name}
              onChange={() => toggle(goal)}
            />
            <span className="font-bold">{model.parts.get(goal.partId)?.name ?? 'not on this build'}</span>
          </li>
        ))}
      </ul>
      <label className="mt-1 block">
        <span className="sr-only">Or take off a part</span>
        <select
          className="field"
          value=""
          onChange={(event) => event.target.value && toggle({ kind: 'part', partId: event.target.value, level: 'off' })}
        >
          <option value="">or take off a part…</option>
          {document.parts
            .filter((part) => model.parts.has(part.id) && !parts.some((goal) => goal.partId === part.id))
            .map((part) => (
              <option key={part.id} value={part.id}>
                {part.name}
              </option>
            ))}
        </select>
      </label>
    </>
  )
}

/**
 * Only the facets that change this plan. One that can't be told from outside may stay open: everything is then planned
 * for.
 */
export function FacetCards({
  document,
  facetIds,
  build,
  onChange,
  tells,
  onTells,
  threshold,
}: {
  document: ProcedureDocument
  facetIds: string[]
  build: Build
  onChange: (build: Build) => void
  tells: Readonly<Record<string, readonly string[]>>
  onTells: (tells: Readonly<Record<string, readonly string[]>>) => void
  threshold: number
}) {
  return facetIds.map((id) => {
    const facet = document.facets.find((item) => item.id === id)!
    return (
      <fieldset key={id} className="mb-3">
        <legend className="flex w-full justify-between text-[15px]">
          <span className="font-semibold">{facet.name}</span>
          <span className="text-second">
            {facet.kind === 'option' || facet.kind === 'unit family'
              ? 'as it was bought'
              : `seen ${seenFromWords(document, facet.toldFrom)}`}
          </span>
        </legend>
        <div className="mt-1 grid grid-cols-2 gap-2">
          {facet.choices.map((choice) => (
            <label
              key={choice.id}
              className={`flex cursor-pointer flex-col rounded border-2 p-2 ${build[id] === choice.id ? 'border-petrol bg-sheet' : 'border-untravelled hover:border-ink'}`}
            >
              <span className="flex items-center gap-2 font-bold">
                <input
                  type="radio"
                  name={id}
                  className="size-4 accent-[var(--petrol)]"
                  checked={build[id] === choice.id}
                  onChange={() => onChange({ ...build, [id]: choice.id })}
                />
                {choice.name}
              </span>
              <span className="text-sm text-second">{choice.tell}</span>
              {choice.photoId && (
                // eslint-disable-next-line @next/next/no-img-element
                <img
                  src={`/api/media/${choice.photoId}?size=small`}
                  alt={`How ${choice.name} looks`}
                  className="mt-1 max-h-28 w-full object-cover"
                  loading="lazy"
                />
              )}
            </label>
          ))}
        </div>
        <Signs
          document={document}
          facet={facet}
          seen={tells[id] ?? []}
          onSeen={(seen) => onTells({ ...tells, [id]: seen })}
          threshold={threshold}
        />
      </fieldset>
    )
  })
}

/** Two habits side by side; a radio group that looks like one switch. */
export function Choice<T extends string>({
  label,
  value,
  options,
  words,
  onChange,
}: {
  label: string
  value: T
  options: readonly T[]
  words?: Record<T, string>
  onChange: (value: T) => void
}) {
  return (
    <fieldset>
      <legend className="sr-only">{label}</legend>
      <div
        className="grid overflow-hidden rounded border-2 border-ink"
        style={{ gridTemplateColumns: `repeat(${options.length}, 1fr)` }}
      >
        {options.map((option) => (
          <label
            key={option}
            className={`flex min-h-9 cursor-pointer items-center justify-center px-2 text-center font-semibold has-[:focus-visible]:outline-3 ${value === option ? 'bg-ink text-ground' : 'text-second hover:bg-tint'}`}
          >
            <input
              type="radio"
              name={label}
              className="sr-only"
              checked={value === option}
              onChange={() => onChange(option)}
            />
            {words?.[option] ?? option}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** Kits that fit this model: what they open and do comes with them. */
export function KitList({
  kits,
  chosen,
  onChange,
}: {
  kits: readonly FittedKit[]
  chosen: readonly string[]
  onChange: (kitIds: string[]) => void
}) {
  if (kits.length === 0) return null
  return (
    <ul aria-label="Kits" className="mb-3 space-y-1">
      {kits.map(({ kit }) => {
        const on = chosen.includes(kit.id)
        return (
          <li key={kit.id}>
            <button
              type="button"
              aria-pressed={on}
              onClick={() => onChange(on ? chosen.filter((id) => id !== kit.id) : [...chosen, kit.id])}
              className={`flex min-h-9 w-full items-center gap-2 border-l-[6px] px-3 py-1 text-left ${on ? 'border-petrol bg-tint font-bold' : 'border-hair hover:bg-tint'}`}
            >
              {kit.name}
              <span className="ml-auto text-[13px] font-normal text-second">
                kit, {kit.works.length} {kit.works.length === 1 ? 'step' : 'steps'}
              </span>
            </button>
          </li>
        )
      })}
    </ul>
  )
}
