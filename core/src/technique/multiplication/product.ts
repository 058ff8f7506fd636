/** What the ways of multiplying share: whole factors, the point, front and back, and the dials of products. */
import { type Decimal, decimal } from '../../number/decimal.js'
import { said } from '../../number/whole.js'
import { asProduct, type Problem } from '../../problem/problem.js'
import { productSpace } from '../../problem/products.js'
import { shape } from '../../problem/shape.js'
import { dial } from '../boards.js'
import type { DialBoard, Step } from '../contract.js'
import { lineOf, twoParts } from '../line.js'
import { type Misfit, misfit, step } from '../make.js'

/** A product worked on whole numbers; the point is put at the end. */
export interface Whole {
  readonly a: bigint
  readonly b: bigint
  /** Decimals of the product: those of the factors together. */
  readonly scale: number
}

export const MOST_FACTOR_DIGITS = 20

/** The factors of a product of anything but 0, the points forgotten. */
export function readWhole(problem: Problem): Whole | Misfit {
  const factors = asProduct(problem)
  if (!factors) return misfit('it works a product of two factors, and this is none')
  const [a, b] = factors
  if (a.units === 0n || b.units === 0n) return misfit('a factor is 0, so the product is 0: nothing to work')
  if ([a, b].some((f) => f.units.toString().length > MOST_FACTOR_DIGITS))
    return misfit(`a factor has more than ${MOST_FACTOR_DIGITS} digits`)
  return { a: a.units, b: b.units, scale: a.scale + b.scale }
}

/** The same, for a technique that needs whole factors. */
export function readWholeFactors(problem: Problem): Whole | Misfit {
  const found = readWhole(problem)
  if ('because' in found) return found
  return found.scale > 0 ? misfit('the factors must be whole numbers') : found
}

/** The last step of work with the point forgotten; none for whole numbers. `reason` says where the places come from. */
export function* placePoint(value: bigint, scale: number, reason: string): Generator<Step, Decimal, Decimal> {
  if (scale === 0) return decimal(value)
  const expect = decimal(value, scale)
  return yield step({
    action: 'point',
    place: -scale,
    ask: `${reason} Put the point: what is the answer?`,
    why: 'Forgetting a decimal place multiplies by ten; the point divides those tens away again.',
    expect,
    writes: () => lineOf(expect, -expect.scale),
    slips: (slip) => {
      const remark = `Count ${scale} places from the right.`
      slip('point-misplaced', decimal(value, scale - 1), 4, remark)
      slip('point-misplaced', decimal(value, scale + 1), 2, remark)
      slip('point-forgotten', decimal(value), 3, `The point is still missing. ${remark}`)
    },
  })
}

export const FACTOR_DECIMALS = 'The factors have their decimals together in the answer.'

/**
 * Joins a front and a back of `width` places. Only asked where there is something to do: a back to be padded, one
 * whose excess carries, one below 0 that borrows.
 * @returns the joined value.
 */
export function* join(front: bigint, back: bigint, width: number): Generator<Step, bigint, Decimal> {
  const base = 10n ** BigInt(width)
  const value = front * base + back
  const pad = width - String(back).length
  if (back >= 0n && back < base && pad <= 0) return value
  const places = `${width} ${width === 1 ? 'place' : 'places'}`
  const ask =
    back < 0n
      ? `The back is ${said(back)}: borrow 1 from the front, which is ${said(base)} here. What is the answer?`
      : back >= base
        ? `The back has room for ${places}: carry the rest to the front. What is the answer?`
        : `The back fills ${places}: pad it with ${pad === 1 ? 'a zero' : 'zeros'}. What is the answer?`
  const entry = yield step({
    action: 'join',
    place: 0,
    ask,
    why: `The front counts ${said(base)}s, so the back has exactly ${places}.`,
    expect: decimal(value),
    writes: () => ({ ...lineOf(decimal(value), 0), back: width }),
    load: { facts: [], carries: back < 0n || back >= base ? 1 : 0 },
    slips: (slip) => {
      const rule = `The back has exactly ${places}.`
      const beside = (text: bigint) => decimal(BigInt(`${front}${text}`))
      if (back < 0n) {
        slip(
          'borrow-missed',
          decimal(front * base + (base + back)),
          6,
          `The front gives one away: ${said(front - 1n)}.`,
        )
        slip('back-added', decimal(front * base - back), 4, `The back is below 0: it is taken away.`)
        slip('not-padded', beside(-back), 1, rule)
      } else if (back >= base) {
        slip('excess-not-carried', beside(back), 6, `${rule} What is over is added to the front.`)
        slip(
          'excess-dropped',
          decimal(front * base + (back % base)),
          4,
          `What is over is added to the front, not left out.`,
        )
      } else {
        slip(
          'not-padded',
          beside(back),
          8,
          `${rule} Put ${pad === 1 ? 'a zero' : 'zeros'} before the ${said(back)}.`,
        )
        if (back > 0n)
          slip(
            'padded-behind',
            decimal(front * base + back * 10n ** BigInt(pad)),
            2,
            `${rule} The zero goes before, not behind.`,
          )
      }
    },
  })
  return entry.units
}

/** The step that gives the front of an answer in two parts. */
export function frontLine(front: bigint, width: number) {
  return () => twoParts(front, undefined, width)
}

export const backLine = (front: bigint, back: bigint, width: number) => () => twoParts(front, back, width)

/** Dials of products. @param digits the most digits of each factor. */
export function productBoard(first = 8, second = 8, least = 1): DialBoard {
  return {
    dials: [
      dial('first', 'Digits of the first factor', least, first, Math.max(2, least)),
      dial('second', 'Digits of the second factor', least, second, Math.min(second, Math.max(2, least))),
      dial('decimals', 'Decimals of the first factor', 0, 3, 0),
      dial('largest', 'Largest digit', 1, 9),
      dial('zeros', 'Zeros written', 0, 14),
      dial('zeroRun', 'Longest run of zeros', 0, 7),
      dial('carries', 'Columns that carry', 0, 14),
    ],
    problems({ first: a = 2, second: b = 2, decimals = 0, ...counts }) {
      return productSpace({
        ...counts,
        first: shape(a - Math.min(decimals, a - 1), Math.min(decimals, a - 1)),
        second: shape(b),
      })
    },
  }
}
