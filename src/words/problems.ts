import { byKind, type ByKind } from '@/core/base/byKind'
import { unreachable } from '@/core/base/result'
import type { Problem } from '@/core/plan/check/problem'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { NoSafeOrder } from '@/core/plan/derive/leg'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { DocumentError } from '@/core/procedure/parseDocument'
import type { DanglingReference } from '@/core/procedure/references'
import { numberWords } from './dates'
import { holderWords, toolWords, itemWords } from './items'
import { contradictionSentence } from './reasons'
import { splitKey } from '@/core/procedure/acts'

type Told = { heading: string; sentence: string }
/** `name`: what the problem is about, in words. */
type Context = { document: ProcedureDocument; name: string }

/** A problem of the record: a short heading and a sentence that says what to do. */
export function problemWords(document: ProcedureDocument, problem: Problem): Told {
  return byKind(PROBLEMS, problem, { document, name: 'itemId' in problem ? itemWords(document, problem.itemId) : '' })
}

const PROBLEMS: ByKind<Problem, [Context], Told> = {
  contradiction: (problem, { document }) => ({
    heading: 'Contradiction.',
    sentence: planErrorSentence(document, problem.error) + buildSuffix(document, problem.build),
  }),
  'goal out of reach': (problem, { document, name }) => ({
    heading: 'Out of reach.',
    sentence: `${name} can’t be opened: ${planErrorSentence(document, problem.error)}`,
  }),
  reference: (problem, { document }) => ({
    heading: 'Points nowhere.',
    sentence: referenceSentence(document, problem.reference),
  }),
  'nothing holds it': (_, { name }) => ({
    heading: 'Nothing holds it.',
    sentence: `${name} has no fastener. Add what holds it, or say that it is a press fit or only rests.`,
  }),
  'loose end': (problem, { document, name }) => ({
    heading: 'A loose end.',
    sentence: `Nobody has said what ${name} ${document.tethers.some((tether) => tether.id === problem.itemId) ? 'ties' : 'holds'}. No plan would ask for it: choose the part.`,
  }),
  'same name': (_, { name }) => ({
    heading: 'Two of one name.',
    sentence: `Two parts are called ${name}: whoever says it means either. Name them apart, or say under Clean-up that they are one.`,
  }),
  'facet not told apart': (problem, { name }) => ({
    heading: 'How is it told?',
    sentence: `${name}: nobody has said how “${problem.choice}” is told from the others. Whoever plans a job has to see it.`,
  }),
  'no circuit': (_, { name }) => ({
    heading: 'Which circuit?',
    sentence: `Say what the plug ${name} serves: an airbag circuit must never go unnoticed. Until then it counts as one, and nothing is published.`,
  }),
  'screws under a trap': (problem, { document }) => ({
    heading: 'Can they be reached?',
    sentence: `The ${itemWords(document, problem.coverId)} lies over an edge of the ${itemWords(document, problem.partId)}: can its ${problem.holderIds.map((id) => holderWords(document.holders.find((item) => item.id === id)!)).join(' and ')} be reached with it on? A panel over an edge often lies over the screws as well; nothing is assumed.`,
  }),
  'no latch': (_, { name }) => ({
    heading: 'Which latch?',
    sentence: `Say how the plug ${name} is held, so that nobody pulls on its wires.`,
  }),
  'no tab side': (_, { name }) => ({
    heading: 'Which side is the tab?',
    sentence: `Half of all trouble is a tab that can’t be seen: say which side the tab of ${name} faces.`,
  }),
  'no function': (_, { name }) => ({
    heading: 'Nothing to test.',
    sentence: `Say which function to test after the plug ${name} has been open.`,
  }),
  'no way to set': (problem, { name }) => ({
    heading: 'No way to set it.',
    sentence: `Something needs ${name} at “${problem.value}”, and no way to get there is recorded. Add a method.`,
  }),
  'lookalike without difference': (problem, { document, name }) => ({
    heading: 'Lookalikes.',
    sentence: `${name} and ${itemWords(document, problem.otherId)} have the same head. State thread and length, or how they are told apart.`,
  }),
  'mix-up without difference': (problem, { document, name }) => ({
    heading: 'Mix-up.',
    sentence: `The plugs ${name} and ${itemWords(document, problem.otherId)} can be confused, and nobody has said how to tell them apart.`,
  }),
  'mix-up one way': (problem, { document, name }) => ({
    heading: 'Mix-up.',
    sentence: `${name} can be taken for ${itemWords(document, problem.otherId)}; the other way round nothing is said.`,
  }),
  'carried in a circle': (_, { name }) => ({
    heading: 'Carried in a circle.',
    sentence: `${name} would be carried by itself. Say which part really holds which.`,
  }),
  'covered for good': (problem, { document, name }) => ({
    heading: 'No way to uncover it.',
    sentence: `${name} lies behind ${itemWords(document, problem.coverId)}, which can’t be moved away${buildWords(document, problem.build)}. Look again what covers it.`,
  }),
  'no safe order': (problem, { document, name }) => ({
    heading: 'No safe order.',
    sentence: `${name}: ${noSafeOrderSentence(document, problem.error)}${buildSuffix(document, problem.build)}`,
  }),
  'orders in a circle': (problem) => ({
    heading: 'Orders in a circle.',
    sentence: `${problem.needIds.length} observed orders run in a circle, with the facts or with each other. They are not obeyed. Say which of them hold, and why; call the others a habit.`,
  }),
  'other steering side': (problem, { document, name }) => ({
    heading: 'Which left?',
    sentence: `${name} speaks of “${problem.words}”: that holds only with the wheel on one side. Say inboard or outboard, or give it a condition on ${itemWords(document, problem.facetId).toLowerCase()}.`,
  }),
  'condition on every choice': (problem, { document, name }) => ({
    heading: 'Condition without effect.',
    sentence: `${name} depends on ${itemWords(document, problem.facetId).toLowerCase()}, and every choice of it is allowed.`,
  }),
  'airbag not asked': (_, { name }) => ({
    heading: 'Airbags?',
    sentence: `${name} runs where airbags often are, and nobody has said a word on them. Look all along it and say so, or what it goes by.`,
  }),
  'distance not measured': (problem, { name }) => ({
    heading: 'How near?',
    sentence: `${name} goes beside a ${problem.hazard}, and nobody measured how near: it counts as touching.`,
  }),
  'width not said': (_, { name }) => ({
    heading: 'How wide is it?',
    sentence: `${name} is threaded: say what is free at its narrowest. Any connector counts as passing until somebody does.`,
  }),
  'not sealed': (_, { name }) => ({
    heading: 'No seal.',
    sentence: `${name} goes from the wet into the dry without a seal. Say what seals it: water finds the seat.`,
  }),
  'drill not said': (_, { name }) => ({
    heading: 'How large a hole?',
    sentence: `${name} is to be drilled: say to which diameter, and know what lies behind.`,
  }),
  'eased not said': (problem, { document, name }) => ({
    heading: 'Eased, by what?',
    sentence: `${name} asks for ${itemWords(document, problem.partId)} eased, and nobody has said which clips let go. It is planned free.`,
  }),
  island: (_, { name }) => ({
    heading: 'An island.',
    sentence: `No way joins ${name} to the other points: no lead gets there. Record a way, or take it away.`,
  }),
  'way stated twice': (problem, { document, name }) => ({
    heading: 'Stated twice.',
    sentence: `${name} and ${itemWords(document, problem.otherId)} go between the same points under one name.`,
  }),
  'stated twice': () => ({
    heading: 'Stated twice.',
    sentence: 'The same need is in the record twice.',
  }),
  'seen once': (problem, { name }) => ({
    heading: 'Seen on one strip at most.',
    sentence: `${name}: ${problem.count === 1 ? 'one fact' : `${problem.count} facts`} no second strip has borne out yet. Look again on the next one.`,
  }),
  'drive without size': (_, { name }) => ({
    heading: 'Which driver?',
    sentence: `State the drive and size of the ${name}, so that the right driver is in the bag.`,
  }),
  'thread lets go': (_, { name }) => ({
    heading: 'A thread does not let go.',
    sentence: `${name} are said to let go with the pull, but they are screwed: they are undone by themselves all the same. Say another kind, or “as its kind”.`,
  }),
  'marks differ': (problem, { name }) => ({
    heading: 'Marks and count differ.',
    sentence: `${name}: ${problem.marks} marks on the map, ${problem.count} in the record. Add marks or change the count.`,
  }),
  'may not rest': (problem, { document }) => ({
    heading: 'It can’t rest free.',
    sentence: `Something waits only until ${itemWords(document, problem.partId)} is free, but it may not rest there: it will be taken off. Say how it may rest, or ask for “off”.`,
  }),
  'no cavity': () => ({
    heading: 'What is it for?',
    sentence: 'No cavity is recorded. Add what the parts open, so that a job can be planned for it.',
  }),
}

function buildSuffix(document: ProcedureDocument, build: Record<string, string>): string {
  const words = document.facets.flatMap((facet) => {
    const choice = facet.choices.find((item) => item.id === build[facet.id])
    return choice ? [`${facet.name.toLowerCase()} ${choice.name}`] : []
  })
  return words.length > 0 ? ` (Seen on the build ${words.join(', ')}.)` : ''
}

/** Why no way in or out could be made, and what to do. */
export function planErrorSentence(document: ProcedureDocument, error: PlanError): string {
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
    case 'no safe order':
      return noSafeOrderSentence(document, error)
    case 'no order within the limits':
      return `No order was found within what one question may cost (${numberWords(error.expanded)} states looked at). Any there is takes at least ${Math.ceil(error.atLeastS / 60)} min. Choose fewer goals at once, or another habit.`
    case 'refused order':
      return `The order that was found would break a rule of safety at ${itemWords(document, splitKey(error.key)[1])}, so it is not shown. This is a fault of the program: please report it, and choose another method or policy meanwhile.`
    case 'tool missing':
      return `There is no ${toolWords(error.tool)}, and ${itemWords(document, splitKey(error.key)[1])} can’t be done without it. Fetch one, or choose another goal.`
    case 'must stay':
      return `${itemWords(document, error.partId)} won’t move and is left, and every way to this goal leads over it. Choose another opening or goal.`
    case 'tether without end':
      return `${itemWords(document, error.partId)} does not go back, and its plug ${itemWords(document, error.tetherId)} has no end. Say whether it moves along, or is left open and insulated.`
    case 'airbag left open':
      return `The plug ${itemWords(document, error.tetherId)} belongs to the airbag system: it is never left open. Choose another end for its part.`
    case 'bypass':
      return 'This kit would bypass a signal that keeps the driver from watching on the move. That is never planned: join it to the real signal; local law decides.'
    case 'no access':
      return 'A work item of this kit asks for an opening this build does not have. Change the kit’s fit for this model.'
    default:
      return unreachable(error)
  }
}

/** What is stuck, and which setting it would need. */
function noSafeOrderSentence(document: ProcedureDocument, error: NoSafeOrder): string {
  if (!error.proven)
    return 'No order was found that keeps every rule of safety, and the search was given up before it could say that there is none. Choose another method or another policy.'
  const stuck = error.stuck
    .filter((item) => item.demands.length > 0)
    .slice(0, 2)
    .map((item) => {
      const demands = [
        ...new Set(item.demands.map((demand) => `${itemWords(document, demand.settingId)} ${demand.value}`)),
      ]
      return `${itemWords(document, splitKey(item.key)[1])} needs ${demands.join(' and ')}`
    })
  return `there is no order that keeps the rules of safety. ${stuck.length > 0 ? `In the end ${stuck.join('; ')}, and that can’t be brought about any more.` : 'The settings can’t all be set back.'} Allow another method, or look again at what the methods need.`
}

function buildWords(document: ProcedureDocument, build: Record<string, string>): string {
  const suffix = buildSuffix(document, build)
  return suffix ? suffix.replace(' (Seen on', ' on').replace('.)', '') : ''
}

function referenceSentence(document: ProcedureDocument, reference: DanglingReference): string {
  if (reference.problem === 'twice') return `The id ${reference.itemId} is used twice.`
  const name = itemWords(document, reference.itemId)
  if (reference.problem === 'wrong-value')
    return `${name}, ${reference.field}: “${reference.value}” is not one of its values. Choose one that exists.`
  return `${name}, ${reference.field}: the ${reference.wanted} it names (${reference.refersTo}) is not in the record. Choose another one or remove it.`
}

/** Why a procedure file was not taken, with the place. Nothing was changed. */
export function documentErrorSentences(error: DocumentError): string[] {
  switch (error.kind) {
    case 'not-json':
      return [
        `This is not a procedure file: it can’t be read as JSON (${error.detail}). Choose the file that was exported, unchanged.`,
      ]
    case 'not-a-procedure':
      return [
        'This file is not an Istruzione procedure: it lacks format and version. Choose a file that was exported from here.',
      ]
    case 'unknown-version':
      return [
        `This file has version ${error.version}; this Istruzione knows versions up to ${error.known}. Update Istruzione, then import it again.`,
      ]
    case 'not-understood':
      return [
        `${error.place}: this version of Istruzione does not know that. Nothing was imported. Update Istruzione, then import it again, or take that out of the file.`,
      ]
    case 'wrong-fields':
      return error.places.slice(0, 8).map(({ place, sentence }) => `${place}: ${sentence}`)
    case 'wrong-references':
      return error.references
        .slice(0, 8)
        .map((reference) =>
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
