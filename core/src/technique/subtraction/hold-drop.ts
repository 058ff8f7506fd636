/**
 * subtract-hold-drop: left to right, one column at a time. Work the column (a short one as 13-6), hold the
 * digit, ask whether the next column needs one, then write it or one less. Equal columns are looked past.
 * 8341-3675: hold 5 write 4, hold 7 write 6, hold 7 write 6, write 6.
 */
import { placeName } from '../../number/places.js'
import type { Technique } from '../contract.js'
import { COLUMN_LEVELS, type Column, type ColumnWay, fitsDifference, walkColumns } from './columns.js'

export const subtractHoldDrop: Technique = {
  id: 'subtract-hold-drop',
  name: 'Hold and drop',
  family: 'subtraction',
  about: 'Read the answer off from the left: hold each digit, glance right, then write it or one less.',
  schools: [],
  levels: COLUMN_LEVELS,
  fits: fitsDifference,
  work: (problem) => walkColumns(problem, wayOf),
}

/** A short column is worked with ten more on top: 13 − 6. */
function wayOf({ place, top, bottom, lent }: Column): ColumnWay {
  const counts = lent ? top + 10 : top
  return {
    sum: `${counts} − ${bottom}`,
    why: lent
      ? `The column on the left came one lower, and that one is ten ${placeName(place)} here.`
      : 'Nothing was asked of the column on the left, so the digits are taken as they stand.',
    facts: bottom === 0 ? [] : [`${counts}-${bottom}` as const],
  }
}
