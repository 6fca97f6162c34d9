'use client'
import { useState } from 'react'
import { Caution } from '@/core/procedure/caution'
import { SEVERITIES } from '@/core/procedure/severity'
import { TAB_SIDES } from '@/core/procedure/tether'
import { partsInPlace } from '@/core/strip/likeliest'
import { refusals } from '@/core/vehicle/judge'
import { newId } from '@/client/newId'
import { capital } from '@/words/operations'
import { itemWords } from '@/words/items'
import { NameForm, Choices, Choice, type SheetProps } from './CatchChoices'

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
