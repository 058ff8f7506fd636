/**
 * Quantities: what a step asks for, with all that follows from how it comes about. Each brings its value, how it is
 * written, the facts it rests on, the mistakes people make with it and what else may be said on the way.
 */
import { type Decimal, decimal, equal, toWords } from '../../number/decimal.js'
import { size } from '../../number/whole.js'
import { equation, howMuch, REMARK } from '../../words/steps.js'
import type { AnswerLine, Held, Step } from '../contract.js'
import {
  digitProductLoad,
  digitsKept,
  doubleLoad,
  type Load,
  NO_LOAD,
  productLoad,
  sumLoad,
  takeLoad,
  together,
} from '../facts.js'
import { type Asked, type Later, type SlipSink, step } from '../make.js'

export interface Quantity {
  readonly value: Decimal
  /** How it comes about: "6 × 2". */
  readonly text: string
  readonly load: () => Load
  readonly slips: (slip: SlipSink) => void
  readonly also?: Asked['also']
  readonly meant?: Asked['meant']
  /** Carried into it, where it is a column. */
  readonly carry?: number
  readonly parts?: Asked['parts']
}

/** "6 × 2 = 12", to be set into a sentence. */
export function holdsThat({ text, value }: Pick<Quantity, 'text' | 'value'>): string {
  return equation(text, toWords(value))
}

interface Around {
  readonly action: Asked['action']
  readonly place: number
  /** Left out: the usual question. */
  readonly ask?: Later<string>
  readonly why: Later<string>
  readonly writes?: Later<AnswerLine>
  readonly holds?: Later<readonly Held[]>
  readonly links?: Asked['links']
  readonly total?: boolean
  readonly after?: Asked['after']
  readonly decision?: Asked['decision']
  readonly meant?: Asked['meant']
  readonly reckons?: string
  /** The technique's own mistakes, told before the usual ones. */
  readonly slips?: (slip: SlipSink) => void
}

/** The step that asks for a quantity. */
export function ask(quantity: Quantity, around: Around): Step<Decimal> {
  const { slips: own, ask: question, ...rest } = around
  const { value, text, load, slips, also, meant, carry, parts } = quantity
  return step({
    expect: value,
    also,
    meant,
    carry,
    parts,
    load,
    reckons: text,
    ...rest,
    ask: question ?? (() => howMuch(text)),
    slips(slip) {
      own?.(slip)
      slips(slip)
    },
  })
}

const words = (n: bigint, scale: number) => toWords(decimal(n, scale))

/** A product of whole numbers, worked in the head: a row of the table off, the zeros miscounted, a ten off. */
export function product(x: bigint, y: bigint): Quantity {
  const value = x * y
  const text = `${words(x, 0)} × ${words(y, 0)}`
  return {
    value: decimal(value),
    text,
    load: () => productLoad(x, y),
    slips(slip) {
      const right = equation(text, words(value, 0))
      const zeros = value % 10n === 0n
      if (zeros) slip('zeros-miscounted', decimal(value / 10n), 4, REMARK.zeroMissing(right))
      if (zeros && (x % 10n === 0n || y % 10n === 0n))
        slip('zeros-miscounted', decimal(value * 10n), 2, REMARK.zeroTooMany(right))
      // A neighbouring row of the table, at the place where the digit stands; nobody finds 0.
      const [dx, dy] = [lastUnit(x), lastUnit(y)]
      for (const off of [-y * dx, y * dx, -x * dy, x * dy])
        if (value + off > 0n) slip('fact', decimal(value + off), 2, REMARK.check(right))
      const ten = 10n * lastUnit(value)
      if (value > ten) slip('fact', decimal(value - ten), 2, REMARK.off(right))
      slip('fact', decimal(value + ten), 2, REMARK.off(right))
    },
  }
}

/** A number times itself. */
export function square(x: bigint): Quantity {
  const plain = product(x, x)
  return {
    ...plain,
    slips(slip) {
      slip('doubled-not-squared', decimal(2n * x), 4, REMARK.doubledNotSquared(holdsThat(plain)))
      plain.slips(slip)
    },
  }
}

/** A sum worked in the head, in units of 10^-scale: a carry lost at any column, one off. */
export function sum(x: bigint, y: bigint, scale = 0): Quantity {
  const value = x + y
  const text = `${words(x, scale)} + ${words(y, scale)}`
  return {
    value: decimal(value, scale),
    text,
    load: () => sumLoad(x, y),
    slips(slip) {
      const right = equation(text, words(value, scale))
      const unit = lastUnitOf(x, y)
      for (let place = unit; place <= x || place <= y; place *= 10n)
        if (((x / place) % 10n) + ((y / place) % 10n) >= 10n)
          slip('carry-lost', decimal(value - 10n * place, scale), 6, REMARK.carryLost(right))
      slip('fact', decimal(value - unit, scale), 2, REMARK.off(right))
      slip('fact', decimal(value + unit, scale), 2, REMARK.off(right))
    },
  }
}

/** A difference x − y of 0 and more worked in the head: a borrow missed, one off. */
export function difference(x: bigint, y: bigint, scale = 0): Quantity {
  const value = x - y
  const text = `${words(x, scale)} − ${words(y, scale)}`
  return {
    value: decimal(value, scale),
    text,
    load: () => (value < 0n ? takeLoad(y, x) : takeLoad(x, y)),
    slips(slip) {
      const right = equation(text, words(value, scale))
      const unit = lastUnitOf(x, y)
      let short = false
      for (let place = unit; place <= x; place *= 10n) {
        short = (x / place) % 10n < ((y / place) % 10n) + (short ? 1n : 0n)
        if (short) slip('borrow-missed', decimal(value + 10n * place, scale), 6, REMARK.borrowMissed(right))
      }
      slip('fact', decimal(value - unit, scale), 2, REMARK.off(right))
      slip('fact', decimal(value + unit, scale), 2, REMARK.off(right))
    },
  }
}

/** How far a number lies from a base, said without a sign; with one, or as what is taken from what, it is as right. */
export function gap(n: bigint, base: bigint, scale = 0): Quantity {
  if (scale > 0 && n % 10n === 0n && base % 10n === 0n) return gap(n / 10n, base / 10n, scale - 1)
  const [high, low] = n < base ? [base, n] : [n, base]
  const plain = difference(high, low, scale)
  return {
    ...plain,
    meant: (value) => (value.units < 0n ? { units: -value.units, scale: value.scale } : undefined),
    // Below it one complement, however long; above it can be read off.
    load: () => (n < base ? { facts: [`${Number(high)}-${Number(low)}`], carries: 0 } : NO_LOAD),
    slips(slip) {
      const value = high - low
      // Each digit taken from ten, though only the last is.
      if (n < base && n % 10n !== 0n && value < base)
        slip('complement-tens', decimal(value + 10n, scale), 5, REMARK.complementTens(holdsThat(plain)))
      slip('fact', decimal(value - 1n, scale), 2, REMARK.off(holdsThat(plain)))
      slip('fact', decimal(value + 1n, scale), 2, REMARK.off(holdsThat(plain)))
    },
  }
}

/** What goes with a digit to make ten. */
export function complement(digit: number): Quantity {
  const value = 10 - digit
  const right = equation(`${digit} + ${value}`, '10')
  return {
    value: decimal(value),
    text: `10 − ${digit}`,
    load: () => ({ facts: [`10-${digit}`], carries: 0 }),
    slips(slip) {
      slip('complement-nine', decimal(value - 1), 3, REMARK.complementNine(right))
      slip('fact', decimal(value + 1), 2, REMARK.off(right))
    },
  }
}

/** Half of a number, in units of 10^-scale; an odd one gets a decimal more. */
export function half(n: bigint, scale = 0): Quantity {
  const value = decimal(n * 5n, scale + 1)
  const text = `${words(n, scale)} ÷ 2`
  return {
    value,
    text,
    load: () => digitProductLoad(2, value.units),
    slips(slip) {
      const right = equation(text, toWords(value))
      slip('not-halved', decimal(n, scale), 5, REMARK.notHalved(right))
      const unit = decimal(1n, value.scale)
      for (const off of [-1n, 1n, -5n, 5n])
        if (value.units + off > 0n && (size(off) === 1n || value.units > 9n))
          slip('fact', decimal(value.units + off * unit.units, value.scale), 2, REMARK.check(right))
    },
  }
}

/** Twice a number. */
export function twice(n: bigint): Quantity {
  const plain = product(2n, n)
  return {
    ...plain,
    load: () => doubleLoad(n),
    slips(slip) {
      slip('not-doubled', decimal(n), 6, REMARK.notDoubled(holdsThat(plain)))
      plain.slips(slip)
    },
  }
}

/** Some products, or digits, added up in one column, with what is carried in; running totals are right on the way. */
export function columnTotal(
  parts: readonly { readonly text: string; readonly value: number; readonly load: Load }[],
  carry = 0,
): Quantity {
  const value = parts.reduce((total, p) => total + p.value, 0)
  return {
    value: decimal(value),
    text: parts.map((p) => p.text).join(' + '),
    carry,
    load: () => {
      let total = 0
      const adding = parts.map((p) => {
        const { facts } = total > 0 && p.value > 0 ? sumLoad(BigInt(total), BigInt(p.value)) : NO_LOAD
        // What stands in the problem need not be kept; what was worked must be, until it is added.
        const kept = total > 0 && p.load.facts.length > 0 ? digitsOfBoth(total, p.value) : 0
        total += p.value
        return { facts, carries: 0, kept }
      })
      return together(...parts.map((p) => p.load), ...adding)
    },
    slips: () => undefined,
  }
}

const digitsOfBoth = (a: number, b: number) => digitsKept(BigInt(a)) + digitsKept(BigInt(b))

/** Slips of a value that is just one too few or too many at a place. */
export function oneOff(slip: SlipSink, value: Decimal, unit: Decimal, odds: number, right: string): void {
  const [less, more] = [-1n, 1n].map((by) => {
    const scale = Math.max(value.scale, unit.scale)
    const at = (n: Decimal) => n.units * 10n ** BigInt(scale - n.scale)
    return decimal(at(value) + by * at(unit), scale)
  }) as [Decimal, Decimal]
  if (!equal(less, value)) slip('fact', less, odds, REMARK.off(right))
  slip('fact', more, odds, REMARK.off(right))
}

/** The unit of a number's last digit that is not 0: 570 counts in tens. */
function lastUnit(n: bigint): bigint {
  let unit = 1n
  while (n !== 0n && n % (10n * unit) === 0n) unit *= 10n
  return unit
}

function lastUnitOf(x: bigint, y: bigint): bigint {
  const [p, q] = [lastUnit(x), lastUnit(y)]
  if (p < q) return p
  return q
}
