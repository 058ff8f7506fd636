/** Paper kind: proportions and ratios. */

import { decimal, toText } from '../number/decimal.js'
import { primeFactors } from '../number/factors.js'
import { dividedBy, type Fraction, fraction, fractionOf, gcf } from '../number/fraction.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { RATIO, RATIONAL } from '../question/fractions.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { type Misfit, misfit, type SlipSink } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { holdsThat, product } from '../technique/quantities/quantities.js'
import { PROPORTION } from '../words/paper/fractions.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Proportion {
  /** The two that are multiplied, and the one that divides them. */
  readonly multiplied: readonly [bigint, bigint]
  readonly by: bigint
  readonly inner: boolean
  /** The pairs that are not multiplied with one another. */
  readonly others: readonly (readonly [bigint, bigint])[]
}

interface Ratio {
  readonly a: bigint
  readonly b: bigint
}

const proportions = (space: Space<readonly [bigint, bigint, bigint, bigint]>): ProblemSpace =>
  mapped(pairs(between(0, 3), space), ([at, all]) =>
    itemOf('proportion', {
      numbers: all.toSpliced(Number(at), 1).map((n) => decimal(n)),
      signs: [String(at)],
    }),
  )

/** a : b = c : d with both ratios the same: a reduced one and two factors. */
const fours = (most: number, factor: number) =>
  mapped(
    kept(
      pairs(pairs(between(1, most), between(1, most)), pairs(between(2, factor), between(2, factor))),
      ([[p, q], [m, n]]) => p !== q && gcf(p, q) === 1n && m !== n,
    ),
    ([[p, q], [m, n]]) => [p * m, q * m, p * n, q * n] as const,
  )

export const proportion = paperKind({
  id: 'paper-proportion',
  words: PROPORTION,
  needs: ['divide-short'],
  levels: [
    [
      'Ratios in lowest terms',
      () =>
        mapped(
          kept(
            pairs(pairs(between(1, 9), between(1, 9)), between(3, 16)),
            ([[p, q]]) => p !== q && gcf(p, q) === 1n,
          ),
          ([[p, q], m]) => itemOf('ratio', { numbers: [decimal(p * m), decimal(q * m)], signs: [] }),
        ),
    ],
    ['Proportions of small numbers', () => proportions(fours(5, 6))],
    ['Proportions of larger numbers', () => proportions(fours(9, 12))],
  ],
  read(problem): Proportion | Ratio | Misfit {
    const item = itemOfForm(problem, PROPORTION.none, 'proportion', 'ratio')
    if (isMisfit(item)) return item
    const known = item.numbers.map((n) => n.units)
    if (item.form === 'ratio')
      return known[0] === known[1] ? misfit(PROPORTION.none) : { a: present(known[0]), b: present(known[1]) }
    const [a, b, c, d] = (known as (bigint | undefined)[]).toSpliced(Number(item.signs[0]), 0, undefined)
    const inner = a === undefined || d === undefined
    const multiplied: readonly [bigint, bigint] = inner ? [b!, c!] : [a!, d!]
    const by = present(inner ? (a ?? d) : (b ?? c))
    return {
      multiplied,
      by,
      inner,
      others: [
        [multiplied[0], by],
        [multiplied[1], by],
      ],
    }
  },
  work: (found) => ('a' in found ? inLowestTerms(found) : crossed(found)),
})

function* crossed({ multiplied: [x, y], by, inner, others }: Proportion): Generator<Step, Value, Value> {
  const mind = new Mind()
  const whole = product(x, y)
  const both = yield* mind.find(whole, {
    what: 'product',
    ask: PROPORTION.askProduct,
    why: PROPORTION.whyProduct(inner),
    action: 'product',
    slips(slip) {
      for (const [p, q] of others)
        slip('wrong-question', decimal(p * q), 4, PROPORTION.otherPair(holdsThat(whole)))
    },
  })
  const answer = quotient(both, by)
  return yield* answered(fraction(both, by), {
    kind: RATIONAL,
    why: PROPORTION.why,
    reckons: answer.text,
    load: answer.load(),
    slips(slip) {
      slip('not-divided', fraction(both), 4, PROPORTION.notDivided(holdsThat(answer)))
      slip('added-not-multiplied', fraction(x + y - by), 4, PROPORTION.difference(holdsThat(answer)))
      for (const [p, q] of others)
        slip('wrong-question', fraction(p * q, p === x ? y : x), 3, PROPORTION.otherPair(holdsThat(answer)))
    },
  })
}

function* inLowestTerms({ a, b }: Ratio): Generator<Step, Value, Value> {
  const mind = new Mind()
  const most = gcf(a, b)
  const smaller = primeFactors(most).map(([p]) => most / p)
  const shared = yield* mind.seeNumber(most, {
    what: 'shared',
    ask: PROPORTION.askShared,
    why: PROPORTION.whyShared(said(most), said(a), said(b)),
    // Whoever divides by less goes on reducing.
    also: (n) => n.scale === 0 && n.units > 1n && most % n.units === 0n,
    slips(slip) {
      for (const n of smaller) slip('too-few', decimal(n), 3, PROPORTION.smaller(said(most)))
      slip('too-many', decimal(2n * most), 2, PROPORTION.whyShared(said(most), said(a), said(b)))
    },
  })
  const by = shared > 0n ? shared : 1n
  const first = quotient(a, by)
  const part = yield* mind.number(first, {
    what: 'first',
    ask: PROPORTION.askFirst,
    why: PROPORTION.whyFirst,
    action: 'quotient',
  })
  const second = quotient(b, by)
  const value: Fraction = dividedBy(fractionOf(part), fractionOf(second.value))
  const shown = `${toText(part)} : ${toText(second.value)}`
  return yield* answered(part.units > 0n ? value : fraction(1n, 1n), {
    kind: RATIO,
    why: PROPORTION.whyRatio,
    slips(slip: SlipSink<Fraction>) {
      slip('divided-upside-down', fraction(b, a), 4, PROPORTION.turned)
      slip('not-divided', dividedBy(fractionOf(part), fraction(b)), 4, PROPORTION.firstOnly)
      slip('not-divided', dividedBy(fraction(a), fractionOf(second.value)), 2, PROPORTION.smaller(shown))
    },
  })
}
