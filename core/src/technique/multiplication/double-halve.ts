/**
 * multiply-double-halve: double one factor, halve the other while it gets rounder. 35×18 = 70×9. Numbers such as
 * 5, 25, 50, 125 are halves of round numbers: where the other factor is odd, the product is halved instead.
 */

import { type Decimal, decimal } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { nonZeroDigits, said, significant } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { between, kept, listed, mapped, pairs } from '../../problem/space.js'
import { times } from '../../words/english.js'
import { DOUBLE_HALVE } from '../../words/multiplication.js'
import { onFactors } from '../conditions.js'
import type { Step } from '../contract.js'
import { wholeLine } from '../line.js'
import { type Misfit, misfit, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask, half, product, twice } from '../quantities/quantities.js'
import { eitherWay, ofDigits } from '../quantities/rounding.js'
import { placePoint, readWhole } from './product.js'

interface Doubling {
  /** The factor that is doubled, and the one that is halved. */
  readonly rising: bigint
  readonly falling: bigint
  /** Doublings with the other halved. */
  readonly times: number
  /** Doublings after which the other is odd: the product is halved as often. */
  readonly later: number
  readonly scale: number
}

/** Halves of a round number, by the setting of the parameter: 5; 25 and 50; 125; all of them. */
const PARTS = [[], [5n], [25n, 50n], [125n], [25n, 50n, 125n]] as const

export const multiplyDoubleHalve = technique({
  id: 'multiply-double-halve',
  words: DOUBLE_HALVE,
  family: 'multiplication',
  needs: ['multiply-addition'],
  // Targets: common practice, no published source.
  levels: [
    ['Times 5', 3, { parts: 1 }],
    ['A two-digit number ending in 5, by an even digit', 3.5, { second: 1 }],
    ['Two digits each', 5, {}],
    ['Times 25 or 50', 5, { parts: 2 }],
    ['Times 125', 7, { parts: 3 }],
    ['Three digits ending in 5, by an even digit', 5, { first: 3, second: 1 }],
    ['Three digits ending in 5, by two digits', 8, { first: 3 }],
    ['Times 25, 50 or 125, three digits', 9, { parts: 4, second: 3 }],
  ],
  parameters: {
    parameters: [
      parameter('first', 'Digits of the number ending in 5', 1, 5, 2),
      parameter('second', 'Digits of the other number', 1, 5, 2),
      parameter('parts', 'Times 5 (1), 25 or 50 (2), 125 (3), these three (4)', 1, 4),
    ],
    problems({ first = 2, second = 2, parts }) {
      if (parts !== undefined) {
        const others = kept(ofDigits(second, 3n), (n) => n % 10n !== 0n)
        return mapped(pairs(listed(present(PARTS[parts])), others), ([a, b]) =>
          productOf(decimal(b), decimal(a)),
        )
      }
      const fives = kept(ofDigits(first), (n) => n % 10n === 5n && (first > 1 || n === 5n))
      const evens = kept(ofDigits(second, 4n), (n) => n % 2n === 0n)
      return mapped(pairs(fives, evens), ([a, b]) => productOf(decimal(a), decimal(b)))
    },
  },
  conditions: [
    onFactors(
      'double/five',
      (a, b) => [a, b].some((n) => plain(n) % 5n === 0n),
      () =>
        pairs(
          kept(between(12, 98), (n) => n % 5n !== 0n),
          kept(between(12, 98, 2), (n) => n % 5n !== 0n),
        ),
    ),
    onFactors(
      'double/even',
      (a, b) => [a, b].every((n) => plain(n) % 5n !== 0n) || ways(a, b, 0).length > 0,
      () =>
        kept(
          eitherWay(
            kept(between(15, 95, 10), (n) => n !== 25n),
            between(11, 99, 2),
          ),
          ([a, b]) => ways(a, b, 0).length === 0,
        ),
    ),
  ],
  read(problem): Doubling | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const { a, b, scale } = found
    const left = (w: Doubling) => nonZeroDigits(w.rising << BigInt(w.times + w.later)) + 2 * w.later
    const [best] = ways(a, b, scale).toSorted((x, y) => left(x) - left(y))
    return best ?? misfit(DOUBLE_HALVE.noRounder)
  },
  *work({ rising, falling, times: often, later, scale }): Generator<Step, Decimal, Decimal> {
    let [up, down] = [rising, falling]
    for (let i = 0; i < often + later; i += 1) {
      const [before, other] = [up, down]
      const doubled = twice(before)
      up = (yield ask(doubled, {
        action: 'double',
        place: -scale,
        ask: DOUBLE_HALVE.double(said(before)),
        why: DOUBLE_HALVE.whyDouble,
        holds: [
          { what: 'doubled', value: doubled.value },
          { what: 'other', value: decimal(other) },
        ],
      })).units
      if (i >= often) continue
      const halved = half(other)
      down = (yield ask(halved, {
        action: 'halve',
        place: -scale,
        ask: DOUBLE_HALVE.halve(said(other)),
        why: DOUBLE_HALVE.whyHalve(said(other)),
        holds: [
          { what: 'doubled', value: decimal(up) },
          { what: 'halved', value: halved.value },
        ],
      })).units
    }
    const whole = product(up, down)
    let value = yield ask(whole, {
      action: 'product',
      place: -scale,
      ask: DOUBLE_HALVE.product(said(up), said(down)),
      why: DOUBLE_HALVE.whyProduct,
      writes: () => wholeLine(whole.value.units, scale, later > 0),
      holds: later > 0 ? [{ what: 'product', value: whole.value }] : [],
    })
    for (let left = later; left > 0; left -= 1) {
      const before = value
      const halved = half(before.units, before.scale)
      value = yield ask(halved, {
        action: 'halve',
        place: -scale,
        ask: DOUBLE_HALVE.halveProduct(said(before.units), times(left)),
        why: DOUBLE_HALVE.whyLater,
        writes: () => wholeLine(halved.value.units, scale + halved.value.scale, left > 1),
        holds: left > 1 ? [{ what: 'product', value: halved.value }] : [],
        total: true,
      })
    }
    return yield* placePoint(value.units, scale)
  },
})

/** The digits of a number without the zeros at its end. */
const plain = (n: bigint) => significant(n).digits

/** Either number may be doubled. */
const ways = (a: bigint, b: bigint, scale: number) =>
  [doubling(a, b, scale), doubling(b, a, scale)].filter((w) => w !== undefined)

/** How often `rising` gets rounder by doubling, and whether `falling` can be halved as often. */
function doubling(rising: bigint, falling: bigint, scale: number): Doubling | undefined {
  if (falling < 3n) return undefined
  let [often, up, down] = [0, rising, falling]
  while (down % 2n === 0n && plain(up) % 5n === 0n) {
    up *= 2n
    down /= 2n
    often += 1
  }
  if (often > 0) return { rising, falling, times: often, later: 0, scale }
  // 5, 25, 125 reach a power of ten: where the other is odd, the product is halved instead.
  let later = 0
  while (plain(up) % 5n === 0n && later < 6) {
    up *= 2n
    later += 1
  }
  return later > 0 && /^10*$/.test(String(up)) ? { rising, falling, times: 0, later, scale } : undefined
}
