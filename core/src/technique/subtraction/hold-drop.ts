/**
 * subtract-hold-drop: left to right, one column at a time. Work the column (a short one as 13-6), hold the
 * digit, ask whether the next column needs one, then write it or one less. Equal columns are looked past.
 * 8341-3675: hold 5 write 4, hold 7 write 6, hold 7 write 6, write 6.
 */
import { placeName } from '../../number/places.js'
import { DIFFERENCE_BOARD } from '../boards.js'
import { technique } from '../make.js'
import { COLUMN_LEVELS, type Column, type ColumnWay, readDifference, walkColumns } from './columns.js'

export const subtractHoldDrop = technique({
  id: 'subtract-hold-drop',
  name: 'Hold and drop',
  family: 'subtraction',
  about: 'Read the answer off from the left: hold each digit, glance right, then write it or one less.',
  needs: [],
  lesson: {
    example: '7052-3068',
    when: 'Subtraction of any length, for those who know 13 − 6 faster than the complement of 6.',
    whenNot: 'A number just below a round one is taken away: round it up and give back.',
    because: [
      'A short column borrows ten from the left: 13 − 6 for 3 − 6.',
      'So the digit on the left is written one less, and a glance right tells before it is written.',
      'Equal columns pass the question on: 0 with a drop becomes 10 − 1 = 9.',
    ],
  },
  schools: [],
  levels: COLUMN_LEVELS,
  dials: DIFFERENCE_BOARD,
  read: readDifference,
  work: (problem) => walkColumns(problem, wayOf),
})

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
