import { groupS, pressTool, pullS, pullTool, tetherS, toolFor } from '../../estimate/houseTimes'
import type { Operation } from '../../order/operation'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Act } from '../../procedure/acts'
import type { Holder } from '../../procedure/holder'
import type { Part } from '../../procedure/part'
import { BENCH } from '../../procedure/stations'
import type { Tether } from '../../procedure/tether'
import type { Station } from '../../procedure/station'
import type { HouseValues } from '../../shop/houseValues'
import type { JudgedAct } from '../../vehicle/judge'
import type { DerivedJob } from './derivedJob'

export type Demands = {
  stations: readonly Station[]
  helperStation: Station | null
  persons: number
  tool: string
  workS: number
}

/** What an operation asks for: stations to choose from, people, tool and seconds. All seconds are house estimates. */
export function demandsOf(job: DerivedJob, operation: Operation): Demands {
  const asks = ASKS[operation.act](job, operation)
  return isOntoCarrier(job, operation) ? { ...asks, stations: [BENCH] } : asks
}

/** What is carried over to a part of a kit is put on it where that lies. */
function isOntoCarrier({ carried }: DerivedJob, { act, phase, partId }: Operation): boolean {
  return phase === 'out' && partId !== null && carried.has(partId) && act !== 'close'
}

type Asks = (job: DerivedJob, operation: Operation) => Demands

function alone(station: Station, tool: string, workS: number): Demands {
  return { stations: [station], helperStation: null, persons: 1, tool, workS }
}

/** At the group of fasteners, with its driver or by bare hands. */
const atHolder = (by: 'its tool' | 'hand'): Asks => {
  return ({ model, circumstances: { house } }, { itemId }) => {
    const holder = model.holders.get(itemId)!
    const station = stationOf(model, holder.holds[0]!)
    return by === 'hand' ? alone(station, 'hand', house.actS) : alone(station, toolFor(holder), groupS(house, holder))
  }
}

/** At the part, with whoever it takes; what lets go or is pressed home with it takes its own seconds more. */
const atPart = (
  tool: (part: Part, pulled: Holder[]) => string,
  ownS: (house: HouseValues, part: Part) => number,
): Asks => {
  return ({ model, circumstances: { house } }, { itemId, pulled = [] }) => {
    const part = model.parts.get(itemId)!
    const holders = pulled.map((id) => model.holders.get(id)!)
    return {
      stations: [stationOf(model, itemId)],
      helperStation: part.helperStation,
      persons: part.persons,
      tool: tool(part, holders),
      workS: ownS(house, part) + holders.reduce((sum, holder) => sum + groupS(house, holder), 0),
    }
  }
}

/** Where the part of the plug is worked on. */
const atTether = (asks: (house: HouseValues, tether: Tether) => { tool: string; workS: number }): Asks => {
  return ({ model, circumstances: { house } }, { itemId }) => {
    const tether = model.tethers.get(itemId)!
    const partId = model.hostOf(tether.partId!)
    const { helperStation, persons } = model.parts.get(partId)!
    return { stations: [stationOf(model, partId)], helperStation, persons, ...asks(house, tether) }
  }
}

const PULLED = atPart(pullTool, pullS)
const CARRIED = atPart(
  () => 'hand',
  (house) => house.actS,
)
const PLUG = atTether((house, tether) => ({ tool: tether.tool || 'hand', workS: tetherS(house, tether) }))
const SETTING: Asks = ({ model, circumstances: { house } }, operation) => {
  const { methodId } = operation.setting!
  return {
    ...alone('', 'hand', methodS(model, house, methodId)),
    stations: model.methods.get(methodId)!.method.stations,
  }
}

const ASKS: Readonly<Record<Act, Asks>> = {
  undo: atHolder('its tool'),
  fasten: atHolder('its tool'),
  start: atHolder('hand'),
  ease: PULLED,
  release: PULLED,
  lift: CARRIED,
  place: CARRIED,
  seat: atPart(
    (_, pulled) => pressTool(pulled),
    (house) => house.actS,
  ),
  open: PLUG,
  close: PLUG,
  feed: atTether((house) => ({ tool: 'hand', workS: house.actS })),
  set: SETTING,
  restore: SETTING,
  work: (job, { itemId }) => {
    const { station, helperStation, persons, tool, durationS } = job.works.get(itemId)!
    return { stations: [station], helperStation, persons, tool, workS: durationS }
  },
  test: (job, operation) => {
    const { itemId } = operation
    const warmUpS = job.model.functions.get(itemId)?.warmUpS ?? job.added.get(itemId)?.warmUpS ?? 0
    return alone(testStation(job, operation), 'hand', job.circumstances.house.actS + warmUpS)
  },
  decide: (job, { itemId }) => alone(tellingStation(job, itemId), 'hand', job.circumstances.house.actS),
  wait: () => alone('', 'hand', 0),
}

/** The act as the rules of safety see it. */
export function judged(job: DerivedJob, operation: Operation): JudgedAct {
  const work = operation.act === 'work' ? job.works.get(operation.itemId) : undefined
  return {
    act: operation.act,
    itemId: operation.itemId,
    setting: operation.setting,
    ...(operation.pulled && { pulled: operation.pulled }),
    ...(work && { work: work.kind, station: work.station }),
  }
}

export function methodS(model: ProcedureForBuild, house: HouseValues, methodId: string): number {
  return model.methods.get(methodId)?.method.durationS ?? house.actS
}

/** Where a part is worked on: what is carried inside another is taken out of it at the bench. */
export function stationOf(model: ProcedureForBuild, partId: string): Station {
  return model.hostOf(partId) === partId ? model.parts.get(partId)!.station : BENCH
}

/** A facet is told at the part that shows it, or from the driver's door. */
function tellingStation(job: DerivedJob, facetId: string): Station {
  const told = job.model.document.facets.find((facet) => facet.id === facetId)?.toldFrom
  return told && job.model.parts.has(told.partId) ? stationOf(job.model, told.partId) : 'driver side'
}

/** A test is made where the power is switched; one that needs no power, at the part whose plug it is. */
function testStation(job: DerivedJob, operation: Operation): Station {
  const tested = job.model.functions.get(operation.itemId)
  const tether =
    tested?.power === 'none'
      ? [...job.model.tethers.values()].find((item) => item.functions.includes(tested.id))
      : undefined
  if (tether) return stationOf(job.model, job.model.hostOf(tether.partId))
  const ignition = [...job.model.settings.values()].find((setting) => setting.role === 'ignition')
  return ignition?.methods[0]?.stations[0] ?? 'driver side'
}
