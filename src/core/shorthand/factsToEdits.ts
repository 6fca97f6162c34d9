import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, type Edit } from '../procedure/edit'
import type { Holder } from '../procedure/holder'
import { coversNeed, Need, trapsNeed } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'
import { newPart, Part } from '../procedure/part'
import { Tether } from '../procedure/tether'
import type { When } from '../procedure/when'
import type { Fact } from './meaning'
import type { Called } from './reader/sense'
import { cautionSaid, holderSaid, kindOfTether, tetherSaid } from './itemsSaid'
import { plugSaid, settingSaid } from './knownThings'
import { partSaid } from './partSaid'

/** Facts as changes to a draft, and what found no place there, each with what to do about it. */
export type PlacedFacts = { edits: Edit[]; unplaced: { fact: Fact; because: Unplaced }[] }
export type Unplaced =
  | { kind: 'no part' }
  | { kind: 'no count' }
  | { kind: 'no setting'; setting: string; value: string }
  | { kind: 'no facet'; when: string }
  | { kind: 'not conditional' }
  | { kind: 'rests already' }
  | { kind: 'not here' }
  /** Said of this vehicle only: the record is of all. */
  | { kind: 'this vehicle only' }
  /** It corrects what another line said, and nothing in the record is clearly that. */
  | { kind: 'corrects' }
  | { kind: 'take back' }
  /** The setting is wanted so; how long to wait after it is no line's to change. */
  | { kind: 'wait' }
  /** So much is said there already that it has no room for more. */
  | { kind: 'no room' }

/**
 * What a line is about where it names no part. On a strip: whether the part in hand is what holders and plugs belong
 * to; else they are loose ends. `called`: the line's own words for parts; a new part keeps them beside its name.
 */
export type About = {
  partId: Id | null
  called?: readonly Called[]
  strip?: { holdersBelong: boolean; plugsBelong: boolean; isOpen: (tetherId: Id) => boolean }
}

/**
 * What a line says, as edits of a draft. `about`: the part it is about where none is named. Parts that the record does
 * not have are added. Nothing is sent and nothing known is overwritten but single fields of the part in question.
 * `newId` makes ids.
 */
export function factsToEdits(
  document: ProcedureDocument,
  facts: readonly Fact[],
  about: About,
  newId: (prefix: string) => Id,
): PlacedFacts {
  return new Placing(document, about, newId).place(facts)
}

const UNPLACEABLE: Readonly<Partial<Record<Fact['fact'], Unplaced>>> = {
  found: { kind: 'this vehicle only' },
  'take back': { kind: 'take back' },
}

function newPlug(
  id: Id,
  { name }: Extract<Fact, { fact: 'plug' }>,
  partId: Id | null,
  said: Partial<Tether>,
  when: When,
): Edit {
  const item = Tether.parse({ id, name, partId, kind: kindOfTether(name), ...said, when })
  return { kind: 'add', collection: 'tethers', item, after: null }
}

class Placing {
  private readonly parts: Map<Id, Part>
  private readonly before: ReadonlyMap<Id, Part>
  private readonly added: Edit[] = []
  private readonly unplaced: PlacedFacts['unplaced'] = []
  private readonly inHand: Id | null

  constructor(
    private readonly document: ProcedureDocument,
    private readonly about: About,
    private readonly newId: (prefix: string) => Id,
  ) {
    this.inHand = about.partId
    this.before = new Map(document.parts.map((part) => [part.id, part]))
    this.parts = new Map(this.before)
  }

  place(facts: readonly Fact[]): PlacedFacts {
    for (const fact of facts) {
      const when = this.whenOf(fact)
      const because = when === null ? { kind: 'no facet' as const, when: fact.when! } : this.one(fact, when)
      if (because) this.unplaced.push({ fact, because })
    }
    const changed = [...this.parts.values()].flatMap((part): Edit[] => {
      const old = this.before.get(part.id)
      return old ? fieldEdits('parts', old, part) : [{ kind: 'add', collection: 'parts', item: part, after: null }]
    })
    return { edits: [...changed, ...this.added], unplaced: this.unplaced }
  }

  private one(fact: Fact, when: When): Unplaced | null {
    const change = partSaid(fact)
    // A field of a part is the same on all vehicles.
    if (Object.keys(when).length > 0 && (change || fact.fact === 'rests')) return { kind: 'not conditional' }
    if (change) return this.change('of' in fact ? fact.of : undefined, change)
    switch (fact.fact) {
      case 'holder':
        return this.holder(fact, when)
      case 'plug':
        return fact.instead ? this.corrected(fact) : this.plug(fact, when)
      case 'rests':
        return this.rests(fact)
      case 'part':
        this.partNamed(fact.part)
        return null
      case 'traps': {
        const [trapped, by] = [this.partNamed(fact.of), this.partNamed(fact.by)]
        this.addNeed({ ...trapsNeed(this.newId('need'), trapped, by, this.levelToClear(by)), when })
        return null
      }
      case 'setting':
        return this.setting(fact, when)
      case 'caution':
        return this.caution(fact, when)
      default:
        return UNPLACEABLE[fact.fact] ?? { kind: 'not here' }
    }
  }

  private rests(fact: Extract<Fact, { fact: 'rests' }>): Unplaced | null {
    const id = fact.of === undefined ? this.inHand : this.partNamed(fact.of)
    const part = id === null ? undefined : this.parts.get(id)
    if (part?.rests.some((rest) => rest.how === fact.how)) return null
    if (part && part.rests.length > 1) return { kind: 'rests already' }
    return this.change(fact.of, (changed) => ({
      ...changed,
      rests: [...changed.rests, { level: 'free' as const, how: fact.how, note: '' }],
    }))
  }

  private holder(fact: Extract<Fact, { fact: 'holder' }>, when: When): Unplaced | null {
    if (fact.instead) return this.corrected(fact)
    const { strip } = this.about
    const holds = fact.holds
      ? fact.holds.map((name) => this.partNamed(name))
      : this.inHand && (strip?.holdersBelong ?? true)
        ? [this.inHand]
        : []
    if (holds.length === 0 && !strip) return { kind: 'no part' }
    if (fact.count === null) return { kind: 'no count' }
    const id = this.newId('hold')
    const item = holderSaid(id, fact, fact.count, holds, when)
    this.added.push({ kind: 'add', collection: 'holders', item, after: null })
    for (const name of fact.behind ?? []) {
      const cover = this.partNamed(name)
      this.addNeed({ ...coversNeed(this.newId('need'), id, cover, this.levelToClear(cover)), when })
    }
    return null
  }

  /** A correction: where exactly one group of that kind, or one plug of that name, is known, it is changed. */
  private corrected(fact: Extract<Fact, { fact: 'holder' | 'plug' }>): Unplaced | null {
    // On a strip what was said has been done as well: it is taken back, and said again.
    if (this.about.strip) return { kind: 'corrects' }
    if (fact.fact === 'plug') {
      const known = plugSaid(this.document, fact.name, this.inHand, false)
      return known ? this.plug(fact, {}) : { kind: 'corrects' }
    }
    const holds = fact.holds?.map((name) => this.partNamed(name)) ?? (this.inHand ? [this.inHand] : [])
    const alike = this.document.holders.filter(
      (holder) => holder.kind === fact.kind && holds.some((id) => holder.holds.includes(id)),
    )
    const [known] = alike
    if (!known || alike.length > 1 || fact.count === null) return { kind: 'corrects' }
    const drives = fact.drive ? [{ drive: fact.drive, size: fact.size ?? '', seen: 0 }] : known.drives
    this.added.push(
      ...fieldEdits('holders', known, { ...known, count: fact.count, howMany: 'counted', drives } as Holder),
    )
    return null
  }

  private caution(fact: Extract<Fact, { fact: 'caution' }>, when: When): Unplaced | null {
    const partId = fact.of === undefined ? this.inHand : this.partNamed(fact.of)
    if (!partId) return { kind: 'no part' }
    const caution = cautionSaid(this.newId('caution'), fact.what, partId)
    this.added.push({ kind: 'add', collection: 'cautions', item: { ...caution, when }, after: null })
    return null
  }

  private plug(fact: Extract<Fact, { fact: 'plug' }>, when: When): Unplaced | null {
    const { strip } = this.about
    const partId = fact.of ? this.partNamed(fact.of) : (strip?.plugsBelong ?? true) ? this.inHand : null
    const known = this.plugKnown(fact, partId)
    if (!known && !partId && !strip) return { kind: 'no part' }
    const said = tetherSaid(fact, known)
    if (known && !Tether.safeParse({ ...known, ...said }).success) return { kind: 'no room' }
    const id = known?.id ?? this.newId('teth')
    this.added.push(
      ...(known
        ? fieldEdits('tethers', known, { ...known, ...said } as Tether)
        : [newPlug(id, fact, partId, said, when)]),
    )
    for (const name of fact.behind ?? []) this.addNeed(this.coversPlug(id, name, when))
    return null
  }

  private plugKnown({ name, of }: Extract<Fact, { fact: 'plug' }>, partId: Id | null): Tether | undefined {
    const isNamed = of !== undefined
    return plugSaid(this.document, name, isNamed ? partId : this.inHand, isNamed, this.about.strip?.isOpen)
  }

  private coversPlug(tetherId: Id, name: string, when: When): Need {
    const cover = this.partNamed(name)
    return Need.parse({
      id: this.newId('need'),
      dependent: { act: 'open', id: tetherId },
      needs: { kind: 'part', partId: cover, level: this.levelToClear(cover) },
      reason: 'covers',
      when,
    })
  }

  private setting(fact: Extract<Fact, { fact: 'setting' }>, when: When): Unplaced | null {
    const said = settingSaid(this.document, fact)
    if (!said) return { kind: 'no setting', setting: fact.setting, value: fact.value }
    const { setting, value } = said
    const partId = fact.of === undefined ? this.inHand : this.partNamed(fact.of)
    // On a strip it is an act, whatever it was done for.
    if (!partId) return this.about.strip ? null : { kind: 'no part' }
    this.addNeed(
      Need.parse({
        id: this.newId('need'),
        dependent: { act: 'release', id: partId },
        needs: { kind: 'setting', settingId: setting.id, value },
        reason: 'setting',
        when,
      }),
    )
    return fact.waitMin === undefined || this.about.strip ? null : { kind: 'wait' }
  }

  private change(name: string | undefined, to: (part: Part) => Part): Unplaced | null {
    const id = name === undefined ? this.inHand : this.partNamed(name)
    const part = id === null ? undefined : this.parts.get(id)
    if (!part) return { kind: 'no part' }
    const changed = to(part)
    if (!Part.safeParse(changed).success) return { kind: 'no room' }
    this.parts.set(part.id, changed)
    return null
  }

  private addNeed(need: Need): void {
    this.added.push({ kind: 'add', collection: 'needs', item: need, after: null })
  }

  /** The part of that name, or a new one at the station of the part in hand. */
  private partNamed(name: string): Id {
    const lower = name.toLowerCase()
    const known = [...this.parts.values()].find((part) => part.name.toLowerCase() === lower)
    if (known) return known.id
    const station =
      (this.inHand ? this.parts.get(this.inHand)?.station : undefined) ??
      this.document.parts.at(-1)?.station ??
      'centre'
    const called = (this.about.called ?? []).filter(({ part }) => part.toLowerCase() === lower).map(({ as }) => as)
    const named = newPart(this.newId('part'), `${name[0]!.toUpperCase()}${name.slice(1)}`)
    const part = { ...named, station, synonyms: [...new Set(called)] }
    this.parts.set(part.id, part)
    return part.id
  }

  /** What covers or traps has to come free where it may wait so, else off. */
  private levelToClear(partId: Id): 'free' | 'off' {
    return mayRestFree(this.parts.get(partId)!) ? 'free' : 'off'
  }

  /** The choice of a facet that was said; empty where none was, null where the record has no such choice. */
  private whenOf({ when }: Fact): When | null {
    if (when === undefined) return {}
    const words = when.toLowerCase()
    for (const facet of this.document.facets)
      for (const choice of facet.choices)
        if (
          choice.name.toLowerCase() === words ||
          `${choice.name} ${facet.name}`.toLowerCase() === words ||
          (choice.name.toLowerCase() === 'yes' && facet.name.toLowerCase() === words)
        )
          return { [facet.id]: [choice.id] }
    return null
  }
}
