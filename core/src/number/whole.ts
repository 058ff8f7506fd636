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

const ONES = [
  '',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
]
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']
const THOUSANDS = [
  '',
  'thousand',
  'million',
  'billion',
  'trillion',
  'quadrillion',
  'quintillion',
  'sextillion',
  'septillion',
]

function belowThousand(n: number): string {
  const hundreds = n >= 100 ? `${ONES[Math.floor(n / 100)]} hundred` : ''
  const rest = n % 100
  const small =
    rest < 20 ? ONES[rest]! : `${TENS[Math.floor(rest / 10)]}${rest % 10 ? `-${ONES[rest % 10]}` : ''}`
  return [hundreds, small].filter(Boolean).join(' ')
}

/** A number of 0 or more in words (short scale), its decimals digit by digit: "four thousand ninety-six point five". */
export function inWords(value: Decimal): string {
  const whole = wholePart(value)
  const groups: string[] = []
  for (let [n, i] = [whole, 0]; n > 0n; n /= 1000n, i += 1)
    if (n % 1000n > 0n)
      groups.unshift(
        `${belowThousand(Number(n % 1000n))} ${THOUSANDS[i] ?? `times ten to the ${3 * i}`}`.trim(),
      )
  const part =
    value.scale === 0 ? '' : (value.units % power10(value.scale)).toString().padStart(value.scale, '0')
  const digits = [...part].map((d) => (d === '0' ? 'zero' : ONES[Number(d)]))
  return [groups.join(' ') || 'zero', ...(part ? ['point', ...digits] : [])].join(' ')
}
