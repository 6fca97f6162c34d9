'use client'
import { Mic, Square } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { mediaBoxOf, showLocally } from '@/client/media'
import { recordVoice, type Recording } from '@/client/voice'
import { NoteForm } from '../job/NoteForm'
import type { LiveStrip } from './useStrip'
import { newUuid } from '@/client/newId'

/** Spoken notes stay short, so that somebody listens to them. */
const LONGEST_S = 60

/** A note nobody has time to structure, written or spoken: it goes to the clean-up list of the desk. */
export function NoteSheet({
  strip,
  shopId,
  jobId,
  close,
}: {
  strip: LiveStrip
  shopId: string
  jobId: string
  close: () => void
}) {
  const [trouble, setTrouble] = useState('')
  const [seconds, setSeconds] = useState<number | null>(null)
  const recorder = useRef<Recording | null>(null)
  useEffect(() => {
    if (seconds === null) return
    const timer = setTimeout(
      () => (seconds + 1 >= LONGEST_S ? recorder.current?.stop() : setSeconds(seconds + 1)),
      1000,
    )
    return () => clearTimeout(timer)
  }, [seconds])
  // Closed in the middle, what was spoken is kept all the same.
  useEffect(() => () => recorder.current?.stop(), [])
  const begin = async () => {
    try {
      const recording = await recordVoice()
      recorder.current = recording
      setSeconds(0)
      const { blob, seconds: length } = await recording.done
      await keep(blob, length)
    } catch {
      setTrouble('This tablet does not let the microphone be used. Allow it in the browser, or write the note.')
    }
  }
  const keep = async (blob: Blob, length: number) => {
    const id = newUuid()
    showLocally(id, blob)
    await mediaBoxOf(shopId).keep({
      id,
      jobId,
      kind: 'voice',
      blob,
      seconds: length,
      width: 0,
      height: 0,
      unclaimed: false,
    })
    strip.happen([{ kind: 'voice noted', voiceId: id, seconds: Math.min(600, length), itemId: strip.inHand }])
    close()
  }
  return (
    <div className="space-y-5">
      {trouble && (
        <p role="alert" className="text-xl font-semibold">
          {trouble}
        </p>
      )}
      {seconds === null ? (
        <button type="button" className="slab w-full !min-h-[72px] !text-2xl" onClick={() => void begin()}>
          <Mic size={30} aria-hidden /> Speak it
        </button>
      ) : (
        <button type="button" className="slab w-full !min-h-[72px] !text-2xl" onClick={() => recorder.current?.stop()}>
          <Square size={28} aria-hidden /> Stop and keep, <span className="num">{seconds} s</span>
        </button>
      )}
      {seconds === null && <NoteForm record={strip.happen} close={close} itemId={strip.inHand} />}
    </div>
  )
}
