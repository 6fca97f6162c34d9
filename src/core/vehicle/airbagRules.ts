import { AIRBAG_CIRCUITS } from '../shop/rights'
import type { Rule } from './rule'
import { AIRBAG, at, offRemedy, openClose, people, rule } from './ruleParts'

const firing = `It can fire. Ignition off, battery off, the maker’s wait over (10 minutes where nobody knows), until it is closed again. ${people}`
const firingRemedy = 'Ignition off, battery off, then wait as long as the maker says.'

/** Airbag circuits, and what they ask of ignition and battery. */
export const AIRBAGS: readonly Rule[] = [
  rule('srs-firing-power', 'DANGER', firing, firingRemedy, {
    effect: 'refuses',
    at: openClose(['srs-firing']),
    while: [{ kind: 'setting not', role: 'battery', values: ['off'] }],
  }),
  rule(
    'srs-firing-wait',
    'DANGER',
    'The airbag can still fire: the wait since battery off is not over.',
    'Wait as long as the maker says, 10 minutes where nobody knows. Do something else meanwhile.',
    { effect: 'refuses', at: openClose(['srs-firing']), while: [{ kind: 'waited too short' }], quiet: true },
  ),
  rule(
    'srs-firing-people',
    'DANGER',
    'This circuit fires an airbag or a tensioner. It is for people trained and authorised for airbag circuits under local rules.',
    'Tap the name at the top and hand this card to somebody who is authorised.',
    {
      effect: 'refuses',
      at: openClose(['srs-firing']),
      while: [{ kind: 'not authorised', what: AIRBAG_CIRCUITS }],
      quiet: true,
    },
  ),
  rule(
    'srs-firing-live',
    'DANGER',
    'The battery stays off while a firing circuit is open.',
    'Close the plug first, then switch the battery on.',
    {
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'open', circuits: ['srs-firing'] },
        { kind: 'setting not', role: 'battery', values: ['off'] },
      ],
    },
  ),
  rule(
    'srs-ignition',
    'WARNING',
    `Ignition off while this is opened, open or being closed, or a fault is stored. ${people}`,
    offRemedy,
    {
      effect: 'refuses',
      at: openClose(['srs-indicator']),
      while: [{ kind: 'setting not', role: 'ignition', values: ['off'] }],
    },
  ),
  rule(
    'srs-firing-ignition',
    'DANGER',
    'Ignition off while a firing circuit is opened, open or being closed.',
    offRemedy,
    {
      effect: 'refuses',
      at: openClose(['srs-firing']),
      while: [{ kind: 'setting not', role: 'ignition', values: ['off'] }],
      quiet: true,
    },
  ),
  rule(
    'srs-ignition-open',
    'WARNING',
    'Ignition stays off while a plug of the airbag system is open, or a fault is stored that needs a tester.',
    offRemedy,
    {
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'open', circuits: [...AIRBAG] },
        { kind: 'setting not', role: 'ignition', values: ['off'] },
      ],
    },
  ),
  rule(
    'srs-power',
    'WARNING',
    'No power while a plug of the airbag system is open, or a fault is stored that needs a tester.',
    offRemedy,
    { effect: 'refuses', at: at(['power']), while: [{ kind: 'open', circuits: [...AIRBAG] }] },
  ),
]
