import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Tether } from '../procedure/tether'
import type { Trouble } from '../procedure/vehicleFunction'
import { levelNow } from './fold'
import type { JobState } from './jobState'

/** One thing to look at when a test fails. `from`: what this job shows, what the record says, what the trade knows. */
export type Suspect = Trouble & { from: 'this job' | 'record' | 'practice'; tetherId: Id | null }

/** What the trade looks at first. Common practice, no source. */
const PRACTICE: { fits: (tether: Tether) => boolean; trouble: Trouble }[] = [
  { fits: (tether) => tether.latch === 'lever', trouble: { symptom: 'dead, or some of it works', check: 'look at the lever from the side: is it swung home?', cause: 'lever not closed', cure: 'open it fully, push the plug home, swing the lever until it clicks' } },
  { fits: (tether) => tether.mixups.length > 0, trouble: { symptom: 'dead, or no sound', check: 'compare the plug with the one it is taken for', cause: 'wrong plug in the socket', cure: 'swap them' } },
  { fits: (tether) => tether.circuit === 'start', trouble: { symptom: 'does not start, no crank', check: 'is the start control plugged?', cause: 'start control unplugged', cure: 'plug it, lever in park' } },
  { fits: (tether) => ['hazard', 'climate', 'window', 'mirror', 'lighting'].includes(tether.circuit ?? ''), trouble: { symptom: 'the button does nothing', check: 'is the plate or bracket behind the panel in?', cause: 'panel plate missing', cure: 'take the panel forward, put the plate in' } },
  { fits: (tether) => tether.circuit === 'audio', trouble: { symptom: 'music plays, phone and navigation are silent', check: 'which outputs of the unit feed the amplifier?', cause: 'fed from the rear outputs', cure: 'join the front outputs' } },
  { fits: (tether) => tether.circuit === 'antenna', trouble: { symptom: 'no stations', check: 'tug at the coax plug', cause: 'antenna plug not home', cure: 'push until it clicks' } },
]

/**
 * What to look at when a test fails, likeliest first: plugs of that function that are open by this job's log, or were assumed to be
 * closed; then what the record has learnt; then what the trade knows of such plugs. Cost: O(plugs of the function).
 */
export function suspectsFor(model: ProcedureForBuild, state: JobState, functionId: Id): Suspect[] {
  const item = model.functions.get(functionId)
  const plugs = [...model.tethers.values()].filter((tether) => tether.functions.includes(functionId) || item?.alsoNeeds.includes(tether.id))
  const open = plugs.filter((tether) => state.tethersOpen.has(tether.id)).map((tether): Suspect => ({ symptom: '', check: '', cause: `plug ${tether.name} is open by the log`, cure: 'plug it', from: 'this job', tetherId: tether.id }))
  const assumed = plugs.filter((tether) => !state.tethersOpen.has(tether.id) && state.assumed.has(tether.id)).map((tether): Suspect => ({ symptom: '', check: 'look at it: nobody counted it', cause: `plug ${tether.name} was only assumed to be closed`, cure: 'plug it', from: 'this job', tetherId: tether.id }))
  const touched = plugs.filter((tether) => state.tethersTouched.has(tether.id) || levelNow(state, tether.partId ?? '') !== 'in place')
  const practice = PRACTICE.flatMap(({ fits, trouble }): Suspect[] => {
    const plug = touched.find(fits)
    return plug ? [{ ...trouble, from: 'practice', tetherId: plug.id }] : []
  })
  const recorded = (item?.troubles ?? []).map((trouble): Suspect => ({ ...trouble, from: 'record', tetherId: null }))
  const known = new Set<string>()
  return [...open, ...assumed, ...recorded, ...practice].filter(({ cause }) => !known.has(cause.toLowerCase()) && known.add(cause.toLowerCase()))
}
