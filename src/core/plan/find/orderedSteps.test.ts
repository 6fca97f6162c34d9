import { describe, expect, test } from '@jest/globals'
import type { Operation } from '../../order/operation'
import { forBuild } from '../../procedure/forBuild'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { deriveJob } from '../derive/deriveJob'
import { goalOfRequest } from '../ask/jobGoal'
import { legsOf } from '../derive/leg'
import { orderedSteps } from './orderedSteps'
import { everyChoice } from '../ask/everyChoice.testing'
import { PlanRequest } from '../ask/planRequest'
import { weightsOf } from '../ask/policy'
import { cheapestOrder } from '../../sequence/cheapestOrder'
import { sequenceJob } from './sequenceJob'
import { seeds } from '../../testing/seeds.testing'

const panelOf = ({ partId, key }: Operation) => partId ?? key
const LITTLE = { expandedStates: 60 }

/**
 * How often a panel is left, in the order that was found and in the order that is shown for it; null where no order was
 * found.
 */
function panelsLeft(seed: number): { found: number; shown: number } | null {
  const model = forBuild(randomProcedure(seed, { size: 14 }), {})
  const request = PlanRequest.parse({
    goals: [{ kind: 'cavity', cavityId: 'cavity' }],
    build: {},
    policy: { habit: 'panel by panel' },
  })
  const goal = goalOfRequest(request, request.build)
  const derived = deriveJob(
    model,
    goal,
    everyChoice(model, request.policy, goal)[0]!,
    whilePlanning(DEFAULT_HOUSE_VALUES),
  )
  if (!derived.ok) return null
  const legs = legsOf(derived.value, request.scope)
  const start = {
    state: asFoundState(model),
    standing: { station: request.start, tool: null },
    done: new Set<string>(),
    setCount: new Map<string, number>(),
  }
  const sequenced = sequenceJob(derived.value, legs, start, weightsOf(request.policy))
  const found = cheapestOrder(sequenced.problem, sequenced.wholes, LITTLE)
  if (found.kind !== 'order') return null
  const shown = orderedSteps(derived.value, legs, start, sequenced, found.steps)
  if (!shown.ok) return null
  const left = (panels: readonly string[]) => panels.filter((panel, i) => i > 0 && panel !== panels[i - 1]).length
  return {
    found: left(
      found.steps.flatMap((step) =>
        step.kind === 'operation' ? [panelOf(sequenced.operations[step.operation]!)] : [],
      ),
    ),
    shown: left(
      shown.value.steps.flatMap(({ operation }) =>
        operation.setting || operation.act === 'wait' ? [] : [panelOf(operation)],
      ),
    ),
  }
}

describe('panel by panel', () => {
  test('the order that is shown leaves no panel more often than the order that was found', () => {
    const looked = Array.from({ length: seeds(160) }, (_, i) => panelsLeft(i + 1)).filter((item) => item !== null)
    expect(looked.length).toBeGreaterThanOrEqual(seeds(60))
    for (const { found, shown } of looked) expect(shown).toBeLessThanOrEqual(found)
  })
})
