/** Subtraction column by column from the left: the columns, the glance, the mending and the sign. */

import {
  compare,
  type Decimal,
  decimal,
  digitAt,
  highestPlace,
  lowestPlace,
  negate,
} from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { asDifference, type Problem } from '../../problem/problem.js'
import { at, REMARK, type Remark } from '../../words/steps.js'
import { COLUMN, DIFFERENCE_MISFIT, TURNED } from '../../words/subtraction.js'
import type { AnswerCell, Fact, NumberWork, Step } from '../contract.js'
import { differenceLoad } from '../facts.js'
import { borrowing } from '../listening/so-far.js'
import { type LevelSetting, type Misfit, misfit, type SlipSink, step } from '../make.js'
import { ask, complement } from '../quantities/quantities.js'

/** The ladder of both. Targets: common practice, no published source (15 digits in 20 s). */
export const COLUMN_LEVELS: readonly LevelSetting[] = [
  ['Two digits, nothing to borrow', 2.5, { minuend: 2, subtrahend: 2, short: 0 }],
  ['Two digits, borrowing in the units', 3, { minuend: 2, subtrahend: 2, short: 1 }],
  ['Three digits, nothing to borrow', 4, { short: 0 }],
  ['Three digits, borrowing once', 4.5, { short: 1, through: 0 }],
  ['Three digits, borrowing twice', 5, { short: 2 }],
  ['Four digits, borrowing twice', 6, { minuend: 4, subtrahend: 4, short: 2, through: 0 }],
  ['An equal column to look past', 6, { minuend: 4, subtrahend: 4, through: 1 }],
  ['Two zeros above', 6, { minuend: 4, subtrahend: 4, zeros: 2 }],
  ['A shorter number below', 6, { minuend: 5, subtrahend: 3, short: 2 }],
  ['One decimal', 5, { minuend: 3, subtrahend: 2, decimals: 1, below: 1, short: 1 }],
  ['Decimals to pad', 6, { minuend: 2, subtrahend: 1, decimals: 1, below: 3 }],
  ['The smaller number first', 5, { negative: 1 }],
  ['Six digits, borrowing three times', 9, { minuend: 6, subtrahend: 6, short: 3, through: 0 }],
  ['Ten digits', 14, { minuend: 10, subtrahend: 10 }],
  ['Fifteen digits', 20, { minuend: 15, subtrahend: 15 }],
]

export interface Difference {
  readonly minuend: Decimal
  readonly subtrahend: Decimal
}

/** Fits one number less another, either of them the larger. */
export function readDifference(problem: Problem): Difference | Misfit {
  return asDifference(problem) ?? misfit(DIFFERENCE_MISFIT)
}

/** How a column with a borrowed ten is worked: by the complement of the bottom digit, or with ten more on top. */
export type ShortWay = 'complement' | 'ten-more'

/** A way through the columns: look right before a digit is written, or write and change what stands. */
export type CarryWay = 'glance' | 'mend' | 'mend-first'

export function* walkColumns(
  { minuend, subtrahend }: Difference,
  short: ShortWay,
  carry: CarryWay,
): NumberWork {
  const turned = compare(minuend, subtrahend) < 0
  const [upper, lower] = turned ? [subtrahend, minuend] : [minuend, subtrahend]
  const columns = columnsOf(upper, lower)
  const lowest = present(columns.at(-1)).place
  const opening = turned ? TURNED.opening : ''
  const written = yield* carry === 'glance'
    ? glance(columns, short, opening)
    : mend(columns, short, opening, carry === 'mend-first')
  const size = decimal(BigInt(written.map((c) => c.digits).join('')), -lowest)
  if (!turned) return size
  return yield signStep(size, lowest, written)
}

/** One column of the subtraction, with what its neighbours ask of it. */
export interface Column {
  readonly place: number
  readonly top: number
  readonly bottom: number
  /** The column to the left came one lower for this one, so its top counts ten more. */
  readonly lent: boolean
  /** This column must come one lower: the next unequal column to the right borrows. */
  readonly lends: boolean
  /** How many equal columns stand between this one and the unequal column the glance ends on. */
  readonly lookedPast: number
  /** top - bottom, with ten more where one was lent: 0 to 10. */
  readonly difference: number
}

function columnsOf(upper: Decimal, lower: Decimal): Column[] {
  const lowest = Math.min(lowestPlace(upper), lowestPlace(lower))
  const columns: Column[] = []
  let right: Column | undefined
  for (let place = lowest; place <= highestPlace(upper); place += 1) {
    const top = digitAt(upper, place)
    const bottom = digitAt(lower, place)
    // Short here, or equal with a short column beyond it: either way the left neighbour gives one.
    const lends = right?.lent ?? false
    const lent = top < bottom || (top === bottom && lends)
    const lookedPast = right && right.top === right.bottom ? right.lookedPast + 1 : 0
    const difference = top - bottom + (lent ? 10 : 0)
    right = { place, top, bottom, lent, lends, lookedPast, difference }
    columns.unshift(right)
  }
  return columns
}

type Written = Generator<Step, AnswerCell[], Decimal>

const cell = (place: number, digit: number, draft = false): AnswerCell => ({
  place,
  digits: String(digit),
  draft,
})

/** Hold each digit, look right, write it or one less. */
function* glance(columns: readonly Column[], short: ShortWay, opening: string): Written {
  const written: AnswerCell[] = []
  const lowest = present(columns.at(-1)).place
  for (const [i, column] of columns.entries()) {
    const { place } = column
    const standing = [...written]
    const last = place === lowest
    const lead = i === 0 ? opening : ''
    // Equal digits under a borrow become 9: nothing is held for them.
    if (column.top === column.bottom && column.lent) {
      written.push(cell(place, digitAt(yield equalStep(column, standing), 0)))
      continue
    }
    const held = yield* difference(column, short, last ? 'write' : 'hold', lead, standing)
    const entry = last ? held : yield glanceStep(column, Number(held.units), standing)
    written.push(cell(place, digitAt(entry, 0)))
  }
  return written
}

/** Write each digit, and lower what stands when a column has to borrow. */
function* mend(columns: readonly Column[], short: ShortWay, opening: string, lowerFirst: boolean): Written {
  const written: AnswerCell[] = []
  for (const [i, column] of columns.entries()) {
    const { place, top, bottom } = column
    const borrows = top < bottom
    if (borrows && lowerFirst) yield* lower(written, column)
    // An equal column is written as it stands: a borrow from beyond it comes later.
    const plain = { ...column, lent: borrows, difference: top - bottom + (borrows ? 10 : 0) }
    const entry = yield* difference(plain, short, 'write', i === 0 ? opening : '', [...written])
    if (borrows && !lowerFirst) {
      const before = [...written]
      written.push(cell(place, digitAt(entry, 0)))
      yield* lower(written, column, before.length)
    } else written.push(cell(place, digitAt(entry, 0)))
  }
  return written
}

/** Lowers the last of some digits by one; a zero becomes 9 and passes it on. @param count how many of them stand to the left */
function* lower(
  written: AnswerCell[],
  { place }: Column,
  count = written.length,
): Generator<Step, void, Decimal> {
  for (let j = count - 1; j >= 0; j -= 1) {
    const before = Number(present(written[j]).digits)
    const after = (before + 9) % 10
    const where = present(written[j]).place
    const mended = written.map((c, k) => (k === j ? cell(where, after) : c))
    const given = yield step({
      action: 'mend',
      place: where,
      ask: at(where, COLUMN.mend(String(before))),
      why: COLUMN.whyMend(String(before), String(after)),
      expect: decimal(after),
      writes: () => ({ negative: false, cells: mended }),
      reckons: before > 0 ? `${before} − 1` : '10 − 1',
      load: () => ({ facts: differenceLoad(BigInt(before || 10), 1n).facts, carries: 1 }),
      slips(slip) {
        const through = where > place + 1
        const right = before === 0 ? COLUMN.zeroNine : COLUMN.notMended(`${before} − 1 = ${after}`)
        slip(through ? 'borrow-not-through-equals' : 'borrow-missed', decimal(before), 8, right)
        if (before > 1) slip('doubled', decimal(before - 2), 2, COLUMN.twice)
      },
    })
    written[j] = cell(where, digitAt(given, 0))
    // Who leaves a zero as it was has not passed the borrow on.
    if (before !== 0 || digitAt(given, 0) === 0) return
  }
}

/** What makes ten of the lower digit. */
function complementStep(
  { place, top, bottom, difference: value }: Column,
  opening: string,
  written: readonly AnswerCell[],
): Step<Decimal> {
  const needed = complement(bottom)
  return ask(needed, {
    action: 'decide',
    place,
    ask: opening + at(place, COLUMN.complement(String(top), String(bottom))),
    why: COLUMN.whyComplement(String(bottom), String(10 - bottom), String(top), String(value)),
    decision: [needed.value],
    writes: () => ({ negative: false, cells: written }),
    holds: [{ what: 'makes ten', value: needed.value }],
    slips: (slip) => {
      const right = COLUMN.smaller(`10 − ${bottom} = ${10 - bottom}`)
      if (bottom > top) slip('smaller-from-larger', decimal(bottom - top), 4, right)
    },
  })
}

/** Works one column: what is held, or written at once. */
function* difference(
  column: Column,
  short: ShortWay,
  action: 'hold' | 'write',
  opening: string,
  written: readonly AnswerCell[],
): Generator<Step, Decimal, Decimal> {
  const { place, top, bottom, lent, difference: value } = column
  const holds = action === 'hold' ? [{ what: 'digit', value: decimal(value) }] : []
  const writes = () => ({
    negative: false,
    cells: [...written, cell(place, value % 10, action === 'hold')],
  })
  const byComplement = lent && short === 'complement' && bottom > 0
  const counts = lent && !byComplement ? top + 10 : top
  let found = 10 - bottom
  if (byComplement) found = Number((yield complementStep(column, opening, written)).units)
  const expect = byComplement ? found + top : value
  const sum = byComplement ? `${found} + ${top}` : COLUMN.plain(String(counts), String(bottom))
  const right = `${sum} = ${expect}`
  const asked = byComplement
    ? COLUMN.addTop(String(top), action === 'write')
    : (action === 'write' ? COLUMN.write : COLUMN.hold)(
        lent ? COLUMN.borrowed(String(counts), String(bottom)) : sum,
      )
  return yield step({
    action,
    place,
    ask: (byComplement ? '' : opening) + at(place, asked),
    why: byComplement
      ? COLUMN.whyComplement(String(bottom), String(10 - bottom), String(top), String(value))
      : lent
        ? COLUMN.whyTen(String(counts), String(bottom), String(value))
        : COLUMN.whyPlain,
    expect: decimal(expect),
    writes,
    holds,
    parts: () => (lent ? borrowing(top, bottom) : []),
    reckons: sum,
    load: { facts: factsOf(top, bottom, lent, byComplement, found), carries: 0 },
    slips: (slip) => columnSlips(slip, column, expect, right),
  })
}

function factsOf(top: number, bottom: number, lent: boolean, byComplement: boolean, found: number): Fact[] {
  if (bottom === 0) return []
  if (byComplement) return top > 0 ? [`${found}+${top}`] : []
  return [`${lent ? top + 10 : top}-${bottom}`]
}

/** @param right the column worked rightly, in words. */
function columnSlips(
  slip: SlipSink,
  { place, top, bottom, lent }: Column,
  value: number,
  right: string,
): void {
  const told = (id: Parameters<SlipSink>[0], entry: number, odds: number, remark: Remark) => {
    if (entry >= 0) slip(id, decimal(entry), odds, at(place, remark))
  }
  if (top < bottom) told('smaller-from-larger', bottom - top, 8, COLUMN.smaller(right))
  if (lent && top === bottom) told('ten-forgotten', 0, 4, COLUMN.tenMissing(right))
  if (bottom === 0) return
  told('added', top + bottom, 2, COLUMN.added(right))
  told('fact', value - 1, 3, REMARK.off(right))
  told('fact', value + 1, 3, REMARK.off(right))
}

/** An equal column under a borrow: ten comes in, one is passed on. */
function equalStep({ place }: Column, written: readonly AnswerCell[]): Step {
  return step({
    action: 'write',
    place,
    ask: at(place, COLUMN.equal),
    why: COLUMN.whyEqual,
    expect: decimal(9),
    // The ten that came in, before one is passed on.
    parts: () => [decimal(10)],
    writes: () => ({ negative: false, cells: [...written, cell(place, 9)] }),
    load: { facts: [], carries: 1 },
    slips: (slip) => slip('ten-forgotten', decimal(0), 6, at(place, COLUMN.tenMissing('10 − 1 = 9'))),
  })
}

/** @param held the value entered for the column, which may be wrong. */
function glanceStep(
  { place, lends, lookedPast }: Column,
  held: number,
  written: readonly AnswerCell[],
): Step {
  const next = place - 1 - lookedPast
  // A zero that gives one away becomes nine.
  const expect = (held + (lends ? 9 : 10)) % 10
  return step({
    action: 'glance',
    place,
    ask: at(place, COLUMN.glance(String(held))),
    why: COLUMN.whyGlance(lends, lookedPast, next),
    expect: decimal(expect),
    writes: () => ({ negative: false, cells: [...written, cell(place, expect)] }),
    load: { facts: [], carries: lends ? 1 : 0 },
    slips(slip) {
      const [kept, lowered] = [decimal(held % 10), decimal((held + 9) % 10)]
      if (lends && lookedPast > 0) slip('borrow-not-through-equals', kept, 8, at(place, COLUMN.through(next)))
      else if (lends) slip('borrow-missed', kept, 8, at(place, COLUMN.borrow(next)))
      else if (held % 10 > 0) slip('needless-borrow', lowered, 4, at(place, COLUMN.needless))
    },
  })
}

/** The sign, when the larger number was taken away. */
export function signStep(size: Decimal, lowest: number, written: readonly AnswerCell[]): Step {
  const expect = negate(size)
  return step({
    action: 'sign',
    place: lowest,
    ask: TURNED.ask,
    why: TURNED.why,
    expect,
    writes: () => ({ negative: true, cells: written }),
    slips: (slip) => slip('sign-lost', size, 6, TURNED.lost),
  })
}
