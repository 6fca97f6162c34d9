import type { Operation } from '../order/operation'
import { SEVERITIES, type Severity } from '../procedure/caution'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { RULES, type Rule } from './rules'

export type CautionAt = { id: string; severity: Severity; sentence: string; remedy: string; builtIn: boolean }

/** The cautions that bite at an operation, built-in rules and the record's own, strongest first. */
export function cautionsFor(model: ProcedureForBuild, operation: Operation): CautionAt[] {
  const found: CautionAt[] = builtIn(model, operation).map((rule) => ({ id: rule.id, severity: rule.severity, sentence: rule.sentence, remedy: rule.remedy, builtIn: true }))
  for (const caution of model.cautions) {
    const here = caution.at.itemId === operation.itemId || caution.at.itemId === operation.setting?.methodId
    const act = caution.at.act === 'any' || caution.at.act === operation.act || (caution.at.act === 'set' && operation.act === 'restore')
    if (here && act) found.push({ id: caution.id, severity: caution.severity, sentence: caution.sentence, remedy: '', builtIn: false })
  }
  return found.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
}

function builtIn(model: ProcedureForBuild, operation: Operation): Rule[] {
  const circuit = operation.act === 'open' || operation.act === 'close' ? model.tethers.get(operation.itemId)?.circuit : null
  // The rule of firing circuits says everything the rule of the airbag system's plugs says, and more.
  if (circuit === 'srs-firing') return [RULES['srs-firing-power']]
  if (circuit === 'srs-indicator') return [RULES['srs-ignition']]
  const role = operation.setting ? model.settings.get(operation.setting.settingId)?.role : null
  if (role === 'gear lever') return [RULES['lever-out']]
  return role === 'battery' ? [RULES['battery-ignition']] : []
}
