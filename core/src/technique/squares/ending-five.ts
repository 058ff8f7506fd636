/**
 * square-ending-five: drop the 5: head × (head + 1), then 25. A head of two digits and more is worked crosswise.
 * 7.5: 56|25 → 56.25. 3.125 → 312×313 = 97656|25 → 9.765625.
 */
import { decimal } from '../../number/decimal.js'
import { said, wholePart } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { squareOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { headProduct } from '../multiplication/head.js'
import { placePoint } from '../multiplication/product.js'
import { readSquare, SQUARE_DECIMALS, type Squared } from './square.js'

const MOST_DIGITS = 8

/** Numbers ending in 5: the head is free, the 5 stands behind it. */
const space = (digits: number, decimals = 0, zeros?: number) =>
  mapped(numberSpace([shape(digits - 1)], zeros === undefined ? {} : { zeros }), ([head]) =>
    squareOf(decimal(head!.units * 10n + 5n, decimals)),
  )

export const squareEndingFive = technique({
  id: 'square-ending-five',
  name: 'Ending in five',
  family: 'squares',
  about: 'Drop the 5, multiply the head by the next number, and write 25 behind.',
  needs: ['multiply-same-head'],
  lesson: {
    example: '75^2',
    when: 'The number ends in 5, with or without decimals.',
    whenNot: 'It ends in anything else.',
    because: ['75 lies midway between 70 and 80.', '75² = 70 × 80 + 5².', '7 × 8 = 56 hundreds, and 25.'],
  },
  schools: [],
  // Targets: common practice, no published source (5 s).
  levels: [
    level('Two digits', 4, () => space(2)),
    level('One decimal', 5, () => space(2, 1)),
    level('Three digits with a zero', 6, () => space(3, 0, 1)),
    level('Three digits', 8, () => space(3)),
    level('Three digits, one decimal', 9, () => space(3, 1)),
    level('Three digits, two decimals', 9, () => space(3, 2)),
    level('Four digits', 18, () => space(4)),
    level('Four digits, three decimals', 20, () => space(4, 3)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number', 2, MOST_DIGITS, 2),
      dial('decimals', 'Decimals', 0, 4, 0),
      dial('zeros', 'Zeros in the head', 0, 6),
    ],
    problems: ({ digits = 2, decimals = 0, zeros }) => space(digits, decimals, zeros),
  },
  read(problem): Squared | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n % 10n !== 5n) return misfit(`the number ends in ${found.n % 10n}, not 5`)
    return found.n >= 10n ** BigInt(MOST_DIGITS)
      ? misfit(`the number has more than ${MOST_DIGITS} digits`)
      : found
  },
  *work({ n, scale }) {
    const front = yield* headProduct(n / 10n, 2)
    const value = front * 100n + 25n
    const whole = wholePart(
      yield step({
        action: 'back',
        place: 0,
        ask: `Front ${said(front)}: write 25 behind it. What stands there?`,
        why: '5 × 5 = 25 fills the last two places.',
        expect: decimal(value),
        writes: () => ({ ...lineOf(decimal(value), 0), back: 2 }),
        slips: (slip) => {
          slip('back-left-out', decimal(front), 4, 'The 25 is still missing behind.')
          slip('back-five', decimal(front * 10n + 5n), 3, 'Behind stands 5 × 5 = 25, not 5.')
          slip(
            'back-added',
            decimal(front + 25n),
            2,
            'The 25 is written behind the front, in two places of its own.',
          )
          slip('back-ten', decimal(front * 100n + 10n), 2, '5 × 5 = 25, not 10.')
        },
      }),
    )
    return yield* placePoint(whole, scale, SQUARE_DECIMALS)
  },
})
