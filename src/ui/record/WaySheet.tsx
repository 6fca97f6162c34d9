'use client'
import { useState } from 'react'
import { newId } from '@/client/newId'
import type { Access } from '@/core/procedure/access'
import type { Hazard } from '@/core/procedure/wayWords'
import { openNow, pointNames, wayEdits, type SaidPoint, type SaidWay } from '@/core/strip/wayCaught'
import { wayLine } from '@/core/strip/wayLine'
import { accessInWords, hazardWords } from '@/words/wayWords'
import { Choice, Choices, NameForm, type SheetProps } from './CatchChoices'

const LENGTHS_MM = [200, 300, 400, 500, 600, 800, 1000, 1200, 1500, 2000]
/** Asked every time, and first of all. */
const AIRBAGS: readonly Hazard[] = ['airbag path', 'airbag module', 'airbag lead']
const OTHERS: readonly Hazard[] = [
  ...(['pedal', 'steering column', 'gear or brake linkage', 'moving linkage', 'actuator', 'hinge'] as const),
  ...(['seat rail', 'hot part', 'sharp edge', 'screw points', 'fuel or brake line', 'high-voltage lead'] as const),
]
const NEAR_MM = [20, 40, 60, 100, 200]

type Told = Partial<SaidWay> & { besideDone?: true }

/** A way for a lead, in a few taps: from, to, how long, how it gets in, what it goes by; airbags every time. */
export function WaySheet({ strip, close }: SheetProps) {
  const { document, state } = strip.job
  const [told, setTold] = useState<Told>({ beside: [] })
  const [asking, setAsking] = useState<Hazard | null>(null)
  const [unread, setUnread] = useState('')
  const say = (more: Told) => setTold({ ...told, ...more })
  const take = (access: Access[]) => {
    const { besideDone: _, ...said } = told
    strip.state(wayEdits(document, { along: '', lengthKnown: 'estimated', access, looked: false, ...said, } as SaidWay, strip.station, newId)) // prettier-ignore
    close()
  }
  const points = (title: string, onPoint: (point: SaidPoint) => void) => (
    <Points title={title} strip={strip} names={pointNames(document, state)} onPoint={onPoint} />
  )
  const line = (words: string) => {
    const read = wayLine(document, state, words)
    setUnread(read ? read.unread.join(', ') : words)
    // Where nobody was said to have looked, airbags are asked all the same.
    if (read) say({ ...read.said, ...(read.said.looked && { besideDone: true }) })
  }
  if (!told.from)
    return (
      <>
        {points('From where?', (from) => say({ from }))}
        <p className="mb-1 mt-4 text-xl">Or all of it in a line</p>
        <NameForm
          label="The way in a line"
          placeholder="radio to pillar foot, 60 cm, behind the cluster, no airbag"
          most={200}
          onName={line}
        />
        {unread && (
          <p role="alert" className="mt-2 text-lg font-semibold">
            “{unread}” names no two points: say “from … to …” first.
          </p>
        )}
      </>
    )
  if (!told.to) return points('To where?', (to) => say({ to }))
  if (told.lengthMm === undefined)
    return <Length onLength={(lengthMm, lengthKnown) => say({ lengthMm, lengthKnown })} />
  if (!told.how)
    return (
      <Choices title="How does a lead get in there?">
        <Choice words="Laid in" onClick={() => say({ how: 'laid in' })} />
        <Choice words="Tucked" onClick={() => say({ how: 'tucked' })} />
        <Choice words="Threaded" onClick={() => say({ how: 'threaded' })} />
      </Choices>
    )
  if (asking) {
    const add = (how: 'crosses' | 'beside', distanceMm: number | null) => {
      say({ beside: [...told.beside!, { kind: asking, how, distanceMm }] })
      setAsking(null)
    }
    return (
      <Choices title={`Across it, or beside the ${asking}?`}>
        <Choice words="Across it" onClick={() => add('crosses', null)} />
        {NEAR_MM.map((mm) => (
          <Choice key={mm} words={`Beside, ${mm} mm`} onClick={() => add('beside', mm)} />
        ))}
        <Choice words="Beside, not measured" onClick={() => add('beside', null)} />
      </Choices>
    )
  }
  if (!told.besideDone)
    return (
      <Beside
        beside={told.beside!}
        onAsk={setAsking}
        onNone={() => say({ besideDone: true, looked: true })}
        onUnseen={() => say({ besideDone: true, looked: false })}
      />
    )
  return (
    <OpenForIt
      strip={strip}
      offered={openNow(document, state)}
      said={told.access ?? null}
      unread={unread}
      onTake={take}
    />
  )
}

function Points({
  title,
  strip,
  names,
  onPoint,
}: {
  title: string
  strip: SheetProps['strip']
  names: readonly string[]
  onPoint: (point: SaidPoint) => void
}) {
  return (
    <>
      <Choices title={title}>
        {strip.job.document.waypoints.map((point) => (
          <Choice key={point.id} words={point.name} onClick={() => onPoint({ id: point.id })} />
        ))}
        {names.map((name) => (
          <Choice key={name} words={name} onClick={() => onPoint({ name })} />
        ))}
      </Choices>
      <div className="mt-3">
        <NameForm
          label="Another point"
          placeholder="another point: pillar foot"
          most={80}
          onName={(name) => onPoint({ name })}
        />
      </div>
    </>
  )
}

function Length({ onLength }: { onLength: (mm: number, known: SaidWay['lengthKnown']) => void }) {
  const [measured, setMeasured] = useState(false)
  const known = measured ? 'measured' : 'estimated'
  return (
    <>
      <label className="mb-3 flex min-h-14 items-center gap-3 text-xl">
        <input
          type="checkbox"
          className="size-7 accent-[var(--petrol)]"
          checked={measured}
          onChange={(event) => setMeasured(event.target.checked)}
        />
        It is measured, along the bed of the lead
      </label>
      <Choices title="How long is it?">
        {LENGTHS_MM.map((mm) => (
          <Choice key={mm} words={mm < 1000 ? `${mm / 10} cm` : `${mm / 1000} m`} onClick={() => onLength(mm, known)} />
        ))}
      </Choices>
      <div className="mt-3">
        <NameForm
          label="Another length in cm"
          placeholder="another length in cm"
          most={6}
          onName={(text) => {
            const cm = Number(text.replace(',', '.'))
            if (cm > 0 && cm <= 2000) onLength(Math.round(cm * 10), known)
          }}
        />
      </div>
    </>
  )
}

function Beside({
  beside,
  onAsk,
  onNone,
  onUnseen,
}: {
  beside: SaidWay['beside']
  onAsk: (kind: Hazard) => void
  onNone: () => void
  onUnseen: () => void
}) {
  return (
    <>
      {beside.length > 0 && <p className="mb-3 text-xl font-semibold">{beside.map(hazardWords).join('; ')}</p>}
      <Choices title={beside.length === 0 ? 'What does it go by? Airbags first' : 'What else does it go by?'}>
        {[...AIRBAGS, ...OTHERS].map((kind) => (
          <Choice key={kind} words={kind} onClick={() => onAsk(kind)} />
        ))}
      </Choices>
      <div className="mt-3 grid grid-cols-1 gap-2 sm:grid-cols-2">
        <button type="button" className="slab !min-h-16" onClick={onNone}>
          {beside.length === 0 ? 'Looked all along: nothing' : 'Looked all along: that is all'}
        </button>
        <button type="button" className="ghost !min-h-16 text-xl" onClick={onUnseen}>
          Not looked at yet
        </button>
      </div>
    </>
  )
}

/** What has to be out of the way: offered is what is out now. */
function OpenForIt({
  strip,
  offered: open,
  said,
  unread,
  onTake,
}: {
  strip: SheetProps['strip']
  offered: readonly Access[]
  /** What a line named; null where none did. */
  said: readonly Access[] | null
  unread: string
  onTake: (access: Access[]) => void
}) {
  const words = (item: Access) => accessInWords(strip.job.document, [item])
  const [offered] = useState(() => [
    ...(said ?? []),
    ...open.filter((item) => !said?.some((other) => words(other) === words(item))),
  ])
  const [chosen, setChosen] = useState<readonly Access[]>(() =>
    said
      ? offered.slice(0, said.length)
      : offered.filter((item) => item.kind === 'part' && item.partId === strip.inHand),
  )
  const isChosen = (item: Access) => chosen.includes(item)
  return (
    <>
      {unread && <p className="mb-3 text-lg">Nothing was made of “{unread}”: write it as a note.</p>}
      <section>
        <h3 className="mb-2 text-xl">What has to be out of the way for it?</h3>
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
          {offered.map((item) => (
            <button
              key={words(item)}
              type="button"
              aria-pressed={isChosen(item)}
              className={`${isChosen(item) ? 'slab' : 'ghost'} !min-h-16 text-xl`}
              onClick={() => setChosen(isChosen(item) ? chosen.filter((one) => one !== item) : [...chosen, item])}
            >
              {words(item)}
            </button>
          ))}
        </div>
      </section>
      <button type="button" className="slab mt-3 w-full !min-h-16" onClick={() => onTake([...chosen])}>
        {chosen.length === 0 ? 'Nothing: a hand gets there' : 'That is it'}
      </button>
    </>
  )
}
