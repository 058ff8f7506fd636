/**
 * multiply-same-head: same tens, units summing to 10: head × (head + 1) | product of the units, two digits.
 * 63×67: 42|21. 71×79: 56|09.
 */
import { decimal } from '../../../number/decimal.js'
import { said } from '../../../number/whole.js'
import { productOf } from '../../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../../problem/space.js'
import { SAME_HEAD } from '../../../words/multiplication.js'
import { onFactors } from '../../conditions.js'
import { type Misfit, misfit, technique } from '../../make.js'
import { parameter } from '../../quantities/boards.js'
import { EITHER_HALF, frontBack, half } from '../../quantities/front-back.js'
import { product } from '../../quantities/quantities.js'
import { readWholeFactors } from '../product.js'
import { headProduct } from './head.js'

interface Heads {
  readonly head: bigint
  readonly units: readonly [bigint, bigint]
}

const MOST = 10n ** 7n

export const multiplySameHead = technique({
  id: 'multiply-same-head',
  words: SAME_HEAD,
  family: 'multiplication',
  needs: ['multiply-addition'],
  ways: EITHER_HALF,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['Small heads, the back has two digits', 5, { padded: 0, head: 5 }],
    ['Two digits, the back has two digits', 5, { padded: 0 }],
    ['Two digits, the back must be padded', 5, { padded: 1 }],
    ['Two digits', 5, {}],
    ['Three digits, heads to 19', 8, { digits: 3, head: 19 }],
    ['Three digits', 12, { digits: 3 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of each number', 2, 5, 2),
      parameter('head', 'Head at most', 1, 9999),
      parameter('padded', 'Back to be padded (1) or not (0)', 0, 1),
    ],
    problems({ digits = 2, head, padded }) {
      const most = 10n ** BigInt(digits - 1) - 1n
      const heads = between(
        10n ** BigInt(digits - 2),
        head !== undefined && BigInt(head) < most ? BigInt(head) : most,
      )
      const last = kept(
        between(1, 9),
        (u) => u !== 5n && (padded === undefined || (u === 1n || u === 9n) === (padded === 1)),
      )
      return mapped(pairs(heads, last), ([h, u]) =>
        productOf(decimal(h * 10n + u), decimal(h * 10n + 10n - u)),
      )
    },
  },
  conditions: [
    onFactors(
      'same-head/heads',
      (a, b) => a / 10n === b / 10n,
      () =>
        mapped(
          kept(pairs(pairs(between(1, 9), between(1, 9)), between(1, 9)), ([[h, i]]) => h !== i),
          ([[h, i], u]) => [h * 10n + u, i * 10n + 10n - u],
        ),
    ),
    onFactors(
      'same-head/units',
      (a, b) => (a % 10n) + (b % 10n) === 10n,
      () =>
        mapped(
          kept(
            pairs(between(1, 9), pairs(between(1, 9), between(1, 9))),
            ([, [u, v]]) => u !== v && u + v !== 10n,
          ),
          ([h, [u, v]]) => [h * 10n + u, h * 10n + v],
        ),
    ),
  ],
  read(problem): Heads | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    const { a, b } = found
    if (a < 10n || b < 10n) return misfit(SAME_HEAD.short)
    if (a / 10n !== b / 10n) return misfit(SAME_HEAD.heads(said(a / 10n), said(b / 10n)))
    if (a >= MOST) return misfit(SAME_HEAD.long)
    const units = [a % 10n, b % 10n] as const
    return units[0] + units[1] === 10n
      ? { head: a / 10n, units }
      : misfit(SAME_HEAD.units(said(units[0] + units[1])))
  },
  *work({ head, units: [u, v] }, variant) {
    const value = yield* frontBack(
      {
        width: 2,
        front: (line) => headProduct(head, 2, line),
        back: (line) =>
          half(
            product(u, v),
            {
              action: 'back',
              place: 0,
              ask: SAME_HEAD.back(said(u), said(v)),
              why: SAME_HEAD.whyBack,
              slips: (slip) =>
                slip(
                  'added-not-multiplied',
                  decimal(u + v),
                  3,
                  SAME_HEAD.added(said(u), said(v), said(u * v)),
                ),
            },
            line,
          ),
      },
      variant,
    )
    return decimal(value)
  },
})
