/** Which elementary facts a technique rests on: they come before it, as the techniques it needs do. */
import { cardOfFact } from '../facts/decks.js'
import { seeded } from '../number/random.js'
import { draw } from '../problem/space.js'
import { levelOf } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'

/** Problems of the first level that are looked through. */
const SAMPLES = 30

const found = new Map<string, readonly string[]>()

/** Facts by the ids of their cards, in the order they come up in problems of the first level. */
export function factsNeeded(technique: Technique): readonly string[] {
  const known = found.get(technique.id)
  if (known) return known
  const facts = new Set<string>()
  const problems = draw(levelOf(technique, 1).problems(), seeded(1))
  for (let i = 0; i < SAMPLES; i += 1) {
    const { value } = problems.next()
    if (!value) break
    for (const step of trace(technique, value, variantOf(technique)).steps)
      for (const fact of step.facts) {
        const card = cardOfFact(fact)
        if (card) facts.add(card.id)
      }
  }
  found.set(technique.id, [...facts])
  return [...facts]
}
