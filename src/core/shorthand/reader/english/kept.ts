import type { Kept } from '../sense'

/** What a line leaves in the record in words of its own. */
export const KEPT: Kept = {
  cautions: {
    hot: 'Hot: let it cool before you touch it.',
    sharp: 'Sharp edges.',
    glass: 'Glass: it breaks before the clip gives.',
    cold: 'Splits in the cold: warm it first.',
    airbag: 'An airbag is behind it. The maker’s procedure and local rules go first.',
    paint: 'The paint scratches.',
    drips: 'It drips.',
  },
  headNotSure: 'the head was not sure',
  leaveIt: 'leave it plugged',
  plugs: (count) => `${count} plugs`,
  never: (what) => `never ${what}`,
  protectsOn: (cover, part) => `${cover} on the ${part}`,
  madeSnug: 'made snug',
  leadsFirst: 'leads through the opening first',
}
