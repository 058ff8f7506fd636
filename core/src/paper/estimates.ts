/** Paper kind: starred estimates, right within five percent. */

import { type Decimal, decimal, toWords } from '../number/decimal.js'
import {
  compareFractions,
  dividedBy,
  type Fraction,
  fraction,
  fractionOf,
  minus,
  plus,
  roundedOf,
  times,
} from '../number/fraction.js'
import { present } from '../number/present.js'
import { integerRoot } from '../number/root.js'
import { lengthOf, nonZeroDigits, said } from '../number/whole.js'
import { expressionValue } from '../problem/items/expressions.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, pairs } from '../problem/space.js'
import { FINE_ESTIMATE, WHOLE_ESTIMATE } from '../question/kind.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { together } from '../technique/facts.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { difference, product, square, sum } from '../technique/quantities/quantities.js'
import { ESTIMATE } from '../words/paper/measures.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'
import { expressionsOf } from './operations.js'

/** Right within this share of the exact value, on either side (common practice, no published source). */
const ESTIMATE_SHARE: Decimal = decimal(5n, 2)
/** The worked example stays well inside. */
const NEAR = fraction(4n, 100n)
/** A number is small where so many times as much is still less than the result. */
const SMALL = fraction(50n)

interface Estimated {
  readonly numbers: readonly Decimal[]
  readonly signs: readonly string[]
  /** The easy numbers of the worked example. */
  readonly easy: readonly bigint[]
  readonly exact: Fraction
}

/** Nobody rounds a number further than this share of it, but to the nearest with one digit that counts. */
const EASED = fraction(1n, 10n)

/** Those within a tenth of a number with so many digits that count at most, and the nearest with one; the easiest first. */
function easyOnes(n: Decimal, most: number): bigint[] {
  const exact = fractionOf(n)
  const whole = roundedOf(exact, 0).units
  const found = new Set<bigint>([nearest(whole, 1)])
  for (let digits = 1; digits <= most; digits += 1) {
    const unit = unitOf(whole, digits)
    const far = (whole / 10n / unit + 1n) * unit
    const middle = nearest(whole, digits)
    for (let near = middle - far; near <= middle + far; near += unit)
      if (near > 0n && within(fraction(near), exact, EASED)) found.add(near)
  }
  return [...found].filter((m) => m > 0n).toSorted((a, b) => nonZeroDigits(a) - nonZeroDigits(b))
}

/** What the last of so many leading digits is worth. */
const unitOf = (n: bigint, digits: number) => 10n ** BigInt(Math.max(0, lengthOf(n) - digits))

/** The nearest number with so many digits that count. */
function nearest(n: bigint, digits: number): bigint {
  const unit = unitOf(n, digits)
  return ((n + unit / 2n) / unit) * unit
}

const within = (value: Fraction, exact: Fraction, share: Fraction): boolean => {
  const off = minus(value, exact)
  const most = times(exact, share)
  return (off.over < 0n ? -off.over : off.over) * most.under <= most.over * off.under
}

/**
 * Easy numbers whose result is near enough, with the fewest digits to work; undefined where there are none.
 * @param digits so many count in each at most
 */
function easiest(
  numbers: readonly Decimal[],
  signs: readonly string[],
  exact: Fraction,
  digits: number,
): readonly bigint[] | undefined {
  let best: { readonly easy: readonly bigint[]; readonly cost: number; readonly apart: Fraction } | undefined
  const eased = numbers.map((n) => easyOnes(n, digits))
  const look = (easy: readonly bigint[]) => {
    const cost = easy.reduce((total, n) => total + nonZeroDigits(n), 0)
    if (best && best.cost < cost) return
    if (easy.length < numbers.length) {
      for (const next of present(eased[easy.length])) look([...easy, next])
      return
    }
    const value = expressionValue({ numbers: easy.map((n) => decimal(n)), signs })
    if (!within(value, exact, NEAR)) return
    const off = minus(value, exact)
    const apart = off.over < 0n ? { ...off, over: -off.over } : off
    if (!best || cost < best.cost || compareFractions(apart, best.apart) < 0) best = { easy, cost, apart }
  }
  look([])
  return best?.easy
}

const odd = (least: number, most: number) => kept(between(least, most), (n) => n % 10n !== 0n)

export const estimates = paperKind({
  id: 'paper-estimate',
  words: ESTIMATE,
  levels: [
    [
      'Two numbers multiplied',
      () =>
        expressionsOf(
          mapped(pairs(odd(21, 99), odd(21, 199)), ([a, b]) => [a, '*', b]),
          'estimate',
        ),
    ],
    [
      'Sums and differences',
      () =>
        expressionsOf(
          mapped(pairs(odd(12_001, 89_999), pairs(odd(1201, 8999), odd(101, 999))), ([a, [b, c]]) => [
            a,
            '+',
            b,
            '-',
            c,
          ]),
          'estimate',
        ),
    ],
    [
      'Three numbers multiplied',
      () =>
        expressionsOf(
          mapped(pairs(odd(19, 61), pairs(odd(19, 61), odd(11, 31))), ([a, [b, c]]) => [a, '*', b, '*', c]),
          'estimate',
        ),
    ],
    [
      'Quotients',
      () =>
        expressionsOf(
          mapped(pairs(odd(10_001, 99_999), odd(11, 61)), ([a, b]) => [a, '/', b]),
          'estimate',
        ),
    ],
    [
      'Square roots',
      () =>
        mapped(
          kept(between(1000, 9999), (n) => integerRoot(n) ** 2n !== n),
          (n) => itemOf('estimate', { numbers: [decimal(n)], signs: ['sqrt'] }),
        ),
    ],
  ],
  read(problem): Estimated | Misfit {
    const item = itemOfForm(problem, ESTIMATE.none, 'estimate')
    if (isMisfit(item)) return item
    const { numbers, signs } = item
    const exact = expressionValue(item)
    if (signs[0] === 'sqrt') {
      const root = nearRoot(present(numbers[0]))
      return within(fraction(root), exact, NEAR)
        ? { numbers, signs, easy: [root], exact }
        : misfit(ESTIMATE.hard)
    }
    if (numbers.length > 4) return misfit(ESTIMATE.hard)
    const easy = easiest(numbers, signs, exact, 2) ?? easiest(numbers, signs, exact, 3)
    return easy ? { numbers, signs, easy, exact } : misfit(ESTIMATE.hard)
  },
  work: ({ numbers, signs, easy, exact }) =>
    signs[0] === 'sqrt' ? rootAbout(present(easy[0]), exact) : worked(numbers, signs, easy, exact),
})

/** A root with two digits that count, the nearest. */
function nearRoot(n: Decimal): bigint {
  const root = integerRoot(roundedOf(fractionOf(n), 0).units)
  const unit = 10n ** BigInt(Math.max(0, lengthOf(root) - 2))
  const low = (root / unit) * unit
  const middle = low * low + (low + unit) * (low + unit)
  return 2n * n.units > middle * 10n ** BigInt(n.scale) ? low + unit : low
}

const isNear = (exact: Fraction) => (value: Decimal) =>
  within(fractionOf(value), exact, fraction(ESTIMATE_SHARE.units, 100n))

function* rootAbout(root: bigint, exact: Fraction): Generator<Step, Value, Value> {
  const mind = new Mind()
  const near = square(root)
  const found = yield* mind.seeNumber(near.value.units, {
    what: 'square',
    ask: ESTIMATE.askRoot,
    why: ESTIMATE.whyRoot(said(root), said(root * root)),
    action: 'round',
    also: (n) =>
      n.scale === 0 &&
      n.units > 0n &&
      integerRoot(n.units) ** 2n === n.units &&
      isNear(exact)(decimal(integerRoot(n.units))),
  })
  const value = integerRoot(found < 0n ? 0n : found)
  return yield* answered(decimal(value), {
    kind: isNear(exact)(decimal(value)) ? WHOLE_ESTIMATE : FINE_ESTIMATE,
    ask: ESTIMATE.askEstimate,
    why: ESTIMATE.whyRoot(said(root), said(root * root)),
    also: isNear(exact),
    slips(slip) {
      slip('not-halved', decimal(found * 5n, 1), 4, ESTIMATE.half)
      slip('zeros-miscounted', decimal(value * 10n), 4, ESTIMATE.zeros)
      slip('zeros-miscounted', decimal(value, 1), 3, ESTIMATE.zeros)
    },
  })
}

/** A number made easy. @param gone may it be left out beside the others? */
function* easier(mind: Mind, n: Decimal, near: bigint, gone: (m: Decimal) => boolean) {
  return yield* mind.seeNumber(near, {
    what: toWords(n),
    ask: ESTIMATE.ask(toWords(n)),
    why: ESTIMATE.why(said(near)),
    action: 'round',
    // Whatever is near it will do, and what is small beside the others may be left out: it is gone on from there.
    also: (m) => m.scale === 0 && (isEasyFor(n, m) || gone(m)),
    slips(slip) {
      slip('zeros-miscounted', decimal(near * 10n), 3, ESTIMATE.far(said(near)))
      if (near % 10n === 0n) slip('zeros-miscounted', decimal(near / 10n), 3, ESTIMATE.far(said(near)))
    },
  })
}

function* worked(
  numbers: readonly Decimal[],
  signs: readonly string[],
  easy: readonly bigint[],
  exact: Fraction,
): Generator<Step, Value, Value> {
  const mind = new Mind()
  const found: bigint[] = []
  const sums = signs.every((s) => s === '+' || s === '-')
  for (const [i, n] of numbers.entries()) {
    const near = present(easy[i])
    // What is easy already is taken as it is.
    if (decimal(near).units === n.units && n.scale === 0) {
      found.push(near)
      continue
    }
    found.push(yield* easier(mind, n, near, (m) => m.units === 0n && sums && isSmall(n, exact)))
  }
  const value = expressionValue({ numbers: found.map((n) => decimal(n)), signs })
  // Numbers that all lead to one side may come to too much together.
  const isClose = within(value, exact, NEAR)
  const whole = shortened(isClose ? value : exact, true)
  const kind = isNear(exact)(whole) ? WHOLE_ESTIMATE : FINE_ESTIMATE
  const shown = kind === WHOLE_ESTIMATE ? whole : shortened(isClose ? value : exact, false)
  const text = found.map((n, i) => (i === 0 ? said(n) : `${SIGNS[present(signs[i - 1])]}${said(n)}`)).join('')
  return yield* answered(shown, {
    kind,
    ask: ESTIMATE.askEstimate,
    why: ESTIMATE.whyWork,
    ...(isClose && { reckons: text }),
    load: estimateLoad(found, signs),
    also: isNear(exact),
    slips(slip) {
      if (!isClose) slip('not-given-back', shortened(value, true), 5, ESTIMATE.corrected(text))
      slip('zeros-miscounted', decimal(shown.units * 10n, shown.scale), 5, ESTIMATE.zeros)
      slip('zeros-miscounted', decimal(shown.units, shown.scale + 1), 5, ESTIMATE.zeros)
      const last = present(found.at(-1))
      if (signs.at(-1) === '*')
        slip('factor-left-out', shortened(dividedBy(value, fraction(last)), true), 4, ESTIMATE.leftOut)
      if (signs.at(-1) === '/') slip('not-divided', decimal(present(found[0])), 4, ESTIMATE.leftOut)
      if (sums) {
        const turned =
          signs.at(-1) === '-' ? plus(value, fraction(2n * last)) : minus(value, fraction(2n * last))
        slip('wrong-sign', shortened(turned, true), 3, ESTIMATE.sign)
      }
    },
  })
}

const SIGNS: Readonly<Record<string, string>> = { '+': ' + ', '-': ' − ', '*': ' × ', '/': ' ÷ ' }

const isSmall = (n: Decimal, exact: Fraction) => compareFractions(times(fractionOf(n), SMALL), exact) < 0

/** May a number be rounded to this one? */
const isEasyFor = (n: Decimal, m: Decimal) =>
  within(fractionOf(m), fractionOf(n), EASED) || m.units === nearest(roundedOf(fractionOf(n), 0).units, 1)

/** Three digits that count are enough for an estimate. @param asWhole no decimals, however small it is */
function shortened(value: Fraction, asWhole: boolean): Decimal {
  const whole = roundedOf(value, 0).units
  const size = whole < 0n ? -whole : whole
  if (size < 1000n) return size < 10n && !asWhole ? roundedOf(value, 1) : decimal(whole)
  const unit = 10n ** BigInt(lengthOf(size) - 3)
  return roundedOf(fraction(value.over, value.under * unit), 0).units === 0n
    ? decimal(whole)
    : decimal(roundedOf(fraction(value.over, value.under * unit), 0).units * unit)
}

function estimateLoad(numbers: readonly bigint[], signs: readonly string[]) {
  let total = present(numbers[0])
  const loads = numbers.slice(1).map((n, i) => {
    const sign = present(signs[i])
    const quantity =
      sign === '*'
        ? product(total, n)
        : sign === '/'
          ? quotient(total, n)
          : sign === '+'
            ? sum(total, n)
            : difference(total, n)
    const load = quantity.load()
    total =
      quantity.value.scale === 0
        ? quantity.value.units
        : quantity.value.units / 10n ** BigInt(quantity.value.scale)
    return load
  })
  return together(...loads)
}
