/**
 * subtract-complement: left to right, one column at a time. A short column is the ten-complement of the bottom
 * digit plus the top one; before writing, glance right and write one less when the next unequal column is short.
 * 8341-3675: 5->4, (4+3=7)->6, (3+4=7)->6, 5+1=6. A zero under a drop counts as ten.
 */
import { DIFFERENCE_BOARD } from '../boards.js'
import type { Fact } from '../contract.js'
import { technique } from '../make.js'
import { COLUMN_LEVELS, type Column, type ColumnWay, readDifference, walkColumns } from './columns.js'

export const subtractComplement = technique({
  id: 'subtract-complement',
  name: 'Complements',
  family: 'subtraction',
  about: 'Never take away when short: add the ten-complement of the bottom digit, glance right, then write.',
  needs: [],
  lesson: {
    example: '8341-3675',
    when: 'Subtraction of any length, read off from the left as it is spoken.',
    whenNot: 'A number just below a round one is taken away: round it up and give back.',
    because: [
      'A short column borrows ten: 10 + top − bottom.',
      'That is (10 − bottom) + top: the complement, which you know by heart, plus the top digit.',
      'The ten came from the left, so the digit there is written one less; a glance right tells in time.',
    ],
  },
  schools: [],
  levels: COLUMN_LEVELS,
  dials: DIFFERENCE_BOARD,
  read: readDifference,
  work: (problem) => walkColumns(problem, wayOf),
})

function wayOf({ top, bottom, lent }: Column): ColumnWay {
  if (!lent)
    return {
      sum: `${top} − ${bottom}`,
      why: 'The column is not short, so the digits are taken as they stand.',
      facts: bottom === 0 ? [] : [`${top}-${bottom}`],
    }
  if (bottom === 0)
    return {
      sum: 'zero counts as ten',
      why: 'The one dropped on the left is ten here, and nothing is taken away.',
      facts: [],
    }
  const complement = 10 - bottom
  const facts: Fact[] = [`10-${bottom}`]
  if (top > 0) facts.push(`${complement}+${top}`)
  return {
    sum: `${bottom}'s complement ${complement}, plus ${top}`,
    why: `The one dropped on the left is ten here: ten less ${bottom} is ${complement}, and the ${top} is still there.`,
    facts,
  }
}
