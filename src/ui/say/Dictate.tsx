'use client'
import { Mic, Square } from 'lucide-react'
import { useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { canDictate, dictate, dictatesHere, type Dictation, type DictationTrouble } from '@/client/dictation'

const TROUBLE_WORDS: Record<DictationTrouble, string> = {
  'not allowed': 'The microphone is not allowed. Allow it in the browser, or use the keyboard’s own.',
  'nothing heard': 'Nothing heard. Tap and speak again.',
  'not reached': 'The browser’s speech recognition did not answer. Use the keyboard’s own, or type.',
}
/** Where the browser sends what is said elsewhere, somebody has said that it may, once on this device. */
const ALLOWED = 'istruzione may send speech'
const never = () => () => undefined

/**
 * Dictates into a line by the browser's own speech recognition; nothing at all where there is none (a keyboard may have
 * its own). `said`: the line as it stands, gone on from.
 */
export function Dictate({
  said,
  onWords,
  className,
}: {
  said: string
  onWords: (words: string) => void
  className: string
}) {
  const can = useSyncExternalStore(never, canDictate, () => false)
  const [listening, setListening] = useState(false)
  const [sentence, setSentence] = useState('')
  const [asks, setAsks] = useState(false)
  const dictation = useRef<Dictation | null>(null)
  useEffect(() => () => dictation.current?.stop(), [])
  if (!can) return null
  const listen = (here: boolean) => {
    const before = said.trim()
    setAsks(false)
    setSentence('')
    setListening(true)
    dictation.current = dictate(
      here,
      (words) => onWords([before, words].filter(Boolean).join(' ')),
      (trouble) => {
        setListening(false)
        setSentence(trouble ? TROUBLE_WORDS[trouble] : '')
      },
    )
  }
  const begin = async () => {
    if (await dictatesHere()) return listen(true)
    if (localStorage.getItem(ALLOWED) === 'yes') return listen(false)
    setAsks(true)
  }
  const allow = () => {
    localStorage.setItem(ALLOWED, 'yes')
    listen(false)
  }
  return (
    <>
      <button
        type="button"
        className={className}
        aria-pressed={listening}
        aria-label={listening ? 'Stop listening' : 'Speak the line'}
        onClick={() => (listening ? dictation.current?.stop() : void begin())}
      >
        {listening ? <Square size={24} aria-hidden /> : <Mic size={24} aria-hidden />}
      </button>
      {asks && (
        <div className="order-last flex basis-full flex-wrap items-center gap-3 text-base font-semibold" role="alert">
          This browser sends what you say to its maker, to be written down.
          <Reply words="It may, on this device" onClick={allow} />
          <Reply words="No" onClick={() => setAsks(false)} />
        </div>
      )}
      {sentence !== '' && (
        <p className="order-last basis-full text-base font-semibold" role="alert">
          {sentence}
        </p>
      )}
    </>
  )
}

function Reply({ words, onClick }: { words: string; onClick: () => void }) {
  return (
    <button type="button" className="min-h-11 rounded border-2 border-current px-4 font-bold" onClick={onClick}>
      {words}
    </button>
  )
}
