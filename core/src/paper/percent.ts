/** Paper kind: percentages of numbers, what percent, the whole from a part. */

import { type Decimal, decimal } from '../number/decimal.js'
import { primeFactors } from '../number/factors.js'
import { decimalOf, dividedBy, type Fraction, fraction, fractionOf, times } from '../number/fraction.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf, itemWords } from '../problem/items/forms.js'
import { between, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { holdsThat } from '../technique/quantities/quantities.js'
import { PERCENT } from '../words/paper/fractions.js'
import { HUNDRED, type Pair, parts, timesDecimal } from './conversion.js'
import { answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Percentage {
  readonly asks: 'percent-of' | 'what-percent' | 'whole-from-part'
  /** The percentage as parts of the whole. */
  readonly parts: Fraction
  /** The number that is given: the whole, or the part. */
  readonly given: Decimal
  readonly says: string
}

const MOST_PARTS = 50n

const percents = (
  asks: 'percent-of' | 'whole-from-part',
  space: Space<readonly [Pair, bigint]>,
): ProblemSpace =>
  mapped(space, ([[k, d], n]) => {
    const percent = fraction(100n * k, d)
    const given =
      asks === 'percent-of' ? [percent.over, percent.under, d * n] : [k * n, percent.over, percent.under]
    return itemOf(asks, { numbers: given.map((x) => decimal(x)), signs: [] })
  })

const PLAIN: readonly bigint[] = [2n, 4n, 5n, 10n, 20n]

export const percent = paperKind({
  id: 'paper-percent',
  words: PERCENT,
  needs: ['paper-conversion'],
  levels: [
    ['Percentages of a number', () => percents('percent-of', pairs(parts(PLAIN), between(2, 15)))],
    [
      'What percent',
      () =>
        mapped(pairs(parts([4n, 5n, 8n, 10n, 20n, 25n]), between(2, 12)), ([[k, d], n]) =>
          itemOf('what-percent', { numbers: [decimal(k * n), decimal(d * n)], signs: [] }),
        ),
    ],
    [
      'Eighths, thirds and sixths of a number',
      () => percents('percent-of', pairs(parts([3n, 6n, 8n]), between(3, 25))),
    ],
    ['The whole from a part', () => percents('whole-from-part', pairs(parts(PLAIN), between(3, 15)))],
    [
      'The whole from eighths and thirds',
      () => percents('whole-from-part', pairs(parts([3n, 8n]), between(3, 15))),
    ],
  ],
  read(problem): Percentage | Misfit {
    const item = itemOfForm(problem, PERCENT.none, 'percent-of', 'what-percent', 'whole-from-part')
    if (isMisfit(item)) return item
    const [a, b, c] = item.numbers as [Decimal, Decimal, Decimal]
    const by = (x: Decimal, y: Decimal) => dividedBy(fractionOf(x), times(fractionOf(y), HUNDRED))
    const found =
      item.form === 'percent-of'
        ? by(a, b)
        : item.form === 'what-percent'
          ? dividedBy(fractionOf(a), fractionOf(b))
          : by(b, c)
    if (found.under > MOST_PARTS || found.over > MOST_PARTS || found.over < 1n) return misfit(PERCENT.large)
    const given = item.form === 'percent-of' ? c : a
    // One part must be a plain number to be kept in mind.
    const one = dividedBy(fractionOf(given), fraction(item.form === 'percent-of' ? found.under : found.over))
    if (item.form !== 'what-percent' && !decimalOf(one)) return misfit(PERCENT.large)
    if (given.scale > 0) return misfit(PERCENT.large)
    return { asks: item.form, parts: found, given, says: itemWords(item) }
  },
  *work({ asks, parts: { over: k, under: d }, given, says }) {
    const mind = new Mind()
    const whole = yield* partsOf(
      mind,
      k,
      d,
      asks === 'what-percent' ? present(says.split(' is ')[0]) : percentIn(says),
    )
    const n = given.units
    if (asks === 'what-percent') return yield* asPercent(mind, k, whole)
    const [first, second] = asks === 'percent-of' ? [whole, k] : [k, whole]
    const one = quotient(n, first === 0n ? 1n : first)
    const part = yield* mind.number(one, {
      what: 'one part',
      ask: PERCENT.askPart,
      why: asks === 'percent-of' ? PERCENT.whyPartOfWhole : PERCENT.whyPartOfGiven,
      action: 'quotient',
      slips(slip) {
        slip(
          'wrong-question',
          quotient(n, asks === 'percent-of' ? 100n : whole).value,
          3,
          asks === 'percent-of' ? PERCENT.hundred(holdsThat(one)) : PERCENT.otherWay(holdsThat(one)),
        )
      },
    })
    const all = timesDecimal(part, second)
    return yield* answeredBy(all, {
      why: asks === 'percent-of' ? PERCENT.whyTimes : PERCENT.whyAll,
      slips(slip) {
        if (second > 1n) slip('not-multiplied', part, 5, PERCENT.notTimes(holdsThat(all)))
        if (asks === 'percent-of')
          slip('wrong-question', quotient(n * whole, k).value, 4, PERCENT.partAsked(holdsThat(all)))
        else
          slip(
            'wrong-question',
            quotient(n * k, whole === 0n ? 1n : whole).value,
            4,
            PERCENT.otherWay(holdsThat(all)),
          )
        slip(
          'zeros-miscounted',
          decimal(all.value.units * 10n, all.value.scale),
          2,
          PERCENT.notTimes(holdsThat(all)),
        )
      },
    })
  },
})

/** The percentage in what is asked. */
const percentIn = (says: string) =>
  /[\d /.\u2009\u2060]+ %/.exec(says.replace(/^.* is /, ''))?.[0].trim() ?? says

/** Of how many parts it is k. @param given what is that many, in words */
function* partsOf(mind: Mind, k: bigint, d: bigint, given: string) {
  const sentence = PERCENT.whyParts(given, said(k), said(d))
  const small = primeFactors(d).at(-1)?.[0] ?? 2n
  return yield* mind.seeNumber(d, {
    what: 'parts',
    ask: PERCENT.askParts,
    why: sentence,
    slips(slip) {
      slip('divided-upside-down', decimal(k), 3, PERCENT.turnedParts)
      slip('fact', decimal(d * small), 2, PERCENT.hundred(sentence))
      slip('fact', decimal(d + 1n), 2, PERCENT.hundred(sentence))
    },
  })
}

function* asPercent(mind: Mind, k: bigint, d: bigint): Generator<Step, Value, Value> {
  const below = d === 0n ? 1n : d
  const one = quotient(100n, below)
  const part = yield* mind.number(one, {
    what: 'one part',
    ask: PERCENT.askPercentPart,
    why: PERCENT.whyPercent,
    action: 'quotient',
  })
  const all = timesDecimal(part, k)
  return yield* answeredBy(all, {
    why: PERCENT.whyPercent,
    slips(slip) {
      if (k > 1n) slip('not-multiplied', part, 5, PERCENT.notTimes(holdsThat(all)))
      slip('divided-upside-down', quotient(100n * d, k).value, 4, PERCENT.upsideDown(holdsThat(all)))
      slip(
        'wrong-question',
        decimal(100n * 100n - all.value.units * 100n, 2),
        2,
        PERCENT.upsideDown(holdsThat(all)),
      )
    },
  })
}
