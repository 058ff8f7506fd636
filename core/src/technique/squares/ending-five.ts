/**
 * square-ending-five: drop the 5: head × (head + 1), then 25. A head of two digits and more is worked crosswise.
 * 7.5: 56|25 → 56.25. 3.125 → 312×313 = 97656|25 → 9.765625.
 */
import { decimal } from '../../number/decimal.js'
import { said, wholePart } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { squareOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { between, kept, mapped } from '../../problem/space.js'
import { POINT } from '../../words/multiplication.js'
import { ENDING_FIVE, SQUARE_MISFIT } from '../../words/squares.js'
import { onSquare } from '../conditions.js'
import { twoParts, wholeLine } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import type { Walking } from '../multiplication/columns.js'
import { placePoint } from '../multiplication/product.js'
import { headProduct } from '../multiplication/special/head.js'
import { parameter } from '../quantities/boards.js'
import { EITHER_HALF, frontBack, half } from '../quantities/front-back.js'
import { square } from '../quantities/quantities.js'
import { readSquare, type Squared } from './square.js'

const MOST_DIGITS = 8

export const squareEndingFive = technique({
  id: 'square-ending-five',
  words: ENDING_FIVE,
  family: 'squares',
  needs: ['multiply-crosswise'],
  ways: EITHER_HALF,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['Two digits', 4, {}],
    ['One decimal', 5, { decimals: 1 }],
    ['Three digits with a zero', 6, { digits: 3, zeros: 1 }],
    ['Three digits', 8, { digits: 3 }],
    ['Three digits, one decimal', 9, { digits: 3, decimals: 1 }],
    ['Three digits, two decimals', 9, { digits: 3, decimals: 2 }],
    ['Four digits', 18, { digits: 4 }],
    ['Four digits, three decimals', 20, { digits: 4, decimals: 3 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number', 2, MOST_DIGITS, 2),
      parameter('decimals', 'Decimals', 0, 4, 0),
      parameter('zeros', 'Zeros in the head', 0, 6),
    ],
    // The head is free, the 5 stands behind it.
    problems: ({ digits = 2, decimals = 0, zeros }) =>
      mapped(numberSpace([shape(digits - 1)], zeros === undefined ? {} : { zeros }), ([head]) =>
        squareOf(decimal(head!.units * 10n + 5n, decimals)),
      ),
  },
  conditions: [
    onSquare(
      'ending-five/five',
      (n) => n % 10n === 5n,
      () => kept(between(11, 99), (n) => n % 5n !== 0n),
    ),
  ],
  read(problem): Squared | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n % 10n !== 5n) return misfit(ENDING_FIVE.ends(said(found.n % 10n)))
    return found.n >= 10n ** BigInt(MOST_DIGITS) ? misfit(SQUARE_MISFIT.long(MOST_DIGITS)) : found
  },
  *work({ n, scale }, variant) {
    if (variant.half === 'back-first')
      return yield* placePoint(yield* backFirst(n, scale), scale, POINT.square)
    const front = yield* headProduct(
      n / 10n,
      2,
      (f) => () => twoParts(f, undefined, 2, { scale, draft: true }),
      scale,
    )
    const value = front * 100n + 25n
    const whole = wholePart(
      yield step({
        action: 'join',
        place: -scale,
        ask: ENDING_FIVE.ask(said(front)),
        why: ENDING_FIVE.why,
        expect: decimal(value),
        // The back alone says it too, once the front stands.
        meant: (entry) => (entry.scale === 0 && entry.units === 25n ? decimal(value) : undefined),
        total: true,
        writes: () => ({ ...wholeLine(value, scale), back: 2 - scale }),
        slips(slip) {
          slip('back-left-out', decimal(front), 4, ENDING_FIVE.missing)
          slip('not-squared', decimal(front * 10n + 5n), 3, ENDING_FIVE.five)
          slip('back-added', decimal(front + 25n), 2, ENDING_FIVE.added)
          slip('doubled-not-squared', decimal(front * 100n + 10n), 2, ENDING_FIVE.ten)
        },
      }),
    )
    return yield* placePoint(whole, scale, POINT.square)
  },
})

/** The 25 is what many say first; then the front. */
function* backFirst(n: bigint, scale: number): Walking {
  return yield* frontBack(
    {
      width: 2,
      scale,
      front: (line) => headProduct(n / 10n, 2, line, scale),
      back: (line) =>
        half(
          square(5n),
          {
            action: 'back',
            place: -scale,
            ask: ENDING_FIVE.back,
            why: ENDING_FIVE.why,
            slips: (slip) => slip('not-squared', decimal(5), 3, ENDING_FIVE.five),
          },
          line,
        ),
    },
    { half: 'back-first' },
  )
}
