import { readFileSync } from 'node:fs'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { parseArgs } from 'node:util'
import { planJob } from '@/core/plan/planJob'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import { parseDocumentText } from '@/core/procedure/parseDocument'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { lanesOf } from '@/core/plan/lanes/lanesOf'
import { lanesReport, planReport, type LanesReport, type PlanReport, type ReportStep } from '@/words/planReport'
import { documentErrorSentences, planErrorSentence } from '@/words/problems'

const USAGE = `bin/plan FILE --goal CAVITY-OR-PART [--goal ...] [--build FACET=CHOICE ...] [--start STATION]
         [--policy KEY=VALUE ...] [--opened] [--people N] [--json]

Reads a native procedure document and prints the whole job: choices, way in, work, tests, way out, cost and what is proved.
  --goal     a cavity or a part, by id or by name; a part is taken off
  --build    which example it is, by id or by name: --build gearbox=automatic
  --start    the station somebody stands at first (driver side); once for each person
  --policy   habit=quickest | "panel by panel" | "tool in hand", resting=rest | "set aside", battery="stays on" | "off first"
  --opened   the way in alone, the ignition off again at its end
  --people   2 or 3: the same order shared out in lanes, each with tools of their own
  --json     one JSON object instead of text

Ends with 0 and a plan, with 1 when there is no safe way (the reason is printed), with 2 when something asked can't be read.`

/** Says what is wrong and ends. */
function refuse(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(2)
}

function main(): void {
  const { values, positionals } = readArguments()
  if (values.help || positionals.length !== 1) refuse(USAGE)
  const starts = startsOf(Number(values.people ?? 1), values.start ?? ['driver side'])
  const document = readDocument(positionals[0]!)
  const request = requestOf(document, values, starts[0]!)
  const plan = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
  if (!plan.ok) {
    const sentence = planErrorSentence(document, plan.error)
    process.stdout.write(
      values.json
        ? `${JSON.stringify({ refused: sentence, error: plan.error.kind })}\n`
        : `There is no way in: ${sentence}\n`,
    )
    process.exit(1)
  }
  const lanes = starts.length > 1 ? lanesOf(plan.value, starts) : null
  if (lanes && !lanes.ok)
    refuse(
      `${lanes.error.keys.length} steps take more than ${starts.length} people. Say --people ${starts.length + 1}.`,
    )
  const report = { ...planReport(plan.value), ...(lanes && { lanes: lanesReport(plan.value, lanes.value) }) }
  process.stdout.write(values.json ? `${JSON.stringify(report)}\n` : asText(document, report))
}

/** Where each person stands at first. */
function startsOf(people: number, said: readonly string[]): string[] {
  if (![1, 2, 3].includes(people)) refuse('Say --people 1, 2 or 3.')
  if (said.length > people)
    refuse(
      `${said.length} stations are given for ${people === 1 ? 'one person' : `${people} people`}. Give one --start for each, or say --people ${said.length}.`,
    )
  return Array.from({ length: people }, (_, i) => said[i] ?? said.at(-1)!)
}

function requestOf(
  document: ProcedureDocument,
  values: ReturnType<typeof readArguments>['values'],
  start: string,
): PlanRequest {
  const goals = (values.goal ?? []).map((said) => goalNamed(document, said))
  if (goals.length === 0) refuse(`Say what to open with --goal. ${choicesWords(document.cavities, 'Cavities')}`)
  const build = Object.fromEntries((values.build ?? []).map((said) => facetNamed(document, said)))
  const policy = Object.fromEntries((values.policy ?? []).map((said) => pair(said, '--policy')))
  const scope = values.opened ? 'opened' : 'refitted'
  const request = PlanRequest.safeParse({ goals, build, policy, start, scope })
  if (!request.success)
    refuse(request.error.issues.map((issue) => `${issue.path.join(', ')}: ${issue.message}`).join('\n'))
  return request.data
}

function readArguments() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        goal: { type: 'string', multiple: true },
        build: { type: 'string', multiple: true },
        policy: { type: 'string', multiple: true },
        start: { type: 'string', multiple: true },
        people: { type: 'string' },
        opened: { type: 'boolean' },
        json: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    })
  } catch (error) {
    return refuse(`${error instanceof Error ? error.message : 'These arguments can’t be read.'}\n\n${USAGE}`)
  }
}

function readDocument(file: string): ProcedureDocument {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    refuse(
      `The file ${file} can’t be read. Give the path of a procedure document, for example docs/examples/panel-van.json.`,
    )
  }
  const document = parseDocumentText(text)
  if (!document.ok) refuse(documentErrorSentences(document.error).join('\n'))
  return document.value
}

type Named = { id: string; name: string }
const isNamed = (item: Named, said: string) => item.id === said || item.name.toLowerCase() === said.toLowerCase()
const choicesWords = (items: readonly Named[], what: string) =>
  `${what}: ${items.map((item) => `${item.id} (${item.name})`).join(', ') || 'none'}.`

function goalNamed(document: ProcedureDocument, said: string): object {
  const cavity = document.cavities.find((item) => isNamed(item, said))
  if (cavity) return { kind: 'cavity', cavityId: cavity.id }
  const parts = document.parts.filter(
    (item) => isNamed(item, said) || item.synonyms.some((other) => other.toLowerCase() === said.toLowerCase()),
  )
  if (parts.length === 1) return { kind: 'part', partId: parts[0]!.id, level: 'off' }
  if (parts.length > 1)
    refuse(`“${said}” is the name of several parts. Give the id. ${choicesWords(parts, 'They are')}`)
  refuse(
    `This record has no cavity or part “${said}”. ${choicesWords(document.cavities, 'Cavities')} ${choicesWords(document.parts, 'Parts')}`,
  )
}

function facetNamed(document: ProcedureDocument, said: string): [string, string] {
  const [name, value] = pair(said, '--build')
  const facet = document.facets.find((item) => isNamed(item, name))
  if (!facet) refuse(`This record has no facet “${name}”. ${choicesWords(document.facets, 'Facets')}`)
  const choice = facet.choices.find((item) => isNamed(item, value))
  if (!choice) refuse(`${facet.name} has no choice “${value}”. ${choicesWords(facet.choices, 'Choices')}`)
  return [facet.id, choice.id]
}

function pair(said: string, option: string): [string, string] {
  const at = said.indexOf('=')
  if (at < 1) refuse(`${option} wants NAME=VALUE, not “${said}”.`)
  return [said.slice(0, at), said.slice(at + 1)]
}

function asText(document: ProcedureDocument, report: PlanReport & { lanes?: LanesReport }): string {
  const lines = [
    `${document.name}: whole job ${report.totalS} s by house estimates; way in ${report.wayInS} s, work and tests ${report.bottomS} s, way out ${report.wayOutS} s.`,
    provenWords(report),
    `No such job was timed yet: reckon with ${Math.round(report.forecast.p50S)} s, keep ${Math.round(report.forecast.p80S)} s free.`,
    ...[...Object.entries(report.openings), ...Object.entries(report.extraPartsFor)].map(
      ([what, choice]) => `Chosen for ${what}: ${choice}`,
    ),
    `${report.fasteners} fasteners, plugs opened: ${report.tethersOpened.join(', ') || 'none'}; off: ${report.partsOff.join(', ')}; resting: ${report.partsResting.join(', ') || 'none'}`,
    `In the bag: ${report.tools.join(', ') || 'nothing'}`,
    ...report.cautions.map((caution) => `${caution.severity}: ${caution.sentence}`),
    ...stepLines('Way in', report.wayIn),
    ...stepLines(
      restTitle(report),
      report.steps.filter((step) => step.phase !== 'in'),
    ),
    ...laneLines('Way in', report.lanes?.wayIn),
    ...laneLines('Work, tests and way out', report.lanes?.wayOut),
  ]
  return `${lines.join('\n')}\n`
}

function provenWords({ proven, allChoices, gapS }: PlanReport): string {
  if (proven) return 'Proven: no safe order is better under this policy.'
  return allChoices
    ? `Not proven: at most ${Math.ceil(gapS)} s could be saved.`
    : 'Not proven: there are more ways to choose openings and extra parts than were compared.'
}

function restTitle({ work, tests, wayOut }: PlanReport): string {
  return [work.length > 0 && 'Work', tests.length > 0 && 'tests', wayOut.length > 0 && 'way out']
    .filter(Boolean)
    .join(', ')
    .replace(/^./, (letter) => letter.toUpperCase())
}

type ShownStep = Pick<ReportStep, 'thing' | 'title' | 'station' | 'tool'>
const stepName = (step: ShownStep) => [step.thing, step.title].filter(Boolean).join(': ')
const stepPlace = (step: ShownStep) => [step.station, step.tool].filter(Boolean).join(', ')

function stepLines(title: string, steps: readonly ReportStep[]): string[] {
  if (steps.length === 0) return []
  return [
    '',
    title,
    ...steps.map((step, i) => {
      const toGetThere = step.setUpS > 0 ? ` + ${step.setUpS} s to get there` : ''
      return `${String(i + 1).padStart(3)}  ${stepName(step)}  (${stepPlace(step)}; ${step.workS} s${toGetThere})`
    }),
  ]
}

function laneLines(title: string, leg: LanesReport['wayIn'] | null | undefined): string[] {
  if (!leg) return []
  return [
    '',
    `${title} for ${leg.lanes.length}: ${leg.makespanS} s${leg.proven ? ', proven' : `; ${Math.ceil(leg.boundS)} s at least`}`,
    ...leg.lanes.flatMap((lane, i) => [
      `Person ${i + 1}`,
      ...lane.map((step) => {
        const span = `${String(step.startS).padStart(5)} to ${String(step.endS).padStart(4)} s`
        const helped = step.with === null ? '' : `, with person ${step.with + 1}`
        return `${span}  ${stepName(step)}  (${stepPlace(step)})${helped}`
      }),
    ]),
  ]
}

main()
