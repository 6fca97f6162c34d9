/**
 * The browser's own speech recognition, as far as this program needs it (Web Speech API, a W3C community report; its
 * types are in no library yet).
 */
type Recognition = EventTarget & {
  lang: string
  continuous: boolean
  interimResults: boolean
  /** Newer browsers: whether it must happen on this device. */
  processLocally?: boolean
  start: () => void
  stop: () => void
}
type RecognitionClass = {
  new (): Recognition
  available?: (options: { langs: string[]; processLocally: boolean }) => Promise<string>
}
/** What was heard, piece by piece, each in its likeliest wording: words, and beside them how sure the browser is. */
type Heard = Event & { results: ArrayLike<ArrayLike<object>> }
type Failed = Event & { error: string }

const LANGUAGE = 'en-GB'

/** Why nothing is written down. */
export type DictationTrouble = 'not allowed' | 'nothing heard' | 'not reached'

/** A line being dictated. */
export type Dictation = { stop: () => void }

function recognition(): RecognitionClass | null {
  const known = globalThis as { SpeechRecognition?: RecognitionClass; webkitSpeechRecognition?: RecognitionClass }
  return known.SpeechRecognition ?? known.webkitSpeechRecognition ?? null
}

/** Whether this browser writes down what is said. */
export function canDictate(): boolean {
  return recognition() !== null
}

/** Whether it does so on this device; if not, what is said goes to the browser's maker. */
export async function dictatesHere(): Promise<boolean> {
  const known = recognition()
  const is = await known?.available?.({ langs: [LANGUAGE], processLocally: true }).catch(() => 'unavailable')
  return is === 'available'
}

/**
 * Begins to listen. `onWords` gets all that was said so far, each time it changes; `onEnd` is called once, with what
 * went wrong or null. `here`: on this device and nowhere else.
 */
export function dictate(
  here: boolean,
  onWords: (words: string) => void,
  onEnd: (trouble: DictationTrouble | null) => void,
): Dictation {
  const Known = recognition()
  if (!Known) throw new Error('This browser has no speech recognition: ask canDictate first.')
  const listening = new Known()
  listening.lang = LANGUAGE
  listening.continuous = true
  listening.interimResults = true
  if (here) listening.processLocally = true
  let trouble: DictationTrouble | null = null
  listening.addEventListener('result', (event) => {
    const { results } = event as Heard
    const words = Array.from(results, (result) => (result[0] ? wordsIn(result[0]) : ''))
    onWords(words.filter((said) => said !== '').join(' '))
  })
  listening.addEventListener('error', (event) => (trouble = TROUBLES[(event as Failed).error] ?? 'not reached'))
  listening.addEventListener('end', () => onEnd(trouble))
  listening.start()
  return { stop: () => listening.stop() }
}

/**
 * The words of a wording: the one text among its fields. By Web IDL they are enumerable accessors of its prototype,
 * which this meets (from memory; no microphone here).
 */
function wordsIn(wording: object): string {
  for (const field in wording) {
    const value: unknown = wording[field as keyof typeof wording]
    if (typeof value === 'string') return value.trim()
  }
  return ''
}

const TROUBLES: Readonly<Record<string, DictationTrouble>> = {
  'not-allowed': 'not allowed',
  'service-not-allowed': 'not allowed',
  'audio-capture': 'not allowed',
  'no-speech': 'nothing heard',
}
