import type { Random } from '../number/random.js'
import type { Problem } from './problem.js'

/**
 * All the problems that satisfy some dials, counted and numbered but never listed: `at` turns a number from 0
 * to size - 1 into its problem. Drawing a number uniformly therefore draws a problem uniformly.
 */
export interface ProblemSpace {
  readonly size: bigint
  at(index: bigint): Problem
}

/**
 * Problems of a space in random order, none twice until all have been drawn (a Fisher-Yates shuffle over the
 * numbers of the space, of which only the moved ones are kept). An empty space yields nothing.
 */
export function* draw(space: ProblemSpace, random: Random): Generator<Problem, void, void> {
  while (space.size > 0n) {
    const moved = new Map<bigint, bigint>()
    for (let left = space.size; left > 0n; left -= 1n) {
      const pick = random.below(left)
      const last = moved.get(left - 1n) ?? left - 1n
      const index = moved.get(pick) ?? pick
      moved.delete(left - 1n)
      if (pick !== left - 1n) moved.set(pick, last)
      yield space.at(index)
    }
  }
}

/** One choice at one column: what is written there, how many ways there are to do so, and the state beyond. */
export interface Choice<S, W> {
  readonly what: W
  readonly next: S
}

/** A problem spelled column by column from the lowest place; what each column may hold depends on the state. */
export interface Columns<S, W> {
  readonly count: number
  readonly start: S
  /** The choices at a column, in a fixed order. */
  choices(column: number, state: S): readonly Choice<S, W>[]
  /** True when a problem may end in this state. */
  accepts(state: S): boolean
  /** A key that is equal exactly for states with the same future. */
  key(state: S): string
}

/**
 * Counts every way through the columns by dynamic programming, then numbers the ways (Nijenhuis and Wilf,
 * Combinatorial Algorithms, ranking by counts of completions). No rejection, so no draw can hang.
 * @returns the number of ways and the way with a given number, 0 <= index < size.
 */
export function countColumns<S, W>(columns: Columns<S, W>): { size: bigint; at(index: bigint): W[] } {
  const memo: Map<string, bigint>[] = Array.from({ length: columns.count + 1 }, () => new Map())
  const ways = (column: number, state: S): bigint => {
    if (column === columns.count) return columns.accepts(state) ? 1n : 0n
    const key = columns.key(state)
    const known = memo[column]!.get(key)
    if (known !== undefined) return known
    let total = 0n
    for (const choice of columns.choices(column, state)) total += ways(column + 1, choice.next)
    memo[column]!.set(key, total)
    return total
  }
  const size = ways(0, columns.start)
  return {
    size,
    at(index) {
      if (index < 0n || index >= size) throw new RangeError('No problem has this number.')
      const chosen: W[] = []
      let rest = index
      let state = columns.start
      for (let column = 0; column < columns.count; column += 1) {
        for (const choice of columns.choices(column, state)) {
          const below = ways(column + 1, choice.next)
          if (rest < below) {
            chosen.push(choice.what)
            state = choice.next
            break
          }
          rest -= below
        }
      }
      return chosen
    },
  }
}
