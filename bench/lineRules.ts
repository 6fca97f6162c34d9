// Which rule of the reader no line would miss: each left out in turn, and every line that it read read again.
// bin/bench lineRules
import { ENGLISH } from '../src/core/shorthand/reader/english'
import { unmissedRules, writtenLines } from '../src/core/shorthand/reader/english/unmissedRules.testing'

const lines = writtenLines()
const unmissed = unmissedRules(lines)
console.log(`${ENGLISH.rules.length} rules, ${lines.length} lines: ${unmissed.length} rules that no line would miss`)
for (const { pattern } of unmissed) console.log(`  ${pattern}`)
