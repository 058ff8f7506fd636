/**
 * multiply-common-factor: a×b + a×c = a×(b + c) when b + c is round; likewise with minus. 16×23 + 16×27 = 16×50.
 */
import { type Decimal, decimal } from '../../number/decimal.js'
import { lengthOf, said } from '../../number/whole.js'
import type { Problem } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { differenceLoad, productLoad, sumLoad } from '../facts.js'
import { level } from '../level.js'
import { BLANK, lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { ofDigits } from '../rounding.js'
import { additionSlips, productSlips, takingSlips } from '../slips.js'

interface Shared {
  readonly factor: bigint
  readonly b: bigint
  readonly c: bigint
  readonly sign: 1 | -1
  readonly scale: number
}

/** Sums of two products with a factor in common whose other factors make a multiple of `unit` up to `most`. */
const space = (digits: number, unit: number, most: number, minus = false) =>
  mapped(
    pairs(
      ofDigits(digits, 2n),
      kept(
        pairs(between(unit, most, unit), between(2, most - 2)),
        ([round, b]) => b % 10n !== 0n && (minus ? b > 1n : b < round - 1n),
      ),
    ),
    ([a, [round, b]]): Problem => {
      const [x, y] = minus ? [round + b, b] : [b, round - b]
      return {
        kind: 'product-pair',
        left: [decimal(a), decimal(x)],
        sign: minus ? -1 : 1,
        right: [decimal(a), decimal(y)],
      }
    },
  )

export const multiplyCommonFactor = technique({
  id: 'multiply-common-factor',
  name: 'Common factor',
  family: 'multiplication',
  about: 'Two products share a factor and the other two make a round number: multiply once.',
  needs: ['multiply-addition'],
  lesson: {
    example: '16*23+16*27',
    when: 'The same number is multiplied twice, and the others add up (or differ by) a round number.',
    whenNot: 'They share nothing: work each product and add.',
    because: [
      '16 × 23 + 16 × 27 is 23 sixteens and 27 sixteens.',
      'Together 50 sixteens: 16 × (23 + 27).',
      'One round product takes the place of two and a sum.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('One digit, making up to 50', 4, () => space(1, 10, 50)),
    level('Two digits, making up to 50', 5, () => space(2, 10, 50)),
    level('Two digits, making 100', 4, () => space(2, 100, 100)),
    level('Two digits, making up to 90', 6, () => space(2, 10, 90)),
    level('A difference of two products', 6, () => space(2, 10, 50, true)),
    level('Two digits, making hundreds', 7, () => space(2, 100, 900)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the common factor', 1, 3, 2),
      dial('unit', 'The others make a multiple of', 10, 500, 10),
      dial('most', 'The others make at most', 10, 999, 100),
      dial('minus', 'Difference (1) or sum (0)', 0, 1, 0),
    ],
    problems: ({ digits = 2, unit = 10, most = 100, minus = 0 }) => space(digits, unit, most, minus === 1),
  },
  read(problem): Shared | Misfit {
    if (problem.kind !== 'product-pair') return misfit('it works two products joined by + or −')
    const { left, right, sign } = problem
    const scale = Math.max(...[...left, ...right].map((n) => n.scale))
    if (scale > 0) return misfit('the factors must be whole numbers')
    const units = (pair: readonly [Decimal, Decimal]) => [pair[0].units, pair[1].units] as const
    const [p, q] = [units(left), units(right)]
    for (const [a, b] of [p, [p[1], p[0]] as const])
      for (const [d, c] of [q, [q[1], q[0]] as const]) {
        if (a !== d || a === 0n) continue
        const total = sign > 0 ? b + c : b - c
        if (total > 0n && total % 10n === 0n) return { factor: a, b, c, sign, scale: 0 }
      }
    return p.some((n) => q.includes(n))
      ? misfit(`with a factor in common, the others do not make a round number`)
      : misfit('the two products have no factor in common')
  },
  *work({ factor, b, c, sign }) {
    const total = sign > 0 ? b + c : b - c
    const word = sign > 0 ? '+' : '−'
    const sum = (yield step({
      action: 'running-total',
      place: 0,
      ask: `${said(factor)} is in both products. ${said(b)} ${word} ${said(c)}: how much?`,
      why: `${said(b)} times ${said(factor)} ${sign > 0 ? 'and' : 'less'} ${said(c)} times ${said(factor)} is ${said(total)} times ${said(factor)}.`,
      expect: decimal(total),
      writes: BLANK,
      holds: [{ what: 'times', value: decimal(total) }],
      load: () => (sign > 0 ? sumLoad(b, c) : differenceLoad(b, c)),
      slips: (slip) => {
        if (sign > 0) additionSlips(slip, b, c)
        else {
          slip('wrong-sign', decimal(b + c), 5, `The second product is taken away: ${said(b)} − ${said(c)}.`)
          takingSlips(slip, b, c)
        }
      },
    })).units
    return yield step({
      action: 'product',
      place: lengthOf(factor * sum) - 1,
      ask: `${said(factor)} × ${said(sum)}: how much?`,
      why: 'One round product takes the place of two.',
      expect: decimal(factor * sum),
      writes: () => lineOf(decimal(factor * sum), 0),
      load: () => productLoad(factor, sum),
      slips: (slip) => {
        slip(
          'factor-twice',
          decimal(2n * factor * sum),
          3,
          `The common factor is taken once: ${said(factor)} × ${said(sum)}.`,
        )
        productSlips(slip, factor, sum)
      },
    })
  },
})
