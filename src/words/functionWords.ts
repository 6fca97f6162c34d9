import type { FunctionLacking, Lacking } from '@/core/shop/functionsLacking'

/** What a thing that a function needs is called: by its id, among the things and functions of a job's kits. */
export type NameOf = (id: string) => string

const NOT_YET: Readonly<Record<Lacking['need']['of'], string>> = {
  function: 'is not there yet',
  part: 'is not fitted',
  plug: 'is not connected',
  setting: 'is not set',
}

/** "parking signal is not connected (the real signal, never a bypass)". */
export function lackWords(nameOf: NameOf, { need, is }: Lacking): string {
  const because = need.because && ` (${need.because})`
  return `${nameOf(need.id)} ${lackVerb(need.of, is)}${because}`
}

function lackVerb(of: Lacking['need']['of'], is: Lacking['is']): string {
  switch (is) {
    case 'to come':
      return NOT_YET[of]
    case 'not on this build':
      return 'is not for this build'
    case 'not wanted':
      return 'is not wanted'
    case 'left open':
      return 'is left open'
    case 'set otherwise':
      return 'is not set as it should be'
    case 'given up':
      return 'will not be there'
  }
}

/** "Projection is wanted: the parking signal is not connected." */
export function blockedSentence(nameOf: NameOf, { name, lacks }: FunctionLacking): string {
  return `${name} is wanted: ${lacks.map((lack) => lackWords(nameOf, lack)).join('; ')}.`
}

/** "with the gear lever out of park". */
export function testWithWords(settings: readonly { role: string; value: string }[]): string {
  return settings.length === 0 ? '' : `with ${settings.map(({ role, value }) => `${role} ${value}`).join(', ')}`
}
