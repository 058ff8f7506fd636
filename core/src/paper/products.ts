/** Paper kinds about products: by 5, 25, 50 and 125; by 12, 15 and 101; two numbers the same distance from a round one. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { asProduct, productOf, quotientOf } from '../problem/problem.js'
import { between, kept, listed, mapped, pairs } from '../problem/space.js'
import type { Misfit } from '../technique/make.js'
import { misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { difference, holdsThat, product, square, sum } from '../technique/quantities/quantities.js'
import { eitherWay } from '../technique/quantities/rounding.js'
import { BY_FIVES, BY_TWELVE, SAME_DISTANCE } from '../words/paper/products.js'
import { answeredOnLine, Mind, paperKind } from './kind.js'

/** 25 as 100 ÷ 4, and so on. */
const FIVES = new Map([
  [5n, { round: 10n, part: 2n }],
  [25n, { round: 100n, part: 4n }],
  [50n, { round: 100n, part: 2n }],
  [125n, { round: 1000n, part: 8n }],
])

interface Fives {
  readonly n: bigint
  readonly by: bigint
  readonly divides: boolean
}

/** Numbers with one of 5, 25, 50, 125 that can be worked through its part. */
const withFives = (fives: readonly bigint[], most: number) =>
  kept(
    pairs(between(12, most), listed(fives)),
    ([n, by]) => n % present(FIVES.get(by)).part === 0n && n % 10n !== 0n && !FIVES.has(n),
  )

const productsOfFives = (fives: readonly bigint[], most: number) =>
  mapped(pairs(between(0, 1), withFives(fives, most)), ([turned, [n, by]]) =>
    turned === 0n ? productOf(decimal(n), decimal(by)) : productOf(decimal(by), decimal(n)),
  )

const quotientsByFives = (fives: readonly bigint[], most: number) =>
  mapped(
    kept(pairs(between(12, most), listed(fives)), ([n]) => n % 10n !== 0n),
    ([n, by]) => quotientOf(decimal(n * by), decimal(by)),
  )

export const byFives = paperKind({
  id: 'paper-by-fives',
  words: BY_FIVES,
  needs: ['divide-short'],
  levels: [
    ['Times 5 and 50', () => productsOfFives([5n, 50n], 98)],
    ['Times 25', () => productsOfFives([25n], 96)],
    ['Divided by 5, 25 and 50', () => quotientsByFives([5n, 25n, 50n], 60)],
    ['Times 125', () => productsOfFives([125n], 96)],
    ['Divided by 125', () => quotientsByFives([125n], 40)],
  ],
  read(problem): Fives | Misfit {
    if (problem.kind === 'quotient') {
      const { dividend, divisor } = problem
      if (divisor.scale > 0 || dividend.scale > 0 || !FIVES.has(divisor.units)) return misfit(BY_FIVES.none)
      const n = dividend.units
      return n % divisor.units === 0n && n > 0n
        ? { n, by: divisor.units, divides: true }
        : misfit(BY_FIVES.uneven(said(n), said(divisor.units)))
    }
    const factors = asProduct(problem)
    if (!factors || factors.some((f) => f.scale > 0)) return misfit(BY_FIVES.none)
    const [a, b] = [factors[0].units, factors[1].units]
    const [n, by] = FIVES.has(b) ? [a, b] : [b, a]
    const five = FIVES.get(by)
    if (!five || n === 0n) return misfit(BY_FIVES.none)
    return n % five.part === 0n
      ? { n, by, divides: false }
      : misfit(BY_FIVES.uneven(said(n), said(five.part)))
  },
  *work({ n, by, divides }) {
    const mind = new Mind()
    const { round, part } = present(FIVES.get(by))
    const zeros = String(round).length - 1
    const is = BY_FIVES.isPart(said(by), said(round), said(part))
    const others = [2n, 4n, 8n].filter((p) => p !== part)
    if (divides) {
      const many = product(n, part)
      const times = yield* mind.find(many, {
        what: 'times',
        ask: BY_FIVES.askTimes,
        why: BY_FIVES.whyPart(holdsThat(many), is),
        action: 'product',
        slips(slip) {
          for (const p of others) slip('wrong-part', decimal(n * p), 3, BY_FIVES.otherPart(holdsThat(many)))
          slip('not-multiplied', decimal(n), 3, BY_FIVES.notTimes(holdsThat(many)))
        },
      })
      return yield* answeredOnLine(quotient(times, round), {
        why: BY_FIVES.whyTaken(said(round)),
      })
    }
    const parted = quotient(n, part)
    const hundreds = yield* mind.find(parted, {
      what: 'part',
      ask: BY_FIVES.askPart,
      why: BY_FIVES.whyPart(holdsThat(parted), is),
      action: 'quotient',
      slips(slip) {
        for (const p of others)
          if (n % p === 0n) slip('wrong-part', decimal(n / p), 3, BY_FIVES.otherPart(holdsThat(parted)))
        slip('not-divided', decimal(n), 3, BY_FIVES.notParted(holdsThat(parted)))
      },
    })
    return yield* answeredOnLine(product(hundreds, round), {
      why: BY_FIVES.whyZeros(zeros),
    })
  },
})

interface Twelve {
  readonly n: bigint
  readonly by: 12n | 15n | 101n
}

const TWELVES: readonly bigint[] = [12n, 15n, 101n]

const byOneOf = (numbers: readonly bigint[], least: number, most: number, even = false) =>
  mapped(
    eitherWay(
      kept(between(least, most), (n) => n % 10n !== 0n && !TWELVES.includes(n) && (!even || n % 2n === 0n)),
      listed(numbers),
    ),
    ([a, b]) => productOf(decimal(a), decimal(b)),
  )

export const byTwelve = paperKind({
  id: 'paper-by-twelve',
  words: BY_TWELVE,
  needs: ['multiply-addition'],
  levels: [
    ['Two digits by 12', () => byOneOf([12n], 13, 99)],
    ['Even numbers by 15', () => byOneOf([15n], 14, 98, true)],
    ['Two digits by 101', () => byOneOf([101n], 13, 99)],
    ['Three digits, by 12 or 15', () => byOneOf([12n, 15n], 102, 398, true)],
    ['Three digits by 101', () => byOneOf([101n], 111, 989)],
  ],
  read(problem): Twelve | Misfit {
    const factors = asProduct(problem)
    if (!factors || factors.some((f) => f.scale > 0 || f.units === 0n)) return misfit(BY_TWELVE.none)
    const [a, b] = [factors[0].units, factors[1].units]
    const [n, by] = TWELVES.includes(b) ? [a, b] : [b, a]
    if (!TWELVES.includes(by) || (by === 15n && n % 2n === 1n)) return misfit(BY_TWELVE.none)
    return { n, by: by as Twelve['by'] }
  },
  *work({ n, by }) {
    const mind = new Mind()
    const round = by === 101n ? 100n : 10n
    const whole = product(n, round)
    const most = yield* mind.find(whole, {
      what: 'round part',
      ask: BY_TWELVE.ask,
      why: BY_TWELVE.whyRound(said(by), said(round)),
      action: 'product',
    })
    let rest = n
    if (by !== 101n) {
      const more = by === 15n ? quotient(most, 2n) : product(n, 2n)
      rest = yield* mind.find(more, {
        what: 'rest',
        ask: BY_TWELVE.askRest,
        why: BY_TWELVE.whyRest[Number(by) as 12 | 15],
        action: by === 15n ? 'quotient' : 'product',
        slips(slip) {
          if (by === 15n) slip('not-halved', decimal(most), 3, BY_TWELVE.half(holdsThat(more)))
          slip(
            'factor-left-out',
            decimal(n),
            4,
            by === 15n ? BY_TWELVE.half(holdsThat(more)) : BY_TWELVE.once(holdsThat(more)),
          )
        },
      })
    }
    const both = sum(most, rest)
    return yield* answeredOnLine(both, {
      why: by === 101n ? BY_TWELVE.whyRest[101] : BY_TWELVE.whySum,
      slips: (slip) => slip('part-left-out', decimal(most), 4, BY_TWELVE.missing(holdsThat(both))),
    })
  },
})

interface Around {
  readonly middle: bigint
  readonly distance: bigint
}

const aroundOf = (middles: readonly bigint[], most: number) =>
  mapped(pairs(between(0, 1), pairs(listed(middles), between(1, most))), ([turned, [m, d]]) => {
    const [a, b] = turned === 0n ? [m - d, m + d] : [m + d, m - d]
    return productOf(decimal(a), decimal(b))
  })

const tens = (from: bigint, to: bigint, gap = 10n): bigint[] =>
  Array.from({ length: Number((to - from) / gap) + 1 }, (_, i) => from + BigInt(i) * gap)

export const sameDistance = paperKind({
  id: 'paper-same-distance',
  words: SAME_DISTANCE,
  needs: ['multiply-addition'],
  levels: [
    ['One to three from 20 to 50', () => aroundOf(tens(20n, 50n), 3)],
    ['One to six from 20 to 100', () => aroundOf(tens(20n, 100n), 6)],
    ['One to nine from 30 to 200', () => aroundOf(tens(30n, 200n), 9)],
    [
      'Eleven to twenty-five from 100 to 500',
      () =>
        mapped(pairs(listed(tens(100n, 500n, 100n)), between(11, 25)), ([m, d]) =>
          productOf(decimal(m - d), decimal(m + d)),
        ),
    ],
  ],
  read(problem): Around | Misfit {
    const factors = asProduct(problem)
    if (!factors || factors.some((f) => f.scale > 0)) return misfit(SAME_DISTANCE.none)
    const [a, b] = [factors[0].units, factors[1].units]
    const middle = (a + b) / 2n
    const distance = a > b ? a - middle : b - middle
    const fits = (a + b) % 20n === 0n && distance > 0n && distance < 30n && 2n * distance < middle
    return fits ? { middle, distance } : misfit(SAME_DISTANCE.none)
  },
  *work({ middle, distance }) {
    const mind = new Mind()
    const center = yield* mind.seeNumber(middle, {
      what: 'middle',
      ask: SAME_DISTANCE.askMiddle,
      why: SAME_DISTANCE.whyMiddle(said(middle), said(distance)),
      action: 'decide',
    })
    const large = square(center)
    const whole = yield* mind.find(large, {
      what: 'square',
      ask: SAME_DISTANCE.askSquare,
      why: SAME_DISTANCE.whySquare,
      action: 'product',
    })
    const small = square(distance)
    const less = yield* mind.find(small, {
      what: 'distance squared',
      ask: SAME_DISTANCE.askDistance,
      why: SAME_DISTANCE.whyDistance(said(distance)),
      action: 'product',
      slips: (slip) =>
        slip('doubled-not-squared', decimal(2n * distance), 5, SAME_DISTANCE.doubled(holdsThat(small))),
    })
    const left = difference(whole, less)
    return yield* answeredOnLine(left, {
      why: SAME_DISTANCE.whyLess,
      slips(slip) {
        slip('added', decimal(whole + less), 5, SAME_DISTANCE.added(holdsThat(left)))
        slip('part-left-out', decimal(whole), 4, SAME_DISTANCE.missing(holdsThat(left)))
      },
    })
  },
})
