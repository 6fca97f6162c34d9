/** A recording under way; `done` comes with the words once it is stopped. */
export type Recording = { stop: () => void; done: Promise<{ blob: Blob; seconds: number }> }

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
  recorder.start()
  return { stop: () => recorder.state !== 'inactive' && recorder.stop(), done }
}
