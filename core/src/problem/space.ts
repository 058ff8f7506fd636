import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import type { Problem } from './problem.js'

/**
 * Things that are counted and numbered but not listed: `at` turns a number from 0 to size - 1 into its thing.
 * Drawing a number uniformly therefore draws a thing uniformly.
 */
export interface Space<T> {
  readonly size: bigint
  at(index: bigint): T
}

/** All the problems that satisfy some parameters. */
export type ProblemSpace = Space<Problem>

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

/** The whole numbers from `least` to `most`, both included, `gap` apart. */
export function between(least: number | bigint, most: number | bigint, gap = 1): Space<bigint> {
  const [low, high, step] = [BigInt(least), BigInt(most), BigInt(gap)]
  return { size: high < low ? 0n : (high - low) / step + 1n, at: (index) => low + index * step }
}

/** Some values as a space, in the order they are given. */
export function listed<T>(things: readonly T[]): Space<T> {
  return { size: BigInt(things.length), at: (index) => present(things[Number(index)]) }
}

/** Every pairing of a thing of one space with a thing of another. */
export function pairs<A, B>(first: Space<A>, second: Space<B>): Space<readonly [A, B]> {
  return {
    size: first.size * second.size,
    at: (index) => [first.at(index / second.size), second.at(index % second.size)],
  }
}

/** The things of several spaces that have nothing in common, one space after the other. */
export function either<T>(...spaces: readonly Space<T>[]): Space<T> {
  return {
    size: spaces.reduce((sum, s) => sum + s.size, 0n),
    at(index) {
      let rest = index
      for (const space of spaces) {
        if (rest < space.size) return space.at(rest)
        rest -= space.size
      }
      throw new RangeError('No thing has this number.')
    },
  }
}

export function mapped<A, B>(space: Space<A>, as: (thing: A) => B): Space<B> {
  return { size: space.size, at: (index) => as(space.at(index)) }
}

/** The most things `kept` looks through: a fraction of a second's work. */
export const MOST_LISTED = 1_000_000n

/** The things of a space of at most MOST_LISTED that pass a test: each is looked at once, now. */
export function kept<T>(space: Space<T>, keep: (thing: T) => boolean): Space<T> {
  if (space.size > MOST_LISTED) throw new RangeError('Too many things to look through.')
  const numbers: number[] = []
  for (let i = 0; i < Number(space.size); i += 1) if (keep(space.at(BigInt(i)))) numbers.push(i)
  return { size: BigInt(numbers.length), at: (index) => space.at(BigInt(present(numbers[Number(index)]))) }
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
export function countColumns<S, W>(columns: Columns<S, W>): Space<W[]> {
  // What is possible from a state is worked out once: drawing only walks through it.
  const known: Map<string, Branching<S, W>>[] = Array.from({ length: columns.count }, () => new Map())
  const from = (column: number, state: S): Branching<S, W> => {
    const key = columns.key(state)
    const found = present(known[column]).get(key)
    if (found) return found
    const branches: Branch<S, W>[] = []
    let total = 0n
    for (const { what, next } of columns.choices(column, state)) {
      const ways = column + 1 < columns.count ? from(column + 1, next).total : columns.accepts(next) ? 1n : 0n
      if (ways === 0n) continue
      branches.push({ what, next, ways })
      total += ways
    }
    const branching = { branches, total }
    present(known[column]).set(key, branching)
    return branching
  }
  const size = from(0, columns.start).total
  return {
    size,
    at(index) {
      if (index < 0n || index >= size) throw new RangeError('No problem has this number.')
      const chosen: W[] = []
      let rest = index
      let state = columns.start
      for (let column = 0; column < columns.count; column += 1) {
        for (const { what, next, ways } of from(column, state).branches) {
          if (rest < ways) {
            chosen.push(what)
            state = next
            break
          }
          rest -= ways
        }
      }
      return chosen
    },
  }
}

interface Branch<S, W> extends Choice<S, W> {
  readonly ways: bigint
}

interface Branching<S, W> {
  readonly branches: readonly Branch<S, W>[]
  readonly total: bigint
}
