import { groupS, pressTool, pullS, pullTool, tetherS, toolFor } from '../../estimate/houseTimes'
import type { Operation } from '../../order/operation'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { BENCH } from '../../procedure/stations'
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
  const { model } = job
  const { house } = job.circumstances
  const { act, itemId, setting } = operation
  const alone = (station: Station, tool: string, workS: number): Demands => ({
    stations: [station],
    helperStation: null,
    persons: 1,
    tool,
    workS,
  })
  if (act === 'undo' || act === 'fasten' || act === 'start') {
    const holder = model.holders.get(itemId)!
    return alone(
      stationOf(model, holder.holds[0]!),
      act === 'start' ? 'hand' : toolFor(holder),
      act === 'start' ? house.actS : groupS(house, holder),
    )
  }
  if (setting)
    return {
      ...alone('', 'hand', methodS(model, house, setting.methodId)),
      stations: model.methods.get(setting.methodId)!.method.stations,
    }
  if (act === 'wait') return alone('', 'hand', 0)
  if (act === 'work') {
    const work = job.works.get(itemId)!
    return {
      stations: [work.station],
      helperStation: work.helperStation,
      persons: work.persons,
      tool: work.tool,
      workS: work.durationS,
    }
  }
  if (act === 'decide') return alone(tellingStation(job, itemId), 'hand', house.actS)
  if (act === 'test')
    return alone(
      testStation(job, operation),
      'hand',
      house.actS + (model.functions.get(itemId)?.warmUpS ?? job.added.get(itemId)?.warmUpS ?? 0),
    )
  const tether = act === 'open' || act === 'close' || act === 'feed' ? model.tethers.get(itemId)! : null
  const partId = tether ? model.hostOf(tether.partId) : itemId
  const part = model.parts.get(partId)!
  const pulled = (operation.pulled ?? []).map((id) => model.holders.get(id)!)
  const tool =
    act === 'release' || act === 'ease'
      ? pullTool(part, pulled)
      : act === 'seat'
        ? pressTool(pulled)
        : (tether && act !== 'feed' && tether.tool) || 'hand'
  const ownS =
    tether && act !== 'feed'
      ? tetherS(house, tether)
      : act === 'release' || act === 'ease'
        ? pullS(house, part)
        : house.actS
  const workS = ownS + pulled.reduce((sum, holder) => sum + groupS(house, holder), 0)
  return { stations: [stationOf(model, partId)], helperStation: part.helperStation, persons: part.persons, tool, workS }
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
