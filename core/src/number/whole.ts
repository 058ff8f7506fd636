/** Whole numbers as BigInt, digit by digit: what written work with whole factors needs. */
import { type Decimal, decimal, power10, toWords } from './decimal.js'

/** The digits of a number of 0 or more; index = place. */
export function digitsOf(n: bigint): number[] {
  return [...n.toString()].reverse().map(Number)
}

export function lengthOf(n: bigint): number {
  return n.toString().length
}

export function size(n: bigint): bigint {
  return n < 0n ? -n : n
}

/** For people: thousands parted, a true minus sign. */
export function said(n: bigint | number): string {
  return toWords(decimal(n))
}

/** The whole part of a decimal, towards 0. */
export function wholePart(value: Decimal): bigint {
  return value.units / power10(value.scale)
}

/** A number without the zeros at its end, and how many those were: 570 is worked as fifty-seven tens. */
export function significant(n: bigint): { readonly digits: bigint; readonly zeros: number } {
  let digits = n
  let zeros = 0
  while (digits !== 0n && digits % 10n === 0n) {
    digits /= 10n
    zeros += 1
  }
  return { digits, zeros }
}

export function nonZeroDigits(n: bigint): number {
  return digitsOf(n).filter((d) => d > 0).length
}
