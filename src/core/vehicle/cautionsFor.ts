import { SEVERITIES, type Severity } from '../procedure/severity'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Circumstances } from './circumstances'
import { actsIn, holds, isAmbient, matches, type JudgedAct } from './judge'

export type CautionAt = {
  id: string
  severity: Severity
  sentence: string
  remedy: string
  confirm: readonly string[]
  builtIn: boolean
}

/** The cautions that bite at an operation, the rules' and the record's own, strongest first. Said every time. */
export function cautionsFor(model: ProcedureForBuild, act: JudgedAct, circumstances: Circumstances): CautionAt[] {
  const found: CautionAt[] = []
  for (const rule of circumstances.rules) {
    if (rule.at === null || rule.quiet || !matches(model, rule.at, act, circumstances)) continue
    if (!rule.while.filter(isAmbient).every((condition) => holds(model, rule, condition, null, circumstances))) continue
    found.push({
      id: rule.id,
      severity: rule.severity,
      sentence: rule.sentence,
      remedy: rule.remedy,
      confirm: rule.confirm,
      builtIn: true,
    })
  }
  for (const caution of model.cautions) {
    const here =
      caution.at.itemId === act.itemId ||
      caution.at.itemId === act.setting?.methodId ||
      act.pulled?.includes(caution.at.itemId)
    if (here && (caution.at.act === 'any' || actsIn(act).includes(caution.at.act)))
      found.push({
        id: caution.id,
        severity: caution.severity,
        sentence: caution.sentence,
        remedy: '',
        confirm: [],
        builtIn: false,
      })
  }
  return found.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
}
