/**
 * multiply-complement-repdigit: one factor's two digits sum to 10, the other is two equal digits. Front:
 * (tens + 1) × digit; back: units × digit, always two digits. 64×33: 21|12. 91×22: 20|02.
 */
import { decimal } from '../../number/decimal.js'
import { digitsOf, said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { productLoad } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { backLine, frontLine, join, readWholeFactors } from './product.js'

interface Pair {
  readonly tens: bigint
  readonly units: bigint
  /** The repeated digit. */
  readonly digit: bigint
}

/** @param padded whether the back has one digit only. @param turned whether the repeated digits stand first. */
const space = ({ padded, turned, digit }: { padded?: boolean; turned?: boolean; digit?: number }) =>
  mapped(
    kept(
      pairs(between(0, 1), pairs(between(1, 9), between(1, 9))),
      ([order, [tens, d]]) =>
        (padded === undefined || (10n - tens) * d < 10n === padded) &&
        (turned === undefined || (order === 1n) === turned) &&
        (digit === undefined || d === BigInt(digit)) &&
        // 55 × 55 is the same either way round.
        !(order === 1n && tens === 5n && d === 5n),
    ),
    ([order, [tens, d]]) => {
      const [a, b] = [decimal(9n * tens + 10n), decimal(11n * d)]
      return order === 1n ? productOf(b, a) : productOf(a, b)
    },
  )

export const multiplyComplementRepdigit = technique({
  id: 'multiply-complement-repdigit',
  name: 'Ten pair times twins',
  family: 'multiplication',
  about: 'One number has digits that sum to 10, the other two equal digits: front and back come at once.',
  needs: ['multiply-crosswise'],
  lesson: {
    example: '64*33',
    when: 'Digits that sum to 10 (64) meet two equal digits (33).',
    whenNot: 'Only one of the two conditions holds.',
    because: [
      '64 × 33 = 60×30 + (60×3 + 4×30) + 4×3; the middle is (6 + 4) × 3 tens.',
      '6 + 4 = 10, so the middle is 3 hundreds: front (6 + 1) × 3 hundreds.',
      'What is left is 4 × 3, in two places.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source (5 s).
  levels: [
    level('The back has two digits', 5, () => space({ padded: false, turned: false })),
    level('The back must be padded', 5, () => space({ padded: true, turned: false })),
    level('The twins stand first', 5, () => space({ turned: true })),
    level('All of them', 5, () => space({})),
  ],
  dials: {
    dials: [
      dial('digit', 'The repeated digit', 1, 9),
      dial('padded', 'Back to be padded (1) or not (0)', 0, 1),
      dial('turned', 'Twins first (1) or second (0)', 0, 1),
    ],
    problems: ({ digit, padded, turned }) =>
      space({
        ...(digit !== undefined && { digit }),
        ...(padded !== undefined && { padded: padded === 1 }),
        ...(turned !== undefined && { turned: turned === 1 }),
      }),
  },
  read(problem): Pair | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    const ways = [
      [found.a, found.b],
      [found.b, found.a],
    ] as const
    const twins = (n: bigint) => n >= 11n && n <= 99n && n % 11n === 0n
    const sum = (n: bigint) => digitsOf(n).reduce((total, d) => total + d, 0)
    for (const [pair, twin] of ways)
      if (twins(twin) && pair >= 10n && pair <= 99n && sum(pair) === 10)
        return { tens: pair / 10n, units: pair % 10n, digit: twin % 10n }
    if (!twins(found.a) && !twins(found.b)) return misfit('no factor has two equal digits')
    const other = twins(found.b) ? found.a : found.b
    return other > 99n || other < 10n
      ? misfit(`${said(other)} has not two digits`)
      : misfit(`the digits of ${said(other)} sum to ${sum(other)}, not 10`)
  },
  *work({ tens, units, digit }) {
    const front = (yield step({
      action: 'front',
      place: 2,
      ask: `Front: ${tens} and 1 more, times ${digit}. How much?`,
      why: 'The two middle products make ten times the digit, which is one more in front.',
      expect: decimal((tens + 1n) * digit),
      writes: frontLine((tens + 1n) * digit, 2),
      load: () => ({ facts: [`${Number(tens)}+1`, ...productLoad(tens + 1n, digit).facts], carries: 0 }),
      slips: (slip) => {
        slip(
          'one-more-forgotten',
          decimal(tens * digit),
          8,
          `First one more: ${tens + 1n} × ${digit} = ${(tens + 1n) * digit}.`,
        )
        slip(
          'units-in-front',
          decimal((units + 1n) * digit),
          2,
          `The front takes the tens digit ${tens}, not the ${units}.`,
        )
        slip(
          'fact',
          decimal(tens * digit + 2n * digit),
          2,
          `A table fact is off. ${tens + 1n} × ${digit} = ${(tens + 1n) * digit}.`,
        )
        for (const off of [-(tens + 1n), tens + 1n])
          slip(
            'fact',
            decimal((tens + 1n) * digit + off),
            2,
            `A table fact is off. ${tens + 1n} × ${digit} = ${(tens + 1n) * digit}.`,
          )
      },
    })).units
    const back = (yield step({
      action: 'back',
      place: 0,
      ask: `Back: ${units} × ${digit}. How much?`,
      why: 'Units times units stay in the last two places.',
      expect: decimal(units * digit),
      writes: backLine(front, units * digit, 2),
      holds: [{ what: 'front', value: decimal(front) }],
      load: () => productLoad(units, digit),
      slips: (slip) => {
        slip(
          'tens-behind',
          decimal(tens * digit),
          3,
          `The back takes the units digit ${units}, not the ${tens}.`,
        )
        slip('one-more-behind', decimal((units + 1n) * digit), 2, `One more belongs to the front only.`)
        for (const off of [-digit, -units, units])
          slip(
            'fact',
            decimal(units * digit + off),
            2,
            `A table fact is off. ${units} × ${digit} = ${units * digit}.`,
          )
      },
    })).units
    return decimal(yield* join(front, back, 2))
  },
})
