/** What the compiler cannot know to be there, and the code does: looked at where it is taken, so that an error says where. */

// biome-ignore lint/suspicious/noConfusingVoidType: what a generator gives that is over
type There<T> = Exclude<T, undefined | null | void>

/**
 * A value that is there: an element within its list, the last of a list that is not empty, what a map holds.
 * @throws RangeError where it is not
 */
export function present<T>(value: T): There<T> {
  if (value === undefined || value === null) throw new RangeError('Nothing is there.')
  return value as There<T>
}

type Tuple<T, N extends number, Taken extends T[] = []> = Taken['length'] extends N
  ? Taken
  : Tuple<T, N, [...Taken, T]>

/**
 * A list that has at least so many, to be taken apart.
 * @throws RangeError where it has fewer
 */
export function firstOf<T, const N extends number>(
  n: N,
  list: readonly T[],
): readonly [...Tuple<T, N>, ...T[]] {
  if (list.length < n) throw new RangeError(`${n} are needed, ${list.length} are there.`)
  return list as unknown as readonly [...Tuple<T, N>, ...T[]]
}
