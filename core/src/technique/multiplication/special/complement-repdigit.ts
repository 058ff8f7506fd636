/**
 * multiply-complement-repdigit: one factor's two digits sum to 10, the other is two equal digits. Front:
 * (tens + 1) × digit; back: units × digit, always two digits. 64×33: 21|12. 91×22: 20|02.
 */
import { decimal } from '../../../number/decimal.js'
import { digitsOf, said, size } from '../../../number/whole.js'
import { productOf } from '../../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../../problem/space.js'
import { REPDIGIT } from '../../../words/multiplication.js'
import { onFactors } from '../../conditions.js'
import { type Misfit, misfit, technique } from '../../make.js'
import { parameter } from '../../quantities/boards.js'
import { EITHER_HALF, frontBack, half } from '../../quantities/front-back.js'
import { holdsThat, product } from '../../quantities/quantities.js'
import { eitherWay } from '../../quantities/rounding.js'
import { readWholeFactors } from '../product.js'

interface Pair {
  readonly tens: bigint
  readonly units: bigint
  /** The repeated digit. */
  readonly digit: bigint
}

const twins = (n: bigint) => n >= 11n && n <= 99n && n % 11n === 0n
const sum = (n: bigint) => digitsOf(n).reduce((total, d) => total + d, 0)

export const multiplyComplementRepdigit = technique({
  id: 'multiply-complement-repdigit',
  words: REPDIGIT,
  family: 'multiplication',
  needs: ['multiply-addition'],
  ways: EITHER_HALF,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['The back has two digits', 5, { padded: 0, turned: 0 }],
    ['The back must be padded', 5, { padded: 1, turned: 0 }],
    ['The twins stand first', 5, { turned: 1 }],
    ['All of them', 5, {}],
  ],
  parameters: {
    parameters: [
      parameter('digit', 'The repeated digit', 1, 9),
      parameter('padded', 'Back to be padded (1) or not (0)', 0, 1),
      parameter('turned', 'Twins first (1) or second (0)', 0, 1),
    ],
    problems({ digit, padded, turned }) {
      const all = pairs(between(0, 1), pairs(between(1, 9), between(1, 9)))
      const wanted = kept(
        all,
        ([order, [tens, d]]) =>
          (padded === undefined || (10n - tens) * d < 10n === (padded === 1)) &&
          (turned === undefined || order === BigInt(turned)) &&
          (digit === undefined || d === BigInt(digit)) &&
          // 55 × 55 is the same either way round.
          !(order === 1n && tens === 5n && d === 5n),
      )
      return mapped(wanted, ([order, [tens, d]]) => {
        const [a, b] = [decimal(9n * tens + 10n), decimal(11n * d)]
        return order === 1n ? productOf(b, a) : productOf(a, b)
      })
    },
  },
  conditions: [
    onFactors(
      'ten-pair/twins',
      (a, b) => twins(a) || twins(b),
      // Digits that make 10, and a number whose digits are just not equal.
      () =>
        kept(
          eitherWay(
            mapped(between(1, 9), (t) => 9n * t + 10n),
            between(12, 98),
          ),
          ([a, b]) => {
            const [x, y] = [a / 10n - (a % 10n), b / 10n - (b % 10n)]
            return !twins(a) && !twins(b) && (size(x) === 1n || size(y) === 1n)
          },
        ),
    ),
    onFactors(
      'ten-pair/ten',
      (a, b) => (twins(a) || twins(b) ? (twins(b) && sum(a) === 10) || (twins(a) && sum(b) === 10) : true),
      () =>
        kept(
          eitherWay(
            mapped(between(1, 9), (d) => 11n * d),
            between(12, 98),
          ),
          ([a, b]) => !(twins(a) && twins(b)) && [9, 11].includes(twins(a) ? sum(b) : sum(a)),
        ),
    ),
  ],
  read(problem): Pair | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    for (const [pair, twin] of [
      [found.a, found.b],
      [found.b, found.a],
    ] as const)
      if (twins(twin) && pair >= 10n && pair <= 99n && sum(pair) === 10)
        return { tens: pair / 10n, units: pair % 10n, digit: twin % 10n }
    if (!twins(found.a) && !twins(found.b)) return misfit(REPDIGIT.noTwins)
    const other = twins(found.b) ? found.a : found.b
    return misfit(
      other > 99n || other < 10n ? REPDIGIT.notTwo(said(other)) : REPDIGIT.sum(said(other), sum(other)),
    )
  },
  *work({ tens, units, digit }, variant) {
    const front = product(tens + 1n, digit)
    const back = product(units, digit)
    const value = yield* frontBack(
      {
        width: 2,
        front: (line) =>
          half(
            front,
            {
              action: 'front',
              place: 2,
              ask: REPDIGIT.front(said(tens), said(digit)),
              why: REPDIGIT.whyFront(said(tens), said(units), said(digit)),
              slips(slip) {
                slip('one-more-forgotten', decimal(tens * digit), 8, REPDIGIT.oneMore(holdsThat(front)))
                slip(
                  'units-in-front',
                  decimal((units + 1n) * digit),
                  2,
                  REPDIGIT.wrongDigit(said(tens), holdsThat(front)),
                )
              },
            },
            line,
          ),
        back: (line) =>
          half(
            back,
            {
              action: 'back',
              place: 0,
              ask: REPDIGIT.back(said(units), said(digit)),
              why: REPDIGIT.whyBack,
              slips(slip) {
                slip(
                  'tens-behind',
                  decimal(tens * digit),
                  3,
                  REPDIGIT.tensBehind(said(units), holdsThat(back)),
                )
                slip(
                  'one-more-behind',
                  decimal((units + 1n) * digit),
                  2,
                  REPDIGIT.oneMoreBehind(holdsThat(back)),
                )
              },
            },
            line,
          ),
      },
      variant,
    )
    return decimal(value)
  },
})
