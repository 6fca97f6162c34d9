import { afterEach, expect, test } from '@jest/globals'
import { canDictate, dictate, dictatesHere } from './dictation'

/** As a browser has it: nothing of its own, accessors on its prototype. */
const wording = (words: string): object =>
  Object.create(
    Object.defineProperties(
      {},
      {
        confidence: { get: () => 0.9, enumerable: true },
        words: { get: () => words, enumerable: true },
      },
    ) as object,
  ) as object

/** A browser that hears what a test says. */
class Hearing extends EventTarget {
  static last: Hearing
  static here = 'available'
  static available = (asked: { langs: string[]; processLocally: boolean }) =>
    Promise.resolve(asked.processLocally ? Hearing.here : 'available')
  lang = ''
  continuous = false
  interimResults = false
  processLocally = false
  isListening = false
  start() {
    Hearing.last = this
    this.isListening = true
  }
  stop() {
    this.isListening = false
    this.dispatchEvent(new Event('end'))
  }
  hear(...said: string[]) {
    this.dispatchEvent(Object.assign(new Event('result'), { results: said.map((words) => [wording(words)]) }))
  }
  fail(error: string) {
    this.dispatchEvent(Object.assign(new Event('error'), { error }))
    this.stop()
  }
}
const browser = globalThis as { SpeechRecognition?: unknown; webkitSpeechRecognition?: unknown }
afterEach(() => {
  delete browser.SpeechRecognition
  delete browser.webkitSpeechRecognition
  Hearing.here = 'available'
})

test('a browser without it is not asked', async () => {
  expect(canDictate()).toBe(false)
  expect(await dictatesHere()).toBe(false)
  expect(() =>
    dictate(
      true,
      () => undefined,
      () => undefined,
    ),
  ).toThrow('no speech recognition')
})
test.each(['SpeechRecognition', 'webkitSpeechRecognition'] as const)('%s: words as they come, to the last', (name) => {
  browser[name] = Hearing
  const lines: string[] = []
  const ends: unknown[] = []
  const dictation = dictate(
    true,
    (words) => lines.push(words),
    (trouble) => ends.push(trouble),
  )
  expect(Hearing.last).toMatchObject({
    isListening: true,
    processLocally: true,
    continuous: true,
    interimResults: true,
  })
  Hearing.last.hear('nine')
  Hearing.last.hear('nine clips', ' behind liner')
  Hearing.last.hear('nine clips', ' ')
  dictation.stop()
  expect(lines).toEqual(['nine', 'nine clips behind liner', 'nine clips'])
  expect(ends).toEqual([null])
})
test('on this device only where the browser says that it can', async () => {
  browser.SpeechRecognition = Hearing
  expect(await dictatesHere()).toBe(true)
  for (const here of ['downloadable', 'unavailable']) {
    Hearing.here = here
    expect(await dictatesHere()).toBe(false)
  }
  // An older browser can't say.
  browser.SpeechRecognition = class extends EventTarget {}
  expect(await dictatesHere()).toBe(false)
  browser.SpeechRecognition = Hearing
  dictate(
    false,
    () => undefined,
    () => undefined,
  )
  expect(Hearing.last.processLocally).toBe(false)
})
test.each([
  ['not-allowed', 'not allowed'],
  ['audio-capture', 'not allowed'],
  ['no-speech', 'nothing heard'],
  ['network', 'not reached'],
])('%s: %s', (error, trouble) => {
  browser.SpeechRecognition = Hearing
  const ends: unknown[] = []
  dictate(
    true,
    () => undefined,
    (why) => ends.push(why),
  )
  Hearing.last.fail(error)
  expect(ends).toEqual([trouble])
})
