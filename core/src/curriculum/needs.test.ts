/** Looking problems through for the facts they rest on takes half a second, so what is found is kept in a table. */
import { expect, test } from 'vitest'
import { cardOfFact } from '../facts/decks.js'
import { seeded } from '../number/random.js'
import { draw } from '../problem/space.js'
import { levelOf, TECHNIQUES } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { factsNeeded } from './needs.js'

/** Problems of the first level that are looked through. */
const SAMPLES = 30

function found(technique: Technique): readonly string[] {
  const facts = new Set<string>()
  const problems = draw(levelOf(technique, 1).problems(), seeded(1))
  for (let i = 0; i < SAMPLES; i += 1) {
    const { value } = problems.next()
    if (!value) break
    for (const step of trace(technique, value, variantOf(technique)).steps)
      for (const fact of step.facts) facts.add(cardOfFact(fact)?.id ?? '')
  }
  return [...facts].filter((id) => id !== '')
}

const TABLE = (entries: readonly string[]) => `import type { TechniqueId } from '../registry/techniques.js'

/**
 * The facts that come up in problems of the first level of each technique, by the ids of their cards: as the test of
 * needs.ts finds them, which writes this file anew when run with -u.
 */
export const NEEDED: Readonly<Record<TechniqueId, string>> = {
${entries.join('\n')}
}
`

test('the table holds the facts that come up in problems of the first level, in their order', async () => {
  const all = TECHNIQUES.map((t) => [t, found(t)] as const)
  const entries = all.map(([{ id }, facts]) => {
    const whole = `  '${id}': '${facts.join(' ')}',`
    // As the formatter would break it.
    return whole.length > 110 ? whole.replace(': ', ':\n    ') : whole
  })
  await expect(TABLE(entries)).toMatchFileSnapshot('needed.ts')
  for (const [technique, facts] of all) expect(factsNeeded(technique)).toEqual(facts)
})
