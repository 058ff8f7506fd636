/**
 * add-column-totals: sum every column fully, from the left, its tens spilling one place left, and say the estimate
 * as it sharpens; nothing is carried while adding. 4268+1907+3355+2840: 10, 22, 15, 20; estimates 10000, 12200,
 * 12350, 12370. Not the fastest: it is for those who lose carries.
 */

import {
  add,
  atPlace,
  type Decimal,
  decimal,
  isZero,
  subtract,
  toText,
  toWords,
  ZERO,
} from '../../number/decimal.js'
import { placeName } from '../../number/places.js'
import { present } from '../../number/present.js'
import { said } from '../../number/whole.js'
import { COLUMN_TOTALS } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import type { AnswerCell, Step } from '../contract.js'
import { lineOf } from '../line.js'
import { step, technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { ask } from '../quantities/quantities.js'
import { columnsOf, digitTotal, rawColumns, type SumColumn } from './columns.js'
import { loadOf, readPlainSum } from './parts.js'

export const addColumnTotals = technique({
  id: 'add-column-totals',
  words: COLUMN_TOTALS,
  family: 'addition',
  needs: ['add-running-total'],
  // Targets: common practice, no published source.
  levels: [
    ['Three two-digit numbers', 6, {}],
    ['Four two-digit numbers', 8, { terms: 4 }],
    ['Three three-digit numbers', 9, { digits: 3 }],
    ['Four three-digit numbers', 11, { terms: 4, digits: 3 }],
    ['Four numbers with one decimal', 11, { terms: 4, decimals: 1 }],
    ['Five three-digit numbers with two zeros', 13, { terms: 5, digits: 3, zeros: 2 }],
    ['Four four-digit numbers', 15, { terms: 4, digits: 4 }],
    ['Ten three-digit numbers', 22, { terms: 10, digits: 3 }],
    ['Three numbers of different length', 12, { digits: 5, shortest: 3 }],
  ],
  parameters: sumBoard([3, 12]),
  read: readPlainSum,
  // Estimates on the way need not be said; then the raw totals are settled digit by digit from the right.
  ways: [{}, { settle: 'digits' }],
  *work(problem, { settle }) {
    const columns = columnsOf(problem).reverse()
    if (settle === 'digits') return yield* rawColumns(problem, (place) => estimatesFrom(columns, place))
    const lowest = present(columns.at(-1)).place
    let raw: readonly AnswerCell[] = []
    let estimate = ZERO
    for (const column of columns) {
      const total: Decimal = yield totalStep(column, raw, estimate)
      raw = [...raw, { place: column.place, digits: String(total.units), draft: true }]
      estimate = yield estimateStep(column.place, total, raw, estimate, lowest)
    }
    return estimate
  },
})

/** What the columns to the left of a place come to, one after another. */
function estimatesFrom(columns: readonly SumColumn[], place: number): Decimal[] {
  let estimate = ZERO
  return columns.flatMap((column) => {
    estimate = add(estimate, atPlace(column.sum, column.place))
    return column.place > place ? [estimate] : []
  })
}

function totalStep({ place, digits, sum }: SumColumn, raw: readonly AnswerCell[], estimate: Decimal): Step {
  // A zero has nothing to add.
  const shown = digits.filter((d) => d > 0)
  const column = digitTotal(shown.length > 0 ? shown : [0])
  return ask(column, {
    action: 'column-total',
    place,
    ask: at(place, COLUMN_TOTALS.column(column.text)),
    why: COLUMN_TOTALS.whyColumn,
    writes: () => ({ negative: false, cells: [...raw, { place, digits: String(sum), draft: true }] }),
    holds: isZero(estimate) ? [] : [{ what: 'estimate', value: estimate }],
    slips(slip) {
      const right = `${column.text} = ${sum}`
      if (sum >= 10) slip('carry-lost', decimal(sum % 10), 5, at(place, COLUMN_TOTALS.whole(right)))
      slip('fact', decimal(sum - 1), 3, at(place, REMARK.off(right)))
      slip('fact', decimal(sum + 1), 3, at(place, REMARK.off(right)))
      for (const off of [-10, 10])
        slip('ten-off', decimal(sum + off), 2, at(place, COLUMN_TOTALS.tenOff(off < 0, right)))
      for (const d of new Set(digits))
        if (d > 1 && d !== sum)
          slip('digit-left-out', decimal(sum - d), 2, at(place, COLUMN_TOTALS.leftOut(String(d), right)))
    },
  })
}

function estimateStep(
  place: number,
  total: Decimal,
  totals: readonly AnswerCell[],
  before: Decimal,
  lowest: number,
): Step {
  const last = place === lowest
  const part = atPlace(total.units, place)
  const expect = add(before, part)
  const name = placeName(place)
  const words = COLUMN_TOTALS.whyEstimate(said(total.units), name, toWords(part))
  return step({
    action: last ? 'settle' : 'estimate',
    place,
    ask: isZero(before)
      ? COLUMN_TOTALS.first(said(total.units), name)
      : COLUMN_TOTALS.next(toWords(before), said(total.units), name, last),
    why: words,
    expect,
    total: true,
    // An estimate on the way need not be said.
    decision: last ? undefined : [expect],
    writes: () => (last ? lineOf(expect, lowest) : { negative: false, cells: totals }),
    holds: last ? [] : [{ what: 'estimate', value: expect }],
    reckons: `${toText(before)} + ${toText(part)}`,
    load: () => loadOf(before, part),
    slips(slip) {
      const tens = total.units / 10n
      if (!isZero(before) && tens > 0n) {
        const spilled = subtract(expect, atPlace(tens, place + 1))
        slip('carry-lost', spilled, 6, COLUMN_TOTALS.spill(said(tens), placeName(place + 1), words))
      }
      if (isZero(before) || place > lowest)
        slip('wrong-place', add(before, atPlace(total.units, place - 1)), 3, COLUMN_TOTALS.tooLow(words))
      slip('wrong-place', add(before, atPlace(total.units, place + 1)), 3, COLUMN_TOTALS.tooHigh(words))
      if (!isZero(before)) slip('part-left-out', before, 2, COLUMN_TOTALS.missing(name, words))
    },
  })
}
