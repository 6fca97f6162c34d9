'use client'
import { useState, type ReactNode } from 'react'
import type { Id } from '@/core/base/id'
import { levelNow } from '@/core/job/fold'
import { Caution } from '@/core/procedure/caution'
import { SEVERITIES } from '@/core/procedure/severity'
import { TAB_SIDES } from '@/core/procedure/tether'
import type { Fact } from '@/core/shorthand/meaning'
import { isScrew, partsInPlace, type Usual } from '@/core/strip/likeliest'
import { refusals } from '@/core/vehicle/judge'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { newId } from '@/client/newId'
import { capital } from '@/words/operations'
import { headWords, itemWords, plural } from '@/words/items'
import type { LiveStrip } from './useStrip'

/** What closes a sheet: facts taken, or anything else done. */
type SheetProps = { strip: LiveStrip; close: () => void }

const OFFERED_PARTS = [
  'surround',
  'knee bolster',
  'climate panel',
  'vent',
  'glovebox',
  'console',
  'unit',
  'liner',
  'pocket',
  'cover',
  'pillar trim',
  'kick panel',
  'sill trim',
  'cluster',
  'lever boot',
  'seat',
  'fairing',
  'side cover',
]
const OFFERED_PLUGS = [
  'main',
  'antenna',
  'hazard',
  'airbag lamp',
  'climate',
  'start',
  'usb',
  'power outlet',
  'lamp',
  'camera',
]
const COUNTS = [1, 2, 3, 4, 5, 6, 7, 8, 9]

/** Which panel: a name the record has, one the trade uses, or a new one. */
export function PanelSheet({ strip, close }: SheetProps) {
  const { document, state } = strip.job
  const known = partsInPlace(document, state)
  const names = new Set(document.parts.map((part) => part.name.toLowerCase()))
  const take = (words: string) => {
    if (words.trim() === '') return
    const part = document.parts.find((item) => item.name.toLowerCase() === words.trim().toLowerCase())
    if (part) strip.takeInHand(part.id)
    else strip.say([{ fact: 'part', part: words.trim() }], words.trim())
    close()
  }
  return (
    <div className="space-y-4">
      <NameForm label="Name of the panel" placeholder="its name" most={80} onName={take} />
      {known.length > 0 && (
        <Choices title="Of the record">
          {known.map((id) => (
            <Choice key={id} words={itemWords(document, id)} onClick={() => take(itemWords(document, id))} />
          ))}
        </Choices>
      )}
      <Choices title={known.length > 0 ? 'A new one' : 'What the trade calls them'}>
        {OFFERED_PARTS.filter((words) => !names.has(words)).map((words) => (
          <Choice key={words} words={capital(words)} onClick={() => take(words)} />
        ))}
      </Choices>
    </div>
  )
}

/**
 * Three taps: what it is, how many, where. The heads this shop meets most stand first; any other can be typed in the
 * line.
 */
export function FastenerSheet({
  strip,
  close,
  screws,
  usual,
}: SheetProps & { screws: boolean; usual: readonly Usual[] }) {
  const [kind, setKind] = useState<Usual | null>(null)
  const [count, setCount] = useState<number | null>(null)
  const { document, state } = strip.job
  const offered = usual.filter((item) => isScrew(item) === screws).slice(0, 12)
  const hiders = document.parts.filter((part) => levelNow(state, part.id) !== 'in place' && part.id !== strip.inHand)
  const take = (behind: Id | null) => {
    const fact: Fact = {
      fact: 'holder',
      kind: kind!.kind,
      count: count!,
      ...(kind!.drive !== 'none' && { drive: kind!.drive, ...(kind!.size && { size: kind!.size }) }),
      ...(behind && { behind: [itemWords(document, behind)] }),
    }
    strip.say([fact], '')
    close()
  }
  if (!kind)
    return (
      <Choices title="What is it?">
        {offered.map((item) => (
          <Choice
            key={`${item.kind} ${item.drive} ${item.size}`}
            words={usualWords(item)}
            mark={
              <FastenerMark
                shape={shapeOf({
                  kind: item.kind,
                  drives: item.drive === 'none' ? [] : [{ drive: item.drive, size: item.size, seen: 0 }],
                })}
                size={30}
              />
            }
            onClick={() => setKind(item)}
          />
        ))}
      </Choices>
    )
  if (count === null)
    return (
      <Choices title={`How many ${usualWords(kind)}?`}>
        {COUNTS.map((number) => (
          <Choice key={number} words={String(number)} onClick={() => setCount(number)} />
        ))}
        <MoreThanNine onCount={setCount} />
      </Choices>
    )
  return (
    <Choices title={`Where ${count === 1 ? 'is it' : `are the ${count}`}?`}>
      <Choice words="In sight" onClick={() => take(null)} />
      {hiders.map((part) => (
        <Choice key={part.id} words={`Behind the ${part.name.toLowerCase()}`} onClick={() => take(part.id)} />
      ))}
    </Choices>
  )
}

function usualWords({ kind, drive, size }: Usual): string {
  if (drive === 'none') return plural(kind, 2)
  const head = headWords({ drive, size })
  return kind === 'machine screw' ? head : `${head} ${kind}`
}

/** Counted by tapping once a piece. */
function MoreThanNine({ onCount }: { onCount: (count: number) => void }) {
  const [tapped, setTapped] = useState(0)
  return (
    <>
      <Choice
        words={tapped === 0 ? 'Tap once each' : `${tapped}, tap on`}
        onClick={() => setTapped(Math.min(99, tapped + 1))}
      />
      {tapped > 0 && <Choice words={`It is ${tapped}`} onClick={() => onCount(tapped)} />}
    </>
  )
}

/** Which plug, and which way its tab looks. */
export function PlugSheet({ strip, close }: SheetProps) {
  const [name, setName] = useState('')
  const { document, state } = strip.job
  const known = document.tethers
    .filter((tether) => tether.partId === strip.inHand && !state.tethersOpen.has(tether.id))
    .map((tether) => tether.name)
  const take = (tab: (typeof TAB_SIDES)[number] | null) => {
    strip.say([{ fact: 'plug', name, ...(tab && { tab }) }], '')
    close()
  }
  if (name === '')
    return (
      <div className="space-y-4">
        <NameForm label="Name of the plug" placeholder="what it feeds" most={60} onName={setName} />
        <Choices title="What does it feed?">
          {[...new Set([...known, ...OFFERED_PLUGS])].map((words) => (
            <Choice key={words} words={words} onClick={() => setName(words)} />
          ))}
        </Choices>
      </div>
    )
  return (
    <Choices title={`The ${name} plug: where does its tab look?`}>
      {TAB_SIDES.map((side) => (
        <Choice key={side} words={capital(side)} onClick={() => take(side)} />
      ))}
      <Choice words="Not seen" onClick={() => take(null)} />
    </Choices>
  )
}

/**
 * Which build this vehicle is, where the record asks, and settings as they stand; a tap moves one, unless a rule of
 * safety forbids it now.
 */
export function SettingSheet({ strip, close }: SheetProps) {
  const { document, state, model, vehicle, circumstances } = strip.job
  const [refusal, setRefusal] = useState('')
  return (
    <div className="space-y-4">
      {refusal && (
        <p role="alert" className="text-xl font-semibold">
          {refusal}
        </p>
      )}
      {document.facets.map((facet) => (
        <fieldset key={facet.id} className="flex flex-wrap items-center gap-3 border-b border-hair pb-3">
          <legend className="float-left w-40 text-xl font-semibold">{facet.name}</legend>
          {facet.choices.map((choice) => (
            <button
              key={choice.id}
              type="button"
              aria-pressed={state.facets.get(facet.id) === choice.id}
              className={`${state.facets.get(facet.id) === choice.id ? 'slab' : 'ghost'} min-w-28 flex-col !gap-0 text-lg`}
              onClick={() => (strip.happen([{ kind: 'facet told', facetId: facet.id, choiceId: choice.id }]), close())}
            >
              {choice.name}
              {choice.tell && <span className="text-[15px] font-normal">{choice.tell}</span>}
            </button>
          ))}
        </fieldset>
      ))}
      {document.settings.map((setting) => {
        const now = state.settings.get(setting.id) ?? setting.asFound
        const set = (value: string) => {
          const methodId = setting.methods.find((method) => method.to === value)?.id ?? null
          const refused = refusals(
            model,
            vehicle,
            {
              act: 'set',
              itemId: setting.id,
              setting: { settingId: setting.id, from: now, to: value, methodId: methodId ?? '' },
            },
            circumstances,
          )[0]
          if (refused) return setRefusal(`${refused.rule.sentence} ${refused.rule.remedy}`)
          strip.happen([{ kind: 'set', settingId: setting.id, value, methodId }])
          close()
        }
        return (
          <fieldset key={setting.id} className="flex flex-wrap items-center gap-3">
            <legend className="float-left w-40 text-xl font-semibold">{setting.name}</legend>
            {setting.values.map((value) => (
              <button
                key={value}
                type="button"
                aria-pressed={value === now}
                className={value === now ? 'slab min-w-28' : 'ghost min-w-28 text-lg'}
                onClick={() => (value === now ? close() : set(value))}
              >
                {value}
              </button>
            ))}
          </fieldset>
        )
      })}
    </div>
  )
}

/** A warning for whoever comes next, on the part in hand. */
export function CautionSheet({ strip, close }: SheetProps) {
  const [severity, setSeverity] = useState<(typeof SEVERITIES)[number]>('CAUTION')
  const [sentence, setSentence] = useState('')
  const part = strip.job.document.parts.find((item) => item.id === strip.inHand)
  if (!part) return <p className="text-xl">Say first which panel it is about: close this and tap Panel.</p>
  const take = () => {
    const item = Caution.parse({
      id: newId('caut'),
      severity,
      sentence: sentence.trim(),
      at: { itemId: part.id, act: 'any' },
    })
    strip.state([{ kind: 'add', collection: 'cautions', item, after: null }], sentence.trim())
    close()
  }
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap gap-2">
        {SEVERITIES.map((word) => (
          <button
            key={word}
            type="button"
            aria-pressed={word === severity}
            className={word === severity ? 'slab' : 'ghost'}
            onClick={() => setSeverity(word)}
          >
            {word}
          </button>
        ))}
      </div>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">
          What must whoever takes off the {part.name.toLowerCase()} know?
        </span>
        <textarea
          className="field min-h-24 text-lg"
          value={sentence}
          onChange={(event) => setSentence(event.target.value)}
          maxLength={200}
          placeholder="Upper hooks break when it is pushed up."
        />
      </label>
      <button type="button" className="slab w-full" onClick={take} disabled={sentence.trim().length < 3}>
        Keep it
      </button>
    </div>
  )
}

/** A name typed, where none of those offered is it. */
function NameForm({
  label,
  placeholder,
  most,
  onName,
}: {
  label: string
  placeholder: string
  most: number
  onName: (name: string) => void
}) {
  const [typed, setTyped] = useState('')
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (typed.trim()) onName(typed.trim())
      }}
    >
      <label className="min-w-0 flex-1">
        <span className="sr-only">{label}</span>
        <input
          className="field !min-h-14 text-xl"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder={placeholder}
          maxLength={most}
          autoComplete="off"
        />
      </label>
      <button className="slab" disabled={typed.trim() === ''}>
        Take
      </button>
    </form>
  )
}

function Choices({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="mb-2 text-xl">{title}</h3>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">{children}</div>
    </section>
  )
}

function Choice({ words, mark, onClick }: { words: string; mark?: ReactNode; onClick: () => void }) {
  return (
    <button type="button" className="ghost !min-h-16 text-xl" onClick={onClick}>
      {mark}
      {words}
    </button>
  )
}
