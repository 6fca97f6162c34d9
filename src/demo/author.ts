import { Caution } from '@/core/procedure/caution'
import { Cavity } from '@/core/procedure/cavity'
import { emptyDocument, type ProcedureDocument } from '@/core/procedure/document'
import { Facet, Tell } from '@/core/procedure/facet'
import { Holder } from '@/core/procedure/holder'
import type { HolderKind } from '@/core/procedure/holderKinds'
import { Need } from '@/core/procedure/need'
import type { NeedReason } from '@/core/procedure/needReasons'
import { Part } from '@/core/procedure/part'
import { Setting } from '@/core/procedure/setting'
import type { Station } from '@/core/procedure/station'
import { Tether } from '@/core/procedure/tether'
import { VehicleFunction } from '@/core/procedure/vehicleFunction'
import { View } from '@/core/procedure/view'
import { Way } from '@/core/procedure/way'
import { Waypoint } from '@/core/procedure/waypoint'
import type { When } from '@/core/procedure/when'

type Loose<T> = { [K in keyof T]?: unknown }

/** States the facts of an invented model, one call a fact, so that a demo procedure reads like a record. */
export class Author {
  readonly document: ProcedureDocument
  private count = 0

  constructor(name: string, note = '') {
    this.document = { ...emptyDocument(name), note }
  }

  view(id: string, name: string, size: [number, number], rest: Loose<View> = {}): void {
    this.document.views.push(View.parse({ id, name, widthMm: size[0], heightMm: size[1], ...rest }))
  }

  facet(id: string, name: string, choices: Record<string, string>, toldFrom: unknown = null, kind = 'other'): void {
    this.document.facets.push(
      Facet.parse({
        id,
        name,
        kind,
        toldFrom,
        choices: Object.entries(choices).map(([choiceId, tell]) => ({
          id: choiceId,
          name: choiceId.replaceAll('-', ' '),
          tell,
        })),
      }),
    )
  }

  /** Signs of a choice: what is seen, how often it was right, of how many. */
  tells(facetId: string, choiceId: string, signs: [words: string, right: number, seen: number][]): void {
    const choice = this.document.facets.find(({ id }) => id === facetId)!.choices.find(({ id }) => id === choiceId)!
    choice.tells = signs.map(([words, right, seen], i) =>
      Tell.parse({ id: `${choiceId}-sign-${i + 1}`, words, right, seen }),
    )
  }

  part(id: string, name: string, station: Station, rest: Loose<Part> = {}): void {
    this.document.parts.push(Part.parse({ id, name, station, ...rest }))
  }

  /** Clips, pins and turns: `spot` lists view and marks. */
  clips(id: string, kind: HolderKind, count: number, partId: string, rest: Loose<Holder> = {}): void {
    this.document.holders.push(Holder.parse({ id, kind, count, holds: [partId], ...rest }))
  }

  /** Screws by drive and size, with thread when it matters ("M4 x 16" = [4, 16]). */
  screws(
    id: string,
    drive: string,
    size: string,
    count: number,
    partId: string | string[],
    thread: [number, number] | null = null,
    rest: Loose<Holder> = {},
  ): void {
    const holds = Array.isArray(partId) ? partId : [partId]
    this.document.holders.push(
      Holder.parse({
        id,
        kind: 'machine screw',
        drives: [{ drive, size, seen: 3 }],
        count,
        holds,
        thread: thread && { diameterMm: thread[0], lengthMm: thread[1] },
        ...rest,
      }),
    )
  }

  tether(id: string, name: string, partId: string, rest: Loose<Tether> = {}): void {
    this.document.tethers.push(Tether.parse({ id, name, partId, ...rest }))
  }

  covers(holderId: string, partId: string, level: 'free' | 'off', when: When = {}): void {
    this.need({ act: 'undo', id: holderId }, { kind: 'part', partId, level }, 'covers', when)
  }

  traps(trappedId: string, partId: string, level: 'free' | 'off', when: When = {}): void {
    this.need({ act: 'release', id: trappedId }, { kind: 'part', partId, level }, 'traps', when, '', 'yes')
  }

  need(
    dependent: unknown,
    needs: unknown,
    reason: NeedReason,
    when: When = {},
    note = '',
    screwsReached = 'not said',
  ): void {
    this.count += 1
    this.document.needs.push(
      Need.parse({ id: `need-${this.count}`, dependent, needs, reason, when, note, screwsReached }),
    )
  }

  setting(id: string, name: string, rest: Loose<Setting>): void {
    this.document.settings.push(Setting.parse({ id, name, ...rest }))
  }

  cavity(id: string, name: string, ...openings: Record<string, 'free' | 'off'>[]): void {
    this.document.cavities.push(
      Cavity.parse({
        id,
        name,
        openings: openings.map((parts, i) => ({
          id: `${id}-way-${i + 1}`,
          parts: Object.entries(parts).map(([partId, level]) => ({ partId, level })),
        })),
      }),
    )
  }

  /** A place where a lead can lie, end or turn. */
  point(id: string, name: string, station: Station, rest: Loose<Waypoint> = {}): void {
    this.document.waypoints.push(Waypoint.parse({ id, name, station, ...rest }))
  }

  /**
   * A way between two points ("radio>knee"): its length in mm, and how a lead gets in with what is open. Each list of
   * access is a manner of its own.
   */
  way(
    id: string,
    name: string,
    ends: `${string}>${string}`,
    lengthMm: number,
    station: Station,
    layings: [how: 'laid in' | 'tucked' | 'threaded', access: unknown[], more?: object][],
    rest: Loose<Way> = {},
  ): void {
    const [from, to] = ends.split('>')
    this.document.ways.push(
      Way.parse({
        ...{ id, name, from, to, lengthMm, station, looked: true, lengthKnown: 'measured', apartMm: 120 },
        layings: layings.map(([how, access, more], i) => ({ id: `${id}-${i + 1}`, how, access, ...more })),
        ...rest,
      }),
    )
  }

  test(id: string, name: string, how: string, power = 'ignition', readingUnit = ''): void {
    this.document.functions.push(VehicleFunction.parse({ id, name, how, power, readingUnit }))
  }

  caution(severity: string, itemId: string, act: string, sentence: string): void {
    this.count += 1
    this.document.cautions.push(Caution.parse({ id: `caution-${this.count}`, severity, sentence, at: { itemId, act } }))
  }
}
