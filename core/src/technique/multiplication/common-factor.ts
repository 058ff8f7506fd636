/**
 * multiply-common-factor: a×b + a×c = a×(b + c) when b + c is round; likewise with minus. 16×23 + 16×27 = 16×50.
 */
import { type Decimal, decimal, equal } from '../../number/decimal.js'
import { said } from '../../number/whole.js'
import type { Problem } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { COMMON_FACTOR, MISFIT } from '../../words/multiplication.js'
import { condition } from '../conditions.js'
import { wholeLine } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask, difference, holdsThat, product, sum } from '../quantities/quantities.js'
import { ofDigits } from '../quantities/rounding.js'

interface Shared {
  readonly factor: bigint
  readonly b: bigint
  readonly c: bigint
  readonly sign: 1 | -1
}

/** Do two products share a number, and do the other two make a round one? */
function sharing(problem: Problem): 'round' | 'uneven' | 'nothing' {
  if (problem.kind !== 'product-pair') return 'nothing'
  const { left, right, sign } = problem
  const others = [left, [left[1], left[0]] as const].flatMap(([a, b]) =>
    [right, [right[1], right[0]] as const].flatMap(([d, c]) =>
      equal(a, d) ? [[b.units, c.units] as const] : [],
    ),
  )
  if (others.length === 0) return 'nothing'
  return others.some(([b, c]) => (sign > 0 ? b + c : b - c) % 10n === 0n) ? 'round' : 'uneven'
}

function twoProducts(a: bigint, b: bigint, d: bigint, c: bigint): Problem {
  return {
    kind: 'product-pair',
    left: [decimal(a), decimal(b)],
    sign: 1,
    right: [decimal(d), decimal(c)],
  }
}

export const multiplyCommonFactor = technique({
  id: 'multiply-common-factor',
  words: COMMON_FACTOR,
  family: 'multiplication',
  needs: ['multiply-addition'],
  // Targets: common practice, no published source.
  levels: [
    ['One digit, making up to 50', 4, { digits: 1, most: 50 }],
    ['Two digits, making up to 50', 5, { most: 50 }],
    ['Two digits, making 100', 4, { unit: 100 }],
    ['Two digits, making up to 90', 6, { most: 90 }],
    ['A difference of two products', 6, { most: 50, minus: 1 }],
    ['Two digits, making hundreds', 7, { unit: 100, most: 900 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the common factor', 1, 3, 2),
      parameter('unit', 'The others make a multiple of', 10, 500, 10),
      parameter('most', 'The others make at most', 10, 999, 100),
      parameter('minus', 'Difference (1) or sum (0)', 0, 1, 0),
    ],
    problems({ digits = 2, unit = 10, most = 100, minus = 0 }) {
      const others = kept(
        pairs(between(unit, most, unit), between(2, most - 2)),
        ([round, b]) => b % 10n !== 0n && (minus === 1 ? b > 1n : b < round - 1n),
      )
      return mapped(pairs(ofDigits(digits, 2n), others), ([a, [round, b]]): Problem => {
        const [x, y] = minus === 1 ? [round + b, b] : [b, round - b]
        return {
          kind: 'product-pair',
          left: [decimal(a), decimal(x)],
          sign: minus === 1 ? -1 : 1,
          right: [decimal(a), decimal(y)],
        }
      })
    },
  },
  conditions: [
    condition(
      'common/shared',
      (problem) => sharing(problem) !== 'nothing',
      () =>
        // The numbers that would be shared are one apart.
        mapped(
          kept(pairs(between(12, 29), pairs(between(30, 90, 10), between(11, 29))), ([a, [round, b]]) => {
            const c = round - b
            return c > 9n && b !== c && a !== c && a + 1n !== b && b % 10n !== 0n && a !== b && a + 1n !== c
          }),
          ([a, [round, b]]) => twoProducts(a, b, a + 1n, round - b),
        ),
    ),
    condition(
      'common/round',
      (problem) => sharing(problem) !== 'uneven',
      () =>
        mapped(
          kept(
            pairs(between(12, 29), pairs(between(11, 49), between(11, 49))),
            ([a, [b, c]]) => (b + c) % 10n !== 0n && ![b, c].includes(a) && b !== c,
          ),
          ([a, [b, c]]) => twoProducts(a, b, a, c),
        ),
    ),
  ],
  read(problem): Shared | Misfit {
    if (problem.kind !== 'product-pair') return misfit(COMMON_FACTOR.onlyPairs)
    const { left, right, sign } = problem
    if ([...left, ...right].some((n) => n.scale > 0)) return misfit(MISFIT.whole)
    const units = (pair: readonly [Decimal, Decimal]) => [pair[0].units, pair[1].units] as const
    const [p, q] = [units(left), units(right)]
    for (const [a, b] of [p, [p[1], p[0]] as const])
      for (const [d, c] of [q, [q[1], q[0]] as const]) {
        if (a !== d || a === 0n) continue
        const total = sign > 0 ? b + c : b - c
        if (total > 0n && total % 10n === 0n) return { factor: a, b, c, sign }
      }
    return misfit(sharing(problem) === 'uneven' ? COMMON_FACTOR.notRound : COMMON_FACTOR.nothingShared)
  },
  *work({ factor, b, c, sign }) {
    const shared = (yield step({
      action: 'decide',
      place: 0,
      ask: COMMON_FACTOR.decide,
      why: COMMON_FACTOR.whyDecide(said(factor)),
      expect: decimal(factor),
      decision: [decimal(factor)],
      holds: [{ what: 'in both', value: decimal(factor) }],
      slips(slip) {
        for (const other of [b, c]) slip('own-gap', decimal(other), 2, COMMON_FACTOR.notShared(said(other)))
      },
    })).units
    const others = sign > 0 ? sum(b, c) : difference(b, c)
    const times = (yield ask(others, {
      action: 'running-total',
      place: 0,
      ask: COMMON_FACTOR.sum(sign > 0),
      why: COMMON_FACTOR.whySum(said(others.value.units), said(shared)),
      holds: [
        { what: 'in both', value: decimal(shared) },
        { what: 'times', value: others.value },
      ],
      total: false,
      slips(slip) {
        if (sign < 0) slip('wrong-sign', decimal(b + c), 5, COMMON_FACTOR.minus(holdsThat(others)))
      },
    })).units
    const whole = product(shared, times)
    return yield ask(whole, {
      action: 'product',
      place: 0,
      why: COMMON_FACTOR.product,
      writes: () => wholeLine(whole.value.units),
      slips: (slip) =>
        slip('doubled', decimal(2n * shared * times), 3, COMMON_FACTOR.twice(holdsThat(whole))),
    })
  },
})
