/**
 * multiply-addition: take one factor apart by places and keep a running total: 67×8: 480, 56, 536. 34×27: 810, 108, 918.
 * The parts come from the left as taught, from the right too, and by blocks of two where the other factor has one digit.
 */

import { type Decimal, decimal } from '../../number/decimal.js'
import { placeName } from '../../number/places.js'
import { present } from '../../number/present.js'
import { digitsOf, lengthOf, said } from '../../number/whole.js'
import { SPLIT_ADD } from '../../words/multiplication.js'
import type { Step, Variant } from '../contract.js'
import { productLoad, sumLoad, together } from '../facts.js'
import { digitCells, wholeLine } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { ask, holdsThat, product, sum } from '../quantities/quantities.js'
import { SPLIT } from '../variants.js'
import { placePoint, productBoard, readWhole, type Whole } from './product.js'
import { type Split, splitOf } from './split.js'

const WAYS: readonly Variant[] = ['auto', 'first', 'second'].flatMap((split) =>
  [{}, { parts: 'right' }, { parts: 'blocks' }].map((parts) => ({ split, ...parts })),
)

export const multiplyAddition = technique({
  id: 'multiply-addition',
  words: SPLIT_ADD,
  family: 'multiplication',
  needs: ['add-running-total'],
  variants: [SPLIT],
  ways: WAYS,
  // Targets: common practice, no published source.
  levels: [
    ['Two by one digit, nothing carries', 3, { second: 1, carries: 0, zeros: 0 }],
    ['Two by one digit', 3.5, { second: 1 }],
    ['Three by one digit, nothing carries', 5, { first: 3, second: 1, carries: 0, zeros: 0 }],
    ['Three by one digit with a zero', 5, { first: 3, second: 1, zeros: 1 }],
    ['Three by one digit', 6, { first: 3, second: 1 }],
    ['Two by two digits, nothing carries', 8, { carries: 0, zeros: 0 }],
    ['Two by two digits', 10, {}],
    ['One decimal by one digit', 5, { second: 1, decimals: 1 }],
    ['Four by one digit', 8, { first: 4, second: 1 }],
    ['Three by two digits', 15, { first: 3 }],
  ],
  parameters: productBoard(8, 4),
  read(problem) {
    const found = readWhole(problem)
    if ('because' in found) return found
    return found.a < 10n && found.b < 10n ? misfit(SPLIT_ADD.table) : found
  },
  *work(factors, variant) {
    const { apart, whole } = present(splitOf(factors, variant, takenApart, costOf))
    const byBlocks = variant.parts === 'blocks' && whole < 10n
    const value = byBlocks
      ? yield* inBlocks(apart, whole, factors)
      : yield* inParts(variant.parts === 'right' ? apart.toReversed() : apart, whole, factors)
    return yield* placePoint(value, factors.scale)
  },
})

function* inParts(
  parts: readonly bigint[],
  whole: bigint,
  { scale }: Whole,
): Generator<Step, bigint, Decimal> {
  const factor = parts.reduce((total, p) => total + p, 0n)
  let total = 0n
  for (const [i, part] of parts.entries()) {
    const before = total
    const quantity = product(part, whole)
    const given = (yield ask(quantity, {
      action: 'partial-product',
      place: -scale,
      why: SPLIT_ADD.why(said(part), said(factor)),
      writes: () => wholeLine(before === 0n ? quantity.value.units : before, scale, true),
      holds: () => [
        ...(before > 0n ? [{ what: 'total', value: decimal(before) }] : []),
        { what: 'product', value: quantity.value },
      ],
      total: i === 0,
    })).units
    if (i === 0) {
      total = given
      continue
    }
    const last = i === parts.length - 1
    const running = sum(before, given)
    total = (yield ask(running, {
      action: 'running-total',
      place: -scale,
      ask: SPLIT_ADD.total(said(before), said(given)),
      why: SPLIT_ADD.whyTotal,
      writes: () => wholeLine(running.value.units, scale, !last),
      holds: () => (last ? [] : [{ what: 'total', value: running.value }]),
      slips: (slip) =>
        slip('part-left-out', decimal(before), 3, SPLIT_ADD.leftOut(said(given), said(before))),
    })).units
  }
  return total
}

/** Two digits at a time from the right, the rest carried: 4738×6: 38×6 = 228, 28 and 2 carried; 47×6 + 2 = 284. */
function* inBlocks(
  parts: readonly bigint[],
  digit: bigint,
  { scale }: Whole,
): Generator<Step, bigint, Decimal> {
  let rest = parts.reduce((total, p) => total + p, 0n)
  let [carry, written] = [0n, '']
  for (let place = 0; rest > 0n; place += 2) {
    const block = rest % 100n
    const last = rest < 100n
    const plain = product(block, digit)
    const [done, inCarry] = [written, carry]
    const value = plain.value.units + inCarry
    const load = together(plain.load(), sumLoad(plain.value.units, inCarry))
    const entry = (yield step({
      action: 'block',
      place: place - scale,
      ask: SPLIT_ADD.block(placeName(place - scale), said(block), said(digit), Number(inCarry)),
      why: SPLIT_ADD.whyBlock,
      reckons: `${plain.text}${inCarry > 0n ? ` + ${inCarry}` : ''}`,
      expect: decimal(value),
      // The two digits to be written say it too.
      meant: (n) => (!last && n.scale === 0 && n.units === value % 100n ? decimal(value) : undefined),
      writes: () => ({
        negative: false,
        cells: digitCells((last ? String(value) : String(value % 100n).padStart(2, '0')) + done, -scale),
      }),
      holds: last || value < 100n ? [] : [{ what: 'carry', value: decimal(value / 100n) }],
      load,
      slips(slip) {
        if (inCarry > 0n)
          slip('carry-lost', plain.value, 8, `${SPLIT_ADD.carry(said(inCarry))} ${holdsThat(plain)}.`)
        plain.slips(slip)
      },
    })).units
    carry = last ? 0n : entry / 100n
    written = (last ? String(entry) : String(entry % 100n).padStart(2, '0')) + written
    rest /= 100n
  }
  return BigInt(written || '0')
}

/** The parts of a number by places, from the left: 304 is 300 and 4; none for one digit. */
function takenApart(factor: bigint): bigint[] | undefined {
  if (lengthOf(factor) < 2) return undefined
  return digitsOf(factor)
    .map((d, place) => BigInt(d) * 10n ** BigInt(place))
    .filter((part) => part > 0n)
    .reverse()
}

function costOf({ apart, whole }: Split<readonly bigint[]>) {
  let total = 0n
  return together(
    ...apart.map((part) => {
      const before = total
      total += part * whole
      return before === 0n
        ? productLoad(part, whole)
        : together(productLoad(part, whole), sumLoad(before, part * whole))
    }),
  )
}
