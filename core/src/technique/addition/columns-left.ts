/**
 * add-columns-left: column by column from the left, one digit a column. School `glance`: look right first, write
 * one more when the next column will carry, look past columns that sum to 9. School `mend`: write, then raise the
 * digits to the left when a carry comes. 457+386: glance writes 8, 4, 3; mend 7, then 3 and 7→8, then 3 and 3→4.
 */
import { type Decimal, decimal } from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { wholePart } from '../../number/whole.js'
import { shape } from '../../problem/shape.js'
import { sumSpace } from '../../problem/sums.js'
import { sumBoard } from '../boards.js'
import type { AnswerCell, Step } from '../contract.js'
import { level } from '../level.js'
import { step, technique } from '../make.js'
import { CARRY } from '../schools.js'
import { columnLoad, columnsOf, type SumColumn } from './columns.js'
import { readPlainSum } from './parts.js'

const two = (digits: number) => [shape(digits), shape(digits)]

export const addColumnsLeft = technique({
  id: 'add-columns-left',
  name: 'Columns from the left',
  family: 'addition',
  about: 'Write the sum from the left, one digit a column, with the carry seen in time or mended after.',
  needs: ['add-running-total'],
  lesson: {
    example: '457+386',
    when: 'Two long numbers under each other: the answer is written as it is read, and nothing is held.',
    whenNot: 'Many numbers: the carries grow past one; take column totals.',
    because: [
      'A column carries when its digits sum to 10 or more.',
      'It also carries when they sum to 9 and one comes in from its right.',
      'So one look to the right, past the nines, tells what comes in before the digit is written.',
    ],
  },
  schools: [CARRY],
  // Targets: common practice, no published source.
  levels: [
    level('Three digits, nothing carries', 3, () => sumSpace({ terms: two(3), carries: 0 })),
    level('Three digits, one carry', 3.5, () => sumSpace({ terms: two(3), carries: 1, nines: 0 })),
    level('Three digits, two carries', 4, () => sumSpace({ terms: two(3), carries: 2, nines: 0 })),
    level('Four digits, a carry through a nine', 5, () => sumSpace({ terms: two(4), nines: 1 })),
    level('Four digits with two zeros', 5, () => sumSpace({ terms: two(4), zeros: 2 })),
    level('Two decimals', 5, () => sumSpace({ terms: [shape(2, 2), shape(2, 2)] })),
    level('Decimals of different length', 6, () => sumSpace({ terms: [shape(2, 1), shape(2, 3)] })),
    level('Three numbers of three digits', 6, () => sumSpace({ terms: [...two(3), shape(3)] })),
    level('Six digits, carries through two nines', 8, () => sumSpace({ terms: two(6), nines: 2 })),
    level('Ten digits', 12, () => sumSpace({ terms: two(10) })),
    level('Twenty digits', 25, () => sumSpace({ terms: two(20) })),
  ],
  dials: sumBoard([2, 6]),
  read: readPlainSum,
  *work(problem, { carry }) {
    const columns = columnsOf(problem).reverse()
    return yield* carry === 'mend' ? mend(columns) : glance(columns)
  },
})

type Walk = Generator<Step, Decimal, Decimal>

function* glance(columns: readonly SumColumn[]): Walk {
  const written: string[] = []
  const lowest = columns.at(-1)!.place
  for (const [i, column] of columns.entries()) {
    const total = column.sum + column.carried
    const standing = [...written]
    const entry = yield glanceStep(column, i === 0 ? total : total % 10, i === 0, columns[i + 1], (digit) =>
      cellsOf([...standing, digit], lowest, columns.length),
    )
    written.push(String(wholePart(entry)))
  }
  return decimal(BigInt(written.join('')), -lowest)
}

function glanceStep(
  column: SumColumn,
  expect: number,
  first: boolean,
  right: SumColumn | undefined,
  cells: (digit: string) => AnswerCell[],
): Step {
  const { place, digits, sum, carried, throughNine } = column
  const shown = digits.join(' + ')
  const next = placeName(place - 1)
  const comes = carried === 0 ? 'nothing comes in' : `${carried} comes in from the right`
  return step({
    action: 'write',
    place,
    ask: () =>
      `${placeTitle(place)}: ${shown}.${right ? ' Glance right: does the next column carry?' : ''} ${first ? 'What is written?' : 'Which digit is written?'}`,
    why: () =>
      throughNine
        ? `The ${next} sum to 9, so they pass on the carry from beyond: ${sum} and ${carried}.`
        : `${shown} is ${sum}, and ${comes}.`,
    expect: decimal(expect),
    writes: () => ({ negative: false, cells: cells(String(expect)) }),
    load: () => ({ facts: columnLoad(digits).facts, carries: carried > 0 ? 1 : 0 }),
    slips: (slip) => {
      const digit = (n: number) => decimal(first ? n : n % 10)
      const total = sum + carried
      if (carried > 0) {
        if (throughNine)
          slip(
            'carry-not-through-nine',
            digit(sum + carried - 1),
            7,
            `${placeTitle(place)}: look past the ${next}, which sum to 9; beyond them a carry starts. Write ${expect}.`,
          )
        slip(
          'missed-carry',
          digit(sum),
          8,
          `${placeTitle(place)}: the ${next} carry ${carried}. ${sum} and ${carried} are ${total}.`,
        )
      } else if (right && right.sum >= 8)
        slip(
          'needless-carry',
          digit(sum + 1),
          5,
          `${placeTitle(place)}: the ${next} do not carry. Write ${expect}.`,
        )
      if (!first && total >= 10)
        slip(
          'both-digits-written',
          decimal(total),
          4,
          `${placeTitle(place)}: one digit a column; the ${Math.floor(total / 10)} was seen by the column on the left.`,
        )
      for (const off of [-1, 1])
        slip('fact', digit(total + off), 2, `${placeTitle(place)}: ${shown} = ${sum}.`)
    },
  })
}

function* mend(columns: readonly SumColumn[]): Walk {
  /** What stands written, from the highest place; a digit that is mended is replaced. */
  const written: string[] = []
  const lowest = columns.at(-1)!.place
  const cells = (marks: readonly string[]) => ({
    negative: false,
    cells: cellsOf(marks, lowest, columns.length),
  })
  for (const [i, { place, digits, sum }] of columns.entries()) {
    const first = i === 0
    const shown = digits.join(' + ')
    const unit = first ? sum : sum % 10
    const standing = [...written]
    const entry = yield step({
      action: 'write',
      place,
      ask: () => `${placeTitle(place)}: ${shown}. ${first ? 'What is written?' : 'Which digit is written?'}`,
      why: `${shown} is ${sum}; its unit stands here, its ten goes to the left.`,
      expect: decimal(unit),
      writes: () => cells([...standing, String(unit)]),
      load: () => columnLoad(digits),
      slips: (slip) => {
        if (!first && sum >= 10)
          slip(
            'both-digits-written',
            decimal(sum),
            4,
            `${placeTitle(place)}: write the ${sum % 10} and raise the digit on the left.`,
          )
        for (const off of [-1, 1])
          slip(
            'fact',
            decimal(first ? sum + off : (sum + off + 10) % 10),
            2,
            `${placeTitle(place)}: ${shown} = ${sum}.`,
          )
      },
    })
    written.push(String(wholePart(entry)))
    // Both digits written: the ten already stands there.
    let carry = first || written[i]!.length > 1 ? 0 : Math.floor(sum / 10)
    for (let at = i - 1; carry > 0 && at >= 0; at -= 1) {
      const before = BigInt(written[at]!)
      const raised = before + BigInt(carry)
      const top = at === 0
      const expect = top ? raised : raised % 10n
      const by = carry
      const mended = written.map((d, j) => (j === at ? String(expect) : d))
      const given = yield step({
        action: 'mend',
        place: columns[at]!.place,
        ask: `A carry of ${by} comes in: the ${before} is raised. What does it become?`,
        why:
          !top && raised >= 10n
            ? 'A nine raised becomes 0 and raises the digit before it.'
            : 'Ten of one column are one of the next.',
        expect: decimal(expect),
        writes: () => cells(mended),
        load: { facts: [`${Number(before)}+${by}`], carries: 1 },
        slips: (slip) => {
          slip('not-mended', decimal(before), 7, `The carry raises the ${before} to ${raised}.`)
          slip(
            'carry-doubled',
            decimal(top ? raised + BigInt(by) : (raised + BigInt(by)) % 10n),
            2,
            `It is raised by ${by} once.`,
          )
        },
      })
      written[at] = String(wholePart(given))
      // Who leaves the digit as it was has not noticed the carry, nor passes it on.
      carry = !top && raised >= 10n && given.units !== before ? 1 : 0
    }
  }
  return decimal(BigInt(written.join('')), -lowest)
}

/** The digits written so far at their places; the first may have two. */
function cellsOf(written: readonly string[], lowest: number, count: number): AnswerCell[] {
  return written.flatMap((digits, i) => {
    const place = lowest + count - 1 - i
    return i === 0
      ? [...digits].map((d, j) => ({ place: place + digits.length - 1 - j, digits: d, draft: false }))
      : [{ place, digits, draft: false }]
  })
}
