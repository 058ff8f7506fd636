/** The pattern of a crosswise product: which digits of two numbers are multiplied in each column. */

/** A digit of the first number with one of the second, each by its place, 0 the units. */
export type Crossing = readonly [first: number, second: number]

/**
 * The columns from the units up; those of column k are the pairs whose places add up to k, the highest of the first
 * number first. @param first, second digits of the two numbers, from 1
 */
export function crossPattern(first: number, second: number): readonly (readonly Crossing[])[] {
  return Array.from({ length: first + second - 1 }, (_, k) => {
    const pairs: Crossing[] = []
    for (let i = Math.min(k, first - 1); i >= Math.max(0, k - second + 1); i -= 1) pairs.push([i, k - i])
    return pairs
  })
}
