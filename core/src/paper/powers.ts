/** Paper kinds about squares, cubes and powers, and the subsets of a set. */

import { decimal } from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { asSquare, squareOf } from '../problem/problem.js'
import {
  between,
  either,
  kept,
  listed,
  mapped,
  type ProblemSpace,
  pairs,
  type Space,
} from '../problem/space.js'
import { WHOLE } from '../question/kind.js'
import type { SlipSink } from '../technique/make.js'
import { type Misfit, misfit } from '../technique/make.js'
import {
  difference,
  gap,
  holdsThat,
  product,
  type Quantity,
  square,
  sum,
} from '../technique/quantities/quantities.js'
import { BY_HEART, NEAR_FIFTY, POWERS, SQUARE_DIFFERENCE, SUBSETS } from '../words/paper/products.js'
import { answered, answeredBy, answeredOnLine, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

const squaresOf = (numbers: Space<bigint>) => mapped(numbers, (n) => squareOf(decimal(n)))
const FIFTY = 50n

export const nearFifty = paperKind({
  id: 'paper-near-fifty',
  words: NEAR_FIFTY,
  needs: ['multiply-addition'],
  levels: [
    ['One to nine above 50', () => squaresOf(between(51, 59))],
    ['One to nine below 50', () => squaresOf(between(41, 49))],
    ['Up to fifteen away', () => squaresOf(kept(between(35, 65), (n) => n % 10n !== 0n))],
  ],
  read(problem): { readonly n: bigint } | Misfit {
    const number = asSquare(problem)
    const n = number && number.scale === 0 ? number.units : 0n
    return n >= 35n && n <= 65n && n !== FIFTY ? { n } : misfit(NEAR_FIFTY.far(said(n)))
  },
  *work({ n }) {
    const mind = new Mind()
    const above = n > FIFTY
    const away = gap(n, FIFTY)
    const d = yield* mind.find(away, {
      what: 'gap',
      ask: NEAR_FIFTY.askGap,
      why: NEAR_FIFTY.whyGap(holdsThat(away)),
      action: 'deviation',
    })
    const front = above ? sum(25n, d) : difference(25n, d)
    const hundreds = yield* mind.find(front, {
      what: 'hundreds',
      ask: NEAR_FIFTY.askFront,
      why: NEAR_FIFTY.whyFront(above),
      slips(slip) {
        slip('gap-wrong-way', decimal(above ? 25n - d : 25n + d), 4, NEAR_FIFTY.wrongWay(holdsThat(front)))
        slip('own-gap', decimal(n), 3, NEAR_FIFTY.fifty(holdsThat(front)))
        slip('gap-twice', decimal(above ? 25n + 2n * d : 25n - 2n * d), 2, NEAR_FIFTY.twice(holdsThat(front)))
      },
    })
    const small = square(d)
    const back = yield* mind.find(small, {
      what: 'gap squared',
      ask: NEAR_FIFTY.askBack,
      why: NEAR_FIFTY.whyBack,
      action: 'product',
    })
    return yield* answeredOnLine(sum(100n * hundreds, back), { why: NEAR_FIFTY.whyJoin })
  },
})

export const squaresByHeart = paperKind({
  id: 'paper-squares',
  words: BY_HEART.squares,
  levels: [
    ['To 12', () => squaresOf(between(2, 12))],
    ['11 to 20', () => squaresOf(between(11, 20))],
    ['13 to 25', () => squaresOf(between(13, 25))],
  ],
  read(problem): { readonly n: bigint } | Misfit {
    const number = asSquare(problem)
    const n = number && number.scale === 0 ? number.units : 0n
    return n >= 2n && n <= 25n ? { n } : misfit(BY_HEART.squares.range)
  },
  *work({ n }) {
    const whole = square(n)
    return yield* answeredOnLine(whole, {
      why: BY_HEART.squares.why,
      slips(slip) {
        for (const m of [n - 1n, n + 1n])
          slip('fact', decimal(m * m), 4, BY_HEART.squares.neighbour(holdsThat(whole)))
      },
    })
  },
})

const powerOf = (a: bigint, n: bigint) => itemOf('power', { numbers: [decimal(a), decimal(n)], signs: [] })
const powersOf = (space: Space<readonly [bigint, bigint]>): ProblemSpace =>
  mapped(space, ([a, n]) => powerOf(a, n))

export const cubes = paperKind({
  id: 'paper-cubes',
  words: BY_HEART.cubes,
  needs: ['paper-squares'],
  levels: [
    ['To 6', () => powersOf(pairs(between(2, 6), listed([3n])))],
    ['To 10', () => powersOf(pairs(between(2, 10), listed([3n])))],
    ['To 15', () => powersOf(pairs(between(5, 15), listed([3n])))],
  ],
  read(problem): { readonly n: bigint } | Misfit {
    const item = itemOfForm(problem, BY_HEART.cubes.range, 'power')
    if (isMisfit(item)) return item
    const [n, exponent] = firstOf(
      1,
      item.numbers.map((m) => m.units),
    )
    const fits = item.numbers.length === 2 && exponent === 3n && n >= 2n && n <= 15n
    return fits ? { n } : misfit(BY_HEART.cubes.range)
  },
  *work({ n }) {
    const mind = new Mind()
    const squared = yield* mind.find(square(n), {
      what: 'square',
      ask: BY_HEART.cubes.ask,
      why: BY_HEART.cubes.why,
      action: 'product',
    })
    const cube = product(squared, n)
    return yield* answeredBy(cube, {
      why: BY_HEART.cubes.whyCube,
      slips(slip) {
        slip('doubled-not-squared', decimal(3n * n), 3, BY_HEART.cubes.tripled(holdsThat(cube)))
        slip('not-multiplied', decimal(squared), 4, BY_HEART.cubes.squareOnly(holdsThat(cube)))
      },
    })
  },
})

const differenceOfSquares = (sums: readonly bigint[], most: bigint) =>
  mapped(
    kept(
      pairs(listed(sums), between(2, most)),
      ([s, d]) => (s + d) % 2n === 0n && d < s && ((s + d) / 2n) % 10n !== 0n,
    ),
    ([s, d]) =>
      itemOf('square-difference', { numbers: [decimal((s + d) / 2n), decimal((s - d) / 2n)], signs: [] }),
  )

export const squareDifference = paperKind({
  id: 'paper-square-difference',
  words: SQUARE_DIFFERENCE,
  needs: ['multiply-addition'],
  levels: [
    ['Together a round ten to 60', () => differenceOfSquares([20n, 30n, 40n, 50n, 60n], 8n)],
    ['Together 100', () => differenceOfSquares([100n], 40n)],
    ['Together a round ten to 200', () => differenceOfSquares([80n, 90n, 120n, 140n, 160n, 180n, 200n], 20n)],
    [
      'Neighbours and near ones',
      () =>
        mapped(pairs(between(16, 60), between(1, 3)), ([b, d]) =>
          itemOf('square-difference', { numbers: [decimal(b + d), decimal(b)], signs: [] }),
        ),
    ],
  ],
  read(problem): { readonly a: bigint; readonly b: bigint } | Misfit {
    const item = itemOfForm(problem, SQUARE_DIFFERENCE.none, 'square-difference')
    if (isMisfit(item)) return item
    const [a, b] = firstOf(
      2,
      item.numbers.map((m) => m.units),
    )
    return { a, b }
  },
  *work({ a, b }) {
    const mind = new Mind()
    const both = yield* mind.find(sum(a, b), {
      what: 'sum',
      ask: SQUARE_DIFFERENCE.askSum,
      why: SQUARE_DIFFERENCE.why,
    })
    const less = difference(a, b)
    const apart = yield* mind.find(less, {
      what: 'difference',
      ask: SQUARE_DIFFERENCE.askDifference,
      why: SQUARE_DIFFERENCE.why,
    })
    const whole = product(both, apart)
    return yield* answeredBy(whole, {
      why: SQUARE_DIFFERENCE.why,
      slips(slip) {
        slip('squared', decimal(apart * apart), 5, SQUARE_DIFFERENCE.squared(holdsThat(whole)))
        if (apart !== 1n)
          slip('not-multiplied', decimal(both), 4, SQUARE_DIFFERENCE.sumOnly(holdsThat(whole)))
      },
    })
  },
})

/** The largest power that is worked in the head. */
const MOST_POWER = 100_000n

interface Power {
  readonly base: bigint
  readonly exponent: bigint
  /** Of a product or quotient: both exponents and whether they are added. */
  readonly from?: { readonly first: bigint; readonly second: bigint; readonly adds: boolean }
}

const lawOf = (
  sign: '*' | '/',
  bases: Space<bigint>,
  exponents: Space<readonly [bigint, bigint]>,
): ProblemSpace =>
  mapped(pairs(bases, exponents), ([a, [m, n]]) =>
    itemOf('power', { numbers: [a, m, a, n].map((x) => decimal(x)), signs: [sign] }),
  )

const powersUpTo = (most: bigint, exponents: readonly bigint[], bases: Space<bigint>) =>
  powersOf(kept(pairs(bases, listed(exponents)), ([a, n]) => a ** n <= most))

export const powers = paperKind({
  id: 'paper-powers',
  words: POWERS,
  levels: [
    [
      'Powers of 2, 3 and 10',
      () => powersUpTo(1100n, [3n, 4n, 5n, 6n, 7n, 8n, 9n, 10n], listed([2n, 3n, 10n])),
    ],
    [
      'Quotients of powers',
      () =>
        lawOf(
          '/',
          between(2, 9),
          mapped(pairs(between(2, 9), between(1, 2)), ([n, d]) => [n + d, n] as const),
        ),
    ],
    [
      'Products of powers',
      () =>
        either(
          lawOf(
            '*',
            listed([2n]),
            kept(pairs(between(1, 5), between(1, 5)), ([m, n]) => m + n > 2n && !(m === 2n && n === 2n)),
          ),
          lawOf(
            '*',
            listed([3n, 10n]),
            kept(pairs(between(1, 4), between(1, 4)), ([m, n]) => m + n > 2n && m + n < 6n),
          ),
        ),
    ],
    ['Up to 7000', () => powersUpTo(7000n, [3n, 4n, 5n, 6n], between(4, 19))],
  ],
  read(problem): Power | Misfit {
    const item = itemOfForm(problem, POWERS.none, 'power')
    if (isMisfit(item)) return item
    const [base, m, other, n] = firstOf(
      2,
      item.numbers.map((x) => x.units),
    )
    if (other !== undefined && other !== base) return misfit(POWERS.none)
    const adds = item.signs[0] === '*'
    const exponent = n === undefined ? m : adds ? m + n : m - n
    if (base < 2n || exponent < 1n) return misfit(POWERS.none)
    if (base ** exponent > MOST_POWER) return misfit(POWERS.large)
    return { base, exponent, ...(n !== undefined && { from: { first: m, second: n, adds } }) }
  },
  *work({ base, exponent: wanted, from }) {
    const mind = new Mind()
    let exponent = wanted
    if (from) {
      const { first, second, adds } = from
      const together = adds ? sum(first, second) : difference(first, second)
      exponent = yield* mind.find(together, {
        what: 'exponent',
        ask: POWERS.askExponent,
        why: adds ? POWERS.whyProduct : POWERS.whyQuotient,
        slips(slip) {
          if (adds) slip('not-multiplied', decimal(first * second), 4, POWERS.multiplied(holdsThat(together)))
          else {
            slip('added', decimal(first + second), 4, POWERS.added(holdsThat(together)))
            if (first % second === 0n)
              slip('divided-upside-down', decimal(first / second), 4, POWERS.added(holdsThat(together)))
          }
        },
      })
    }
    // A slip of the exponent leads no further than a few digits.
    if (exponent > 12n) exponent = 12n
    return yield* raisedTo(mind, base, exponent)
  },
})

/** A power through the power with half the factors. */
function* raisedTo(mind: Mind, base: bigint, exponent: bigint): ReturnType<typeof answeredBy> {
  if (exponent < 1n) return yield* answered(decimal(1n), { kind: WHOLE, why: POWERS.whyOne })
  if (exponent === 1n) return yield* answered(decimal(base), { kind: WHOLE, why: POWERS.whyOne })
  const [small, large] = [exponent / 2n, exponent - exponent / 2n]
  const half = power(base, large)
  const known =
    large === 1n
      ? base
      : yield* mind.find(half, {
          what: 'half',
          ask: POWERS.askHalf(String(large)),
          why: POWERS.whyHalf(String(large)),
          action: 'product',
          slips: (slip) =>
            slip('doubled-not-squared', decimal(base * large), 4, POWERS.times(holdsThat(half))),
        })
  const whole = product(known, small === large ? known : small === 1n ? base : known / base)
  return yield* answeredBy(whole, {
    why: POWERS.why,
    slips(slip: SlipSink) {
      slip('doubled-not-squared', decimal(base * exponent), 4, POWERS.times(holdsThat(whole)))
      if (large > 1n) slip('not-multiplied', decimal(known), 3, POWERS.halfOnly(holdsThat(whole)))
      slip('factor-left-out', decimal(base ** (exponent - 1n)), 4, POWERS.onceMore(holdsThat(whole)))
    },
  })
}

/** A small power, known or counted up. */
function power(base: bigint, exponent: bigint): Quantity {
  return {
    ...product(base ** (exponent - 1n), base),
    text: `${said(base ** (exponent - 1n))} × ${said(base)}`,
  }
}

export const subsets = paperKind({
  id: 'paper-subsets',
  words: SUBSETS,
  levels: [
    ['Of 2 to 5', () => subsetsOf(between(2, 5))],
    ['Of 4 to 8', () => subsetsOf(between(4, 8))],
    ['Of 6 to 10', () => subsetsOf(between(6, 10))],
  ],
  read(problem): { readonly n: bigint } | Misfit {
    const item = itemOfForm(problem, SUBSETS.none, 'subsets')
    if (isMisfit(item)) return item
    const n = present(item.numbers[0]).units
    return n >= 2n && n <= 12n ? { n } : misfit(SUBSETS.none)
  },
  *work({ n }) {
    const mind = new Mind()
    const [small, large] = [n / 2n, n - n / 2n]
    const half = large === 1n ? undefined : power(2n, large)
    const first = half
      ? yield* mind.find(half, {
          what: 'first part',
          ask: SUBSETS.ask(String(large)),
          why: SUBSETS.whyHalf,
          action: 'product',
          slips: (slip) => slip('doubled', decimal(2n * large), 3, SUBSETS.doubled(holdsThat(half))),
        })
      : 2n
    const whole = product(first, small === large ? first : 2n ** small)
    return yield* answeredBy(whole, {
      why: SUBSETS.why,
      slips(slip) {
        slip('doubled', decimal(2n * n), 4, SUBSETS.doubled(holdsThat(whole)))
        slip('squared', decimal(n * n), 4, SUBSETS.squared(holdsThat(whole)))
        slip('too-few', decimal(2n ** n - 1n), 4, SUBSETS.empty(holdsThat(whole)))
        slip('factor-left-out', decimal(2n ** (n - 1n)), 3, SUBSETS.once(holdsThat(whole)))
      },
    })
  },
})

function subsetsOf(numbers: Space<bigint>): ProblemSpace {
  return mapped(numbers, (n) => itemOf('subsets', { numbers: [decimal(n)], signs: [] }))
}
