/** Paper kinds about factors: greatest common factor, least common multiple, primes and divisors. */

import { decimal } from '../number/decimal.js'
import { primeFactors } from '../number/factors.js'
import { gcf } from '../number/fraction.js'
import { firstOf, present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { WHOLE } from '../question/kind.js'
import { type Misfit, misfit } from '../technique/make.js'
import { chain, quotient, total } from '../technique/quantities/chains.js'
import { difference, holdsThat, product } from '../technique/quantities/quantities.js'
import { COMMON, DIVISORS } from '../words/paper/numbers.js'
import { answered, answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

const wholesOf = (form: 'gcf' | 'lcm', space: Space<readonly [bigint, bigint]>): ProblemSpace =>
  mapped(space, (pair) => itemOf(form, { numbers: pair.map((n) => decimal(n)), signs: [] }))

/** Pairs a × g and b × g with g their greatest common factor, the larger first or last. */
const sharing = (least: number, most: number, parts: number, top: bigint) =>
  kept(
    mapped(
      pairs(between(least, most), pairs(between(2, parts), between(2, parts))),
      ([g, [a, b]]) => [g * a, g * b] as const,
    ),
    ([x, y]) => x !== y && x <= top && y <= top && gcf(x, y) >= BigInt(least) && x % y !== 0n && y % x !== 0n,
  )

interface Common {
  readonly a: bigint
  readonly b: bigint
  readonly asks: 'gcf' | 'lcm'
}

export const common = paperKind({
  id: 'paper-gcf-lcm',
  words: COMMON,
  needs: ['divide-short'],
  levels: [
    ['Greatest common factor to 100', () => wholesOf('gcf', sharing(3, 15, 7, 100n))],
    ['Least common multiple to 40', () => wholesOf('lcm', sharing(2, 10, 7, 40n))],
    ['Greatest common factor to 400', () => wholesOf('gcf', sharing(6, 30, 16, 400n))],
    ['Least common multiple to 100', () => wholesOf('lcm', sharing(4, 24, 9, 100n))],
  ],
  read(problem): Common | Misfit {
    const item = itemOfForm(problem, COMMON.none, 'gcf', 'lcm')
    if (isMisfit(item)) return item
    const [a, b] = firstOf(
      2,
      item.numbers.map((n) => n.units),
    )
    return item.numbers.length === 2 && a !== b ? { a, b, asks: item.form } : misfit(COMMON.none)
  },
  *work({ a, b, asks }) {
    const mind = new Mind()
    const [high, low] = a > b ? [a, b] : [b, a]
    const apart = yield* mind.find(difference(high, low), {
      what: 'apart',
      ask: COMMON.askDifference,
      why: COMMON.whyDifference,
    })
    const right = gcf(high, low)
    // After a slip the greatest factor that is found is one of what was entered.
    const shared = gcf(gcf(apart, high), low)
    const factor = shared > 0n ? shared : 1n
    const sentence = COMMON.whyCommon(said(factor), said(a), said(b))
    const is = COMMON.is(said(a), said(b), said(right))
    const smaller = primeFactors(factor).map(([p]) => factor / p)
    const wholeMultiple = (a / right) * b
    if (asks === 'gcf')
      return yield* answered(decimal(factor), {
        kind: WHOLE,
        ask: COMMON.askCommon,
        why: sentence,
        slips(slip) {
          for (const n of smaller) slip('too-few', decimal(n), 4, COMMON.smaller(said(factor)))
          slip('wrong-question', decimal(wholeMultiple), 5, COMMON.factorAsked(is))
          slip('too-many', decimal(apart), 4, COMMON.notBoth(said(factor)))
        },
      })
    const found = yield* mind.seeNumber(factor, {
      what: 'common factor',
      ask: COMMON.askCommon,
      why: sentence,
      slips(slip) {
        for (const n of smaller) slip('too-few', decimal(n), 4, COMMON.smaller(said(factor)))
        slip('too-many', decimal(apart), 4, COMMON.notBoth(said(factor)))
      },
    })
    // A slip on the way may have left nothing for a factor.
    const part = quotient(a, found === 0n ? 1n : found)
    const lacks = yield* mind.find(part, { what: 'part', ask: COMMON.askPart, why: COMMON.whyPart })
    const multiple = product(lacks, b)
    return yield* answeredBy(multiple, {
      why: COMMON.whyMultiple,
      slips(slip) {
        slip('wrong-question', decimal(found), 5, COMMON.multipleAsked(holdsThat(multiple)))
        slip('not-divided', decimal(a * b), 5, COMMON.product(holdsThat(multiple)))
      },
    })
  },
})

interface Divided {
  readonly n: bigint
  readonly asks: 'primes' | 'divisors' | 'divisorsum'
}

/** The largest prime factor that is seen at a glance. */
const MOST_PRIME = 31n

const aboutOf = (asks: Divided['asks'], space: Space<bigint>, kinds: number, most: bigint): ProblemSpace =>
  mapped(
    kept(space, (n) => {
      const factors = primeFactors(n)
      return factors.length >= kinds && factors.every(([p]) => p <= most) && factors.some(([, e]) => e > 1n)
    }),
    (n) => itemOf(asks, { numbers: [decimal(n)], signs: [] }),
  )

/** 1 + 2 + 4 + 8. */
const powersOf = (p: bigint, e: bigint): bigint[] =>
  Array.from({ length: Number(e) + 1 }, (_, i) => p ** BigInt(i))

export const divisors = paperKind({
  id: 'paper-divisors',
  words: DIVISORS,
  levels: [
    ['Divisors to 60', () => aboutOf('divisors', between(8, 60), 1, 7n)],
    ['Different primes to 400', () => aboutOf('primes', between(24, 400), 2, 13n)],
    ['Divisors to 200', () => aboutOf('divisors', between(40, 200), 2, 13n)],
    ['Sums of divisors to 100', () => aboutOf('divisorsum', between(8, 100), 1, 7n)],
  ],
  read(problem): Divided | Misfit {
    const item = itemOfForm(problem, DIVISORS.none, 'primes', 'divisors', 'divisorsum')
    if (isMisfit(item)) return item
    const n = present(item.numbers[0]).units
    const factors = primeFactors(n)
    if (factors.length === 0) return misfit(DIVISORS.none)
    return factors.every(([p, e]) => p <= MOST_PRIME && e <= 10n)
      ? { n, asks: item.form }
      : misfit(DIVISORS.large)
  },
  *work({ n, asks }) {
    const mind = new Mind()
    const factors = primeFactors(n)
    const exponents: bigint[] = []
    for (const [p, e] of factors)
      exponents.push(
        yield* mind.seeNumber(e, {
          what: `${p}`,
          ask: DIVISORS.askExponent(said(p)),
          why: DIVISORS.whyExponent(`${said(n)} = ${said(p ** e)} × ${said(n / p ** e)}`),
          slips(slip) {
            if (e > 1n)
              slip(
                'too-few',
                decimal(e - 1n),
                4,
                DIVISORS.whyExponent(`${said(n)} = ${said(p ** e)} × ${said(n / p ** e)}`),
              )
            slip(
              'too-many',
              decimal(e + 1n),
              3,
              DIVISORS.whyExponent(`${said(n)} = ${said(p ** e)} × ${said(n / p ** e)}`),
            )
          },
        }),
      )
    if (asks === 'primes') {
      const all = exponents.filter((e) => e > 0n)
      const inAll = exponents.reduce((a, b) => a + b, 0n)
      return yield* answered(decimal(BigInt(all.length)), {
        kind: WHOLE,
        ask: DIVISORS.askPrimes,
        why: DIVISORS.whyPrimes,
        slips(slip) {
          slip('doubled', decimal(inAll), 5, DIVISORS.allCounted)
          slip('wrong-question', decimal(exponents.reduce((a, e) => a * (e + 1n), 1n)), 3, DIVISORS.whyPrimes)
          slip('too-many', decimal(BigInt(all.length + 1)), 3, DIVISORS.whyPrimes)
        },
      })
    }
    if (asks === 'divisors') return yield* counted(exponents)
    const sums: bigint[] = []
    for (const [i, [p]] of factors.entries()) {
      const powers = powersOf(p, present(exponents[i]))
      const added = total(powers)
      sums.push(
        yield* mind.find(added, {
          what: `sum of ${p}`,
          ask: DIVISORS.askSum(powers.map(said).join(', ')),
          why: DIVISORS.whySum,
          slips: (slip) => slip('part-left-out', decimal(added.value.units - 1n), 4, DIVISORS.one),
        }),
      )
    }
    return yield* multiplied(sums, DIVISORS.whyTotal, n)
  },
})

/** How many divisors: one more than each exponent, multiplied. */
function counted(exponents: readonly bigint[]): ReturnType<typeof answeredBy> {
  const choices = exponents.map((e) => e + 1n)
  const whole = chain(choices)
  return answeredBy(whole, {
    why: DIVISORS.whyDivisors,
    slips(slip) {
      const right = holdsThat(whole)
      slip('one-more-forgotten', decimal(exponents.reduce((a, b) => a * b, 1n)), 5, DIVISORS.exponents(right))
      slip('added-not-multiplied', decimal(choices.reduce((a, b) => a + b, 0n)), 4, DIVISORS.added(right))
      slip('too-few', decimal(whole.value.units - 2n), 3, DIVISORS.itself)
    },
  })
}

function multiplied(sums: readonly bigint[], why: string, n: bigint): ReturnType<typeof answeredBy> {
  const whole = chain(sums)
  return answeredBy(whole, {
    why,
    slips(slip) {
      slip(
        'added-not-multiplied',
        decimal(sums.reduce((a, b) => a + b, 0n)),
        4,
        DIVISORS.sumsAdded(holdsThat(whole)),
      )
      slip('part-left-out', decimal(whole.value.units - n), 4, DIVISORS.proper)
    },
  })
}
