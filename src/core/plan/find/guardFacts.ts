import type { Id } from '../../base/id'
import { keyDoing } from '../../order/operation'
import { keyOf } from '../../procedure/acts'
import { atLeast } from '../../procedure/levels'
import type { Level } from '../../procedure/level'
import type { Guard } from '../../sequence/problem'
import type { DerivedJob } from '../derive/derivedJob'
import type { JobStart } from '../derive/jobStart'
import { handKey } from '../derive/plugByHand'
import type { GuardFact } from '../derive/settingGuard'

/** Facts about things, as guards that the operations on these things turn over. */
export class GuardFacts {
  constructor(
    private readonly job: DerivedJob,
    private readonly start: JobStart,
    private readonly number: ReadonlyMap<string, number>,
  ) {}

  of(fact: GuardFact): Guard {
    if (fact.kind === 'part') return this.level(fact.partId, fact.level)
    if (fact.kind === 'tether') return this.tether(fact.tetherId, fact.state === 'open')
    if (fact.act === 'undo') {
      const keys = [
        keyDoing(this.job.removal.operations, 'undo', fact.id),
        keyDoing(this.job.refit.operations, 'fasten', fact.id),
      ]
      return this.turned(
        keys.filter((key) => key !== undefined),
        this.start.state.undone.has(fact.id),
        true,
      )
    }
    if (fact.act === 'open') return this.tether(fact.id, true)
    return this.level(fact.id, fact.act === 'lift' ? 'off' : fact.act === 'release' ? 'free' : 'eased')
  }

  private tether(id: Id, wants: boolean): Guard {
    return this.turned(
      [handKey(id), keyOf('open', id), keyOf('close', id, 'test'), keyOf('open', id, 'test'), keyOf('close', id)],
      this.start.state.open.has(id),
      wants,
    )
  }

  private level(partId: Id, level: Level): Guard {
    const is = atLeast(this.start.state.levels.get(partId) ?? 'in place', level)
    const out = level === 'off' ? keyOf('place', partId) : keyOf('seat', partId)
    const ways =
      level === 'off'
        ? [keyOf('lift', partId)]
        : level === 'free'
          ? [keyOf('release', partId)]
          : [keyOf('ease', partId), keyOf('release', partId)]
    const into = is ? [] : ways.filter((key) => this.number.has(key)).slice(0, 1)
    return this.turned([...into, out], is, true)
  }

  private turned(keys: readonly string[], initially: boolean, wants: boolean): Guard {
    return { operations: keys.flatMap((key) => this.number.get(key) ?? []), initially, wants }
  }
}
