/**
 * multiply-by-nines: a factor of nines only, of k digits, times any n: n less its part above 10^k and one more | what is
 * missing from its last k digits to 10^k. 64×99: 63|36. 64×999: 63|936. 234×99: 231|66.
 */
import { decimal } from '../../../number/decimal.js'
import { lengthOf, said } from '../../../number/whole.js'
import { productOf } from '../../../problem/problem.js'
import { between, kept, listed, mapped, pairs } from '../../../problem/space.js'
import { NINES } from '../../../words/multiplication.js'
import { eitherFactor, onFactors } from '../../conditions.js'
import { type Misfit, misfit, technique } from '../../make.js'
import { parameter } from '../../quantities/boards.js'
import { EITHER_HALF, frontBack, half } from '../../quantities/front-back.js'
import { difference, gap, holdsThat } from '../../quantities/quantities.js'
import { eitherWay, ofDigits } from '../../quantities/rounding.js'
import { placePoint, readWhole, type Whole } from '../product.js'

interface Nines extends Pick<Whole, 'scale'> {
  readonly n: bigint
  /** How many nines. */
  readonly width: number
}

const isNines = (n: bigint) => /^9+$/.test(String(n))

export const multiplyByNines = technique({
  id: 'multiply-by-nines',
  words: NINES,
  family: 'multiplication',
  needs: ['multiply-addition'],
  ways: EITHER_HALF,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['One digit by 9', 2, { digits: 1, nines: 1 }],
    ['Two digits by 99', 4, {}],
    ['Three digits by 999', 5, { digits: 3, nines: 3 }],
    ['More nines than digits', 5, { digits: 2, nines: 3 }],
    ['Two digits by 9', 4, { nines: 1 }],
    ['Three digits by 99', 6, { digits: 3 }],
    ['Four digits by 9999', 7, { digits: 4, nines: 4 }],
    ['Five digits by 999', 10, { digits: 5, nines: 3 }],
  ],
  parameters: {
    parameters: [parameter('digits', 'Digits of the number', 1, 8, 2), parameter('nines', 'Nines', 1, 8, 2)],
    problems({ digits = 2, nines = 2 }) {
      const base = 10n ** BigInt(nines)
      const numbers = kept(ofDigits(digits, 2n), (n) => n % base !== 0n && !isNines(n))
      const factor = { size: 1n, at: () => base - 1n }
      return mapped(eitherWay(numbers, factor), ([a, b]) => productOf(decimal(a), decimal(b)))
    },
  },
  conditions: [
    eitherFactor('nines/nines', isNines, [89n, 97n, 98n, 199n, 989n, 998n]),
    onFactors(
      'nines/zeros',
      (a, b) => (isNines(b) ? a % (b + 1n) : isNines(a) ? b % (a + 1n) : 1n) !== 0n,
      () => pairs(between(100, 1900, 100), listed([9n, 99n])),
    ),
  ],
  read(problem): Nines | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const { a, b, scale } = found
    if (!isNines(a) && !isNines(b)) return misfit(NINES.noNines)
    const [n, nines] = isNines(b) ? [a, b] : [b, a]
    return n % (nines + 1n) === 0n ? misfit(NINES.zeros) : { n, width: lengthOf(nines), scale }
  },
  *work({ n, width, scale }, variant) {
    const base = 10n ** BigInt(width)
    const [head, tail] = [n / base, n % base]
    const front = difference(n, head + 1n)
    const back = gap(tail, base)
    const value = yield* frontBack(
      {
        width,
        scale,
        front: (line) =>
          half(
            front,
            {
              action: 'front',
              place: width - scale,
              ask: head === 0n ? NINES.front(said(n)) : NINES.frontLong(said(n), said(head)),
              why: NINES.whyFront(said(n), holdsThat(front)),
              slips(slip) {
                slip('one-more-forgotten', decimal(n - head), 6, NINES.notLess(holdsThat(front)))
                slip('gap-wrong-way', decimal(n + head + 1n), 2, NINES.notLess(holdsThat(front)))
              },
            },
            line,
          ),
        back: (line) =>
          half(
            back,
            {
              action: 'back',
              place: -scale,
              ask: NINES.back(said(tail), said(base)),
              why: NINES.whyBack,
              slips: (slip) => slip('complement-left-out', decimal(tail), 4, NINES.same(holdsThat(back))),
            },
            line,
          ),
      },
      variant,
    )
    return yield* placePoint(value, scale)
  },
})
