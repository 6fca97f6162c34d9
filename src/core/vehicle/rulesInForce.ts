import { SEVERITIES } from '../procedure/severity'
import { BUILT_IN_RULES } from './builtInRules'
import type { Rule, ShopRules } from './rule'

export const NO_SHOP_RULES: ShopRules = { added: [], raised: {} }

/**
 * The built-in rules and a shop's own. A severity can only be raised, and a rule whose id is taken by a built-in one is
 * left out: what is built in can't be weakened or replaced.
 */
export function rulesInForce(shop: ShopRules = NO_SHOP_RULES): Rule[] {
  const builtIn = BUILT_IN_RULES.map((rule) => {
    const raised = shop.raised[rule.id]
    return raised && SEVERITIES.indexOf(raised) < SEVERITIES.indexOf(rule.severity)
      ? { ...rule, severity: raised }
      : rule
  })
  return [...builtIn, ...shop.added.filter((rule) => !isBuiltIn(rule.id))]
}

export function isBuiltIn(ruleId: string): boolean {
  return BUILT_IN_RULES.some((rule) => rule.id === ruleId)
}
