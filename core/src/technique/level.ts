import type { ProblemSpace } from '../problem/space.js'
import type { Level } from './contract.js'

/** A rung of a ladder; `seconds` is the target time per problem. Its problems are counted once, when needed. */
export function level(name: string, seconds: number, space: () => ProblemSpace): Level {
  let counted: ProblemSpace | undefined
  return {
    name,
    targetMs: seconds * 1000,
    problems: () => {
      counted ??= space()
      return counted
    },
  }
}
