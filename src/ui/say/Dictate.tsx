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
        <p className="basis-full text-base font-semibold" role="alert">
          This browser sends what you say to its maker, to be written down.{' '}
          <button type="button" className="min-h-11 font-bold underline underline-offset-4" onClick={allow}>
            It may, on this device
          </button>{' '}
          <button
            type="button"
            className="min-h-11 font-bold underline underline-offset-4"
            onClick={() => setAsks(false)}
          >
            No
          </button>
        </p>
      )}
      {sentence !== '' && (
        <p className="basis-full text-base font-semibold" role="alert">
          {sentence}
        </p>
      )}
    </>
  )
}
