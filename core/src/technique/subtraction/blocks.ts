/**
 * subtract-blocks: two digits at a time from the right. 6214−1857: 14−57 is 43 short, so 57 and one lent;
 * 62−1−18 = 43: 4357.
 */
import { compare, type Decimal, decimal, highestPlace, lowestPlace, unitsAt } from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { differenceSpace } from '../../problem/differences.js'
import { shape } from '../../problem/shape.js'
import { DIFFERENCE_BOARD } from '../boards.js'
import type { AnswerCell, Step } from '../contract.js'
import { differenceLoad } from '../facts.js'
import { level } from '../level.js'
import { digitCells } from '../line.js'
import { type SlipSink, step, technique } from '../make.js'
import { readDifference, signStep } from './columns.js'

const same = (digits: number) => ({ minuend: shape(digits), subtrahend: shape(digits) })

export const subtractBlocks = technique({
  id: 'subtract-blocks',
  name: 'Blocks of two',
  family: 'subtraction',
  about:
    'Two digits at a time from the right: where a block is short, write its complement to 100 and lend one.',
  needs: ['subtract-complement'],
  lesson: {
    example: '6214-1857',
    when: 'Two-digit differences come at once, and the answer is written from the right.',
    whenNot: 'The answer is to be spoken as it is read: work from the left.',
    because: [
      '6214 − 1857 is 62 hundreds and 14, less 18 hundreds and 57.',
      '14 − 57 is 43 short; with a hundred lent, 100 − 43 = 57.',
      'The hundred is missing from the next block: 62 − 1 − 18.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Four digits, nothing short', 4, () => differenceSpace({ ...same(4), short: 0 })),
    level('Four digits, one short column', 5, () => differenceSpace({ ...same(4), short: 1 })),
    level('Four digits', 6, () => differenceSpace(same(4))),
    level('Four digits, two zeros above', 6, () => differenceSpace({ ...same(4), zeros: 2 })),
    level('Three digits', 4.5, () => differenceSpace(same(3))),
    level('A shorter number below', 7, () => differenceSpace({ minuend: shape(6), subtrahend: shape(3) })),
    level('Two decimals', 6, () => differenceSpace({ minuend: shape(2, 2), subtrahend: shape(2, 2) })),
    level('Decimals to pad', 7, () => differenceSpace({ minuend: shape(3, 1), subtrahend: shape(2, 2) })),
    level('The smaller number first', 6, () => differenceSpace({ ...same(4), negative: true })),
    level('Six digits', 9, () => differenceSpace(same(6))),
    level('Twelve digits', 18, () => differenceSpace(same(12))),
  ],
  dials: DIFFERENCE_BOARD,
  read: readDifference,
  *work({ minuend, subtrahend }) {
    const turned = compare(minuend, subtrahend) < 0
    const [upper, lower] = turned ? [subtrahend, minuend] : [minuend, subtrahend]
    const lowest = Math.min(lowestPlace(upper), lowestPlace(lower))
    let [top, bottom] = [unitsAt(upper, -lowest), unitsAt(lower, -lowest)]
    let size = 0n
    let unit = 1n
    let lent = 0
    let before: 'none' | 'ample' | 'short' = 'none'
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
        opening: turned && place === lowest,
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
    return turned ? yield signStep(difference, lowest, { negative: true, cells: [...written] }) : difference
  },
})

interface Block {
  readonly place: number
  readonly top: number
  readonly bottom: number
  /** One that the block to the right was lent. */
  readonly lent: number
  readonly before: 'none' | 'ample' | 'short'
  readonly last: boolean
  readonly opening: boolean
}

function* workBlock(
  { place, top, bottom, lent, before, last, opening }: Block,
  written: readonly AnswerCell[],
): Generator<Step, bigint, Decimal> {
  const start = opening ? 'The first number is the smaller: work it the other way round. ' : ''
  const less = lent ? ' less the 1 lent' : ''
  const cells = (value: number) => ({
    negative: false,
    cells: [...digitCells(last ? String(value) : String(value).padStart(2, '0'), place), ...written],
  })
  const here = placeTitle(place)
  const short = bottom + lent - top
  if (short <= 0) {
    const value = -short
    return (yield step({
      action: 'block',
      place,
      ask: `${start}${top}${less} less ${bottom}: how much?`,
      why: 'The block is not short, so it is taken as it stands.',
      expect: decimal(value),
      writes: () => cells(value),
      load: () => ({ facts: differenceLoad(BigInt(top), BigInt(bottom + lent)).facts, carries: lent }),
      slips: (slip) => {
        const right = `${top} − ${lent ? '1 − ' : ''}${bottom} = ${value}`
        if (lent)
          slip(
            'lend-missed',
            decimal(value + 1),
            8,
            `From the ${placeName(place)}: one was lent to the block on the right. ${right}.`,
          )
        else if (before === 'ample')
          slip(
            'needless-lend',
            decimal(value - 1),
            3,
            `From the ${placeName(place)}: nothing was lent. ${right}.`,
          )
        blockFacts(slip, value, `${here}: ${right}`)
      },
    })).units
  }
  const shortage = Number(
    (yield step({
      action: 'complement',
      place,
      ask: `${start}${top}${less} less ${bottom}: by how much is it short?`,
      why: `${bottom}${lent ? ' and the 1 lent' : ''} is more than ${top}; the shortage is easy to see.`,
      expect: decimal(short),
      writes: { negative: false, cells: written },
      holds: [{ what: 'short by', value: decimal(short) }],
      load: () => ({ facts: differenceLoad(BigInt(bottom + lent), BigInt(top)).facts, carries: lent }),
      slips: (slip) => {
        const right = `${bottom}${lent ? ' + 1' : ''} − ${top} = ${short}`
        if (lent)
          slip(
            'lend-missed',
            decimal(short - 1),
            8,
            `From the ${placeName(place)}: one was lent to the block on the right. ${right}.`,
          )
        else if (before === 'ample')
          slip('needless-lend', decimal(short + 1), 3, `Nothing was lent. ${right}.`)
        blockFacts(slip, short, `${here}: ${right}`)
      },
    })).units,
  )
  const value = 100 - shortage
  return (yield step({
    action: 'write',
    place,
    ask: `${shortage} short, with 100 lent: which two digits are written?`,
    why: `A hundred from the next block leaves 100 − ${shortage}.`,
    expect: decimal(value),
    writes: () => cells(value),
    holds: [{ what: 'lent', value: decimal(1) }],
    load: { facts: [`100-${shortage}`], carries: 1 },
    slips: (slip) => {
      slip(
        'smaller-from-larger',
        decimal(shortage),
        6,
        `${shortage} is what is missing: write its complement to 100, ${value}.`,
      )
      if (shortage % 10 > 0)
        slip(
          'complement-tens',
          decimal(value + 10),
          5,
          `Only the units' complement is to ten, the tens' to nine: ${value}.`,
        )
      slip('fact', decimal(value - 1), 2, `One too few: ${shortage} + ${value} = 100.`)
      slip('fact', decimal(value + 1), 2, `One too many: ${shortage} + ${value} = 100.`)
    },
  })).units
}

function blockFacts(slip: SlipSink, value: number, right: string): void {
  for (const off of [-1, 1, -10, 10]) slip('fact', decimal(value + off), 2, `${right}.`)
}
