import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { parseDocumentText } from '@/core/procedure/parseDocument'
import { asksOf, namesOf, understand, type OwnWords, type Understood } from '@/core/shorthand/understand'
import { documentErrorSentences } from '@/words/problems'
import { factWords, lineQuestionSentence } from '@/words/shorthandWords'
import { lineQuestions } from '@/core/shorthand/lineQuestions'

const USAGE = `bin/understand [--procedure FILE] [--json] [FILE]

Reads lines of shorthand, from a file or from what is piped in, and prints what each says, what has to be asked and what was
not understood. Empty lines are skipped.
  --procedure  a native procedure document: its parts are known by their names and synonyms
  --json       one JSON object a line instead of text

Ends with 0, or with 2 when something asked can't be read.`

/** Says what is wrong and ends. */
function refuse(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(2)
}

function main(): void {
  const { values, positionals } = readArguments()
  if (values.help || positionals.length > 1) refuse(USAGE)
  const own = values.procedure ? namesIn(values.procedure) : {}
  const lines = read(positionals[0] ?? 0, 'Give the path of a text file, or pipe lines in.')
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
  let whole = 0
  for (const line of lines) {
    const understood = understand(line, own)
    if (asksOf(understood).length === 0 && understood.notUnderstood.length === 0) whole += 1
    process.stdout.write(values.json ? `${JSON.stringify(asJson(line, understood))}\n` : asText(line, understood))
  }
  if (!values.json)
    process.stdout.write(
      `${lines.length} ${lines.length === 1 ? 'line' : 'lines'}, ${whole} without a question or an unknown word\n`,
    )
}

function readArguments() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: { procedure: { type: 'string' }, json: { type: 'boolean' }, help: { type: 'boolean' } },
    })
  } catch (error) {
    return refuse(`${error instanceof Error ? error.message : 'These arguments can’t be read.'}\n\n${USAGE}`)
  }
}

function read(from: string | 0, advice: string): string {
  try {
    return readFileSync(from, 'utf8')
  } catch {
    return refuse(from === 0 ? advice : `The file ${from} can’t be read. ${advice}`)
  }
}

function namesIn(file: string): OwnWords {
  const document = parseDocumentText(
    read(file, 'Give the path of a procedure document, for example docs/examples/panel-van.json.'),
  )
  return document.ok ? namesOf(document.value) : refuse(documentErrorSentences(document.error).join('\n'))
}

/** What is printed of a line as JSON; how it was come to is of no use outside. */
function asJson(line: string, understood: Understood) {
  const { facts, words, notUnderstood, heard, whichPart, left } = understood
  return { line, facts, words, asks: asksOf(understood), notUnderstood, heard, whichPart, left }
}

function asText(line: string, understood: Understood): string {
  const questions = lineQuestions(understood)
  const of = (mark: string, isOne: (kind: string) => boolean) =>
    questions.filter(({ kind }) => isOne(kind)).map((question) => `   ${mark} ${lineQuestionSentence(question)}`)
  return [
    line,
    ...understood.facts.map((fact) => `   ${factWords(fact)}`),
    ...of('?', (kind) => kind !== 'unread'),
    ...of('!', (kind) => kind === 'unread'),
    '',
    '',
  ].join('\n')
}

main()
