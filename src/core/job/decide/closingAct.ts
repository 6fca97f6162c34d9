import type { Id } from '../../base/id'
import type { Happening } from '../event'

/** What one tap says of an open row. `holderId`: the group a stray belongs to; `value`: what a setting is. */
export type ClosingAct = {
  says:
    | 'it is back'
    | 'it is plugged'
    | 'stays open, insulated'
    | 'it is set'
    | 'belongs to'
    | 'none of this job'
    | 'old ones are in'
    | 'new ones are in'
    | 'ordered ones are here'
    | 'order'
    | 'lost'
    | 'to stock'
    | 'pieces found'
    | 'found again'
    | 'searched'
    | 'more came off'
    | 'it is tried'
    | 'it is plugged and tried'
    | 'it is capped'
    | 'it is made ready'
    | 'it is laid'
    | 'it is sealed'
    | 'its fuse is in'
    | 'it moves clear'
    | 'counted again'
    | 'more were in the box'
  count?: number
  holderId?: Id
  value?: string
  /** The act to offer first. */
  main: boolean
  /** Empty where a person has to say more: where they searched. */
  happenings: readonly Happening[]
}
