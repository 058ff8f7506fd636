/**
 * subtract-hold-drop: left to right, one column at a time. NumberWork the column (one that borrows as 13-6), hold the
 * digit, ask whether the next column needs one, then write it or one less. Equal columns are looked past.
 * 8341-3675: hold 5 write 4, hold 7 write 6, hold 7 write 6, write 6. Who writes first and lowers then is followed too.
 */
import { HOLD_DROP } from '../../words/subtraction.js'
import { technique } from '../make.js'
import { DIFFERENCE_BOARD } from '../quantities/boards.js'
import { COLUMN_LEVELS, readDifference, walkColumns } from './columns.js'

export const subtractHoldDrop = technique({
  id: 'subtract-hold-drop',
  words: HOLD_DROP,
  family: 'subtraction',
  needs: [],
  ways: [{}, { mending: 'after' }, { mending: 'first' }],
  levels: COLUMN_LEVELS,
  parameters: DIFFERENCE_BOARD,
  read: readDifference,
  work: (problem, { mending }) =>
    walkColumns(
      problem,
      'ten-more',
      mending === 'first' ? 'mend-first' : mending === 'after' ? 'mend' : 'glance',
    ),
})
