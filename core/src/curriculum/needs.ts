/** Which elementary facts a technique rests on: they come before it, as the techniques it needs do. */
import type { TechniqueId } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { NEEDED } from './needed.js'

/** Facts by the ids of their cards, in the order they come up in problems of the first level; none of a technique not in the table. */
export function factsNeeded({ id }: Technique): readonly string[] {
  return (NEEDED[id as TechniqueId] ?? '').split(' ').filter((fact) => fact !== '')
}
