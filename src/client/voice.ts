/** A recording under way; `done` comes with the words once it is stopped. */
export type Recording = { stop: () => void; done: Promise<{ blob: Blob; seconds: number }> }

/** After so long it stops by itself. */
const LONGEST_MS = 180_000

/** Begins to record with the microphone. Rejects where the browser does not let it be used. */
export async function recordVoice(): Promise<Recording> {
  const stream = await navigator.mediaDevices.getUserMedia({ audio: true })
  const recorder = new MediaRecorder(stream)
  const pieces: Blob[] = []
  const startMs = Date.now()
  recorder.ondataavailable = (event) => pieces.push(event.data)
  const done = new Promise<{ blob: Blob; seconds: number }>((finish) => {
    recorder.onstop = () => {
      stream.getTracks().forEach((track) => track.stop())
      finish({
        blob: new Blob(pieces, { type: recorder.mimeType }),
        seconds: Math.max(1, Math.round((Date.now() - startMs) / 1000)),
      })
    }
  })
  const stop = () => recorder.state !== 'inactive' && recorder.stop()
  // More than the shop takes in one piece would be spoken for nothing.
  setTimeout(stop, LONGEST_MS)
  recorder.start()
  return { stop, done }
}
