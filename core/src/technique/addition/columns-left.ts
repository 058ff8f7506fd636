/**
 * add-columns-left: column by column from the left, one digit a column. Variant `mend`: write, then raise the digits to
 * the left when a carry comes. Variant `glance`: look right first, write one more when the next column will carry, look
 * past columns that sum to 9. 457+386: mend 7, then 3 and 7→8, then 3 and 3→4; glance writes 8, 4, 3.
 */

import { type Decimal, decimal } from '../../number/decimal.js'
import { placeName } from '../../number/places.js'
import { present } from '../../number/present.js'
import { wholePart } from '../../number/whole.js'
import { COLUMNS_LEFT } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import type { AnswerCell, Step, Variant } from '../contract.js'
import { sumLoad } from '../facts.js'
import { digitCells } from '../line.js'
import { step, technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { CARRY } from '../variants.js'
import { columnLoad, columnsOf, rawColumns, type SumColumn } from './columns.js'
import { readPlainSum } from './parts.js'

/** Mending may come before the digit it makes room for or after it, or all sums stand raw and are settled at the end. */
const WAYS: readonly Variant[] = [
  { carry: 'mend' },
  { carry: 'mend', mending: 'first' },
  { carry: 'glance' },
  { carry: 'mend', mending: 'raw' },
]

export const addColumnsLeft = technique({
  id: 'add-columns-left',
  words: COLUMNS_LEFT,
  family: 'addition',
  needs: ['add-running-total'],
  variants: [CARRY],
  ways: WAYS,
  // Targets: common practice, no published source.
  levels: [
    ['Three digits, nothing carries', 3, { digits: 3, carries: 0 }],
    ['Three digits, one carry', 3.5, { digits: 3, carries: 1, nines: 0 }],
    ['Three digits, two carries', 4, { digits: 3, carries: 2, nines: 0 }],
    ['Four digits, a carry through a nine', 5, { digits: 4, nines: 1 }],
    ['Four digits with two zeros', 5, { digits: 4, zeros: 2 }],
    ['Two decimals', 5, { decimals: 2 }],
    ['Decimals of different length', 6, { decimals: 1, others: 3 }],
    ['Three numbers of three digits', 6, { terms: 3, digits: 3 }],
    ['Six digits, carries through two nines', 8, { digits: 6, nines: 2 }],
    ['Ten digits', 12, { digits: 10 }],
    ['Twenty digits', 25, { digits: 20 }],
    ['Numbers of different length', 5, { digits: 5, shortest: 3 }],
  ],
  parameters: sumBoard([2, 6]),
  read: readPlainSum,
  *work(problem, { carry, mending }) {
    if (carry === 'mend' && mending === 'raw') return yield* rawColumns(problem)
    const columns = columnsOf(problem).reverse()
    return yield* carry === 'glance' ? glance(columns) : mend(columns, mending === 'first')
  },
})

type Walk = Generator<Step, Decimal, Decimal>

const shownOf = (digits: readonly number[]) => digits.join(' + ')

function* glance(columns: readonly SumColumn[]): Walk {
  const written: string[] = []
  const lowest = present(columns.at(-1)).place
  for (const [i, column] of columns.entries()) {
    const standing = [...written]
    const entry = yield glanceStep(column, i === 0, columns[i + 1], (digit) =>
      cellsOf([...standing, digit], lowest, columns.length),
    )
    written.push(String(wholePart(entry)))
  }
  return decimal(BigInt(written.join('')), -lowest)
}

function glanceStep(
  column: SumColumn,
  first: boolean,
  right: SumColumn | undefined,
  cells: (digit: string) => AnswerCell[],
): Step {
  const { place, digits, sum, carried, throughNine } = column
  const shown = shownOf(digits)
  const total = sum + carried
  const expect = first ? total : total % 10
  const next = placeName(place - 1)
  const ask = right ? COLUMNS_LEFT.glance : first ? COLUMNS_LEFT.first : COLUMNS_LEFT.next
  return step({
    action: 'write',
    place,
    ask: at(place, ask(shown)),
    why: throughNine ? COLUMNS_LEFT.whyNine(next) : COLUMNS_LEFT.whySum(`${shown} = ${sum}`, carried),
    expect: decimal(expect),
    sum: decimal(total),
    writes: () => ({ negative: false, cells: cells(String(expect)) }),
    reckons: [...digits, ...(carried > 0 ? [carried] : [])].join(' + '),
    load: () => ({
      facts: columnLoad(carried > 0 ? [...digits, carried] : digits).facts,
      carries: carried > 0 ? 1 : 0,
    }),
    slips(slip) {
      const digit = (n: number) => decimal(first ? n : n % 10)
      const right_ = carried > 0 ? `${sum} + ${carried} = ${total}` : `${shown} = ${sum}`
      if (carried > 0) {
        if (throughNine)
          slip('carry-not-through-nine', digit(total - 1), 7, at(place, COLUMNS_LEFT.through(next)))
        slip('carry-lost', digit(sum), 8, at(place, COLUMNS_LEFT.lost(right_)))
      } else if (right && right.sum >= 8)
        slip('needless-carry', digit(sum + 1), 5, at(place, COLUMNS_LEFT.needless(next)))
      if (!first && total >= 10)
        slip('both-digits-written', decimal(total), 4, at(place, COLUMNS_LEFT.oneDigit(right_)))
      if (digits.filter((d) => d > 0).length > 1)
        for (const off of [-1, 1])
          slip('fact', digit(total + off), 2, at(place, REMARK.check(`${shown} = ${sum}`)))
    },
  })
}

/** What stands written, from the highest place; a digit that is mended is replaced. */
interface Standing {
  readonly columns: readonly SumColumn[]
  readonly written: string[]
}

const standingLine = (columns: readonly SumColumn[], marks: readonly string[]) => ({
  negative: false,
  cells: cellsOf(marks, present(columns.at(-1)).place, columns.length),
})

function* mend(columns: readonly SumColumn[], mendFirst: boolean): Walk {
  const standing: Standing = { columns, written: [] }
  const { written } = standing
  for (const [i, column] of columns.entries()) {
    const first = i === 0
    const carries = Math.floor(column.sum / 10)
    if (mendFirst && !first) yield* raise(standing, carries)
    written.push(String(wholePart(yield columnStep(column, first, standing))))
    // Both digits written: the ten already stands there.
    if (!mendFirst && !first && present(written[i]).length === 1) yield* raise(standing, carries, i - 1)
  }
  return decimal(BigInt(written.join('')), -present(columns.at(-1)).place)
}

/** The total of a column; of all but the first only its units are written. */
function columnStep(
  { place, digits, sum }: SumColumn,
  first: boolean,
  { columns, written }: Standing,
): Step<Decimal> {
  const shown = shownOf(digits)
  const unit = first ? sum : sum % 10
  const before = [...written]
  return step({
    action: 'write',
    place,
    ask: at(place, (first ? COLUMNS_LEFT.first : COLUMNS_LEFT.next)(shown)),
    why: COLUMNS_LEFT.whySum(`${shown} = ${sum}`, 0),
    expect: decimal(unit),
    sum: decimal(sum),
    writes: () => standingLine(columns, [...before, String(unit)]),
    reckons: shown,
    load: () => columnLoad(digits),
    slips(slip) {
      const right = `${shown} = ${sum}`
      if (!first && sum >= 10)
        slip('both-digits-written', decimal(sum), 4, at(place, COLUMNS_LEFT.oneDigit(right)))
      if (digits.filter((d) => d > 0).length < 2) return
      for (const off of [-1, 1]) {
        const wrong = decimal(first ? sum + off : (sum + off + 10) % 10)
        slip('fact', wrong, 2, at(place, REMARK.check(right)))
      }
    },
  })
}

/** Raises the last digit written, or the one named, and those before it where nines pass it on. */
function* raise(
  { columns, written }: Standing,
  carries: number,
  from = written.length - 1,
): Generator<Step, void, Decimal> {
  let carry = carries
  for (let j = from; carry > 0 && j >= 0; j -= 1) {
    const before = BigInt(present(written[j]))
    const raised = before + BigInt(carry)
    // Both digits of a total may stand there: then there is room for one more.
    const top = j === 0 || before > 9n
    const expect = top ? raised : raised % 10n
    const by = carry
    const mended = written.map((d, k) => (k === j ? String(expect) : d))
    const { place } = present(columns[j])
    const given = yield step({
      action: 'mend',
      place,
      ask: at(place, COLUMNS_LEFT.mend(String(before))),
      why: !top && raised >= 10n ? COLUMNS_LEFT.whyNineMend : COLUMNS_LEFT.whyMend,
      expect: decimal(expect),
      writes: () => standingLine(columns, mended),
      reckons: `${before} + ${by}`,
      load: () => ({ facts: sumLoad(before, BigInt(by)).facts, carries: 1 }),
      slips(slip) {
        slip('carry-lost', decimal(before), 7, COLUMNS_LEFT.notMended(`${before} + ${by} = ${raised}`))
        const twice = raised + BigInt(by)
        slip('carry-doubled', decimal(top ? twice : twice % 10n), 2, COLUMNS_LEFT.once(String(by)))
      },
    })
    written[j] = String(wholePart(given))
    // Who leaves the digit as it was has not noticed the carry, nor passes it on.
    carry = !top && raised >= 10n && given.units !== before ? 1 : 0
  }
}

/** The digits written so far at their places; the first may have two. */
function cellsOf(written: readonly string[], lowest: number, count: number): AnswerCell[] {
  return written.flatMap((digits, i) => {
    const place = lowest + count - 1 - i
    return i === 0 ? digitCells(digits, place) : [{ place, digits, draft: false }]
  })
}
