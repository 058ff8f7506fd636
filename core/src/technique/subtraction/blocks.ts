/**
 * subtract-blocks: two digits at a time from the right. 6214−1857: 14−57 is 43 short, so 57 and one lent;
 * 62−1−18 = 43: 4357.
 */
import { compare, type Decimal, decimal, highestPlace, lowestPlace, unitsAt } from '../../number/decimal.js'
import { at, REMARK } from '../../words/steps.js'
import { BLOCKS, TURNED } from '../../words/subtraction.js'
import type { AnswerCell, Step } from '../contract.js'
import { differenceLoad } from '../facts.js'
import { digitCells } from '../line.js'
import { type SlipSink, step, technique } from '../make.js'
import { DIFFERENCE_BOARD } from '../quantities/boards.js'
import { readDifference, signStep } from './columns.js'

export const subtractBlocks = technique({
  id: 'subtract-blocks',
  words: BLOCKS,
  family: 'subtraction',
  needs: ['subtract-hold-drop'],
  // Targets: common practice, no published source.
  levels: [
    ['Four digits, nothing to borrow', 4, { minuend: 4, subtrahend: 4, short: 0 }],
    ['Four digits, borrowing once', 5, { minuend: 4, subtrahend: 4, short: 1, through: 0 }],
    ['Four digits', 6, { minuend: 4, subtrahend: 4 }],
    ['Four digits, two zeros above', 6, { minuend: 4, subtrahend: 4, zeros: 2 }],
    ['Three digits', 4.5, {}],
    ['A shorter number below', 7, { minuend: 6, subtrahend: 3 }],
    ['Two decimals', 6, { minuend: 2, subtrahend: 2, decimals: 2, below: 2 }],
    ['Decimals to pad', 7, { minuend: 3, subtrahend: 2, decimals: 1, below: 2 }],
    ['The smaller number first', 6, { minuend: 4, subtrahend: 4, negative: 1 }],
    ['Six digits', 9, { minuend: 6, subtrahend: 6 }],
    ['Twelve digits', 18, { minuend: 12, subtrahend: 12 }],
  ],
  parameters: DIFFERENCE_BOARD,
  read: readDifference,
  *work({ minuend, subtrahend }) {
    const turned = compare(minuend, subtrahend) < 0
    const [upper, lower] = turned ? [subtrahend, minuend] : [minuend, subtrahend]
    const lowest = Math.min(lowestPlace(upper), lowestPlace(lower))
    let [top, bottom] = [unitsAt(upper, -lowest), unitsAt(lower, -lowest)]
    let size = 0n
    let unit = 1n
    let lent = 0
    let before: Block['before'] = 'none'
    const written: AnswerCell[] = []
    for (
      let place = lowest;
      place <= highestPlace(upper) && (top > 0n || bottom > 0n || place === lowest || lent > 0);
      place += 2
    ) {
      const last = top < 100n
      const block: Block = {
        place,
        top: Number(top % 100n),
        bottom: Number(bottom % 100n),
        lent,
        before,
        last,
        opening: turned && place === lowest ? TURNED.opening : '',
      }
      const value = yield* workBlock(block, [...written])
      before = block.top < block.bottom + lent ? 'short' : 'ample'
      lent = before === 'short' ? 1 : 0
      size += value * unit
      unit *= 100n
      top /= 100n
      bottom /= 100n
      written.unshift(...digitCells(last ? String(value) : String(value).padStart(2, '0'), place))
    }
    const difference = decimal(size, -lowest)
    return turned ? yield signStep(difference, lowest, [...written]) : difference
  },
})

interface Block {
  readonly place: number
  readonly top: number
  readonly bottom: number
  /** One that the block to the right borrowed. */
  readonly lent: number
  readonly before: 'none' | 'ample' | 'short'
  readonly last: boolean
  readonly opening: string
}

/** What a block comes to: how far the one number is above the other, and as a sentence. */
interface Found {
  readonly value: number
  readonly right: string
  /** Of the two, with what was lent: the larger is worked less the smaller. */
  readonly x: bigint
  readonly y: bigint
}

function* workBlock(block: Block, written: readonly AnswerCell[]): Generator<Step, bigint, Decimal> {
  const { top, bottom, lent } = block
  const short = bottom + lent - top
  const value = Math.abs(short)
  const [x, y] = short <= 0 ? [top - lent, bottom] : [top, bottom + lent]
  const right =
    short <= 0
      ? `${top}${lent ? ' − 1' : ''} − ${bottom} = ${value}`
      : `${bottom}${lent ? ' + 1' : ''} − ${top} = ${value}`
  const found: Found = { value, right, x: BigInt(x), y: BigInt(y) }
  if (short <= 0) return (yield takeStep(block, found, written)).units
  const shortage = Number((yield shortStep(block, found, written)).units)
  return (yield writeStep(block, shortage, written)).units
}

const cellsOf = ({ place, last }: Block, value: number, written: readonly AnswerCell[]) => ({
  negative: false,
  cells: [...digitCells(last ? String(value) : String(value).padStart(2, '0'), place), ...written],
})

/** What goes wrong with a block: the one lent before it, or its facts. @param way 1 where it is taken, -1 where it is short */
function blockSlips({ place, lent, before }: Block, { value, right }: Found, way: 1 | -1) {
  return (slip: SlipSink) => {
    if (lent) slip('borrow-missed', decimal(value + way), 8, at(place, BLOCKS.borrow(right)))
    else if (before === 'ample')
      slip('needless-borrow', decimal(value - way), 3, at(place, BLOCKS.needless(right)))
    for (const off of [-1, 1, -10, 10])
      if (value + off >= 0) slip('fact', decimal(value + off), 2, at(place, REMARK.check(right)))
  }
}

/** The lower block is taken from the upper. */
function takeStep(block: Block, found: Found, written: readonly AnswerCell[]): Step<Decimal> {
  const { place, top, bottom, lent, opening } = block
  const { value, x, y } = found
  return step({
    action: 'block',
    place,
    ask: opening + BLOCKS.take(String(top), String(bottom), lent > 0),
    why: BLOCKS.whyTake,
    expect: decimal(value),
    writes: () => cellsOf(block, value, written),
    reckons: `${x} − ${y}`,
    load: () => differenceLoad(x, y),
    slips: blockSlips(block, found, 1),
  })
}

/** How much the upper block is short. */
function shortStep(block: Block, found: Found, written: readonly AnswerCell[]): Step<Decimal> {
  const { place, top, bottom, lent, opening } = block
  const { value, right, x, y } = found
  return step({
    action: 'complement',
    place,
    ask: opening + BLOCKS.short(String(top), String(bottom), lent > 0),
    why: BLOCKS.whyShort(right),
    expect: decimal(value),
    // Some say it with a minus sign.
    meant: (n) => (n.units < 0n ? decimal(-n.units, n.scale) : undefined),
    writes: () => ({ negative: false, cells: written }),
    holds: [{ what: 'short by', value: decimal(value) }],
    reckons: `${y} − ${x}`,
    load: () => differenceLoad(y, x),
    slips: blockSlips(block, found, -1),
  })
}

/** What is left of a hundred that was borrowed. */
function writeStep(block: Block, shortage: number, written: readonly AnswerCell[]): Step<Decimal> {
  const rest = 100 - shortage
  return step({
    action: 'write',
    place: block.place,
    ask: BLOCKS.write(String(shortage)),
    why: BLOCKS.whyWrite(String(shortage), String(rest)),
    expect: decimal(rest),
    writes: () => cellsOf(block, rest, written),
    holds: [{ what: 'borrowed', value: decimal(1) }],
    reckons: `100 − ${shortage}`,
    load: { facts: [`100-${shortage}`], carries: 1 },
    slips(slip) {
      const holds = `100 − ${shortage} = ${rest}`
      slip('smaller-from-larger', decimal(shortage), 6, BLOCKS.missing(holds))
      if (shortage % 10 > 0) slip('complement-tens', decimal(rest + 10), 5, REMARK.complementTens(holds))
      slip('fact', decimal(rest - 1), 2, REMARK.off(holds))
      slip('fact', decimal(rest + 1), 2, REMARK.off(holds))
    },
  })
}
