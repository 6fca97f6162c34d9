import { forBuild } from '@/core/procedure/forBuild'
import { randomProcedure } from '@/core/procedure/randomProcedure.testing'
import { planJob, PlanRequest } from '@/core/plan/jobPlan'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
const [from, to, size] = process.argv.slice(2).map(Number)
for (let seed = from!; seed <= to!; seed++) {
  const document = randomProcedure(seed, { size })
  const model = forBuild(document, {})
  const t = performance.now()
  const p = planJob(model, PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'cavity' }], build: {}, ...(process.argv[5] ? { policy: { habit: process.argv[5] } } : {}) }), DEFAULT_HOUSE_VALUES)
  const ms = performance.now() - t
  console.log(seed, p.ok ? [p.value.removal.operations.size, p.value.refit.operations.size, p.value.removal.levels.size, JSON.stringify(p.value.proof)].join(' ') : p.error.kind, ms.toFixed(0), 'ms')
}
