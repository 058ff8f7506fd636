/** Paper kind: units of time and of the metric system. */

import { type Decimal, decimal, toWords } from '../number/decimal.js'
import { decimalOf, dividedBy, fraction, fractionOf, times } from '../number/fraction.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { unitsIn } from '../problem/items/measures.js'
import { between, either, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { holdsThat, product, type Quantity, sum } from '../technique/quantities/quantities.js'
import { UNIT } from '../words/paper/measures.js'
import { answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Measured {
  readonly first: Decimal
  readonly rest: Decimal | undefined
  readonly from: string
  readonly to: string
  /** How many of the smaller unit make the larger. */
  readonly factor: bigint
  /** Into a smaller unit: times the factor. */
  readonly down: boolean
}

const unitsOf = (space: Space<readonly (bigint | Decimal)[]>, ...signs: readonly string[]): ProblemSpace =>
  mapped(space, (numbers) =>
    itemOf('units', { numbers: numbers.map((n) => (typeof n === 'bigint' ? decimal(n) : n)), signs }),
  )

const two = (large: string, small: string, most: number, below: number) =>
  unitsOf(pairs(between(2, most), between(1, below)), large, small, small)
const tenths = (least: number, most: number) =>
  mapped(
    kept(between(least, most), (n) => n % 10n !== 0n),
    (n) => [decimal(n, 1)],
  )
const one = (numbers: Space<bigint>) => mapped(numbers, (n) => [n])

export const units = paperKind({
  id: 'paper-units',
  words: UNIT,
  needs: ['multiply-addition'],
  levels: [
    ['Hours and minutes', () => either(two('h', 'min', 12, 59), two('min', 's', 12, 59))],
    [
      'Metres, kilograms and litres',
      () =>
        either(
          unitsOf(tenths(11, 99), 'km', 'm'),
          unitsOf(tenths(11, 99), 'kg', 'g'),
          unitsOf(tenths(11, 99), 'l', 'ml'),
          unitsOf(tenths(11, 99), 'm', 'cm'),
        ),
    ],
    [
      'Into the larger unit',
      () =>
        either(
          unitsOf(one(between(120, 980, 20)), 'cm', 'm'),
          unitsOf(one(between(1100, 9900, 100)), 'g', 'kg'),
          unitsOf(one(between(90, 600, 30)), 'min', 'h'),
          unitsOf(one(between(250, 950, 50)), 'ml', 'l'),
        ),
    ],
    [
      'Days, tonnes and small ones',
      () =>
        either(
          two('d', 'h', 9, 23),
          unitsOf(tenths(11, 99), 't', 'kg'),
          two('kg', 'g', 9, 999),
          two('m', 'cm', 9, 99),
          unitsOf(tenths(11, 99), 'cm', 'mm'),
        ),
    ],
  ],
  read(problem): Measured | Misfit {
    const item = itemOfForm(problem, UNIT.none, 'units')
    if (isMisfit(item)) return item
    const [first, rest] = item.numbers as [Decimal, Decimal | undefined]
    const [from, to] = [present(item.signs[0]), present(item.signs.at(-1))]
    if (from === to || (rest && item.signs[1] !== to)) return misfit(UNIT.none)
    const factor = unitsIn(from, to)
    const down = factor.under === 1n
    const value = times(fractionOf(first), factor)
    if (!decimalOf(value) || (rest && !down)) return misfit(UNIT.part)
    return { first, rest, from, to, factor: down ? factor.over : factor.under, down }
  },
  *work({ first, rest, from, to, factor, down }) {
    const mind = new Mind()
    const [small, large] = down ? [to, from] : [from, to]
    const is = UNIT.whyFactor(said(factor), small, large)
    const by = yield* mind.seeNumber(factor, {
      what: `${small} in a ${large}`,
      ask: UNIT.askFactor(small, large),
      why: is,
      slips(slip) {
        const right = `${said(factor)} ${small}`
        if (factor % 10n === 0n && factor > 60n) {
          slip('zeros-miscounted', decimal(factor / 10n), 4, UNIT.zeros(right))
          slip('zeros-miscounted', decimal(factor * 10n), 4, UNIT.zeros(right))
        } else slip('fact', decimal(100), 4, UNIT.hundred(right))
      },
    })
    const changed = measureTimes(first, by, down)
    const otherWay = measureTimes(first, by, !down)
    if (!rest)
      return yield* answeredBy(changed, {
        why: down ? UNIT.whyTimes : UNIT.whyBy,
        slips: (slip) => slip('divided-upside-down', otherWay.value, 5, UNIT.otherWay(holdsThat(changed))),
      })
    const part = yield* mind.number(changed, {
      what: 'first part',
      ask: UNIT.askChanged,
      why: UNIT.whyTimes,
      action: 'product',
    })
    const both = sum(part.units, rest.units)
    return yield* answeredBy(both, {
      why: UNIT.whySum,
      slips(slip) {
        slip('part-left-out', part, 4, UNIT.restMissing(holdsThat(both)))
        slip(
          'wrong-place',
          decimal(BigInt(`${first.units}${rest.units}`)),
          4,
          UNIT.sideBySide(holdsThat(both)),
        )
        slip('fact', decimal(first.units * 100n + rest.units), 4, UNIT.hundred(holdsThat(both)))
      },
    })
  },
})

/** A measure times the factor of its units, or divided by it. */
function measureTimes(n: Decimal, by: bigint, down: boolean): Quantity {
  const value = down
    ? times(fractionOf(n), fraction(by))
    : dividedBy(fractionOf(n), fraction(by === 0n ? 1n : by))
  const plain = decimalOf(value) ?? decimal((value.over * 1000n) / value.under, 3)
  const text = `${toWords(n)} ${down ? '×' : '÷'} ${said(by)}`
  return {
    value: plain,
    text,
    load: () => (down ? product(n.units, by).load() : quotient(n.units, by === 0n ? 1n : by).load()),
    slips(slip) {
      const right = `${text} = ${toWords(plain)}`
      slip('zeros-miscounted', decimal(plain.units * 10n, plain.scale), 4, UNIT.zeros(right))
      slip('zeros-miscounted', decimal(plain.units, plain.scale + 1), 4, UNIT.zeros(right))
    },
  }
}
