/**
 * multiply-same-head: same tens, units summing to 10: head × (head + 1) | product of the units, two digits.
 * 63×67: 42|21. 71×79: 56|09.
 */
import { decimal } from '../../number/decimal.js'
import { said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { productLoad } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { headProduct } from './head.js'
import { backLine, join, readWholeFactors } from './product.js'

interface Heads {
  readonly head: bigint
  readonly units: readonly [bigint, bigint]
}

const space = (digits: number, padded?: boolean, largest = 10n ** BigInt(digits - 1) - 1n) =>
  mapped(
    pairs(
      between(10n ** BigInt(digits - 2), largest),
      kept(between(1, 9), (u) => u !== 5n && (padded === undefined || (u === 1n || u === 9n) === padded)),
    ),
    ([head, u]) => productOf(decimal(head * 10n + u), decimal(head * 10n + 10n - u)),
  )

export const multiplySameHead = technique({
  id: 'multiply-same-head',
  name: 'Same head',
  family: 'multiplication',
  about: 'The same head and units that sum to 10: head times the next number, then the product of the units.',
  needs: ['multiply-crosswise'],
  lesson: {
    example: '63*67',
    when: 'Both factors begin alike and their units sum to 10.',
    whenNot: 'The units sum to anything but 10: go crosswise.',
    because: [
      '63 × 67 = 60×60 + 60×(3 + 7) + 3×7.',
      '3 + 7 = 10, so the middle is one more head: 60 × 70 = 6×7 hundreds.',
      '3 × 7 is left for the last two places.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source (5 s).
  levels: [
    level('Small heads, the back has two digits', 5, () => space(2, false, 5n)),
    level('Two digits, the back has two digits', 5, () => space(2, false)),
    level('Two digits, the back must be padded', 5, () => space(2, true)),
    level('Two digits', 5, () => space(2)),
    level('Three digits, heads to 19', 8, () => space(3, undefined, 19n)),
    level('Three digits', 12, () => space(3)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of each factor', 2, 5, 2),
      dial('padded', 'Back to be padded (1) or not (0)', 0, 1),
    ],
    problems: ({ digits = 2, padded }) => space(digits, padded === undefined ? undefined : padded === 1),
  },
  read(problem): Heads | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    const { a, b } = found
    if (a < 10n || b < 10n) return misfit('each factor needs a head and a unit: two digits at least')
    if (a / 10n !== b / 10n) return misfit(`the heads differ: ${said(a / 10n)} and ${said(b / 10n)}`)
    if (a >= 10n ** 7n) return misfit('the factors have more than 7 digits')
    const units = [a % 10n, b % 10n] as const
    return units[0] + units[1] === 10n
      ? { head: a / 10n, units }
      : misfit(`the units sum to ${units[0] + units[1]}, not 10`)
  },
  *work({ head, units: [u, v] }) {
    const front = yield* headProduct(head, 2)
    const right = `${u} × ${v} = ${u * v}`
    const back = (yield step({
      action: 'back',
      place: 0,
      ask: `Back: ${u} × ${v}. How much?`,
      why: 'Units times units stay in the last two places.',
      expect: decimal(u * v),
      writes: backLine(front, u * v, 2),
      holds: [{ what: 'front', value: decimal(front) }],
      load: () => productLoad(u, v),
      slips: (slip) => {
        slip('units-added', decimal(u + v), 3, `The units are multiplied: ${right}.`)
        for (const off of [-u, u, -v, v])
          slip('fact', decimal(u * v + off), 2, `A table fact is off. ${right}.`)
      },
    })).units
    return decimal(yield* join(front, back, 2))
  },
})
