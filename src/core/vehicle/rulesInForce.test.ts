import { describe, expect, test } from '@jest/globals'
import { BUILT_IN_RULES } from './builtInRules'
import { ActPattern, Rule } from './rule'
import { rulesInForce } from './rulesInForce'

describe('the rules in force', () => {
  const [first] = BUILT_IN_RULES
  const own = (id: string) =>
    Rule.parse({
      id,
      severity: 'NOTICE',
      sentence: 'Ours.',
      origin: 'test',
      effect: 'cautions',
      at: { acts: ['open'] },
    })
  test('a shop adds rules, and replaces none that is built in', () => {
    const rules = rulesInForce({ added: [own('ours'), own(first!.id)], raised: {} })
    expect(rules.map(({ id }) => id)).toEqual([...BUILT_IN_RULES.map(({ id }) => id), 'ours'])
    expect(rules.find(({ id }) => id === first!.id)).toEqual(first)
    expect(rulesInForce()).toEqual(BUILT_IN_RULES)
  })
  test('and takes one more seriously, never less', () => {
    const caution = BUILT_IN_RULES.find(({ severity }) => severity === 'CAUTION')!
    const severityOf = (severity: Rule['severity']) =>
      rulesInForce({ added: [], raised: { [caution.id]: severity } }).find(({ id }) => id === caution.id)!.severity
    expect((['DANGER', 'WARNING', 'CAUTION', 'NOTICE'] as const).map(severityOf)).toEqual([
      'DANGER',
      'WARNING',
      'CAUTION',
      'CAUTION',
    ])
    // Of the others nothing changes.
    const others = (rules: readonly Rule[]) => rules.filter(({ id }) => id !== caution.id)
    expect(others(rulesInForce({ added: [], raised: { [caution.id]: 'DANGER' } }))).toEqual(others(BUILT_IN_RULES))
  })
  test('a pattern without an act is no rule', () => expect(ActPattern.safeParse({ acts: [] }).success).toBe(false))
})
