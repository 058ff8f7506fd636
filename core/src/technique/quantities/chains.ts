/** Quantities of several numbers worked one after another, and quotients. */
import { decimal, toWords } from '../../number/decimal.js'
import { decimalOf, fraction, roundedOf } from '../../number/fraction.js'
import { said, size } from '../../number/whole.js'
import { equation, REMARK } from '../../words/steps.js'
import { type Load, productLoad, quotientLoad, sumLoad, takeLoad, together } from '../facts.js'
import { product, type Quantity } from './quantities.js'

/** An exact quotient x ÷ y of whole numbers worked in the head: a digit off, the zeros miscounted, multiplied instead. */
export function quotient(x: bigint, y: bigint): Quantity {
  const value = fraction(x, y)
  // After a slip it may not come out even; then six decimals are more than anyone says.
  const plain = decimalOf(value) ?? roundedOf(value, 6)
  const text = `${said(x)} ÷ ${said(y)}`
  return {
    value: plain,
    text,
    load: () => quotientLoad(size(x), size(y)),
    slips(slip) {
      const right = equation(text, toWords(plain))
      for (const off of [-1n, 1n, -10n, 10n])
        if (plain.scale === 0 && plain.units + off > 0n && (size(off) === 1n || plain.units > 20n))
          slip('fact', decimal(plain.units + off), 2, REMARK.check(right))
      slip('zeros-miscounted', decimal(plain.units * 10n, plain.scale), 2, REMARK.zeroTooMany(right))
      slip('zeros-miscounted', decimal(plain.units, plain.scale + 1), 2, REMARK.zeroMissing(right))
    },
  }
}

/** Signed numbers added one after another: 3 − 2 + 11. */
export function total(numbers: readonly bigint[]): Quantity {
  const sums: bigint[] = []
  const loads: Load[] = []
  for (const n of numbers) {
    const before = sums.at(-1) ?? 0n
    const [x, y] = [size(before), size(n)]
    if (before !== 0n && n !== 0n)
      loads.push(before < 0n === n < 0n ? sumLoad(x, y) : x > y ? takeLoad(x, y) : takeLoad(y, x))
    sums.push(before + n)
  }
  const value = sums.at(-1) ?? 0n
  const text = numbers
    .map((n, i) => (i === 0 ? said(n) : `${n < 0n ? ' − ' : ' + '}${said(size(n))}`))
    .join('')
  return {
    value: decimal(value),
    text,
    load: () => together(...loads),
    slips(slip) {
      const right = equation(text, said(value))
      slip('fact', decimal(value - 1n), 2, REMARK.off(right))
      slip('fact', decimal(value + 1n), 2, REMARK.off(right))
    },
  }
}

/** Some numbers multiplied one after another. */
export function chain(numbers: readonly bigint[]): Quantity {
  const products: bigint[] = []
  const loads: Load[] = []
  for (const n of numbers) {
    const before = products.at(-1)
    if (before !== undefined) loads.push(productLoad(before, n))
    products.push((before ?? 1n) * n)
  }
  const value = products.at(-1) ?? 1n
  const last = product(products.at(-2) ?? 1n, numbers.at(-1) ?? 1n)
  return {
    ...last,
    value: decimal(value),
    text: numbers.map((n) => said(n)).join(' × '),
    load: () => together(...loads),
    parts: () => products.slice(0, -1).map((n) => decimal(n)),
  }
}
