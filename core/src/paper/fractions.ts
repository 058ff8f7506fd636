/** Paper kind: sums, differences, products and quotients of fractions. */
import { decimal } from '../number/decimal.js'
import { type Fraction, fraction, gcf } from '../number/fraction.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, either, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { FRACTION, MIXED } from '../question/fractions.js'
import type { AnswerKind } from '../question/kind.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { type Misfit, misfit, type SlipSink } from '../technique/make.js'
import {
  difference,
  holdsThat,
  product,
  type Quantity,
  square,
  sum,
} from '../technique/quantities/quantities.js'
import { FRACTIONS } from '../words/paper/fractions.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

/** A fraction as it is written: it need not be in lowest terms while it is worked with. */
export type Pair = readonly [over: bigint, under: bigint]

/** Fractions below one in lowest terms, the denominator at most so much. */
export const proper = (most: number): Space<Pair> =>
  kept(pairs(between(1, most - 1), between(2, most)), ([a, b]) => a < b && gcf(a, b) === 1n)

const operationsOf = (sign: '+' | '-' | '*' | '/', space: Space<readonly [Pair, Pair]>): ProblemSpace =>
  mapped(space, ([[a, b], [c, d]]) =>
    itemOf('fractions', { numbers: [0n, a, b, 0n, c, d].map((n) => decimal(n)), signs: [sign] }),
  )

const unlike = (most: number) =>
  kept(pairs(proper(most), proper(most)), ([[, b], [, d]]) => b !== d && (b * d) / gcf(b, d) <= 60n)

interface Operation {
  readonly first: Pair
  readonly second: Pair
  readonly sign: string
  readonly wholes?: readonly [bigint, bigint]
}

export const fractions = paperKind({
  id: 'paper-fractions',
  words: FRACTIONS,
  needs: ['paper-gcf-lcm'],
  levels: [
    [
      'Products and quotients',
      () =>
        either(
          operationsOf('*', pairs(proper(9), proper(9))),
          operationsOf(
            '/',
            kept(pairs(proper(9), proper(9)), ([[a, b], [c, d]]) => a * d !== b * c),
          ),
        ),
    ],
    ['Sums', () => operationsOf('+', unlike(8))],
    [
      'Differences',
      () =>
        operationsOf(
          '-',
          kept(unlike(9), ([[a, b], [c, d]]) => a * d > b * c),
        ),
    ],
    [
      'A fraction and the same turned over',
      () =>
        operationsOf(
          '+',
          kept(
            mapped(
              proper(12),
              ([a, b]) =>
                [
                  [a, b],
                  [b, a],
                ] as const,
            ),
            ([[a]]) => a > 1n,
          ),
        ),
    ],
    [
      'Sums of mixed numbers',
      () =>
        mapped(pairs(pairs(between(1, 6), between(1, 6)), unlike(8)), ([[w, v], [[a, b], [c, d]]]) =>
          itemOf('fractions', { numbers: [w, a, b, v, c, d].map((n) => decimal(n)), signs: ['+'] }),
        ),
    ],
  ],
  read(problem): Operation | Misfit {
    const item = itemOfForm(problem, FRACTIONS.none, 'fractions')
    if (isMisfit(item)) return item
    const [w, a, b, v, c, d] = item.numbers.map((n) => n.units) as [
      bigint,
      bigint,
      bigint,
      bigint,
      bigint,
      bigint,
    ]
    const [sign] = item.signs as [string]
    if (w === 0n && v === 0n) return { first: [a, b], second: [c, d], sign }
    if (sign === '+' && a > 0n && c > 0n) return { first: [a, b], second: [c, d], sign, wholes: [w, v] }
    return misfit(FRACTIONS.mixed)
  },
  work({ first, second, sign, wholes }) {
    if (sign === '*' || sign === '/') return across(first, second, sign === '/')
    const turned = sign === '+' && first[0] === second[1] && first[1] === second[0]
    return turned ? withItsReciprocal(first) : alike(first, second, sign === '+', wholes)
  },
})

/** Slips about the form of an answer: not reduced is told as another form, so these are values. */
export const wrongValue =
  (
    slip: SlipSink<Fraction>,
    over: bigint,
    under: bigint,
  ): ((odds: number, id: Parameters<SlipSink>[0], remark: string) => void) =>
  (odds, id, remark) => {
    if (under !== 0n) slip(id, fraction(over, under), odds, remark)
  }

/** A denominator that both have. */
function* commonBelow(mind: Mind, b: bigint, d: bigint) {
  const least = (b / gcf(b, d)) * d
  return yield* mind.seeNumber(least, {
    what: 'below',
    ask: FRACTIONS.askUnder,
    why: FRACTIONS.whyUnder(said(least)),
    // Any common multiple will do.
    also: (n) => n.scale === 0 && n.units > 0n && n.units % b === 0n && n.units % d === 0n,
    slips(slip) {
      slip('added-not-multiplied', decimal(b + d), 4, FRACTIONS.whyUnder(said(least)))
      slip('too-few', decimal(gcf(b, d)), 2, FRACTIONS.whyUnder(said(least)))
    },
  })
}

function* alike(
  first: Pair,
  second: Pair,
  adds: boolean,
  wholes?: readonly [bigint, bigint],
): Generator<Step, Value, Value> {
  const mind = new Mind()
  const [[a, b], [c, d]] = [first, second]
  const [w, v] = wholes ?? [0n, 0n]
  const whole = wholes
    ? yield* mind.find(sum(w, v), { what: 'wholes', ask: FRACTIONS.askWholes, why: FRACTIONS.whyWholes })
    : 0n
  const under = yield* commonBelow(mind, b, d)
  const raised = (over: bigint, of: bigint) => product(over, of === 0n ? 0n : under / of)
  const [x, y] = [raised(a, b), raised(c, d)]
  const up = (quantity: Quantity, over: bigint) => (slip: SlipSink) =>
    slip('not-multiplied', decimal(over), 4, FRACTIONS.notRaised(holdsThat(quantity)))
  const p = yield* mind.find(x, {
    what: 'first',
    ask: FRACTIONS.askFirst,
    why: FRACTIONS.whyRaised,
    action: 'product',
    slips: up(x, a),
  })
  const q = yield* mind.find(y, {
    what: 'second',
    ask: FRACTIONS.askSecond,
    why: FRACTIONS.whyRaised,
    action: 'product',
    slips: up(y, c),
  })
  const above = yield* mind.find(adds ? sum(p, q) : difference(p, q), {
    what: 'above',
    ask: FRACTIONS.askTogether,
    why: FRACTIONS.whySum,
    slips: (slip) =>
      adds
        ? slip('wrong-sign', decimal(p - q), 3, FRACTIONS.takenInstead)
        : slip('added', decimal(p + q), 3, FRACTIONS.addedInstead),
  })
  mind.letGo('first', 'second')
  const value = fraction(whole * under + above, under)
  const kind: AnswerKind<Fraction> = wholes ? MIXED : FRACTION
  return yield* answered(value, {
    kind,
    why: FRACTIONS.whyReduced,
    slips(slip) {
      wrongValue(slip, whole * (b + d) + a + (adds ? c : -c), b + d)(
        5,
        'added-not-multiplied',
        FRACTIONS.acrossAdded,
      )
      wrongValue(slip, under, above)(2, 'divided-upside-down', FRACTIONS.turned)
      if (wholes) wrongValue(slip, above, under)(3, 'part-left-out', FRACTIONS.wholesOnly)
    },
  })
}

function* across([a, b]: Pair, [c, d]: Pair, divides: boolean): Generator<Step, Value, Value> {
  const mind = new Mind()
  const [e, f] = divides ? [d, c] : [c, d]
  const [above, below] = [product(a, e), product(b, f)]
  const straight = (quantity: Quantity, n: bigint) => (slip: SlipSink) => {
    if (divides) slip('straight-not-cross', decimal(n), 5, FRACTIONS.notTurned(holdsThat(quantity)))
  }
  const over = yield* mind.find(above, {
    what: 'above',
    ask: FRACTIONS.askOver,
    why: FRACTIONS.whyOver(divides),
    action: 'product',
    slips: straight(above, a * c),
  })
  const under = yield* mind.find(below, {
    what: 'below',
    ask: FRACTIONS.askBelow,
    why: FRACTIONS.whyBelow(divides),
    action: 'product',
    slips: straight(below, b * d),
  })
  return yield* answered(fraction(over, under === 0n ? 1n : under), {
    kind: FRACTION,
    why: FRACTIONS.whyReduced,
    slips(slip) {
      wrongValue(slip, under, over)(4, 'divided-upside-down', FRACTIONS.turned)
      if (divides)
        wrongValue(slip, a * c, b * d)(
          5,
          'straight-not-cross',
          FRACTIONS.notTurned(`${said(a)} × ${said(d)} = ${said(a * d)}`),
        )
      else wrongValue(slip, a * d, b * c)(4, 'straight-not-cross', FRACTIONS.cross)
    },
  })
}

/** a/b + b/a = 2 + (a − b)² / ab. */
function* withItsReciprocal([a, b]: Pair): Generator<Step, Value, Value> {
  const mind = new Mind()
  const apart = b > a ? b - a : a - b
  const gapSquared = square(apart)
  const small = yield* mind.find(gapSquared, {
    what: 'gap squared',
    ask: FRACTIONS.askGap,
    why: FRACTIONS.whyGap,
    action: 'product',
    slips: (slip) => slip('not-squared', decimal(apart), 5, FRACTIONS.gapOnly(holdsThat(gapSquared))),
  })
  const under = yield* mind.find(product(a, b), {
    what: 'product',
    ask: FRACTIONS.askProduct,
    why: FRACTIONS.whyGap,
    action: 'product',
  })
  const below = under === 0n ? 1n : under
  return yield* answered(fraction(2n * below + small, below), {
    kind: FRACTION,
    why: FRACTIONS.whyTwo,
    slips(slip) {
      wrongValue(slip, small, below)(5, 'part-left-out', FRACTIONS.twoOnly)
      wrongValue(slip, a + b, a + b === 0n ? 1n : a + b)(3, 'added-not-multiplied', FRACTIONS.acrossAdded)
      wrongValue(slip, 2n * below - small, below)(3, 'wrong-sign', FRACTIONS.twoOnly)
    },
  })
}
