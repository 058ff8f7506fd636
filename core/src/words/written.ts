/** What is said while a problem is worked in the usual way on paper. */
import { said } from '../number/whole.js'
import { count, plural, times } from './english.js'

const write = (digit: number, carry: number) =>
  carry > 0 ? `write ${digit}, carry ${said(carry)}` : `write ${digit}`

export const WRITTEN = {
  /** @param digits those of the column from the top, the carry last where one came in */
  column: (digits: readonly number[], total: number, carry: number, last: boolean) => {
    if (digits.length === 0) return 'Nothing stands here: write 0.'
    if (digits.length === 1 && (last || total < 10)) return `Nothing to add: write ${total}.`
    return `${digits.join(' + ')} = ${total}: ${last ? `write ${total}` : write(total % 10, carry)}.`
  },
  /** @param lent the column gave one to the column before it */
  less: (top: number, bottom: number, lent: boolean) =>
    `${lent ? `The ${top + 1} lent 1, so it is ${top}: ` : ''}${bottom === 0 ? `write ${top}` : `${top} − ${bottom} = ${top - bottom}`}.`,
  borrow: (top: number, bottom: number, lent: boolean) => {
    const rest = top + 10 - bottom
    const last = bottom === 0 ? `write ${rest}` : `${top + 10} − ${bottom} = ${rest}`
    if (top < 0) return `A 0 has nothing to lend: borrow 1, lend it, and 9 is left: ${last}.`
    return `${lent ? `The ${top + 1} lent 1, so it is ${top}. ` : ''}${top} − ${bottom} can't be done: borrow 1, ${last}.`
  },
  /** @param minus the answer is below zero */
  turned: (larger: string, smaller: string, minus: boolean) =>
    `${larger} is more than ${smaller}: take ${smaller} from ${larger}${minus ? ', and put a minus in front' : ''}.`,
  /** @param carry what came in from the right */
  times: (digit: number, by: number, carry: number, total: number, last: boolean) => {
    const plus = carry > 0 ? `, and ${carry} carried is ${total}` : ''
    return `${by} × ${digit} = ${digit * by}${plus}: ${last ? `write ${total}` : write(total % 10, Math.floor(total / 10))}.`
  },
  further: (places: number) => `The next row ends ${count(places, 'place')} further left.`,
  zeros: (zeros: number) => `Write the ${plural(zeros, '0', `${zeros} zeros`)} at the end.`,
  point: (decimals: number) =>
    `${count(decimals, 'decimal')} in all: put the point ${count(decimals, 'place')} from the right.`,
  goes: (part: string, divisor: string, digit: number) =>
    digit === 0
      ? `${divisor} does not go into ${part}: write 0.`
      : `${divisor} goes into ${part} ${times(digit)}: write ${digit}.`,
  takeAway: (product: string, part: string, rest: string) => `${part} − ${product} = ${rest}.`,
  into: (divisor: string) => `${divisor} into`,
  down: (digit: string, part: string) => `Bring down the ${digit}: ${part}.`,
  remainder: (rest: string) => `${rest} is left over.`,
  rootOn: 'It goes on: the root does not end here.',
  noRemainder: 'Nothing is left over.',
  firstRoot: (part: string, digit: number) =>
    `The largest square not above ${part} is ${digit} × ${digit}: write ${digit}.`,
  rootDigit: (root: string, twenty: string, digit: number, rest: string) =>
    `20 times the root so far, ${root}, is ${twenty}: (${twenty} + ${digit}) × ${digit} still fits into ${rest}, so write ${digit}.`,
  pairDown: (pair: string, part: string) => `Bring down the next two digits, ${pair}: ${part}.`,
} as const
