/**
 * square-near-base: base 10^k, deviation d. Left n + d; right d×d in exactly k places, its excess carried left.
 * 96: 92|16. 88: 76|144 → 7744. 991: 982|081. 108: 116|64. 14: 18|16 → 196.
 */
import { decimal } from '../../number/decimal.js'
import { said } from '../../number/whole.js'
import { squareOf } from '../../problem/problem.js'
import { mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import { level } from '../level.js'
import { type Misfit, misfit, technique } from '../make.js'
import { type Base, baseOf, deviationStep, fromDeviations, nearBase } from '../multiplication/base.js'
import { placePoint } from '../multiplication/product.js'
import { readSquare, SQUARE_DECIMALS, type Squared } from './square.js'

const space = (zeros: number, most: number, side: -1 | 0 | 1 = 0, least = 1) =>
  mapped(nearBase(zeros, most, side, least), (n) => squareOf(decimal(n)))

export const squareNearBase = technique({
  id: 'square-near-base',
  name: 'Square near a base',
  family: 'squares',
  about: 'Near 10, 100 or 1000: once more the deviation in front, the deviation squared behind.',
  needs: ['multiply-near-base'],
  lesson: {
    example: '96^2',
    when: 'The number lies near a power of ten, on either side.',
    whenNot: 'The deviation is long: 76² is quicker by a round neighbour.',
    because: [
      '(B + d)² = B×(B + 2d) + d², with B = 100 and d = −4.',
      'B + 2d is n + d: 96 − 4 = 92 hundreds.',
      'd² = 16 stands in the two places behind.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source (5 s).
  levels: [
    level('Near 10', 4, () => space(1, 5)),
    level('Four to nine below 100', 4, () => space(2, 9, -1, 4)),
    level('Four to nine above 100', 4, () => space(2, 9, 1, 4)),
    level('Up to nine from 100, padded too', 5, () => space(2, 9)),
    level('Ten and more below 100: carry', 7, () => space(2, 25, -1, 10)),
    level('Ten and more above 100: carry', 7, () => space(2, 25, 1, 10)),
    level('Near 1000', 6, () => space(3, 31)),
    level('Far from 1000', 10, () => space(3, 99, 0, 32)),
    level('Near 10 000', 8, () => space(4, 99)),
  ],
  dials: {
    dials: [
      dial('zeros', 'Zeros of the base', 1, 8, 2),
      dial('most', 'Deviation at most', 1, 25_000_000, 9),
      dial('least', 'Deviation at least', 1, 25_000_000, 1),
      dial('side', 'Below (1) or above (2)', 1, 2),
    ],
    problems: ({ zeros = 2, most = 9, least = 1, side }) =>
      space(zeros, most, side === undefined ? 0 : side === 1 ? -1 : 1, least),
  },
  read(problem): (Squared & Base) | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    const base = baseOf(found.n)
    if (!base) return misfit(`${said(found.n)} is not near a power of ten`)
    return base.zeros > 12 ? misfit('the base has more than 12 zeros') : { ...found, ...base }
  },
  *work({ n, scale, base, zeros }) {
    const d = (yield deviationStep(n, { base, zeros }, [])).units
    const square = yield* fromDeviations(n, d, d, { base, zeros })
    return yield* placePoint(square.units, scale, SQUARE_DECIMALS)
  },
})
