import { unreachable } from '@/core/base/result'
import type { Problem } from '@/core/order/checkRecord'
import type { RemovalError } from '@/core/order/removal'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { DocumentError } from '@/core/procedure/parseDocument'
import type { DanglingReference } from '@/core/procedure/references'
import { itemWords } from './items'
import { contradictionSentence } from './reasons'

/** A problem of the record: a short heading and a sentence that says what to do. */
export function problemWords(document: ProcedureDocument, problem: Problem): { heading: string; sentence: string } {
  const name = 'itemId' in problem ? itemWords(document, problem.itemId) : ''
  switch (problem.kind) {
    case 'contradiction':
      return { heading: 'Contradiction.', sentence: removalErrorSentence(document, problem.error) + buildSuffix(document, problem.build) }
    case 'goal out of reach':
      return { heading: 'Out of reach.', sentence: `${name} can’t be opened: ${removalErrorSentence(document, problem.error)}` }
    case 'reference':
      return { heading: 'Points nowhere.', sentence: referenceSentence(document, problem.reference) }
    case 'nothing holds it':
      return { heading: 'Nothing holds it.', sentence: `${name} has no fastener. Add what holds it, or say that it is a press fit or only rests.` }
    case 'no circuit':
      return { heading: 'Which circuit?', sentence: `Say what the plug ${name} serves: an airbag circuit must never go unnoticed.` }
    case 'no latch':
      return { heading: 'Which latch?', sentence: `Say how the plug ${name} is held, so that nobody pulls on its wires.` }
    case 'no tab side':
      return { heading: 'Which side is the tab?', sentence: `Half of all trouble is a tab that can’t be seen: say which side the tab of ${name} faces.` }
    case 'no function':
      return { heading: 'Nothing to test.', sentence: `Say which function to test after the plug ${name} has been open.` }
    case 'no way to set':
      return { heading: 'No way to set it.', sentence: `Something needs ${name} at “${problem.value}”, and no way to get there is recorded. Add a method.` }
    case 'lookalike without thread':
      return { heading: 'Lookalikes.', sentence: `${name} and ${itemWords(document, problem.otherId)} have the same head. State thread and length, so that they can be told apart.` }
    case 'drive without size':
      return { heading: 'Which driver?', sentence: `State the drive and size of the ${name}, so that the right driver is in the bag.` }
    case 'marks differ':
      return { heading: 'Marks and count differ.', sentence: `${name}: ${problem.marks} marks on the map, ${problem.count} in the record. Add marks or change the count.` }
    case 'may not rest':
      return { heading: 'It can’t rest free.', sentence: `Something waits only until ${itemWords(document, problem.partId)} is free, but it may not rest there: it will be taken off. Say how it may rest, or ask for “off”.` }
    case 'no cavity':
      return { heading: 'What is it for?', sentence: 'No cavity is recorded. Add what the parts open, so that a job can be planned for it.' }
    default:
      return unreachable(problem)
  }
}

export function problemIsStop(problem: Problem): boolean {
  return problem.kind === 'contradiction' || problem.kind === 'goal out of reach' || problem.kind === 'reference'
}

function buildSuffix(document: ProcedureDocument, build: Record<string, string>): string {
  const words = document.facets.flatMap((facet) => {
    const choice = facet.choices.find((item) => item.id === build[facet.id])
    return choice ? [`${facet.name.toLowerCase()} ${choice.name}`] : []
  })
  return words.length > 0 ? ` (Seen on the build ${words.join(', ')}.)` : ''
}

/** Why no way in or out could be made, and what to do. */
export function removalErrorSentence(document: ProcedureDocument, error: RemovalError): string {
  switch (error.kind) {
    case 'contradiction':
      return contradictionSentence(document, error.loop)
    case 'unknown-goal':
      return `What was chosen does not exist on this build. Choose another goal, or another build.`
    case 'high-voltage':
      return `The plug ${itemWords(document, error.tetherId)} is high voltage. This is never planned: stop and hand it to people licensed for high voltage.`
    case 'no-battery-setting':
      return `The plug ${itemWords(document, error.tetherId)} belongs to an airbag firing circuit, and no battery setting is recorded. Add the setting “battery” with its ways off and on.`
    case 'no-method':
      return `There is no way to bring ${itemWords(document, error.settingId)} to “${error.value}” on this build. Add a method to that setting.`
    case 'two-values':
      return `${itemWords(document, error.settingId)} is asked for at “${error.values[0]}” and at “${error.values[1]}” in the same job. Plan the two goals apart.`
    default:
      return unreachable(error)
  }
}

function referenceSentence(document: ProcedureDocument, reference: DanglingReference): string {
  if (reference.problem === 'twice') return `The id ${reference.itemId} is used twice.`
  const name = itemWords(document, reference.itemId)
  if (reference.problem === 'wrong-value') return `${name}, ${reference.field}: “${reference.value}” is not one of its values. Choose one that exists.`
  return `${name}, ${reference.field}: the ${reference.wanted} it names (${reference.refersTo}) is not in the record. Choose another one or remove it.`
}

/** Why a procedure file was not taken, with the place. Nothing was changed. */
export function documentErrorSentences(error: DocumentError): string[] {
  switch (error.kind) {
    case 'not-json':
      return [`This is not a procedure file: it can’t be read as JSON (${error.detail}). Choose the file that was exported, unchanged.`]
    case 'not-a-procedure':
      return ['This file is not an Istruzione procedure: it lacks format and version. Choose a file that was exported from here.']
    case 'unknown-version':
      return [`This file has version ${error.version}; this Istruzione knows versions up to ${error.known}. Update Istruzione, then import it again.`]
    case 'wrong-fields':
      return error.places.slice(0, 8).map(({ place, sentence }) => `${place}: ${sentence}`)
    case 'wrong-references':
      return error.references.slice(0, 8).map((reference) =>
        reference.problem === 'twice'
          ? `The id ${reference.itemId} is used twice. Give one of them another id.`
          : reference.problem === 'missing'
            ? `${reference.collection}, ${reference.itemId}, ${reference.field}: there is no ${reference.wanted} with the id ${reference.refersTo}.`
            : `${reference.collection}, ${reference.itemId}, ${reference.field}: “${reference.value}” is not one of its values.`,
      )
    default:
      return unreachable(error)
  }
}
