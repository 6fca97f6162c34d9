import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { Cavity } from '../procedure/cavity'
import type { ProcedureDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { Need } from '../procedure/need'
import { Tether } from '../procedure/tether'
import { smallDash } from '../testing/smallDash.testing'
import { deriveAsFarAsPossible, deriveRemoval } from './deriveRemoval'
import { keyDoing } from './operation'
import { partsOfGoal } from './partsOfGoal'
import type { AskedByRules, Choices, Goal } from './wish'
import { goalKey } from './wish'
import { whatStaysShut, whyChain } from './why'

// What one act brings in besides itself, one kind of need at a time, each beside what it leaves alone.

const COVER_OFF: Goal = { kind: 'part', partId: 'cover', level: 'off' }
const CHOICES: Choices = { openings: {}, methods: {}, resting: 'rest' }
type Change = (dash: ProcedureDocument) => void

function dashWith(change: Change): ProcedureDocument {
  const dash = smallDash()
  change(dash)
  return dash
}
const needs = (id: string, dependent: string, needed: object, reason = 'covers') => {
  const [act, of] = dependent.split(':')
  return Need.parse({ id, dependent: { act, id: of }, needs: needed, reason })
}
const derived = (change: Change, goal: Goal | Goal[] = COVER_OFF, choices = CHOICES, asked?: AskedByRules) => {
  const goals = Array.isArray(goal) ? goal : [goal]
  const result = deriveRemoval(forBuild(dashWith(change), {}), goals, choices, asked)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
/** The acts that come off, and what comes before what. */
const comesOff = (change: Change, goal?: Goal | Goal[], choices?: Choices) =>
  [...derived(change, goal, choices).operations.keys()].sort()
const pairs = (change: Change, goal?: Goal | Goal[]) =>
  derived(change, goal).edges.map(({ before, after }) => `${before} < ${after}`)
const failure = (change: Change, goal: Goal = COVER_OFF, choices = CHOICES, asked?: AskedByRules) => {
  const result = deriveRemoval(forBuild(dashWith(change), {}), [goal], choices, asked)
  return result.ok ? null : result.error
}
const nothing: Change = () => {}
const brackets: Change = (dash) =>
  void dash.holders.push(
    Holder.parse({ id: 'tie', kind: 'cable tie', count: 1, holds: ['cover'], drives: [{ drive: 'none' }] }),
  )
const ALONE = ['lift:cover', 'release:cover']

test('a cover that nothing covers comes off by itself', () => {
  expect(comesOff(nothing)).toEqual(ALONE)
  expect(pairs(nothing)).toEqual(['release:cover < lift:cover'])
})
test('the clips let go with the pull and are no act; a tie is one', () => {
  expect(derived(nothing).operations.get('release:cover')!.pulled).toEqual(['cover-clips'])
  expect(comesOff(brackets)).toEqual([...ALONE, 'undo:tie'])
  expect(pairs(brackets)).toContain('undo:tie < release:cover')
})
test('free only: it is not lifted, and a plug that is reached afterwards stays', () => {
  const free: Goal = { kind: 'part', partId: 'panel', level: 'free' }
  expect(comesOff(nothing, free)).toEqual(['lift:cover', 'release:cover', 'release:panel', 'undo:screws'])
  expect([...derived(nothing, free).levels]).toEqual([
    ['panel', 'free'],
    ['cover', 'off'],
  ])
})
test('free where nothing may rest, or the crew sets everything aside: off', () => {
  const free: Goal = { kind: 'part', partId: 'cover', level: 'free' }
  expect(comesOff(nothing, free)).toEqual(['release:cover'])
  expect(comesOff((dash) => void (dash.parts[0]!.rests = []), free)).toEqual(ALONE)
  expect(comesOff(nothing, free, { ...CHOICES, resting: 'set aside' })).toEqual(ALONE)
})
test('what is wanted off and free is off, whichever was asked first', () => {
  const goals: Goal[] = [COVER_OFF, { kind: 'part', partId: 'cover', level: 'free' }]
  expect(derived(nothing, goals).levels.get('cover')).toBe('off')
  expect(derived(nothing, goals.reverse()).levels.get('cover')).toBe('off')
})

describe('a part that ties by a plug', () => {
  const tied =
    (more: object, change: Change = nothing): Change =>
    (dash) => {
      dash.tethers.push(Tether.parse({ id: 'lamp', name: 'lamp', partId: 'cover', circuit: 'lighting', ...more }))
      change(dash)
    }
  test('is opened before the part is lifted, once the part has come forward', () => {
    expect(comesOff(tied({}))).toEqual(['lift:cover', 'open:lamp', 'release:cover'])
    expect(pairs(tied({}))).toEqual(
      expect.arrayContaining(['release:cover < open:lamp', 'open:lamp < lift:cover', 'release:cover < lift:cover']),
    )
  })
  test('before the part is pulled where it is in reach by then, or too short', () => {
    for (const early of [{ reached: 'before the release' }, { mustOpenFor: 'free' }]) {
      const found = pairs(tied(early))
      expect(found).toContain('open:lamp < release:cover')
      expect(found).not.toContain('release:cover < open:lamp')
    }
  })
  test('is left alone where the part only comes free, unless it is too short', () => {
    const free: Goal = { kind: 'part', partId: 'cover', level: 'free' }
    expect(comesOff(tied({}), free)).toEqual(['release:cover'])
    expect(comesOff(tied({ reached: 'before the release' }), free)).toEqual(['release:cover'])
    expect(comesOff(tied({ mustOpenFor: 'free' }), free)).toEqual(['open:lamp', 'release:cover'])
  })
  test('an orange lead is refused, and an airbag’s where nothing switches the battery off', () => {
    expect(failure(tied({ circuit: 'high-voltage' }))).toEqual({ kind: 'high-voltage', tetherId: 'lamp' })
    expect(failure(tied({ circuit: 'srs-firing' }))).toBeNull()
    const noBattery: Change = (dash) => {
      dash.settings = dash.settings.filter(({ role }) => role !== 'battery')
    }
    expect(failure(tied({ circuit: 'srs-firing' }, noBattery))).toEqual({
      kind: 'no-battery-setting',
      tetherId: 'lamp',
    })
    expect(failure(tied({ circuit: 'lighting' }, noBattery))).toBeNull()
  })
})

describe('an act that needs', () => {
  /** What `release:cover` needs, and the acts that brings in with what they come before. */
  const brings = (needed: object, reason = 'covers', change: Change = nothing) => {
    const all: Change = (dash) => {
      dash.needs.push(needs('n', 'release:cover', needed, reason))
      change(dash)
    }
    const { operations, edges } = derived(all)
    return {
      acts: [...operations.keys()].filter((key) => !ALONE.includes(key)).sort(),
      before: edges.filter(({ after }) => after === 'release:cover').map(({ before }) => before),
    }
  }
  const withStrap: Change = (dash) => {
    dash.needs = dash.needs.filter(({ id }) => id === 'n')
  }
  test('a part off', () =>
    expect(brings({ kind: 'part', partId: 'unit', level: 'off' }, 'covers', withStrap)).toEqual({
      acts: ['lift:unit', 'open:main', 'release:unit', 'undo:bolts'],
      before: ['lift:unit'],
    }))
  test('a part free: it may rest, and its plug stays closed', () =>
    expect(brings({ kind: 'part', partId: 'unit', level: 'free' }, 'covers', withStrap)).toEqual({
      acts: ['release:unit', 'undo:bolts'],
      before: ['release:unit'],
    }))
  test('a part eased: its own way of easing, with what that undoes', () => {
    const easing: Change = (dash) => {
      withStrap(dash)
      dash.parts.find(({ id }) => id === 'unit')!.ease = { holderIds: ['bolts'], gapMm: null, mustNot: '' }
    }
    expect(brings({ kind: 'part', partId: 'unit', level: 'eased' }, 'covers', easing)).toEqual({
      acts: ['ease:unit', 'undo:bolts'],
      before: ['ease:unit'],
    })
    // Without one it has to come free.
    expect(brings({ kind: 'part', partId: 'unit', level: 'eased' }, 'covers', withStrap).before).toEqual([
      'release:unit',
    ])
  })
  test('a plug open: with the part that has to come forward for it', () =>
    expect(brings({ kind: 'tether', tetherId: 'main', state: 'open' }, 'covers', withStrap)).toEqual({
      acts: ['open:main', 'release:unit', 'undo:bolts'],
      before: ['open:main'],
    }))
  test('a plug closed: it comes before that is opened, and opens nothing', () => {
    const closed = { kind: 'tether', tetherId: 'main', state: 'closed' }
    expect(brings(closed, 'reaches', withStrap)).toEqual({ acts: [], before: [] })
    const all: Change = (dash) => {
      withStrap(dash)
      dash.needs.push(needs('n', 'release:cover', closed, 'reaches'))
    }
    const goals: Goal[] = [COVER_OFF, { kind: 'part', partId: 'unit', level: 'off' }]
    for (const order of [goals, [...goals].reverse()]) expect(pairs(all, order)).toContain('release:cover < open:main')
  })
  test.each([
    ['open:main', ['open:main', 'release:unit', 'undo:bolts'], 'open:main'],
    ['release:unit', ['release:unit', 'undo:bolts'], 'release:unit'],
    ['lift:unit', ['lift:unit', 'open:main', 'release:unit', 'undo:bolts'], 'lift:unit'],
    ['undo:bolts', ['undo:bolts'], 'undo:bolts'],
    // Clips are no act of their own: the pull they let go with.
    ['undo:panel-clips', ['release:panel', 'undo:screws'], 'release:panel'],
  ])('another act first, %s', (first, acts, before) => {
    const [act, id] = first.split(':')
    expect(brings({ kind: 'operation', act, id }, 'covers', withStrap)).toEqual({ acts, before: [before] })
  })
  test('easing first', () => {
    const easing: Change = (dash) => {
      withStrap(dash)
      dash.parts.find(({ id }) => id === 'unit')!.ease = { holderIds: ['bolts'], gapMm: null, mustNot: '' }
    }
    expect(brings({ kind: 'operation', act: 'ease', id: 'unit' }, 'covers', easing).before).toEqual(['ease:unit'])
  })
  test('nobody else at a station: who works where, and no order', () =>
    expect(brings({ kind: 'station', station: 'centre' }, 'covers', withStrap)).toEqual({ acts: [], before: [] }))
  test('what is only a habit brings nothing in', () =>
    expect(brings({ kind: 'part', partId: 'unit', level: 'off' }, 'habit', withStrap)).toEqual({
      acts: [],
      before: [],
    }))
  test('what covers clips keeps the pull waiting in which they let go', () => {
    const covered: Change = (dash) => {
      withStrap(dash)
      dash.needs.push(needs('n', 'undo:cover-clips', { kind: 'part', partId: 'panel', level: 'off' }))
    }
    expect(pairs(covered)).toContain('lift:panel < release:cover')
  })
})

describe('a setting an act wants', () => {
  const wants = (settingId: string, value: string, change: Change = nothing): Change => {
    return (dash) => {
      dash.needs.push(needs('n', 'release:cover', { kind: 'setting', settingId, value }, 'setting'))
      change(dash)
    }
  }
  const wishes = (change: Change) => [...derived(change).settings.values()].map(({ key }) => key)
  test('is a demand, and comes back by a method of its own', () => {
    expect(derived(wants('lever', 'out of park')).demands.get('release:cover')).toMatchObject([
      { settingId: 'lever', value: 'out of park', because: { kind: 'need', needId: 'n' } },
    ])
    expect(wishes(wants('lever', 'out of park'))).toEqual([
      'set:lever=out of park by lever-to-out-of-park',
      'set:lever=park by lever-to-park',
    ])
  })
  test('that stands so as it was found is demanded, and moved by nobody', () => {
    expect(derived(wants('lever', 'park')).demands.get('release:cover')).toHaveLength(1)
    expect(wishes(wants('lever', 'park'))).toEqual([])
  })
  test('two acts that want the same are one wish', () => {
    const twice = wants('lever', 'out of park', (dash) =>
      dash.needs.push(
        needs('m', 'lift:cover', { kind: 'setting', settingId: 'lever', value: 'out of park' }, 'setting'),
      ),
    )
    expect(wishes(twice)).toHaveLength(2)
  })
  test('nothing brings it there: said with the value', () => {
    expect(failure(wants('lever', 'neutral'))).toEqual({ kind: 'no-method', settingId: 'lever', value: 'neutral' })
    const noWayBack: Change = (dash) => {
      const lever = dash.settings.find(({ id }) => id === 'lever')!
      lever.methods = lever.methods.filter(({ to }) => to !== 'park')
    }
    expect(failure(wants('lever', 'out of park', noWayBack))).toEqual({
      kind: 'no-method',
      settingId: 'lever',
      value: 'park',
    })
  })
  test('what its method needs is brought in for the setting, and comes before no act of the way in', () => {
    const by = wants('lever', 'out of park', (dash) => {
      dash.needs = dash.needs.filter(({ id }) => id === 'n')
      dash.needs.push(
        needs('m', 'method:lever-to-out-of-park', { kind: 'part', partId: 'unit', level: 'free' }, 'reaches'),
      )
    })
    const { operations, broughtIn } = derived(by)
    expect([...operations.keys()].sort()).toEqual(['lift:cover', 'release:cover', 'release:unit', 'undo:bolts'])
    expect(broughtIn.get('release:unit')).toEqual({
      by: 'set:lever=out of park by lever-to-out-of-park',
      because: { kind: 'need', needId: 'm' },
    })
    // The setting is a move of a state: when it is made the search decides.
    expect(pairs(by)).toEqual(['release:cover < lift:cover', 'undo:bolts < release:unit'])
  })
  test('what the rules ask of an act is a demand as well, and may be what fails', () => {
    const asked = (value: string): AskedByRules => {
      return ({ act }) =>
        act === 'lift' ? [{ settingId: 'battery', value, because: { kind: 'rule', ruleId: 'r' } as never }] : []
    }
    const demands = derived(nothing, COVER_OFF, CHOICES, asked('off')).demands
    expect([...demands.keys()]).toEqual(['lift:cover'])
    // What the record states of the act is followed all the same.
    const stated: Change = (dash) => {
      dash.needs = [needs('n', 'lift:cover', { kind: 'part', partId: 'unit', level: 'free' })]
    }
    expect(derived(stated, COVER_OFF, CHOICES, asked('off')).operations.has('release:unit')).toBe(true)
    expect(failure(nothing, COVER_OFF, CHOICES, asked('half'))).toMatchObject({ kind: 'no-method', value: 'half' })
  })
})

describe('what another part carries', () => {
  const carried = (change: Change = nothing): Change => {
    return (dash) => {
      dash.needs = []
      dash.parts.find(({ id }) => id === 'unit')!.carriedBy = 'panel'
      change(dash)
    }
  }
  const UNIT_OFF: Goal = { kind: 'part', partId: 'unit', level: 'off' }
  test('is taken out at the bench: its carrier is off first', () => {
    expect(pairs(carried(), UNIT_OFF)).toEqual(
      expect.arrayContaining(['lift:panel < release:unit', 'lift:panel < undo:bolts']),
    )
  })
  test('a holder that also holds something in the vehicle is undone there', () => {
    const shared = carried((dash) => void dash.holders.find(({ id }) => id === 'bolts')!.holds.push('cover'))
    const found = pairs(shared, UNIT_OFF)
    expect(found).not.toContain('lift:panel < undo:bolts')
    expect(found).toContain('lift:panel < release:unit')
  })
  test('carried by nothing of this build: where it is', () => {
    const gone = carried((dash) => void (dash.parts.find(({ id }) => id === 'unit')!.carriedBy = 'gone'))
    expect(comesOff(gone, UNIT_OFF)).not.toContain('lift:panel')
  })
})

describe('goals', () => {
  const opening = (id: string, partId: string) => ({ id, name: id, parts: [{ partId, level: 'off' as const }] })
  const withCavity: Change = (dash) =>
    void dash.cavities.push(
      Cavity.parse({
        id: 'bay',
        name: 'Bay',
        station: 'centre',
        openings: [opening('a', 'cover'), opening('b', 'panel')],
      }),
    )
  test('a cavity by the opening that was chosen, else its first', () => {
    const model = forBuild(dashWith(withCavity), {})
    const parts = (openings: Record<string, string>) =>
      partsOfGoal(model, { kind: 'cavity', cavityId: 'bay' }, { ...CHOICES, openings })
    expect(parts({})).toMatchObject([{ partId: 'cover', level: 'off' }])
    expect(parts({ bay: 'b' })).toMatchObject([{ partId: 'panel', level: 'off' }])
    expect(parts({ bay: 'gone' })).toMatchObject([{ partId: 'cover' }])
  })
  test('what the record does not have is said, and the rest is derived all the same', () => {
    for (const goal of [
      { kind: 'part', partId: 'gone', level: 'off' },
      { kind: 'cavity', cavityId: 'gone' },
    ] as const) {
      expect(failure(nothing, goal)).toEqual({ kind: 'unknown-goal', goal })
      const { removal, errors } = deriveAsFarAsPossible(forBuild(smallDash(), {}), [goal, COVER_OFF], CHOICES)
      expect([...removal.operations.keys()].sort()).toEqual(ALONE)
      expect(errors).toEqual([{ key: null, error: { kind: 'unknown-goal', goal } }])
    }
  })
  test('as keys: which cavity, or which part how far', () => {
    expect(goalKey({ kind: 'cavity', cavityId: 'bay' })).toBe('cavity:bay')
    expect(goalKey({ kind: 'part', partId: 'unit', level: 'free' })).toBe('part:unit=free')
  })
})

describe('what goes wrong is told of the act it stands in the way of', () => {
  const errorsOf = (change: Change) =>
    deriveAsFarAsPossible(forBuild(dashWith(change), {}), [COVER_OFF], CHOICES).errors.map(({ key, error }) => [
      key,
      error.kind,
    ])
  test('an act by itself; a setting’s method by who wants the setting', () => {
    expect(
      errorsOf((dash) =>
        dash.needs.push(needs('n', 'lift:cover', { kind: 'setting', settingId: 'lever', value: 'neutral' }, 'setting')),
      ),
    ).toEqual([['lift:cover', 'no-method']])
    expect(
      errorsOf((dash) =>
        dash.needs.push(
          needs('n', 'lift:cover', { kind: 'setting', settingId: 'lever', value: 'out of park' }, 'setting'),
          needs(
            'm',
            'method:lever-to-out-of-park',
            { kind: 'setting', settingId: 'ignition', value: 'half' },
            'setting',
          ),
        ),
      ),
    ).toEqual([['lift:cover', 'no-method']])
  })
  test('facts in a circle: the shortest one', () => {
    const circle: Change = (dash) =>
      dash.needs.push(
        needs('n', 'release:cover', { kind: 'part', partId: 'panel', level: 'off' }),
        needs('m', 'undo:screws', { kind: 'part', partId: 'cover', level: 'off' }),
      )
    const found = failure(circle)
    expect(found).toMatchObject({ kind: 'contradiction' })
    expect(found?.kind === 'contradiction' && found.loop.map(({ before }) => before)).toHaveLength(5)
    expect(deriveAsFarAsPossible(forBuild(dashWith(circle), {}), [COVER_OFF], CHOICES).sound).toBe(false)
    expect(deriveAsFarAsPossible(forBuild(smallDash(), {}), [COVER_OFF], CHOICES).sound).toBe(true)
  })
})

describe('why it is there', () => {
  const UNIT_OFF: Goal = { kind: 'part', partId: 'unit', level: 'off' }
  const relations = (change: Change, key: string, goal: Goal = UNIT_OFF) =>
    whyChain(derived(change, goal), key)?.map((link) =>
      'relation' in link ? `${link.id} ${link.relation}` : goalKey(link.goal),
    )
  test('link by link to the goal', () => {
    expect(relations(nothing, 'release:cover')).toEqual([
      'cover covers',
      'screws holds',
      'panel traps',
      'unit closes',
      'part:unit=off',
    ])
    expect(relations(nothing, 'open:main')).toEqual(['main ties', 'unit closes', 'part:unit=off'])
    expect(relations(nothing, 'lift:unit')).toEqual(['unit closes', 'part:unit=off'])
    expect(relations(nothing, 'lift:gone')).toBeUndefined()
  })
  test('what a method moves frees the setting it is for; what covers clips is of the pull', () => {
    const lever: Change = (dash) =>
      dash.needs.push(
        needs('n', 'release:cover', { kind: 'setting', settingId: 'lever', value: 'out of park' }, 'setting'),
        needs('m', 'method:lever-to-out-of-park', { kind: 'part', partId: 'unit', level: 'free' }, 'reaches'),
      )
    expect(relations((dash) => ((dash.needs = []), lever(dash)), 'undo:bolts', COVER_OFF)).toEqual([
      'bolts holds',
      'unit frees',
      'lever frees',
      'cover closes',
      'part:cover=off',
    ])
    const clips: Change = (dash) => {
      dash.needs = [needs('n', 'undo:cover-clips', { kind: 'part', partId: 'unit', level: 'free' })]
    }
    expect(relations(clips, 'release:unit', COVER_OFF)).toEqual([
      'unit covers',
      'cover-clips holds',
      'cover closes',
      'part:cover=off',
    ])
  })
  test('what stays shut without it: the goals behind it, and what waits for it at once', () => {
    const goals: Goal[] = [UNIT_OFF, COVER_OFF]
    const without = (key: string) => whatStaysShut(derived(nothing, goals), key)
    expect(without('release:cover')).toEqual({ waiting: ['lift:cover'], goals })
    expect(without('open:main')).toEqual({ waiting: ['lift:unit'], goals: [UNIT_OFF] })
    expect(without('lift:unit')).toEqual({ waiting: [], goals: [UNIT_OFF] })
  })
  test('what a method moves stands before all that wants the setting so', () => {
    const moved: Change = (dash) => {
      dash.needs = [
        needs('n', 'release:cover', { kind: 'setting', settingId: 'lever', value: 'out of park' }, 'setting'),
        needs('m', 'method:lever-to-out-of-park', { kind: 'part', partId: 'unit', level: 'free' }, 'reaches'),
      ]
    }
    expect(whatStaysShut(derived(moved), 'release:unit').waiting).toContain('release:cover')
    expect(whatStaysShut(derived(moved), 'release:unit').goals).toEqual([COVER_OFF])
  })
})

test('the act that does a thing: its own, for clips the pull they let go with, else none', () => {
  const { operations } = derived(nothing)
  expect(keyDoing(operations, 'release', 'cover')).toBe('release:cover')
  expect(keyDoing(operations, 'undo', 'cover-clips')).toBe('release:cover')
  expect(keyDoing(operations, 'undo', 'screws')).toBeUndefined()
  expect(keyDoing(operations, 'open', 'cover-clips')).toBeUndefined()
})
