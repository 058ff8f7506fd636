/**
 * subtract-complement: left to right, one column at a time. A column that has to borrow is the ten-complement of the
 * bottom digit plus the top one. Variant `mend`: write, and lower what stands when a column borrows. Variant `glance`: look
 * right first and write one less when the next unequal column borrows.
 * 8341-3675: 5; 7 and 5->4; 7 and 7->6; 6 and 7->6. A zero lowered becomes 9 and passes it on.
 */
import { COMPLEMENTS } from '../../words/subtraction.js'
import { technique } from '../make.js'
import { DIFFERENCE_BOARD } from '../quantities/boards.js'
import { CARRY } from '../variants.js'
import { COLUMN_LEVELS, readDifference, walkColumns } from './columns.js'

export const subtractComplement = technique({
  id: 'subtract-complement',
  words: COMPLEMENTS,
  family: 'subtraction',
  needs: [],
  variants: [CARRY],
  ways: [{ carry: 'mend' }, { carry: 'mend', mending: 'first' }, { carry: 'glance' }],
  levels: COLUMN_LEVELS,
  parameters: DIFFERENCE_BOARD,
  read: readDifference,
  work: (problem, { carry, mending }) =>
    walkColumns(
      problem,
      'complement',
      carry === 'glance' ? 'glance' : mending === 'first' ? 'mend-first' : 'mend',
    ),
})
