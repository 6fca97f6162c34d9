import { expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { PlanRequest } from '../plan/ask/planRequest'
import { Kit } from '../shop/kit'
import { KitFit } from '../shop/kitFit'
import type { FittedKit } from '../shop/kitHere'
import { NOT_WANTED } from '../shop/functionClosure'
import { checkKit, refusesKit } from '../shop/checkKit'
import { crewAtDash } from '../testing/atDash.testing'
import { seeds } from '../testing/seeds.testing'
import { radioDash } from '../testing/radioKit.testing'
import type { CrewAtWork } from './crew.testing'
import type { Happening } from './event'
import { happeningsFor, nextTap } from './progress'

type Random = ReturnType<typeof seededRandom>

const pick = <T>(random: Random, list: readonly T[]): T => list[random.below(list.length)]!
const times = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i))

/** A kit as anybody might write it: parts, fasteners of which some are spare, plugs, modules, work in stages. */
function drawnKit(random: Random): FittedKit {
  const when = () => (random.below(4) === 0 ? { [pick(random, ['audio', 'family'])]: ['plain'] } : {})
  const parts = times(1 + random.below(4), (i) => ({
    id: `p${i}`,
    name: `Part ${i}`,
    count: 1 + random.below(2),
    when: when(),
  }))
  const holders = parts.flatMap((part, i) =>
    times(random.below(3), (j) => ({
      id: `h${i}-${j}`,
      kind: 'machine screw',
      count: 1 + random.below(5),
      holds: [part.id],
    })),
  )
  const plugs = parts.flatMap((part, i) =>
    times(random.below(2), (j) => ({ id: `t${i}-${j}`, name: `plug ${i}`, partId: part.id })),
  )
  const settings = times(random.below(2), (i) => ({
    id: `s${i}`,
    name: `Switches ${i}`,
    expected: [{ id: `e${i}`, value: '01', when: {} }],
  }))
  const count = 1 + random.below(4)
  const works = times(count, (w) => {
    const mine = parts.filter((_, i) => i % count === w)
    const steps = mine.flatMap((part) => [
      { act: 'fit', itemId: part.id },
      ...plugs.filter(({ partId }) => partId === part.id).map(({ id }) => ({ act: 'plug', itemId: id })),
      ...holders
        .filter(({ holds }) => holds[0] === part.id)
        .flatMap((holder) => {
          const used = random.below(3) === 0 ? Math.max(1, holder.count - 1) : holder.count
          const staged =
            random.below(2) === 0 ? [{ act: 'fasten', itemId: holder.id, count: used, stage: 'started' }] : []
          return [...staged, { act: 'fasten', itemId: holder.id, count: used, stage: 'snug' }]
        }),
    ])
    const sets = w === 0 ? settings.map(({ id }) => ({ act: 'set', itemId: id })) : []
    return {
      ...{
        id: `w${w}`,
        name: `Work ${w}`,
        durationS: 60 + random.below(300),
        when: mine.length === 1 ? mine[0]!.when : {},
      },
      station: pick(random, ['bench', 'centre', 'passenger side']),
      afterWork: w > 0 && random.below(2) === 0 ? [`w${random.below(w)}`] : [],
      steps: [...sets, ...steps].map((step, i) => ({ id: `w${w}-${i}`, ...step })),
    }
  })
  const first = parts[0]!
  const carried = carriedCover(random, first.id)
  const choices = ['plain', 'other'].map((id) => ({ id, name: id }))
  const kit = Kit.parse({
    ...{ id: 'k', name: 'Drawn', parts, plugs, settings, works, holders: [...holders, ...carried.holders] },
    functions: drawnFunctions(
      random,
      [...plugs.map(need('plug')), ...parts.map(need('part')), ...settings.map(need('setting'))],
      count,
    ),
    facets: [{ id: 'family', kind: 'unit family', name: 'Unit', choices }],
  })
  const places = [
    [{ kind: 'part', partId: 'unit', level: 'off' }],
    [{ kind: 'part', partId: 'panel', level: 'free' }],
    [],
  ]
  const access = Object.fromEntries(works.map(({ id }) => [id, pick(random, places)]))
  const own = plugs.filter(({ partId }) => partId === first.id).map(({ id }) => id)
  const adapted = random.below(3) === 0 ? [{ tetherId: 'main', partId: first.id, plugIds: own }] : []
  const endings = [...carried.endings, ...unitReplaced(random, first.id)]
  return { kit, fit: KitFit.parse({ procedureId: 'p', access, endings, adapted }) }
}

const need =
  (of: string) =>
  ({ id }: { id: string }) => ({ of, id })

/** The cover goes over to a part of the kit, half of the time: on its own clips, on screws of the kit, or laid in. */
function carriedCover(random: Random, onto: string) {
  if (random.below(2) === 0) return { holders: [], endings: [] }
  const by = pick(random, ['own', 'kit', 'none'])
  const holders = by === 'kit' ? [{ id: 'hm', kind: 'machine screw', count: 1 + random.below(3), holds: [onto] }] : []
  const fastenedBy = by === 'own' ? ['cover-clips'] : holders.map(({ id }) => id)
  return { holders, endings: [{ itemId: 'cover', ending: 'moved', onto, fastenedBy }] }
}

/** A part of the kit stands in for the unit, a third of the time: on the old bolts, or on the kit's own screws. */
function unitReplaced(random: Random, by: string): object[] {
  if (random.below(3) > 0) return []
  return [{ itemId: 'unit', ending: 'replaced', by, fastenedBy: random.below(2) === 0 ? ['bolts'] : [] }]
}

/** What the kit does, some of it to be done without; each needs a thing, and some the one before. */
function drawnFunctions(random: Random, things: readonly object[], works: number): object[] {
  return times(random.below(4), (i) => ({
    ...{ id: `f${i}`, name: `Function ${i}`, optional: random.below(2) === 0 },
    afterWork: random.below(2) === 0 ? [`w${random.below(works)}`] : [],
    needs: [pick(random, things), ...(i > 0 && random.below(2) === 0 ? [{ of: 'function', id: `f${i - 1}` }] : [])],
  }))
}

/** A crew with a drawn kit; what is known of the build is drawn as well. */
function drawnJob(seed: number): { crew: CrewAtWork; random: Random; kit: Kit } {
  const random = seededRandom(seed)
  const drawn = drawnKit(random)
  expect(checkKit(drawn.kit).filter(refusesKit)).toEqual([])
  const family = pick(random, ['plain', 'other'])
  const wishes = Object.fromEntries(
    drawn.kit.functions.flatMap(({ id }) => (random.below(2) === 0 ? [[id, NOT_WANTED]] : [])),
  )
  const told = random.below(2) === 0 && { audio: pick(random, ['plain', 'amplified']) }
  const build = { family, ...told, ...wishes }
  const goals = [{ kind: 'part' as const, partId: 'unit', level: 'off' as const }]
  return { crew: crewAtDash(radioDash(), PlanRequest.parse({ goals, kits: [drawn], build })), random, kit: drawn.kit }
}

/** Everything as written, but for what `forgets` says of an event: that one is not done. */
function play(crew: CrewAtWork, random: Random, forgets: (what: Happening) => boolean): void {
  for (let taps = 0; taps < 300; taps++) {
    const tap = nextTap(crew.plan, crew.state)
    if (!tap) return
    if (tap.step.operation.act === 'decide') {
      crew.add({ kind: 'facet told', facetId: 'audio', choiceId: pick(random, ['plain', 'amplified']) })
      continue
    }
    for (const { operation } of tap.steps)
      for (const what of happeningsFor(crew.state, operation, crew.plan.job)) if (!forgets(what)) crew.add(what)
  }
  throw new Error('It did not end.')
}

/** What held cover or unit and holds nothing any more is thrown away: the one thing no card can know. */
function clearAway(crew: CrewAtWork): void {
  for (const row of crew.balance().openRows)
    if (['cover-clips', 'bolts'].includes(row.id) && row.account === 'holder')
      crew.add({ kind: 'ended', itemId: row.id, end: 'scrapped', count: row.inHand, note: '' })
}

const OF_A_KIT: readonly Happening['kind'][] = ['fitted', 'fastened', 'closed', 'tried', 'adjusted', 'ended']
const isOfKit = (kit: Kit, what: Happening) => {
  if (!OF_A_KIT.includes(what.kind)) return false
  const ids = new Set([kit.parts, kit.holders, kit.plugs, kit.settings].flat().map(({ id }) => id))
  const { itemId, holderId, tetherId, moduleSettingId } = what as Record<string, unknown>
  const isStarted = what.kind === 'fastened' && what.stage === 'started'
  return !isStarted && [itemId, holderId, tetherId, moduleSettingId].some((id) => typeof id === 'string' && ids.has(id))
}

test('whatever kit and build are drawn, done as written every account closes, and nothing is in the log that nobody can look up', () => {
  let fitted = 0
  for (let seed = 1; seed <= seeds(60); seed++) {
    const { crew, random, kit } = drawnJob(seed)
    play(crew, random, () => false)
    clearAway(crew)
    expect([seed, crew.balance().openRows]).toEqual([seed, []])
    expect(crew.state.unresolved.size).toBe(0)
    fitted += crew.events.filter(({ what }) => isOfKit(kit, what)).length
  }
  expect(fitted).toBeGreaterThan(seeds(60) * 3)
})
test('with any one thing of the kit forgotten it does not close, and the row names that thing', () => {
  let forgotten = 0
  for (let seed = 1; seed <= seeds(60); seed++) {
    const whole = drawnJob(seed)
    play(whole.crew, whole.random, () => false)
    const ofKit = whole.crew.events.filter(({ what }) => isOfKit(whole.kit, what))
    // One alone would leave the kit as if nobody had begun it.
    if (ofKit.length < 2) continue
    const at = seed % ofKit.length
    let seen = -1
    const again = drawnJob(seed)
    play(again.crew, again.random, (what) => isOfKit(again.kit, what) && (seen += 1) === at)
    clearAway(again.crew)
    const rows = again.crew.balance().openRows
    const { itemId, holderId, tetherId, moduleSettingId } = ofKit[at]!.what as Record<string, string>
    expect([seed, rows.map(({ id }) => id)]).toEqual([seed, [itemId ?? holderId ?? tetherId ?? moduleSettingId]])
    forgotten += 1
  }
  expect(forgotten).toBeGreaterThan(seeds(60) / 2)
})
/** Work that fits what stands in for the unit, and what comes after it: that place is filled by then. */
function notBefore({ works }: Kit, { endings }: KitFit): Set<string> {
  const by = endings.find((end) => end.ending === 'replaced')?.by
  const late = new Set<string>()
  for (const { id, steps, afterWork } of works)
    if (afterWork.some((first) => late.has(first)) || steps.some(({ itemId }) => itemId === by && by !== undefined))
      late.add(id)
  return late
}
test('every plug of a kit is closed and tried before what opened its place goes home', () => {
  let plugged = 0
  for (let seed = 1; seed <= seeds(60); seed++) {
    const { crew, random, kit } = drawnJob(seed)
    play(crew, random, () => false)
    const at = (is: (what: Happening) => boolean) => crew.events.findIndex(({ what }) => is(what))
    const { fit } = crew.request.kits[0]!
    const late = notBefore(kit, fit)
    for (const work of kit.works)
      for (const step of work.steps) {
        const tried = at((what) => what.kind === 'tried' && what.tetherId === step.itemId)
        for (const access of step.act === 'plug' && tried >= 0 ? (fit.access[work.id] ?? []) : []) {
          if (access.kind !== 'part' || (access.partId === 'unit' && late.has(work.id))) continue
          const home = at(
            (what) => what.kind === 'part at' && what.partId === access.partId && what.level === 'in place',
          )
          expect([seed, tried < home]).toEqual([seed, true])
          plugged += 1
        }
      }
  }
  expect(plugged).toBeGreaterThan(seeds(60) / 6)
})
