import type { Answers } from '../sense'
import { KIND_WORDS } from './things'

/** What a tap says in answer to a question about a line. */
export const ANSWERS: Answers = {
  instead: {
    forward: { of: /\bforwards?\b/i, words: ['toward you', 'toward the nose'] },
    'toward you': {
      of: /\b(?:straight )?(?:towards?|to|at) you\b/i,
      words: ['rearward', 'toward the nose', 'inboard', 'outboard', 'down'],
    },
    'whose left': { of: /\b(?:left|right)\b/i, words: ['driver side', 'passenger side'] },
  },
  fastener({ kind, drive, size = '' }, isOne) {
    const head = drive === undefined ? '' : /^[TP]/.test(size) ? size : `${drive} ${size}`.trim()
    return `${head} ${KIND_WORDS[kind][0]}${isOne ? '' : 's'}`.trim()
  },
  kinds: (isOne) => ['screw', 'clip', 'push-pin'].map((kind) => `${kind}${isOne ? '' : 's'}`),
  one: /^(?:1|one|an?|another(?: one)?)$/i,
  turned: (sense) => `${sense} seen from the front`,
  airbag: { leave: 'it stays plugged', open: 'it is unplugged' },
  plugNear: /\b(?:unplug|plug|connector|disconnect|lead|hose)\b/i,
  nameFrom: /^[a-z][a-z' -]*/i,
}
