/** The narrowest a digit of the place rule may stand, in rem: so that it is written at 20 pixels where nothing is enlarged. */
const NARROWEST_REM = 0.8

/**
 * The places of a rule line by line, as even as can be: one line where the page is wide enough.
 * @param width of the page in rem; undefined before it is measured
 */
export function bandsOf(
  high: number,
  low: number,
  width: number | undefined,
): readonly (readonly number[])[] {
  const places = Array.from({ length: high - low + 1 }, (_, i) => high - i)
  // A place less: the signs stand in a column of their own.
  const most = width === undefined ? places.length : Math.max(6, Math.floor(width / NARROWEST_REM) - 1)
  const lines = Math.ceil(places.length / most)
  const even = Math.ceil(places.length / lines)
  const inThrees = Math.ceil(even / 3) * 3
  const size = lines > 1 && inThrees <= most ? inThrees : even
  // Counted from the right, so that a line begins where digits are grouped.
  const first = places.length - (lines - 1) * size
  return Array.from({ length: lines }, (_, i) =>
    i === 0 ? places.slice(0, first) : places.slice(first + (i - 1) * size, first + i * size),
  )
}
