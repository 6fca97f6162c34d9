import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import type { ProcedureDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { Need } from '../procedure/need'
import { smallDash } from '../testing/smallDash.testing'
import { deriveRemoval } from './deriveRemoval'
import { endValue, methodFor, methodsTo, movesSomething } from './settingAct'
import { standingOrders } from './standingOfOrder'
import { wantedOnTheWayBack } from './wantedBack'
import type { Goal } from './wish'

// One rule of the order at a time, on the least dash there is, each beside what it does not do.

const UNIT_OFF: Goal = { kind: 'part', partId: 'unit', level: 'off' }
function removal(document: ProcedureDocument, goals: Goal[] = [UNIT_OFF]) {
  const derived = deriveRemoval(forBuild(document, {}), goals, { openings: {}, methods: {}, resting: 'rest' })
  if (!derived.ok) throw new Error(derived.error.kind)
  return derived.value
}
const edges = (document: ProcedureDocument, kind: string, goals?: Goal[]) =>
  removal(document, goals)
    .edges.filter(({ because }) => because.kind === kind)
    .map(({ before, after }) => `${before} < ${after}`)
    .sort()
const part = (document: ProcedureDocument, id: string) => document.parts.find((one) => one.id === id)!
const need = (id: string, dependent: string, needs: object, reason: string) => {
  const [act, of] = dependent.split(':')
  return Need.parse({ id, dependent: { act, id: of }, needs, reason })
}
const operationNeed = (id: string, dependent: string, first: string, reason: string) => {
  const [act, of] = first.split(':')
  return need(id, dependent, { kind: 'operation', act, id: of }, reason)
}

describe('what bears a part’s weight comes out last', () => {
  const bearing = (bears: string[]) => {
    const dash = smallDash()
    for (const id of ['left', 'right'])
      dash.holders.push(
        Holder.parse({ id, kind: 'bolt', count: 1, holds: ['unit'], drives: [{ drive: 'hex', size: '8' }] }),
      )
    for (const holder of dash.holders) if (bears.includes(holder.id)) holder.bearsWeight = true
    return edges(dash, 'bears')
  }
  test('after every other group of the part', () =>
    expect(bearing(['left'])).toEqual(['undo:bolts < undo:left', 'undo:right < undo:left']))
  test('of two that bear it neither waits for the other', () =>
    expect(bearing(['left', 'right'])).toEqual(['undo:bolts < undo:left', 'undo:bolts < undo:right']))
  test('where nothing bears it nothing waits', () => expect(bearing([])).toEqual([]))
})

describe('clips that hold two parts let go with one of them, and the other waits', () => {
  const joined = (holds: string[], needs: Need[] | null = null, goals?: Goal[]) => {
    const dash = smallDash()
    dash.holders.push(Holder.parse({ id: 'joint', kind: 'spring clip', count: 3, holds }))
    if (needs) dash.needs = needs
    const { operations } = removal(dash, goals)
    const goesWith = [...operations.values()].filter(({ pulled }) => pulled?.includes('joint')).map(({ key }) => key)
    return [goesWith, edges(dash, 'holds', goals).filter((edge) => /^release:.* < release:/.test(edge))]
  }
  test('the one that has to move first anyway, though it is named last', () =>
    expect(joined(['unit', 'panel'])).toEqual([['release:panel'], ['release:panel < release:unit']]))
  test('else the one named first', () => {
    const apart = ['panel', 'cover'].map((partId) =>
      need(`n-${partId}`, 'undo:bolts', { kind: 'part', partId, level: 'off' }, 'covers'),
    )
    expect(joined(['cover', 'panel'], apart)).toEqual([['release:cover'], ['release:cover < release:panel']])
    expect(joined(['panel', 'cover'], apart)).toEqual([['release:panel'], ['release:panel < release:cover']])
  })
  test('a part that stays on has no say', () => {
    const panelOff: Goal[] = [{ kind: 'part', partId: 'panel', level: 'off' }]
    expect(joined(['unit', 'cover'], null, panelOff)).toEqual([['release:cover'], []])
  })
})

describe('a part that may not rest comes free and off in one go', () => {
  const inOneGo = (mayRest: boolean, change: (dash: ProcedureDocument) => void = () => {}) => {
    const dash = smallDash()
    if (!mayRest) part(dash, 'unit').rests = []
    dash.holders.push(
      Holder.parse({ id: 'strap', kind: 'cable tie', count: 1, holds: ['cover'], drives: [{ drive: 'none' }] }),
    )
    // The plug of the unit is reached once the cover is off.
    dash.needs.push(need('n-plug', 'open:main', { kind: 'part', partId: 'cover', level: 'off' }, 'covers'))
    change(dash)
    return edges(dash, 'in one go')
  }
  test('what its plug waits for, its release waits for', () =>
    expect(inOneGo(false)).toContain('lift:cover < release:unit'))
  test('one that may rest waits for nothing more', () => expect(inOneGo(true)).toEqual([]))
  test('a plug that opens before the release is not of the block', () =>
    expect(
      inOneGo(false, (dash) => {
        dash.tethers.find(({ id }) => id === 'main')!.mustOpenFor = 'free'
      }),
    ).toEqual([]))
  test('a setting that any act of the block needs, the release needs', () => {
    const demands = (mayRest: boolean) => {
      const dash = smallDash()
      if (!mayRest) part(dash, 'unit').rests = []
      dash.needs.push(need('n-off', 'open:main', { kind: 'setting', settingId: 'battery', value: 'off' }, 'setting'))
      return (removal(dash).demands.get('release:unit') ?? []).map(({ settingId, value }) => `${settingId}=${value}`)
    }
    expect(demands(false)).toContain('battery=off')
    expect(demands(true)).not.toContain('battery=off')
  })
})

describe('a part that is eased for one thing and comes free for another', () => {
  const eased = (alsoWaits: boolean, goals?: Goal[]) => {
    const dash = smallDash()
    dash.needs = [need('n-eased', 'release:cover', { kind: 'part', partId: 'unit', level: 'eased' }, 'reaches')]
    if (alsoWaits)
      dash.needs.push(need('n-trap', 'release:unit', { kind: 'part', partId: 'cover', level: 'off' }, 'traps'))
    part(dash, 'unit').ease = { holderIds: ['bolts'], gapMm: null, mustNot: '' }
    const { operations, edges, broughtIn, demands } = removal(dash, goals)
    return {
      acts: [...operations.keys()].filter((key) => key.endsWith(':unit') || key.endsWith(':bolts')).sort(),
      pairs: edges.map(({ before, after, because }) => `${before} < ${after} ${because.kind}`).sort(),
      bolts: broughtIn.get('undo:bolts'),
      demands,
    }
  }
  const BOTH: Goal[] = [{ kind: 'part', partId: 'cover', level: 'off' }, UNIT_OFF]
  test('eased only, where it does not have to come free', () => {
    const only = eased(false, [{ kind: 'part', partId: 'cover', level: 'off' }])
    expect(only.acts).toEqual(['ease:unit', 'undo:bolts'])
    expect(only.pairs).toEqual([
      'ease:unit < release:cover need',
      'release:cover < lift:cover lifts',
      'undo:bolts < ease:unit holds',
    ])
  })
  test('its release answers for both, and is what the bolts are undone for', () => {
    const both = eased(false, BOTH)
    expect(both.acts).toEqual(['lift:unit', 'release:unit', 'undo:bolts'])
    expect(both.pairs).toContain('release:unit < release:cover need')
    expect(both.pairs.filter((pair) => /\bease:/.test(pair))).toEqual([])
    expect(both.bolts).toMatchObject({ by: 'release:unit' })
  })
  test('unless what needs it eased has to come before: then it is eased first', () => {
    const first = eased(true, BOTH)
    expect(first.acts).toEqual(['ease:unit', 'lift:unit', 'release:unit', 'undo:bolts'])
    expect(first.pairs).toEqual(
      expect.arrayContaining([
        'ease:unit < release:cover need',
        'ease:unit < release:unit eased first',
        'lift:cover < release:unit need',
      ]),
    )
    expect(first.pairs).not.toContain('release:unit < release:cover need')
  })
})

describe('an order that somebody has seen or stated', () => {
  const stated = (reason: string, dependent: string, first: string) => {
    const dash = smallDash()
    dash.needs.push(operationNeed('n-said', dependent, first, reason))
    const { droppedNeeds } = removal(dash)
    const obeyed = edges(dash, 'need').includes(`${first} < ${dependent}`)
    return { obeyed, dropped: droppedNeeds }
  }
  test('is kept where the facts allow it', () =>
    expect(stated('observed', 'undo:bolts', 'open:hazard')).toEqual({ obeyed: true, dropped: [] }))
  test('is dropped where they say otherwise, and told', () =>
    expect(stated('observed', 'release:cover', 'undo:screws')).toEqual({ obeyed: false, dropped: ['n-said'] }))
  test('of two of which one runs in a circle only that one goes', () => {
    const dash = smallDash()
    dash.needs.push(
      operationNeed('n-circle', 'release:cover', 'undo:screws', 'observed'),
      operationNeed('n-fine', 'undo:bolts', 'open:hazard', 'observed'),
    )
    expect(removal(dash).droppedNeeds).toEqual(['n-circle'])
    expect(edges(dash, 'need')).toContain('open:hazard < undo:bolts')
    expect(edges(dash, 'need')).not.toContain('undo:screws < release:cover')
  })
  test('a habit orders nothing and is not told', () =>
    expect(stated('habit', 'undo:bolts', 'open:hazard')).toEqual({ obeyed: false, dropped: [] }))
  test('a method is no question: it is kept', () =>
    expect(stated('method', 'undo:bolts', 'open:hazard')).toEqual({ obeyed: true, dropped: [] }))
  test('of what is not done on this job nothing is said', () =>
    expect(stated('observed', 'undo:bolts', 'undo:gone')).toEqual({ obeyed: false, dropped: [] }))
  test('of clips it means the pull they let go with', () => {
    const dash = smallDash()
    dash.needs.push(operationNeed('n-said', 'undo:bolts', 'undo:cover-clips', 'observed'))
    expect(edges(dash, 'need')).toContain('release:cover < undo:bolts')
  })
})

describe('how a setting comes to a value', () => {
  const withTwo = (change: (dash: ProcedureDocument) => void = () => {}) => {
    const dash = smallDash()
    const lever = dash.settings.find(({ id }) => id === 'lever')!
    lever.methods = [
      { ...lever.methods[1]!, id: 'by-release', name: 'by the release under the cover' },
      { ...lever.methods[1]!, id: 'by-key', name: 'by the key' },
      { ...lever.methods[0]!, id: 'back' },
    ]
    dash.needs.push(need('n-release', 'method:by-release', { kind: 'part', partId: 'cover', level: 'off' }, 'reaches'))
    change(dash)
    return forBuild(dash, {})
  }
  test('the methods to it, in the order they were recorded', () => {
    expect(methodsTo(withTwo(), 'lever', 'out of park')).toEqual(['by-release', 'by-key'])
    expect(methodsTo(withTwo(), 'lever', 'park')).toEqual(['back'])
    expect(methodsTo(withTwo(), 'lever', 'neutral')).toEqual([])
    expect(methodsTo(withTwo(), 'gone', 'park')).toEqual([])
  })
  test('the chosen one; else the first that moves nothing; else the first', () => {
    const model = withTwo()
    expect(methodFor(model, 'lever', 'out of park', { 'lever=out of park': 'by-release' })).toBe('by-release')
    expect(methodFor(model, 'lever', 'out of park', {})).toBe('by-key')
    // A method that is none of its own is no choice.
    expect(methodFor(model, 'lever', 'out of park', { 'lever=out of park': 'back' })).toBe('by-key')
    const both = withTwo((dash) =>
      dash.needs.push(need('n-key', 'method:by-key', { kind: 'part', partId: 'panel', level: 'off' }, 'reaches')),
    )
    expect(methodFor(both, 'lever', 'out of park', {})).toBe('by-release')
    expect(methodFor(model, 'lever', 'neutral', {})).toBeNull()
  })
  test.each<[string, object, boolean]>([
    ['a part moved', { kind: 'part', partId: 'cover', level: 'off' }, true],
    ['a plug opened', { kind: 'tether', tetherId: 'hazard', state: 'open' }, true],
    ['a plug left closed', { kind: 'tether', tetherId: 'hazard', state: 'closed' }, false],
    ['something done first', { kind: 'operation', act: 'undo', id: 'screws' }, true],
    ['another setting', { kind: 'setting', settingId: 'ignition', value: 'on' }, false],
    ['the place to itself', { kind: 'station', station: 'centre' }, false],
  ])('a method that needs %s', (_, needs, moves) => {
    const model = withTwo((dash) => dash.needs.push(need('n-more', 'method:by-key', needs, 'reaches')))
    expect(movesSomething(model, 'by-key')).toBe(moves)
  })
  test('at the end it stands as it was found, or as the record says', () => {
    const ends = (atEnd: string) => {
      const dash = smallDash()
      dash.settings.find(({ id }) => id === 'lever')!.atEnd = atEnd
      return endValue(forBuild(dash, {}), 'lever')
    }
    expect([ends('as found'), ends('out of park')]).toEqual(['park', 'out of park'])
  })
})

test.each([
  ['seat:panel', 'release:panel'],
  ['place:panel', 'release:panel'],
  ['fasten:screws', 'undo:screws'],
  ['close:hazard', 'open:hazard'],
])('a setting that %s needs on the way back is answered by %s on the way in', (dependent, key) => {
  const wanted = (needs: object, by = dependent) => {
    const dash = smallDash()
    dash.needs.push(need('n-back', by, needs, 'setting'))
    return [...wantedOnTheWayBack(forBuild(dash, {}))].map(([of, needed]) => [of, needed.map(({ id }) => id)])
  }
  const off = { kind: 'setting', settingId: 'battery', value: 'off' }
  expect(wanted(off)).toEqual([[key, ['n-back']]])
  // What the way in needs is no matter of the way back, nor is a part that has to be there.
  expect(wanted(off, key)).toEqual([])
  expect(wanted({ kind: 'part', partId: 'cover', level: 'off' })).toEqual([])
})

describe('where an order stands', () => {
  const none = { kept: [], inCircle: [], contradicted: [], shown: [] }
  const pair = { before: 'open:hazard', after: 'undo:bolts' }
  const seen = { ...pair, strips: ['Van 1', 'Van 2'] }
  const document = (reason?: string) => {
    const dash = smallDash()
    if (reason) dash.needs.push(operationNeed('n-said', pair.after, pair.before, reason))
    return dash
  }
  test('new, with the strips that show it, as long as nobody has stated it or its contrary', () => {
    expect(standingOrders(document(), { ...none, kept: [seen], shown: [seen] }, [])).toEqual([
      { ...seen, against: [], standing: 'new', needId: null },
    ])
    const contrary = { before: pair.after, after: pair.before, strips: ['Van 3'] }
    const standings = (shown: (typeof seen)[]) =>
      standingOrders(document('habit'), { ...none, kept: shown, shown }, []).map(({ standing }) => standing)
    expect([standings([seen]), standings([contrary])]).toEqual([['habit'], ['habit']])
  })
  test.each(['habit', 'method', 'observed'] as const)('%s, with the strips that show it', (reason) => {
    expect(standingOrders(document(reason), { ...none, kept: [seen] }, [])).toEqual([
      { ...seen, against: [], standing: reason, needId: 'n-said' },
    ])
    expect(standingOrders(document(reason), { ...none, inCircle: [seen] }, [])[0]!.strips).toEqual(seen.strips)
    expect(standingOrders(document(reason), none, [])[0]).toMatchObject({ strips: [], against: [] })
  })
  test('explained where the facts ask for it, themselves or through others; never by what is only seen or stated', () => {
    const fact = (before: string, after: string) => ({ before, after, because: { kind: 'goal' as const } })
    const standing = (facts: Parameters<typeof standingOrders>[2]) =>
      standingOrders(document('observed'), none, facts)[0]!.standing
    expect(standing([fact(pair.before, pair.after)])).toBe('explained')
    expect(standing([fact(pair.before, 'lift:panel'), fact('lift:panel', pair.after)])).toBe('explained')
    expect(standing([fact(pair.after, pair.before)])).toBe('observed')
    expect(standing([{ ...pair, because: { kind: 'seen', strips: [] } }])).toBe('observed')
    expect(standing([{ ...pair, because: { kind: 'need', needId: 'n-said' } }])).toBe('observed')
    expect(standing([{ ...pair, because: { kind: 'need', needId: 'n-cover' } }])).toBe('explained')
    // Nor is a habit or a method explained by itself.
    for (const reason of ['habit', 'method'] as const) {
      const edge = { ...pair, because: { kind: 'need' as const, needId: 'n-said' } }
      expect(standingOrders(document(reason), none, [edge])[0]!.standing).toBe(reason)
    }
    // What the facts explain is not new.
    expect(standingOrders(document(), { ...none, shown: [seen] }, [fact(pair.before, pair.after)])).toEqual([])
  })
  test('contradicted where a strip went the other way, whichever way it was stated', () => {
    const against = { ...pair, forIt: ['Van 1'], against: ['Van 2', 'Van 3'] }
    expect(standingOrders(document('observed'), { ...none, contradicted: [against] }, [])).toEqual([
      { ...pair, strips: ['Van 1'], against: ['Van 2', 'Van 3'], standing: 'contradicted', needId: 'n-said' },
    ])
    const turned = { before: pair.after, after: pair.before, forIt: ['Van 2'], against: ['Van 1'] }
    expect(standingOrders(document('observed'), { ...none, contradicted: [turned] }, [])[0]).toMatchObject({
      strips: ['Van 1'],
      against: ['Van 2'],
      standing: 'contradicted',
    })
    // Somebody has said it is a habit: no strip contradicts that.
    expect(standingOrders(document('habit'), { ...none, contradicted: [against] }, [])[0]!.standing).toBe('habit')
  })
})
