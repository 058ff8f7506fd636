/** Slips of one sum, difference or product worked in the head, whatever technique it is part of. */
import { decimal } from '../number/decimal.js'
import { said } from '../number/whole.js'
import type { SlipSink } from './make.js'

/** The slips of one product worked in the head: a table fact off by a row, the zeros miscounted. */
export function productSlips(slip: SlipSink, x: bigint, y: bigint): void {
  const product = x * y
  const right = `${said(x)} × ${said(y)} = ${said(product)}`
  const zeros = product % 10n === 0n
  if (zeros) slip('zeros-miscounted', decimal(product / 10n), 4, `A zero is missing. ${right}.`)
  if (zeros && (x % 10n === 0n || y % 10n === 0n))
    slip('zeros-miscounted', decimal(product * 10n), 2, `There is a zero too many. ${right}.`)
  // A neighbouring row of the table, at the place where the digit stands.
  const [dx, dy] = [lastUnit(x), lastUnit(y)]
  for (const off of [-y * dx, y * dx, -x * dy, x * dy])
    slip('fact', decimal(product + off), 2, `A table fact is off. ${right}.`)
  const unit = lastUnit(product)
  slip('fact', decimal(product - 10n * unit), 2, `A ten too few. ${right}.`)
  slip('fact', decimal(product + 10n * unit), 2, `A ten too many. ${right}.`)
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

/** The slips of a sum worked in the head: a carry lost at any column, one too many or too few. */
export function additionSlips(slip: SlipSink, x: bigint, y: bigint): void {
  const sum = x + y
  const right = `${said(x)} + ${said(y)} = ${said(sum)}`
  const unit = lastUnitOf(x, y)
  for (let place = unit; place <= x || place <= y; place *= 10n)
    if (((x / place) % 10n) + ((y / place) % 10n) >= 10n)
      slip('lost-carry', decimal(sum - 10n * place), 6, `A ten was not carried. ${right}.`)
  slip('fact', decimal(sum - unit), 2, `One too few. ${right}.`)
  slip('fact', decimal(sum + unit), 2, `One too many. ${right}.`)
}

/** The slips of a difference worked in the head, x ≥ y: a drop missed, one too many or too few. */
export function takingSlips(slip: SlipSink, x: bigint, y: bigint): void {
  const rest = x - y
  const right = `${said(x)} − ${said(y)} = ${said(rest)}`
  const unit = lastUnitOf(x, y)
  let dropped = false
  for (let place = unit; place <= x; place *= 10n) {
    dropped = (x / place) % 10n < ((y / place) % 10n) + (dropped ? 1n : 0n)
    if (dropped)
      slip('missed-drop', decimal(rest + 10n * place), 6, `A digit on the left comes one lower. ${right}.`)
  }
  slip('fact', decimal(rest - unit), 2, `One too few. ${right}.`)
  slip('fact', decimal(rest + unit), 2, `One too many. ${right}.`)
}

/** Slips worked out on whole numbers, told with the decimals of the problem. */
export function scaled(slip: SlipSink, scale: number): SlipSink {
  return scale === 0
    ? slip
    : (id, entry, odds, remark) =>
        slip(id, decimal(entry.units, scale), odds, remark.replace(/\.$/, ` (in units of the last decimal).`))
}
