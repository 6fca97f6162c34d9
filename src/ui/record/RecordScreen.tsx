'use client'
import { Cable, Camera, NotebookPen, PanelTop, SlidersHorizontal, TriangleAlert, Undo2 } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'
import { CATCHES, likelyNext, type Catch, type Usual } from '@/core/strip/likeliest'
import { MOST_QUESTIONS, questionsOf, type Question } from '@/core/strip/questions'
import { stripRows, type StripRow } from '@/core/strip/stripRows'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { JobHead } from '../job/JobHead'
import type { JobData } from '../job/useJob'
import { useAnyJob } from '../job/useAnyJob'
import { FastenerMark } from '../marks/FastenerMark'
import { PlugMark } from '../marks/PlugMark'
import { AirbagFlag, SignalPlate } from '../marks/Signs'
import { itemWords } from '@/words/items'
import type { ChangeActing } from '../shell/ActingButton'
import { Dialog } from '../shell/Dialog'
import { CautionSheet, PanelSheet, PlugSheet, SettingSheet } from './CatchSheets'
import { FastenerSheet } from './FastenerSheet'
import { LooseEnds, offerFor } from './LooseEnds'
import { NoteSheet } from './NoteSheet'
import { PartKnown } from './PartKnown'
import { PhotoSheet } from './PhotoSheet'
import { PutBack, type KitsOfShop } from './PutBack'
import { QuestionCard } from '../job/QuestionCard'
import { RowSheet } from './RowSheet'
import { StripPicture } from './StripPicture'
import { StripSign } from './StripSign'
import { useDearOrders } from './useDearOrders'
import { useMedia } from './useMedia'
import { useStrip, type LiveStrip } from './useStrip'
import { StripAside } from './StripAside'
import { WaySheet } from './WaySheet'

export type RecordData = JobData & KitsOfShop & { usual: Usual[] }
type Sheet = Catch | 'questions' | 'back' | StripRow | null

/** A vehicle coming apart: the way as a rail, one line or a few taps for what comes off, and what is still loose. */
export function RecordScreen({ data, change }: { data: RecordData; change: ChangeActing }) {
  const job = useAnyJob(data)
  const strip = useStrip(job, data.base)
  const waitingMedia = useMedia(strip, data.shopId, data.id)
  const [sheet, setSheet] = useState<Sheet>(null)
  const rows = useMemo(() => stripRows(job.document, job.state, strip.inHand), [job.document, job.state, strip.inHand])
  const dear = useDearOrders(job, data)
  const questions = useMemo(() => questionsOf(job.document, job.state, dear), [job.document, job.state, dear])
  const offered = offerFor(strip)
  const urgent = questions.find((question) =>
    ['circuit', 'purpose', 'battery prepared', 'same screw', 'reached'].includes(question.kind),
  )
  const close = () => setSheet(null)
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col lg:h-dvh lg:min-h-[640px]">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[328px_minmax(0,1fr)] lg:grid-rows-[minmax(0,1fr)]">
        <StripAside data={data} strip={strip} rows={rows} questions={questions.length} onSheet={setSheet} />
        <section
          className="order-1 flex min-h-0 min-w-0 flex-col gap-3 pb-4 pr-4 lg:order-2"
          aria-label="What comes off"
        >
          <StripSign strip={strip} words={data.words} />
          <LastCaution strip={strip} />
          <div className="grid min-h-0 flex-1 gap-5 pl-4 md:grid-cols-[minmax(0,1.6fr)_minmax(300px,1fr)]">
            <StripPicture
              strip={strip}
              vehicle={data.vehicle.label}
              waiting={waitingMedia}
              onPhoto={() => setSheet('photo')}
            />
            <div className="flex min-h-0 flex-col overflow-y-auto">
              {offered.length > 0 ? (
                <LooseEnds key={strip.inHand} strip={strip} offered={offered} />
              ) : (
                <>
                  {urgent && (
                    <div className="mb-4 shrink-0 border-b-2 border-ink pb-4">
                      <QuestionCard key={urgent.id} strip={strip} question={urgent} compact />
                    </div>
                  )}
                  <KnownOfPart strip={strip} />
                </>
              )}
            </div>
          </div>
          <CatchBar strip={strip} onCatch={setSheet} />
        </section>
      </main>
      <Dialog title="Which panel?" open={sheet === 'panel'} onClose={close} wide>
        <PanelSheet strip={strip} close={close} />
      </Dialog>
      <Dialog
        title={sheet === 'screw' ? 'Screws, bolts, nuts' : 'Clips and the like'}
        open={sheet === 'screw' || sheet === 'clip'}
        onClose={close}
        wide
      >
        <FastenerSheet strip={strip} close={close} screws={sheet === 'screw'} usual={data.usual} />
      </Dialog>
      <Dialog title="A plug, hose or strap" open={sheet === 'plug'} onClose={close} wide>
        <PlugSheet strip={strip} close={close} />
      </Dialog>
      <Dialog title="Settings" open={sheet === 'setting'} onClose={close} wide>
        <SettingSheet strip={strip} close={close} />
      </Dialog>
      <Dialog title="A way for a lead" open={sheet === 'way'} onClose={close} wide>
        <WaySheet strip={strip} close={close} />
      </Dialog>
      <Dialog title="Caution" open={sheet === 'caution'} onClose={close}>
        <CautionSheet strip={strip} close={close} />
      </Dialog>
      <Dialog title="Note for the desk" open={sheet === 'note'} onClose={close}>
        <NoteSheet strip={strip} shopId={data.shopId} jobId={data.id} close={close} />
      </Dialog>
      <Dialog title="Photo" open={sheet === 'photo'} onClose={close}>
        <PhotoSheet strip={strip} shopId={data.shopId} jobId={data.id} close={close} />
      </Dialog>
      <Dialog title="While there is a pause" open={sheet === 'questions'} onClose={close} wide>
        {questions[0] ? (
          <QuestionRound key="round" strip={strip} dear={dear} />
        ) : (
          <p className="text-xl">Nothing is open: what was told is enough for a plan.</p>
        )}
      </Dialog>
      <Dialog title="Put it back together" open={sheet === 'back'} onClose={close}>
        <PutBack data={data} job={job} questions={questions.length} ask={() => setSheet('questions')} />
      </Dialog>
      <Dialog
        title={sheet !== null && typeof sheet === 'object' ? itemWords(job.document, sheet.id) : ''}
        open={sheet !== null && typeof sheet === 'object'}
        onClose={close}
      >
        {sheet !== null && typeof sheet === 'object' && (
          <RowSheet strip={strip} row={sheet} rows={rows} close={close} />
        )}
      </Dialog>
    </div>
  )
}

/** At most five questions in a row; each answered or put off, and then enough. */
function QuestionRound({ strip, dear }: { strip: LiveStrip; dear: readonly Question[] }) {
  const { job } = strip
  const [begun] = useState(() => questionsOf(job.document, job.state, dear).length)
  const open = questionsOf(job.document, job.state, dear)
  const asked = begun - open.length
  const question = open[0]
  if (!question || asked >= MOST_QUESTIONS)
    return (
      <p className="text-2xl">
        {question ? `Enough for now. ${open.length} more wait for another pause.` : 'That was all. Thank you.'}
      </p>
    )
  return (
    <>
      <p className="mb-2 text-second">
        <span className="num">{asked + 1}</span> of <span className="num">{Math.min(MOST_QUESTIONS, begun)}</span>
      </p>
      <QuestionCard key={question.id} strip={strip} question={question} />
    </>
  )
}

/** What the rules say of the plug opened last, where they say something. */
function LastCaution({ strip }: { strip: LiveStrip }) {
  const { job, lastItem } = strip
  const tether = job.model.tethers.get(lastItem ?? '')
  const cautions =
    tether && job.state.tethersOpen.has(tether.id)
      ? cautionsFor(job.model, { act: 'open', itemId: tether.id, setting: null }, job.circumstances)
      : []
  if (cautions.length === 0) return null
  return (
    <ul className="space-y-1 pl-4" role="alert">
      {cautions.slice(0, 2).map((caution) => (
        <li key={caution.id} className="flex items-start gap-3 text-[18px] font-semibold leading-snug">
          <SignalPlate severity={caution.severity} />
          <AirbagFlag />
          <span>
            {caution.sentence} {caution.remedy}
          </span>
        </li>
      ))}
    </ul>
  )
}

/** What is known of the part in hand, said back. */
function KnownOfPart({ strip }: { strip: LiveStrip }) {
  const { document } = strip.job
  const part = document.parts.find((item) => item.id === strip.inHand)
  return part ? <PartKnown strip={strip} part={part} /> : null
}

const LABELS: Record<Catch, string> = {
  panel: 'Panel',
  screw: 'Screw',
  clip: 'Clip',
  plug: 'Plug',
  setting: 'Setting',
  way: 'Way',
  caution: 'Caution',
  photo: 'Photo',
  note: 'Note',
}
const MARKS: Record<Catch, ReactNode> = {
  panel: <PanelTop size={32} aria-hidden />,
  screw: <FastenerMark shape="hex" size={34} />,
  clip: <FastenerMark shape="spring clip" size={34} />,
  plug: <PlugMark tether={{ kind: 'electrical', tabSide: null, circuit: null }} size={34} />,
  setting: <SlidersHorizontal size={32} aria-hidden />,
  way: <Cable size={32} aria-hidden />,
  caution: <TriangleAlert size={32} aria-hidden />,
  photo: <Camera size={32} aria-hidden />,
  note: <NotebookPen size={32} aria-hidden />,
}

/** Everything that can be caught, the likeliest in paper, and the way back. */
function CatchBar({ strip, onCatch }: { strip: LiveStrip; onCatch: (what: Catch) => void }) {
  const { job } = strip
  const likely = likelyNext(job.document, job.state, strip.inHand)
  return (
    <div
      className="bottom-0 grid grid-cols-3 gap-2 sm:sticky bg-ground pl-4 sm:grid-cols-10"
      role="group"
      aria-label="Catch"
    >
      {CATCHES.map((what) => (
        <button
          key={what}
          type="button"
          data-likely={what === likely}
          className={`${what === likely ? 'slab' : 'ghost'} !min-h-[84px] flex-col !gap-1 !px-1 !text-[17px] xl:!text-lg`}
          onClick={() => onCatch(what)}
        >
          {MARKS[what]}
          {LABELS[what]}
        </button>
      ))}
      <button
        type="button"
        className="ghost !min-h-[84px] flex-col !gap-1 !px-1 text-lg disabled:opacity-60"
        disabled={job.lastAct === null}
        onClick={job.takeBack}
      >
        <Undo2 size={28} aria-hidden />
        Undo
      </button>
    </div>
  )
}
