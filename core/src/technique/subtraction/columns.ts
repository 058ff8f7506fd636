/** Subtraction column by column from the left: the columns, the glance and the sign. */
import {
  compare,
  type Decimal,
  decimal,
  digitAt,
  equal,
  highestPlace,
  lowestPlace,
  negate,
} from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { differenceSpace } from '../../problem/differences.js'
import { asDifference, type Problem } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { SIGNED } from '../../question/kind.js'
import type { AnswerCell, Fact, Level, Slip, Step, Work } from '../contract.js'
import { level } from '../level.js'
import { type Misfit, misfit } from '../make.js'

const same = (digits: number) => ({ minuend: shape(digits), subtrahend: shape(digits) })

/** The ladder of both. Targets: common practice, no published source (15 digits in 20 s). */
export const COLUMN_LEVELS: readonly Level[] = [
  level('Two digits, nothing short', 2.5, () => differenceSpace({ ...same(2), short: 0 })),
  level('Two digits, the units short', 3, () => differenceSpace({ ...same(2), short: 1 })),
  level('Three digits, nothing short', 4, () => differenceSpace({ ...same(3), short: 0 })),
  level('Three digits, one short column', 4.5, () => differenceSpace({ ...same(3), short: 1, through: 0 })),
  level('Three digits, two short columns', 5, () => differenceSpace({ ...same(3), short: 2 })),
  level('Four digits, two short columns', 6, () => differenceSpace({ ...same(4), short: 2, through: 0 })),
  level('An equal column to look past', 6, () => differenceSpace({ ...same(4), through: 1 })),
  level('Two zeros above', 6, () => differenceSpace({ ...same(4), zeros: 2 })),
  level('A shorter number below', 6, () =>
    differenceSpace({ minuend: shape(5), subtrahend: shape(3), short: 2 }),
  ),
  level('One decimal', 5, () => differenceSpace({ minuend: shape(3, 1), subtrahend: shape(2, 1), short: 1 })),
  level('Decimals to pad', 6, () => differenceSpace({ minuend: shape(2, 1), subtrahend: shape(1, 3) })),
  level('The smaller number first', 5, () => differenceSpace({ ...same(3), negative: true })),
  level('Six digits, three short columns', 9, () => differenceSpace({ ...same(6), short: 3 })),
  level('Ten digits', 14, () => differenceSpace(same(10))),
  level('Fifteen digits', 20, () => differenceSpace(same(15))),
]

export interface Difference {
  readonly minuend: Decimal
  readonly subtrahend: Decimal
}

/** Fits one number less another, either of them the larger. */
export function readDifference(problem: Problem): Difference | Misfit {
  return asDifference(problem) ?? misfit('it works one number less another, and nothing else')
}

/** How a technique works one column: what it asks to be reckoned, why, and the facts that takes. */
export interface ColumnWay {
  /** "13 − 6", as it stands before "= 7". */
  readonly sum: string
  readonly why: string
  readonly facts: readonly Fact[]
}

/**
 * The walk that both left-to-right subtractions share: work a column in the technique's own way, hold its digit,
 * glance right, write it or one less; at the end the sign, when the first number was the smaller.
 */
export function* walkColumns(
  { minuend, subtrahend }: Difference,
  wayOf: (column: Column) => ColumnWay,
): Work {
  const turned = compare(minuend, subtrahend) < 0
  const [upper, lower] = turned ? [subtrahend, minuend] : [minuend, subtrahend]
  const columns = columnsOf(upper, lower)
  const lowest = columns.at(-1)!.place
  const written: AnswerCell[] = []
  const line = (extra: AnswerCell[] = [], negative = false) => ({ negative, cells: [...written, ...extra] })

  for (const column of columns) {
    const { place } = column
    const last = place === lowest
    const held = yield {
      ...columnStep(column, wayOf(column), last, turned && place === columns[0]!.place),
      writes: line([{ place, digits: String(column.difference % 10), draft: !last }]),
    }
    let digit = digitAt(held, 0)
    if (!last) {
      // A zero (or a ten) that gives one away becomes nine.
      const expect = (digit + (column.drops ? 9 : 10)) % 10
      const entry = yield {
        ...glanceStep(column, Number(held.units), expect),
        writes: line([{ place, digits: String(expect), draft: false }]),
      }
      digit = digitAt(entry, 0)
    }
    written.push({ place, digits: String(digit), draft: false })
  }

  const size = decimal(BigInt(written.map((c) => c.digits).join('')), -lowest)
  if (!turned) return size
  return yield signStep(size, lowest, line([], true))
}

/** One column of the subtraction, with what its neighbours ask of it. */
export interface Column {
  readonly place: number
  readonly top: number
  readonly bottom: number
  /** The column to the left came one lower for this one, so its top counts ten more. */
  readonly lent: boolean
  /** This column must come one lower: the next unequal column to the right is short. */
  readonly drops: boolean
  /** How many equal columns stand between this one and the unequal column the glance ends on. */
  readonly lookedPast: number
  /** top - bottom, with ten more where one was lent: 0 to 10. */
  readonly difference: number
  /** The column to the right, for the wording of the glance. */
  readonly right: { readonly top: number; readonly bottom: number } | undefined
}

export function columnsOf(upper: Decimal, lower: Decimal): Column[] {
  const lowest = Math.min(lowestPlace(upper), lowestPlace(lower))
  const columns: Column[] = []
  let right: Column | undefined
  for (let place = lowest; place <= highestPlace(upper); place += 1) {
    const top = digitAt(upper, place)
    const bottom = digitAt(lower, place)
    // Short here, or equal with a short column beyond it: either way the left neighbour gives one.
    const drops = right?.lent ?? false
    const lent = top < bottom || (top === bottom && drops)
    const lookedPast = right && right.top === right.bottom ? right.lookedPast + 1 : 0
    const difference = top - bottom + (lent ? 10 : 0)
    right = { place, top, bottom, lent, drops, lookedPast, difference, right }
    columns.unshift(right)
  }
  return columns
}

function columnStep(column: Column, way: ColumnWay, last: boolean, turned: boolean): Omit<Step, 'writes'> {
  const { place, top, bottom, lent, difference } = column
  const opening = turned ? 'The first number is the smaller: work it the other way round. ' : ''
  const reason = !lent
    ? ''
    : top < bottom
      ? `${top} − ${bottom} is short, so `
      : 'one dropped on the left, so '
  return {
    action: last ? 'write' : 'hold',
    kind: SIGNED,
    place,
    ask: `${opening}${placeTitle(place)}: ${reason}${way.sum}. ${last ? 'Which digit is written?' : 'What do you hold?'}`,
    why: way.why,
    expect: decimal(difference),
    holds: last ? [] : [{ what: 'digit', value: decimal(difference) }],
    facts: way.facts,
    carries: 0,
    slips: () => columnSlips(column, `${way.sum} = ${difference}`),
  }
}

/** @param right the column worked rightly, in words. */
function columnSlips({ place, top, bottom, lent, difference }: Column, right: string): Slip[] {
  const title = placeTitle(place)
  const found: Slip[] = []
  const slip = (id: string, entry: number, odds: number, remark: string) => {
    if (entry === difference || entry < 0 || found.some((s) => Number(s.entry.units) === entry)) return
    found.push({ id, entry: decimal(entry), odds, remark: `${title}: ${remark} ${right}.` })
  }
  if (top < bottom)
    slip('smaller-from-larger', bottom - top, 8, 'the top digit was taken from the bottom one.')
  if (lent && top === bottom)
    slip('ten-forgotten', 0, 4, 'one dropped on the left, so this column counts ten more.')
  if (bottom > 0) {
    slip('added', top + bottom, 2, 'the bottom digit was added; it is to be taken away.')
    slip('fact', difference - 1, 3, 'one too few.')
    slip('fact', difference + 1, 3, 'one too many.')
  }
  return found
}

/** @param held the value entered for the column, which may be wrong. */
function glanceStep(column: Column, held: number, expect: number): Omit<Step, 'writes'> {
  const { place, drops, lookedPast } = column
  const next = place - 1 - lookedPast
  const past =
    lookedPast === 0
      ? ''
      : lookedPast === 1
        ? 'past the equal column, '
        : `past ${lookedPast} equal columns, `
  const here = placeTitle(place)
  return {
    action: 'glance',
    kind: SIGNED,
    place,
    ask: `Hold ${held}. Glance right: does the next column need one? Write ${held} or one less.`,
    why: drops
      ? `Looking right, ${past}the ${placeName(next)} are short: they need one from here.`
      : `Looking right, no short column comes before an ample one: nothing is needed from here.`,
    expect: decimal(expect),
    holds: [],
    facts: [],
    carries: drops ? 1 : 0,
    slips: () => {
      const kept = decimal(held % 10)
      const dropped = decimal((held + 9) % 10)
      if (drops && lookedPast > 0)
        return [
          {
            id: 'drop-not-through-equals',
            entry: kept,
            odds: 8,
            remark: `${here}: look past equal columns; beyond them the ${placeName(next)} are short. Write one less.`,
          },
        ]
      if (drops)
        return [
          {
            id: 'missed-drop',
            entry: kept,
            odds: 8,
            remark: `${here}: the ${placeName(next)} are short. Write one less.`,
          },
        ]
      const remark = `${here}: no column to the right needs one. Write ${held % 10}.`
      return held % 10 === 0 ? [] : [{ id: 'needless-drop', entry: dropped, odds: 4, remark }]
    },
  }
}

export function signStep(size: Decimal, lowest: number, writes: Step['writes']): Step {
  const expect = negate(size)
  return {
    action: 'sign',
    kind: SIGNED,
    place: lowest,
    ask: 'The first number was the smaller. What is the answer with its sign?',
    why: 'The numbers were subtracted the other way round, so the difference is below zero.',
    expect,
    writes,
    holds: [],
    facts: [],
    carries: 0,
    slips: () =>
      equal(size, expect)
        ? []
        : [
            {
              id: 'sign-lost',
              entry: size,
              odds: 6,
              remark: 'The larger number was taken away: put the minus sign.',
            },
          ],
  }
}
