import type { HouseValues } from '../shop/houseValues'
import type { Rule } from './rule'
import { rulesInForce } from './rulesInForce'

/** What the rules are judged by besides the vehicle: the rules in force, the house's figures, and who works when. */
export type Circumstances = {
  rules: readonly Rule[]
  house: HouseValues
  /** What the person is authorised for; null while planning: somebody authorised will do it. */
  authorised: ReadonlySet<string> | null
  /** Ids of rules whose preparations were confirmed; null while planning: they will be. */
  confirmed: ReadonlySet<string> | null
  /** In the bay now, in degrees Celsius; null = nobody measured. */
  temperatureC: number | null
}

export function whilePlanning(house: HouseValues, rules: readonly Rule[] = rulesInForce()): Circumstances {
  return { rules, house, authorised: null, confirmed: null, temperatureC: null }
}
