/** Paper kind: times 75, as three quarters of a hundred. 28 × 75: 28 ÷ 4 = 7, 7 × 3 = 21, 2100. */

import { decimal } from '../number/decimal.js'
import { said } from '../number/whole.js'
import { asProduct, productOf } from '../problem/problem.js'
import { between, kept, listed, mapped } from '../problem/space.js'
import type { Misfit } from '../technique/make.js'
import { misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { holdsThat, product } from '../technique/quantities/quantities.js'
import { eitherWay } from '../technique/quantities/rounding.js'
import { BY_SEVENTY_FIVE } from '../words/paper/products.js'
import { answeredOnLine, Mind, paperKind } from './kind.js'

const QUARTERS = 4n
const TAKEN = 3n
const WHOLE = 100n
const BY = 75n

/** Fours that end in no zero: those are easier in tens. */
const timesBy = (least: number, most: number) =>
  mapped(
    eitherWay(
      kept(between(least, most), (n) => n % QUARTERS === 0n && n % 10n !== 0n),
      listed([BY]),
    ),
    ([a, b]) => productOf(decimal(a), decimal(b)),
  )

interface SeventyFive {
  readonly n: bigint
}

export const bySeventyFive = paperKind({
  id: 'paper-by-seventy-five',
  words: BY_SEVENTY_FIVE,
  needs: ['paper-by-fives'],
  levels: [
    ['Fours up to 48', () => timesBy(4, 48)],
    ['Two digits', () => timesBy(12, 96)],
    ['Three digits', () => timesBy(104, 396)],
    ['Three digits, any four', () => timesBy(104, 996)],
  ],
  read(problem): SeventyFive | Misfit {
    const factors = asProduct(problem)
    if (!factors || factors.some((f) => f.scale > 0 || f.units === 0n)) return misfit(BY_SEVENTY_FIVE.none)
    const [a, b] = [factors[0].units, factors[1].units]
    const [n, by] = b === BY ? [a, b] : [b, a]
    if (by !== BY) return misfit(BY_SEVENTY_FIVE.none)
    return n % QUARTERS === 0n ? { n } : misfit(BY_SEVENTY_FIVE.uneven(said(n)))
  },
  *work({ n }) {
    const mind = new Mind()
    const fourth = quotient(n, QUARTERS)
    const quarter = yield* mind.find(fourth, {
      what: 'quarter',
      ask: BY_SEVENTY_FIVE.askQuarter,
      why: BY_SEVENTY_FIVE.whyQuarter(holdsThat(fourth)),
      action: 'quotient',
      slips(slip) {
        slip('wrong-part', decimal(n / 2n), 3, BY_SEVENTY_FIVE.half(holdsThat(fourth)))
        slip('not-divided', decimal(n), 3, BY_SEVENTY_FIVE.notParted(holdsThat(fourth)))
      },
    })
    const times = product(quarter, TAKEN)
    const three = yield* mind.find(times, {
      what: 'three quarters',
      ask: BY_SEVENTY_FIVE.askThree,
      why: BY_SEVENTY_FIVE.whyThree(holdsThat(times)),
      action: 'product',
      slips: (slip) => slip('factor-left-out', decimal(quarter), 4, BY_SEVENTY_FIVE.once(holdsThat(times))),
    })
    return yield* answeredOnLine(product(three, WHOLE), { why: BY_SEVENTY_FIVE.whyHundreds })
  },
})
