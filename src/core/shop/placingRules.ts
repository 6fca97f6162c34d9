/** One thing that makes a place a good one. `must`: a no is no matter of taste. */
type PlacingRule = { id: string; ask: string; because: string; must: boolean }

/**
 * What is asked of a place before something is fixed there, by what is placed. Common practice of the trade, no source:
 * where the maker's own instructions say otherwise, they count.
 */
export const PLACING_RULES = {
  'satellite antenna': [
    { id: 'sky', ask: 'Does it see the open sky?', because: 'it hears nothing through metal', must: true },
    {
      id: 'metal above',
      ask: 'Is there no metal and no heated screen above it?',
      because: 'both shade it',
      must: true,
    },
    { id: 'plate', ask: 'Is its plate below it, if it needs one?', because: 'without it it hears badly', must: false },
    {
      id: 'clean',
      ask: 'Is the place degreased and dry?',
      because: 'glue and tape let go within weeks',
      must: true,
    },
    {
      id: 'others',
      ask: 'Is it a hand’s length or more from other antennas?',
      because: 'a transmitter beside it deafens it',
      must: false,
    },
  ],
  microphone: [
    {
      id: 'high',
      ask: 'Is it at a pillar or the headliner, rather than at the column or the unit?',
      because: 'near the mouth it hears the driver, near the dash the blower',
      must: false,
    },
    { id: 'air', ask: 'Is it out of the air of every vent?', because: 'wind drowns speech', must: true },
    {
      id: 'airbag',
      ask: 'Is it, with its lead, off every airbag cover and seam?',
      because: 'what lies there is thrown at people',
      must: true,
    },
  ],
  camera: [
    {
      id: 'picture',
      ask: 'Looked at on the screen: is in the picture what has to be?',
      because: 'a hole can’t be moved',
      must: true,
    },
    {
      id: 'level',
      ask: 'Is the picture level, and the right way round?',
      because: 'it is turned now or never',
      must: true,
    },
    {
      id: 'clear',
      ask: 'Is nothing in front of it: bumper, flap, wiper, number plate?',
      because: 'it moves into the picture later',
      must: true,
    },
  ],
  module: [
    { id: 'vents', ask: 'Are its vents free?', because: 'it shuts down when it is hot', must: true },
    { id: 'plugs', ask: 'Does nothing push or pull at its plugs?', because: 'they work loose', must: true },
    {
      id: 'behind unit',
      ask: 'Is it anywhere but right behind the unit?',
      because: 'there the unit does not go home, and both get hot',
      must: true,
    },
  ],
  screen: [
    {
      id: 'lever',
      ask: 'With a hand on the screen, the lever through all positions: does it clear everywhere?',
      because: 'a lever that meets it breaks one of them',
      must: true,
    },
    {
      id: 'sight',
      ask: 'Does it hide no lamp, no gauge and no view of the road?',
      because: 'they have to be seen',
      must: true,
    },
    {
      id: 'airbag',
      ask: 'Is it out of the way of every airbag?',
      because: 'what stands there is thrown at people',
      must: true,
    },
  ],
} as const satisfies Readonly<Record<string, readonly PlacingRule[]>>

export type Placed = keyof typeof PLACING_RULES
export const PLACED = Object.keys(PLACING_RULES) as [Placed, ...Placed[]]

export function placingRules(of: Placed): readonly PlacingRule[] {
  return PLACING_RULES[of]
}

/** Answers by rule: true = as it should be. */
export type PlacingAnswers = Readonly<Record<string, boolean>>

/**
 * What the answers come to: `not asked` while one is missing; `another place` where a rule that must hold does not;
 * `with a doubt` where another does not; else `good`.
 */
export type PlaceJudged =
  | { kind: 'not asked'; left: readonly PlacingRule[] }
  | { kind: 'another place'; broken: readonly PlacingRule[] }
  | { kind: 'with a doubt'; broken: readonly PlacingRule[] }
  | { kind: 'good' }

/** Judges a place by the answers to its rules. Cost: O(rules). */
export function judgePlace(of: Placed, answers: PlacingAnswers): PlaceJudged {
  const rules = placingRules(of)
  const left = rules.filter(({ id }) => answers[id] === undefined)
  const broken = rules.filter(({ id }) => answers[id] === false)
  if (broken.some(({ must }) => must)) return { kind: 'another place', broken }
  if (left.length > 0) return { kind: 'not asked', left }
  return broken.length > 0 ? { kind: 'with a doubt', broken } : { kind: 'good' }
}
