import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { NOT_WANTED } from '../shop/functionClosure'
import { crewAtDash, goOnTo, record } from '../testing/atDash.testing'
import { SCREEN } from '../testing/screenKit.testing'
import { smallDash } from '../testing/smallDash.testing'
import type { CrewAtWork } from './crew.testing'
import { placeIsOpen, tappedDone } from './decide/done'
import { blockedFunctions, buriedBy, lackingFunctions } from './functionStanding'
import { handoverBlocks } from './handover'
import { nextTap } from './progress'
import { termsOf, testsOwed } from './terms'

const crewWith = (build: Record<string, string> = {}, document = smallDash()) =>
  crewAtDash(document, PlanRequest.parse({ kits: [SCREEN], build }))
const termsFor = (crew: CrewAtWork) => termsOf(crew.document, crew.request, crew.state)
const allAsWritten = (crew: CrewAtWork) => {
  for (let tap = nextTap(crew.plan, crew.state); tap; tap = nextTap(crew.plan, crew.state))
    for (const step of tap.steps) crew.does(step)
}
const blocked = (crew: CrewAtWork) =>
  blockedFunctions(termsFor(crew), crew.state).map(({ functionId, lacks }) => [
    functionId,
    ...lacks.map(({ is }) => is),
  ])
const CAPPED = { kind: 'ended', itemId: 'parking', end: 'left open and insulated', count: 1, note: '' } as const
const owed = (crew: CrewAtWork) => testsOwed(crew.document, crew.state, termsFor(crew)).map(({ id }) => id)
const blocks = (crew: CrewAtWork) =>
  handoverBlocks(crew.document, crew.state, false, termsFor(crew)).map((block) => block.kind)

describe('functions wanted of a kit', () => {
  test('what is still to come lacks, and blocks nothing; done as written nothing lacks', () => {
    const crew = crewWith()
    const lacking = lackingFunctions(termsFor(crew), crew.state)
    expect(lacking.map(({ functionId }) => functionId)).toEqual(['projection', 'rear-view'])
    expect(lacking[0]!.lacks).toMatchObject([{ need: { id: 'parking' }, is: 'to come' }])
    expect(blocked(crew)).toEqual([])
    allAsWritten(crew)
    expect(lackingFunctions(termsFor(crew), crew.state)).toEqual([])
    expect(owed(crew)).toEqual(expect.arrayContaining(['plays', 'projection', 'rear-view']))
  })
  test('a lead left open on purpose blocks its function and no other, and is a loss that is told, not a test', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [{ kind: 'opened', tetherId: 'parking' }, CAPPED])
    expect(blocked(crew)).toEqual([['projection', 'left open']])
    expect(owed(crew)).not.toContain('projection')
    expect(owed(crew)).toContain('rear-view')
    expect(blocks(crew)).toContain('loss not accepted')
    // Capped it is accounted for.
    expect(crew.balance().openRows).toEqual([])
    record(crew, [{ kind: 'loss accepted', functionIds: ['projection'], by: 'them' }])
    expect(blocks(crew)).not.toContain('loss not accepted')
    // The real lead, and it is owed its test again.
    record(crew, [
      { kind: 'closed', tetherId: 'parking' },
      { kind: 'tried', tetherId: 'parking' },
    ])
    expect(blocked(crew)).toEqual([])
    expect(owed(crew)).toContain('projection')
  })
  test('a module that stands otherwise blocks, and what rests on a blocked function is blocked with it', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [{ kind: 'adjusted', moduleSettingId: 'input', value: 'off', how: 'read back' }])
    expect(blocked(crew)).toEqual([['rear-view', 'set otherwise']])
    const terms = termsFor(crew)
    const resting = {
      ...terms,
      added: [
        ...terms.added,
        { ...terms.added[1]!, id: 'mirror-view', needs: [{ ...terms.added[1]!.needs[0]!, id: 'rear-view' }] },
      ],
    }
    expect(blockedFunctions(resting, crew.state).map(({ functionId }) => functionId)).toEqual([
      'rear-view',
      'mirror-view',
    ])
  })
  test('what is not wanted is neither tested nor missing; what rests on it says so', () => {
    const crew = crewWith({ projection: NOT_WANTED, 'rear-view': NOT_WANTED })
    allAsWritten(crew)
    expect([owed(crew).includes('projection'), blocked(crew), crew.balance().openRows]).toEqual([false, [], []])
    expect(crew.state.ends.get('parking')?.end).toBe('left open and insulated')
    // Nothing of the camera was fitted.
    expect([crew.state.works.has('cam'), crew.state.works.has('connect')]).toEqual([false, true])
  })
  test('what rests on a function of another build says so, and not that nobody wants it', () => {
    const functions = SCREEN.kit.functions.map((item) =>
      item.id === 'rear-view'
        ? { ...item, needs: [...item.needs, { ...item.needs[0]!, id: 'projection' }] }
        : item.id === 'projection'
          ? { ...item, when: { trim: ['other'] } }
          : item,
    )
    const kit = { ...SCREEN, kit: { ...SCREEN.kit, functions } }
    const lacks = (build: Record<string, string>) =>
      blocked(crewAtDash(smallDash(), PlanRequest.parse({ kits: [kit], build })))
    expect(lacks({ trim: 'this' })).toEqual([['rear-view', 'not on this build']])
    expect(lacks({ trim: 'other', projection: NOT_WANTED })).toEqual([['rear-view', 'not wanted']])
    expect(lacks({ trim: 'other' })).toEqual([])
  })
  test('the customer changes their mind on the way: told like a facet, and it counts at once', () => {
    const crew = crewWith()
    expect(termsFor(crew).added.map(({ id }) => id)).toContain('rear-view')
    crew.add({ kind: 'facet told', facetId: 'rear-view', choiceId: NOT_WANTED })
    expect(termsFor(crew).added.map(({ id }) => id)).not.toContain('rear-view')
    expect(crew.state.unresolved.size).toBe(0)
  })
})

describe('before it is closed over', () => {
  test('a lead that is open yet is named at the seat that buries it, once', () => {
    const crew = crewWith()
    const tap = goOnTo(crew, 'place:unit')
    const keys = tap.steps.map(({ operation }) => operation.key)
    expect(buriedBy(crew.plan.job, keys, termsFor(crew), crew.state)).toEqual([])
    record(crew, [{ kind: 'opened', tetherId: 'parking' }, CAPPED])
    const buried = () => buriedBy(crew.plan.job, keys, termsFor(crew), crew.state)
    expect(buried()).toMatchObject([
      { functionId: 'projection', lacks: [{ need: { id: 'parking' }, is: 'left open' }] },
    ])
    // Nowhere else.
    expect(buriedBy(crew.plan.job, ['undo:screws'], termsFor(crew), crew.state)).toEqual([])
    const before = { refusal: null, unread: [], changes: 0, readingUnit: '', buried: buried(), job: crew.plan.job }
    expect(tappedDone(crew.state, tap, before)).toEqual({ kind: 'ask', what: 'buried' })
    record(crew, [{ kind: 'gone on without', functionIds: ['projection'] }])
    expect(buried()).toEqual([])
  })
})

describe('a place is judged before anything is fixed', () => {
  const judged = (answers: Record<string, boolean>) =>
    ({ kind: 'place judged', workId: 'see', of: 'camera', answers, where: 'handle', photoId: null }) as const
  test('asked first; a bad place is asked about again; a good one lets the work go on', () => {
    const crew = crewWith()
    const work = crew.plan.job.works.get('see')!
    const tap = goOnTo(crew, 'work:see')
    const before = { refusal: null, unread: [], changes: 0, readingUnit: '', buried: [], job: crew.plan.job }
    expect(tappedDone(crew.state, tap, before)).toEqual({ kind: 'ask', what: 'place' })
    record(crew, [judged({ picture: false })])
    expect([placeIsOpen(crew.state, work), tappedDone(crew.state, tap, before).kind]).toEqual([true, 'ask'])
    record(crew, [judged({ picture: true, level: true, clear: true })])
    expect([placeIsOpen(crew.state, work), tappedDone(crew.state, tap, before).kind]).toEqual([false, 'keep'])
    expect(crew.state.places.get('see')).toMatchObject({ where: 'handle', of: 'camera' })
  })
})

test('after the last push of a part that can hardly be undone what lies behind it is tested once more', () => {
  const document = smallDash()
  document.parts[1] = { ...document.parts[1]!, refit: { ...document.parts[1]!.refit, hardToUndo: true } }
  const crew = crewWith({}, document)
  expect([...termsFor(crew).again.keys()]).toContain('plays')
  const tested = { kind: 'tested', functionId: 'plays', result: 'passed', reading: '', note: '' } as const
  goOnTo(crew, 'seat:panel')
  record(crew, [tested])
  const over = () =>
    handoverBlocks(crew.document, crew.state, false, termsFor(crew)).filter(
      (block) => block.kind === 'tested before it was closed over' && block.functionId === 'plays',
    )
  expect(over()).toEqual([])
  record(crew, [{ kind: 'part at', partId: 'panel', level: 'in place' }])
  expect(over()).toMatchObject([{ functionId: 'plays', partId: 'panel' }])
  record(crew, [tested])
  expect(over()).toEqual([])
})

describe('a test counts once everything it runs through is closed', () => {
  const tested = (functionId: string) =>
    ({ kind: 'tested', functionId, result: 'passed', reading: '', note: '' }) as const
  const early = (crew: CrewAtWork) =>
    handoverBlocks(crew.document, crew.state, false, termsFor(crew)).flatMap((block) =>
      block.kind === 'tested before it was closed' ? [[block.name, block.plug.name]] : [],
    )
  const openAndCloseAgain = (crew: CrewAtWork, tetherId: string) =>
    record(crew, [
      { kind: 'opened', tetherId },
      { kind: 'closed', tetherId },
      { kind: 'tried', tetherId },
    ])
  test('the lead of a kit that it needs, and no other', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [tested('plays'), tested('projection')])
    expect(early(crew)).toEqual([])
    openAndCloseAgain(crew, 'parking')
    expect(early(crew)).toEqual([['Projection', 'parking signal']])
    record(crew, [tested('projection')])
    expect(early(crew)).toEqual([])
  })
  test('the plug of an adapter in the connection of the vehicle', () => {
    const document = smallDash()
    const adapted = [{ tetherId: 'main', partId: 'lead', plugIds: ['power'], when: {} }]
    const kit = { ...SCREEN, fit: { ...SCREEN.fit, adapted } }
    const crew = crewAtDash(document, PlanRequest.parse({ kits: [kit], build: {} }))
    allAsWritten(crew)
    record(crew, [tested('sound')])
    expect(early(crew)).toEqual([])
    openAndCloseAgain(crew, 'power')
    const sound = document.functions.find(({ id }) => id === 'sound')!
    expect(early(crew)).toEqual([[sound.name, 'power']])
  })
})
