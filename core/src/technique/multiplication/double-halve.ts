/**
 * multiply-double-halve: double one factor, halve the other while it gets rounder. 35×18 = 70×9. Numbers such as
 * 5, 25, 50, 125 are halves of round numbers: where the other factor is odd, the product is halved instead.
 */
import { type Decimal, decimal } from '../../number/decimal.js'
import { lengthOf, nonZeroDigits, said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { kept, listed, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import type { Step } from '../contract.js'
import { digitProductLoad, productLoad } from '../facts.js'
import { level } from '../level.js'
import { BLANK, lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { ofDigits } from '../rounding.js'
import { productSlips } from '../slips.js'
import { FACTOR_DECIMALS, placePoint, readWhole } from './product.js'

interface Doubling {
  /** The factor that is doubled, and the one that is halved. */
  readonly rising: bigint
  readonly falling: bigint
  readonly times: number
  /** Halvings left over when the other factor is odd: made at the end, on the product. */
  readonly later: number
  readonly scale: number
}

const fives = (digits: number) => kept(ofDigits(digits), (n) => n % 10n === 5n && (digits > 1 || n === 5n))
const evens = (digits: number) => kept(ofDigits(digits, 4n), (n) => n % 2n === 0n)
const space = (first: number, second: number) =>
  mapped(pairs(fives(first), evens(second)), ([a, b]) => productOf(decimal(a), decimal(b)))
const halves = (parts: readonly bigint[], digits: number) =>
  mapped(
    pairs(
      listed(parts),
      kept(ofDigits(digits, 3n), (n) => n % 10n !== 0n),
    ),
    ([a, b]) => productOf(decimal(b), decimal(a)),
  )

export const multiplyDoubleHalve = technique({
  id: 'multiply-double-halve',
  name: 'Double and halve',
  family: 'multiplication',
  about: 'Double one number and halve the other for as long as that makes it rounder.',
  needs: ['multiply-addition'],
  lesson: {
    example: '35*18',
    when: 'One factor ends in 5, the other is even; or a factor is 5, 25, 50, 125.',
    whenNot: 'Doubling brings no zero: 34 × 18 gets no rounder.',
    because: [
      '35 × 18 = (35 × 2) × (18 ÷ 2).',
      'That is 70 × 9: twice one, half the other, the same product.',
      '25 is a quarter of 100, so 25 × n is 100 × n ÷ 4.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Times 5', 3, () => halves([5n], 2)),
    level('A two-digit number ending in 5, by an even digit', 3.5, () => space(2, 1)),
    level('Two digits each', 5, () => space(2, 2)),
    level('Times 25 or 50', 5, () => halves([25n, 50n], 2)),
    level('Times 125', 7, () => halves([125n], 2)),
    level('Three digits ending in 5, by an even digit', 5, () => space(3, 1)),
    level('Three digits ending in 5, by two digits', 8, () => space(3, 2)),
    level('Times 25, 50 or 125, three digits', 9, () => halves([25n, 50n, 125n], 3)),
  ],
  dials: {
    dials: [
      dial('first', 'Digits of the number ending in 5', 1, 5, 2),
      dial('second', 'Digits of the even number', 1, 5, 2),
    ],
    problems: ({ first = 2, second = 2 }) => space(first, second),
  },
  read(problem): Doubling | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const ways = [doubling(found.a, found.b, found.scale), doubling(found.b, found.a, found.scale)].filter(
      (w) => w !== undefined,
    )
    const [best] = ways.sort(
      (x, y) => nonZeroDigits(x.rising << BigInt(x.times)) - nonZeroDigits(y.rising << BigInt(y.times)),
    )
    return best ?? misfit('doubling makes neither factor rounder while the other can be halved')
  },
  *work({ rising, falling, times, later, scale }): Generator<Step, Decimal, Decimal> {
    let [up, down] = [rising, falling]
    for (let i = 0; i < times; i += 1) {
      const before = up
      up = (yield step({
        action: 'double',
        place: lengthOf(2n * before) - 1,
        ask: `Double ${said(before)}: how much?`,
        why: 'Twice one factor and half the other give the same product.',
        expect: decimal(2n * before),
        writes: BLANK,
        holds: [
          { what: 'doubled', value: decimal(2n * before) },
          { what: 'other', value: decimal(down) },
        ],
        load: () => digitProductLoad(2, before),
        slips: (slip) => productSlips(slip, before, 2n),
      })).units
      if (later > 0) continue
      const half = down / 2n
      const other = down
      down = (yield step({
        action: 'halve',
        place: 0,
        ask: `Halve ${said(other)}: how much?`,
        why: `${said(other)} is even, so its half is whole.`,
        expect: decimal(half),
        writes: BLANK,
        holds: [
          { what: 'doubled', value: decimal(up) },
          { what: 'halved', value: decimal(half) },
        ],
        load: () => digitProductLoad(2, half),
        slips: (slip) => {
          slip('not-halved', decimal(other), 5, `One is doubled, so the other is halved: ${said(half)}.`)
          slip('fact', decimal(half - 1n), 2, `One too few. Half of ${said(other)} is ${said(half)}.`)
          slip('fact', decimal(half + 1n), 2, `One too many. Half of ${said(other)} is ${said(half)}.`)
          if (half > 9n) slip('fact', decimal(half - 5n), 2, `Half of ${said(other)} is ${said(half)}.`)
          if (half > 9n) slip('fact', decimal(half + 5n), 2, `Half of ${said(other)} is ${said(half)}.`)
        },
      })).units
    }
    const [x, y] = [up, down]
    let value = (yield step({
      action: 'product',
      place: lengthOf(x * y) - 1,
      ask: `${said(x)} × ${said(y)}: how much?`,
      why: 'The rounder factor leaves fewer digits to multiply.',
      expect: decimal(x * y),
      writes: () => lineOf(decimal(x * y), 0, later > 0),
      load: () => productLoad(x, y),
      slips: (slip) => productSlips(slip, x, y),
    })) as Decimal
    for (let i = 0; i < later; i += 1) {
      const before = value
      const half = decimal(before.units * 5n, before.scale + 1)
      value = yield step({
        action: 'halve',
        place: 0,
        ask: `One factor was doubled ${later === 1 ? 'once' : `${later} times`}: halve the product, ${said(before.units)}. How much?`,
        why: 'Every doubling of a factor is taken back by halving the product.',
        expect: half,
        writes: () => lineOf(half, -half.scale, i < later - 1),
        load: () => digitProductLoad(2, half.units),
        slips: (slip) => {
          slip('not-halved', before, 4, `The product is still twice too large: halve it.`)
          const tens = 10n ** BigInt(Math.max(1, lengthOf(half.units) - 2))
          for (const off of [-5n * (tens / 10n || 1n), 5n * (tens / 10n || 1n), -tens, tens])
            slip(
              'fact',
              decimal(half.units + off, half.scale),
              2,
              `A digit of the half is off. Half of ${said(before.units)} is ${said(half.units)}.`,
            )
        },
      })
    }
    return yield* placePoint(value.units, scale, FACTOR_DECIMALS)
  },
})

/** How often `rising` gets rounder by doubling, and whether `falling` can be halved as often. */
function doubling(rising: bigint, falling: bigint, scale: number): Doubling | undefined {
  if (falling < 3n) return undefined
  const plain = (n: bigint) => Number(n.toString().replace(/0+$/, ''))
  if (plain(rising) % 5 !== 0) return undefined
  let times = 0
  let value = rising
  let even = falling
  while (even % 2n === 0n && plain(value) % 5 === 0) {
    value *= 2n
    even /= 2n
    times += 1
  }
  // 5, 25, 125 reach a power of ten: what could not be halved before is halved after.
  const power = (n: bigint) => /^10*$/.test(String(n))
  if (!power(value)) {
    let full = rising
    let doublings = 0
    while (plain(full) % 5 === 0 && doublings < 6) {
      full *= 2n
      doublings += 1
    }
    if (power(full)) return { rising, falling, times: doublings, later: doublings, scale }
  }
  return times > 0 ? { rising, falling, times, later: 0, scale } : undefined
}
