/**
 * square-near-base: base 10^k, gap d. Left n and d once more; right d×d in exactly k places, its excess carried left.
 * 96: 92|16. 88: 76|144 → 7744. 991: 982|081. 108: 116|64. 14: 18|16 → 196.
 */
import { decimal } from '../../number/decimal.js'
import { lengthOf, said, significant, size } from '../../number/whole.js'
import { squareOf } from '../../problem/problem.js'
import { between, kept, mapped } from '../../problem/space.js'
import { MISFIT, POINT } from '../../words/multiplication.js'
import { SQUARE_NEAR_BASE } from '../../words/squares.js'
import { onSquare } from '../conditions.js'
import { type Misfit, misfit, technique } from '../make.js'
import { placePoint } from '../multiplication/product.js'
import { type Base, baseOf, fromGaps, gapStep, nearBase } from '../multiplication/special/base.js'
import { parameter } from '../quantities/boards.js'
import { HALVES_THAT_JOIN } from '../quantities/front-back.js'
import { readSquare, type Squared } from './square.js'

/** Squares to 25 are facts; those ending in 5 of two digits, and of any of these with zeros, are easy. */
function easySquare(gap: bigint): boolean {
  const { digits } = significant(gap)
  return digits <= 25n || (digits % 5n === 0n && lengthOf(digits) < 3)
}

export const squareNearBase = technique({
  id: 'square-near-base',
  words: SQUARE_NEAR_BASE,
  family: 'squares',
  needs: ['multiply-addition'],
  ways: HALVES_THAT_JOIN,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['Near 10', 4, { zeros: 1 }],
    ['Four to nine below 100', 4, { side: 1, least: 4 }],
    ['Four to nine above 100', 4, { side: 2, least: 4 }],
    ['Up to nine from 100, padded too', 5, {}],
    ['Ten and more below 100: carry', 7, { most: 25, side: 1, least: 10 }],
    ['Ten and more above 100: carry', 7, { most: 25, side: 2, least: 10 }],
    ['Near 1000', 6, { zeros: 3, most: 25 }],
    ['Far from 1000', 10, { zeros: 3, most: 250, least: 26 }],
    ['Near 10 000', 8, { zeros: 4, most: 25 }],
    ['Far from 100', 9, { most: 50, least: 26 }],
  ],
  parameters: {
    parameters: [
      parameter('zeros', 'Zeros of the base', 1, 8, 2),
      parameter('most', 'Gap at most', 1, 50_000_000, 9),
      parameter('least', 'Gap at least', 1, 50_000_000, 1),
      parameter('side', 'Below (1) or above (2)', 1, 2),
    ],
    problems({ zeros = 2, most = 9, least = 1, side }) {
      const near = nearBase(zeros, most, side === undefined ? 0 : side === 1 ? -1 : 1, least)
      const base = 10n ** BigInt(zeros)
      // Within squares known by heart every gap is easy.
      const easy = most <= 25 ? near : kept(near, (n) => easySquare(size(n - base)))
      return mapped(easy, (n) => squareOf(decimal(n)))
    },
  },
  conditions: [
    onSquare(
      'square-near/near',
      (n) => baseOf(n) !== undefined,
      () => between(20, 49),
    ),
    onSquare(
      'square-near/gap',
      (n) => {
        const base = baseOf(n)
        return !base || easySquare(size(n - base.base))
      },
      () => kept(nearBase(2, 50, 0, 26), (n) => !easySquare(size(n - 100n))),
    ),
  ],
  read(problem): (Squared & Base) | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    const base = baseOf(found.n)
    if (!base) return misfit(MISFIT.near(said(found.n)))
    const gap = size(found.n - base.base)
    if (!easySquare(gap)) return misfit(SQUARE_NEAR_BASE.hard(said(gap)))
    return base.zeros > 12 ? misfit(MISFIT.zeros(12)) : { ...found, ...base }
  },
  *work({ n, scale, base, zeros }, variant) {
    const d = yield* gapStep(n, { base, zeros }, [], scale)
    const square = yield* fromGaps(n, n, [d, d], { base, zeros }, variant, true, scale)
    return yield* placePoint(square, scale, POINT.square)
  },
})
