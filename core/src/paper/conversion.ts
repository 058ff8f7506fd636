/** Paper kind: fractions, decimals and percentages written as one another. */

import { type Decimal, decimal, toWords } from '../number/decimal.js'
import { decimalOf, dividedBy, type Fraction, fraction, gcf, times } from '../number/fraction.js'
import { firstOf, present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
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
import { AS_DECIMAL, FRACTION, RATIONAL } from '../question/fractions.js'
import { asFraction, type Value, valueWords } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { product, type Quantity } from '../technique/quantities/quantities.js'
import { CONVERSION, PERCENT } from '../words/paper/fractions.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

export const HUNDRED = fraction(100n)

export type Pair = readonly [over: bigint, under: bigint]
/** Fractions below one in lowest terms with one of these denominators. */
export const parts = (unders: readonly bigint[], least = 1): Space<Pair> =>
  kept(
    mapped(pairs(listed(unders), between(least, 15)), ([u, a]) => [a, u] as const),
    ([a, u]) => a < u && gcf(a, u) === 1n,
  )

const converted = (space: Space<Pair>, from: string, to: string): ProblemSpace =>
  mapped(space, (pair) => itemOf('conversion', { numbers: pair.map((n) => decimal(n)), signs: [from, to] }))

/** Denominators that are known: thirds to twelfths, sixteenths, and what ends soon as a decimal. */
const UNDERS: readonly bigint[] = [2n, 3n, 4n, 5n, 6n, 7n, 8n, 9n, 10n, 11n, 12n, 16n, 20n, 25n, 40n, 50n]
const ENDING: readonly bigint[] = [4n, 5n, 8n, 16n, 20n, 25n]

interface Dressed {
  readonly value: Fraction
  readonly from: string
  readonly to: string
}

export const conversion = paperKind({
  id: 'paper-conversion',
  words: CONVERSION,
  needs: ['divide-short'],
  levels: [
    ['Halves to tenths as percentages', () => converted(parts([2n, 4n, 5n, 8n, 10n]), 'fraction', 'percent')],
    [
      'Decimals and percentages as fractions',
      () =>
        either(
          converted(parts(ENDING), 'decimal', 'fraction'),
          converted(parts(ENDING), 'percent', 'fraction'),
        ),
    ],
    ['Eighths and sixteenths as decimals', () => converted(parts([8n, 16n]), 'fraction', 'decimal')],
    [
      'Thirds to twelfths as percentages',
      () => converted(parts([3n, 6n, 7n, 9n, 11n, 12n]), 'fraction', 'percent'),
    ],
    ['Thirds to twelfths from percentages', () => converted(parts([3n, 6n, 9n, 12n]), 'percent', 'fraction')],
  ],
  read(problem): Dressed | Misfit {
    const item = itemOfForm(problem, CONVERSION.none, 'conversion')
    if (isMisfit(item)) return item
    const [over, under] = firstOf(
      2,
      item.numbers.map((n) => n.units),
    )
    const [from, to] = item.signs as [string, string]
    return UNDERS.includes(under) ? { value: fraction(over, under), from, to } : misfit(CONVERSION.range)
  },
  work: ({ value, from, to }) =>
    to === 'fraction' ? reduced(value, from) : divided(value, to as 'percent' | 'decimal', from),
})

/** One part first, then as many of it. */
function* divided(value: Fraction, to: 'percent' | 'decimal', from: string): Generator<Step, Value, Value> {
  const mind = new Mind()
  const { over, under } = value
  const whole = to === 'percent' ? HUNDRED : fraction(1n)
  const one = dividedBy(whole, fraction(under))
  const is = `${valueWords({ over: whole.over, under: 1n })} ÷ ${said(under)} = ${RATIONAL.say(one)}`
  let part: Fraction = one
  if (from === 'fraction')
    part = present(
      asFraction(
        yield* mind.see<Fraction>(one, {
          what: 'one part',
          ask: CONVERSION.askOne(to, String(under)),
          why: CONVERSION.whyOne(is),
          kind: RATIONAL,
          slips(slip) {
            slip('zeros-miscounted', times(one, fraction(1n, 10n)), 4, CONVERSION.zeros)
            slip('zeros-miscounted', times(one, fraction(10n)), 3, CONVERSION.zeros)
            slip('divided-upside-down', fraction(under), 3, CONVERSION.upsideDown)
          },
        }),
      ),
    )
  const all = times(part, fraction(over))
  const right = `${said(over)} × ${RATIONAL.say(part)} = ${RATIONAL.say(all)}`
  const plain = decimalOf(part)
  const worked = over > 1n && plain ? timesDecimal(plain, over) : undefined
  return yield* answered(all, {
    kind: to === 'decimal' && decimalOf(all) ? AS_DECIMAL : RATIONAL,
    why: CONVERSION.why,
    ...(worked && { reckons: worked.text, load: worked.load() }),
    slips(slip) {
      if (over > 1n) slip('not-multiplied', part, 4, CONVERSION.oneOnly(right))
      slip('zeros-miscounted', times(all, fraction(1n, 10n)), 4, CONVERSION.zeros)
      slip('zeros-miscounted', times(all, fraction(10n)), 3, CONVERSION.zeros)
      slip('divided-upside-down', times(whole, fraction(under, over)), 3, CONVERSION.upsideDown)
    },
  })
}

/** Over a round number, and reduced. */
function* reduced(value: Fraction, from: string): Generator<Step, Value, Value> {
  const mind = new Mind()
  const written = from === 'percent' ? times(value, HUNDRED) : value
  // 0.875 is 875 of 1000; 66 2/3 percent is 200 of 300.
  const ends = decimalOf(written)
  const scale = ends ? 10n ** BigInt(ends.scale) : written.under
  const over = ends ? ends.units : written.over
  const below = from === 'percent' ? 100n * scale : scale
  const under = yield* mind.seeNumber(below, {
    what: 'below',
    ask: CONVERSION.askUnder,
    why: CONVERSION.whyUnder(said(over), said(below)),
    slips(slip) {
      slip('zeros-miscounted', decimal(below * 10n), 4, CONVERSION.tenTimes)
      if (below % 10n === 0n && below > 10n)
        slip('zeros-miscounted', decimal(below / 10n), 4, CONVERSION.tenTimes)
    },
  })
  const most = gcf(over, under)
  const shared = yield* mind.seeNumber(most, {
    what: 'shared',
    ask: CONVERSION.askShared,
    why: CONVERSION.whyShared(said(most), said(over), said(under)),
    // Whoever divides by less goes on reducing.
    also: (n) => n.scale === 0 && n.units > 1n && most % n.units === 0n,
  })
  const by = shared > 0n ? shared : 1n
  const parted = yield* mind.find(quotient(under, by), {
    what: 'below',
    ask: CONVERSION.askBelow,
    why: CONVERSION.whyReduced,
    action: 'quotient',
  })
  const answer = fraction(over / by || 1n, parted || 1n)
  return yield* answered(answer, {
    kind: FRACTION,
    why: CONVERSION.whyReduced,
    slips(slip) {
      slip('divided-upside-down', fraction(answer.under, answer.over), 3, CONVERSION.turned)
      slip('zeros-miscounted', fraction(answer.over, answer.under * 10n), 3, CONVERSION.tenTimes)
      slip('zeros-miscounted', fraction(answer.over * 10n, answer.under), 3, CONVERSION.tenTimes)
    },
  })
}

/** A number with decimals times a whole one. */
export function timesDecimal(x: Decimal, by: bigint): Quantity {
  const plain = product(by, x.units)
  const value = decimal(plain.value.units, x.scale)
  return {
    ...plain,
    value,
    text: `${said(by)} × ${toWords(x)}`,
    ...(x.scale > 0 && { mixed: () => false }),
    slips(slip) {
      plain.slips((id, entry, odds) =>
        slip(
          id,
          decimal(entry.units, x.scale),
          odds,
          PERCENT.notTimes(`${said(by)} × ${toWords(x)} = ${toWords(value)}`),
        ),
      )
    },
  }
}
