import type { Id } from '../base/id'
import type { Happening } from '../job/event'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, replayEdits, type Edit } from '../procedure/edit'
import { THREADED_KINDS } from '../procedure/holderKinds'
import type { Holder } from '../procedure/holder'
import { atLeast } from '../procedure/levels'
import type { Level } from '../procedure/level'
import { coversNeed } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'
import { neededNoFurther } from './waitsThere'
import { factsToEdits, type PlacedFacts } from '../shorthand/factsToEdits'
import { detailsSaid } from '../shorthand/itemsSaid'
import { plugSaid, settingSaid } from '../shorthand/knownThings'
import type { Fact } from '../shorthand/meaning'
import type { Called } from '../shorthand/reader/sense'

/**
 * What a line or some taps are as events (`assumed`: before them, and not counted), what found no place, and the part
 * in hand afterwards.
 */
export type Caught = {
  assumed: Happening[]
  happenings: Happening[]
  unplaced: PlacedFacts['unplaced']
  inHand: Id | null
}

/**
 * What somebody says while a vehicle comes apart: the facts as a statement, and the acts that go with them (a fastener
 * named is undone, a plug named is open unless it is left, a release brings its part forward). Holders belong to the
 * part in hand while it is in place, plugs until it is off; later ones are loose ends. A group the record has already
 * is recognised: the same count confirms it, another one is stated as such. `said`: the words, kept with it; `called`:
 * its words for parts that have another name.
 */
export function caught(
  document: ProcedureDocument,
  state: JobState,
  facts: readonly Fact[],
  said: string,
  inHand: Id | null,
  newId: (prefix: string) => Id,
  called: readonly Called[] = [],
): Caught {
  const level = inHand === null ? 'in place' : levelNow(state, inHand)
  const known = recognise(document, state, facts, level === 'off' ? null : inHand, newId)
  const { edits: fresh, unplaced } = factsToEdits(
    document,
    facts.filter((fact) => !known.has(fact)),
    {
      partId: inHand,
      called,
      strip: {
        holdersBelong: !atLeast(level, 'free'),
        plugsBelong: level !== 'off',
        isOpen: (id) => state.tethersOpen.has(id),
      },
    },
    newId,
  )
  const waits = facts.flatMap((fact) =>
    fact.fact === 'rests' ? ((fact.of === undefined ? inHand : partNamed(document, fact.of)) ?? []) : [],
  )
  const edits = [
    ...fresh,
    ...[...known.values()].flatMap((item) => item.edits),
    ...waits.flatMap((partId) => neededNoFurther(document, state, partId)),
  ]
  const after = replayEdits(document, edits)
  const telling = new Telling({ before: document, after, state, inHand, known, edits })
  for (const fact of facts) if (!unplaced.some((item) => item.fact === fact)) telling.take(fact)
  const { hand, acts } = telling
  const turnedAway =
    hand !== inHand && inHand !== null && !acts.some((act) => act.kind === 'part at' && act.partId === inHand)
  return {
    assumed: turnedAway ? leftBehind(after, state, inHand) : [],
    happenings: [...(edits.length > 0 ? [{ kind: 'stated', said, edits } as const] : []), ...orderedActs(acts)],
    unplaced,
    inHand: hand,
  }
}

type Told = {
  /** The record before and after what was stated. */
  before: ProcedureDocument
  after: ProcedureDocument
  state: JobState
  inHand: Id | null
  known: ReadonlyMap<Fact, Known>
  edits: readonly Edit[]
}

/** What was done, fact by fact, and the part in hand as the words go on. */
class Telling {
  readonly acts: Happening[] = []
  hand: Id | null
  private readonly levels = new Map<Id, Level>()
  /** Groups stated anew, in the order of their facts. */
  private readonly added: Id[]

  constructor(private readonly told: Told) {
    this.hand = told.inHand
    this.added = told.edits.flatMap((edit) =>
      edit.kind === 'add' && edit.collection === 'holders' ? [edit.item.id] : [],
    )
  }

  take(fact: Fact): void {
    const about = 'of' in fact && fact.of !== undefined ? partNamed(this.told.after, fact.of) : this.hand
    if (fact.fact === 'holder') this.holder(fact)
    else if (fact.fact === 'plug') this.plug(fact, about)
    else if (fact.fact === 'release' || fact.fact === 'rests') this.bring(about, 'free')
    else if (fact.fact === 'setting') this.setting(fact)
    else if (fact.fact === 'part') {
      this.hand = partNamed(this.told.after, fact.part)
      if (fact.level) this.bring(this.hand, fact.level)
      return
    }
    this.hand = this.handAfter(fact, about)
  }

  /** Whoever names a part has turned to it. */
  private handAfter(fact: Fact, about: Id | null): Id | null {
    if ('of' in fact && fact.of !== undefined && fact.fact !== 'traps') return about
    return fact.fact === 'holder' && fact.holds?.length === 1 ? partNamed(this.told.after, fact.holds[0]!) : this.hand
  }

  private holder(fact: HolderFact): void {
    const holderId = this.told.known.get(fact)?.holderId ?? this.added.shift()
    if (holderId && fact.count !== null) this.acts.push({ kind: 'undone', holderId, count: fact.count })
  }

  private plug(fact: Extract<Fact, { fact: 'plug' }>, about: Id | null): void {
    const { after, state, inHand } = this.told
    const isNamed = fact.of !== undefined
    const tether = plugSaid(after, fact.name, isNamed ? about : inHand, isNamed, (id) => state.tethersOpen.has(id))
    if (tether && !fact.leave && !state.tethersOpen.has(tether.id))
      this.acts.push({ kind: 'opened', tetherId: tether.id })
  }

  private setting(fact: Extract<Fact, { fact: 'setting' }>): void {
    const { before, state } = this.told
    const meant = settingSaid(before, fact)
    if (!meant) return
    const { setting, value } = meant
    if ((state.settings.get(setting.id) ?? setting.asFound) === value) return
    const methodId = setting.methods.find((method) => method.to === value)?.id ?? null
    this.acts.push({ kind: 'set', settingId: setting.id, value, methodId })
  }

  private bring(partId: Id | null, to: Level): void {
    if (partId === null || atLeast(this.levels.get(partId) ?? levelNow(this.told.state, partId), to)) return
    this.levels.set(partId, to)
    this.acts.push({ kind: 'part at', partId, level: to })
  }
}

/**
 * Whoever turns to another part has set aside the one that came forward, where nothing ties it any more and nobody said
 * that it waits. Assumed: when that was, nobody counted.
 */
export function leftBehind(document: ProcedureDocument, state: JobState, partId: Id): Happening[] {
  const part = document.parts.find((item) => item.id === partId)
  const tied = document.tethers.some((tether) => tether.partId === partId && !state.tethersOpen.has(tether.id))
  return part && levelNow(state, partId) === 'free' && !mayRestFree(part) && !tied
    ? [{ kind: 'part at', partId, level: 'off' }]
    : []
}

/** Holders are out before the part they hold moves, whatever order the line names them in. */
function orderedActs(acts: readonly Happening[]): Happening[] {
  const rank = (act: Happening) =>
    act.kind === 'set'
      ? 0
      : act.kind === 'undone'
        ? 1
        : act.kind === 'part at' && act.level !== 'off'
          ? 2
          : act.kind === 'opened'
            ? 3
            : 4
  return [...acts].sort((a, b) => rank(a) - rank(b))
}

function partNamed(document: ProcedureDocument, name: string): Id | null {
  return document.parts.find((part) => part.name.toLowerCase() === name.toLowerCase())?.id ?? null
}

type Known = { holderId: Id; edits: Edit[] }

/** Groups a line names that the record has already, with what the line says otherwise. Each is recognised once. */
function recognise(
  document: ProcedureDocument,
  state: JobState,
  facts: readonly Fact[],
  inHand: Id | null,
  newId: (prefix: string) => Id,
): Map<Fact, Known> {
  const found = new Map<Fact, Known>()
  const taken = new Set<Id>()
  for (const fact of facts) {
    if (fact.fact !== 'holder' || fact.count === null || fact.instead) continue
    const partId = fact.holds ? partNamed(document, fact.holds[0]!) : inHand
    const open = document.holders.filter(
      (holder) =>
        partId !== null &&
        holder.holds.includes(partId) &&
        !taken.has(holder.id) &&
        (state.holders.get(holder.id)?.undone ?? 0) === 0,
    )
    const holder =
      open.find((item) => fits(item, fact) && item.count === fact.count) ?? open.find((item) => fits(item, fact))
    if (!holder) continue
    taken.add(holder.id)
    found.set(fact, {
      holderId: holder.id,
      edits: [
        ...fieldEdits('holders', holder, {
          ...holder,
          ...detailsSaid(fact),
          count: fact.count,
          drives: drivesWith(holder, fact),
        } as Holder),
        ...newCovers(document, holder, fact, newId),
      ],
    })
  }
  return found
}

type HolderFact = Extract<Fact, { fact: 'holder' }>

/**
 * The same kind; a screw is a screw where the line says no more, and another head on as many of them is the same group.
 */
function fits(holder: Holder, fact: HolderFact): boolean {
  if (THREADED_KINDS.includes(holder.kind) && fact.kind === 'machine screw') {
    return (
      fact.drive === undefined ||
      holder.drives.length === 0 ||
      holder.count === fact.count ||
      holder.drives.some((drive) => drive.drive === fact.drive && (fact.size === undefined || drive.size === fact.size))
    )
  }
  return holder.kind === fact.kind
}

/** Heads nobody had seen on this group are kept beside the others, with how often each was seen. */
function drivesWith(holder: Holder, { drive, size, or = [] }: HolderFact): Holder['drives'] {
  const said = drive === undefined ? [] : [{ drive, size: size ?? '' }, ...or.map((each) => ({ size: '', ...each }))]
  const fresh = said.filter(
    (each) =>
      !holder.drives.some((known) => known.drive === each.drive && (each.size === '' || known.size === each.size)),
  )
  return [...holder.drives, ...fresh.map((each) => ({ ...each, seen: 1 }))].slice(0, 4)
}

function newCovers(
  document: ProcedureDocument,
  holder: Holder,
  fact: HolderFact,
  newId: (prefix: string) => Id,
): Edit[] {
  return (fact.behind ?? []).flatMap((name): Edit[] => {
    const cover = document.parts.find((part) => part.name.toLowerCase() === name.toLowerCase())
    if (
      !cover ||
      document.needs.some(
        (need) => need.dependent.id === holder.id && need.needs.kind === 'part' && need.needs.partId === cover.id,
      )
    )
      return []
    return [
      {
        kind: 'add',
        collection: 'needs',
        item: coversNeed(newId('need'), holder.id, cover.id, mayRestFree(cover) ? 'free' : 'off'),
        after: null,
      },
    ]
  })
}
