/**
 * soroban-multiply: only the product stands on the frame. The first product's tens go on the rod whose number is
 * the digits of both factors together, its units one rod to the right; every digit product has two digits. The
 * finger rests on the last units rod, where the next product of the same multiplier digit starts.
 * 36×52 from rod 4: 15, 30, 06, 12 → 1872 (3×5, 6×5 | 3×2, 6×2).
 */
import { add, atPlace, type Decimal, digitAt, highestPlace, lowestPlace, ZERO } from '../number/decimal.js'
import { placeName } from '../number/places.js'
import { asProduct, type Factors, type Problem } from '../problem/problem.js'
import { productSpace } from '../problem/products.js'
import { shape } from '../problem/shape.js'
import type { Fact, Step } from '../technique/contract.js'
import { level } from '../technique/level.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, once, type SlipSink, step, technique } from '../technique/make.js'
import { productBoard } from '../technique/multiplication/product.js'
import { OUTER, TENS } from '../technique/schools.js'
import { clearFrame, type Frame, MOST_RODS, setNumber, USUAL_RODS } from './frame.js'
import { applyMoves, type BeadMove, type RodMove, rodMove, type TensSchool } from './moves.js'
import { coach } from './words.js'

const products = (
  first: number,
  second: number,
  more: { zeros?: number; largest?: number; carries?: number } = {},
) => productSpace({ first: shape(first), second: shape(second), ...more })

export const sorobanMultiply = technique({
  id: 'soroban-multiply',
  name: 'Beads: multiply',
  family: 'soroban',
  about: 'The product grows on the frame, one two-digit product at a time.',
  needs: ['soroban-add', 'multiply-addition'],
  lesson: {
    example: '36*52',
    when: 'Long factors: the frame holds the sum, the head only the table.',
    whenNot: 'The factors have a shape of their own that makes the answer come at once.',
    because: [
      'A product of two digits has two digits of its own: 3 × 2 is 06.',
      'Its place is the two places together: tens times units are tens.',
      'So the next product of a row starts where the last one ended, one rod to the right.',
    ],
  },
  schools: [OUTER, TENS],
  // Targets: common practice, no published source.
  levels: [
    level('Two by one digit, nothing carries', 5, () => products(2, 1, { carries: 0, zeros: 0 })),
    level('Two by one digit', 6, () => products(2, 1)),
    level('Three by one digit with a zero', 8, () => products(3, 1, { zeros: 1 })),
    level('Three by one digit', 8, () => products(3, 1)),
    level('Two by two digits, small digits', 10, () => products(2, 2, { largest: 4 })),
    level('Two by two digits', 12, () => products(2, 2)),
    level('Three by two digits', 18, () => products(3, 2)),
    level('Three by three digits with a zero', 25, () => products(3, 3, { zeros: 1 })),
    level('Three by three digits', 28, () => products(3, 3)),
    level('One decimal by two digits', 14, () => productSpace({ first: shape(1, 1), second: shape(2) })),
    level('Five by four digits', 70, () => products(5, 4)),
  ],
  dials: productBoard(8, 8),
  frame: (problem, rods) => {
    const found = readFactors(problem)
    return 'because' in found ? clearFrame(rods) : frameFor(found.factors, rods)
  },
  read: readFactors,
  *work({ factors }, school) {
    const lowest = lowestPlace(factors[0]) + lowestPlace(factors[1])
    let total = ZERO
    const rows = rowsOf(factors, school.outer === 'first')
    const all = rows.flat()
    for (const [i, product] of all.entries()) {
      const frame = setNumber(clearFrame(MOST_RODS, 1 - lowest), total)
      const opening = i === 0 ? { rod: product.place + 1 - lowest + 1 } : undefined
      total = yield productStep({
        frame,
        product,
        total,
        lowest,
        tens: school.tens as TensSchool,
        opening,
        newRow: rows.some((row) => row[0] === product && i > 0),
        last: i === all.length - 1,
      })
    }
    return total
  },
})

function readFactors(problem: Problem): { factors: Factors } | Misfit {
  const factors = asProduct(problem)
  if (!factors) return misfit('it works a product of two factors, and this is none')
  if (factors.some((f) => f.units === 0n))
    return misfit('a factor is 0, so the product is 0: nothing to work')
  return rodsFor(factors) > MOST_RODS - 2
    ? misfit('the product needs more rods than a frame has')
    : { factors }
}

function rodsFor([a, b]: Factors): number {
  return highestPlace(a) + highestPlace(b) + 2 - lowestPlace(a) - lowestPlace(b)
}

function frameFor(factors: Factors, rods = USUAL_RODS): Frame {
  return clearFrame(Math.max(rods, rodsFor(factors)), -lowestPlace(factors[0]) - lowestPlace(factors[1]))
}

/** A digit of the outer factor with one of the inner, its units on this place. */
interface DigitProduct {
  readonly outer: number
  readonly inner: number
  readonly place: number
  /** How it is said: the first factor's digit first. */
  readonly words: string
}

/** The digit products row by row: for each digit of the outer factor, the inner one from its highest place. Zeros make none. */
function rowsOf([a, b]: Factors, firstOutside: boolean): DigitProduct[][] {
  const [outer, inner] = firstOutside ? [a, b] : [b, a]
  const rows: DigitProduct[][] = []
  for (let p = highestPlace(outer); p >= lowestPlace(outer); p -= 1) {
    const row: DigitProduct[] = []
    for (let q = highestPlace(inner); q >= lowestPlace(inner); q -= 1) {
      const [o, i] = [digitAt(outer, p), digitAt(inner, q)]
      if (o === 0 || i === 0) continue
      row.push({ outer: o, inner: i, place: p + q, words: firstOutside ? `${o} × ${i}` : `${i} × ${o}` })
    }
    if (row.length > 0) rows.push(row)
  }
  return rows
}

interface Landing {
  readonly frame: Frame
  readonly product: DigitProduct
  readonly total: Decimal
  readonly lowest: number
  readonly tens: TensSchool
  /** For the first product: the rod its tens go on, counted from 1 at the right end. */
  readonly opening: { readonly rod: number } | undefined
  readonly newRow: boolean
  readonly last: boolean
}

function productStep({ frame, product, total, lowest, tens, opening, newRow, last }: Landing): Step {
  const { outer, inner, place, words } = product
  const value = outer * inner
  const digits = [
    [Math.floor(value / 10), place + 1],
    [value % 10, place],
  ] as const
  const expect = add(total, atPlace(value, place))
  const shown = String(value).padStart(2, '0')
  const where = opening
    ? `The first product starts on rod ${opening.rod}, as many as both factors have digits.`
    : newRow
      ? `A new row: the finger goes to the ${placeName(place + 1)}.`
      : `The finger is on the ${placeName(place + 1)}: start there.`
  const landing = once(() => {
    let now = frame
    const moves: BeadMove[] = []
    const told: string[] = []
    const facts: Fact[] = [`${inner}x${outer}`]
    let most: RodMove | undefined
    for (const [d, at] of digits) {
      if (d === 0) continue
      const move = rodMove(now, at, d, tens)
      told.push(coach(now, at, d, move))
      facts.push(...move.facts)
      moves.push(...move.moves)
      now = applyMoves(now, move.moves)
      if (!most || order(move) > order(most)) most = move
    }
    return { moves, told, facts, most: most! }
  })
  return step({
    action: 'beads',
    place,
    ask: `${words} = ? Put it on the frame as two digits, the tens on the ${placeName(place + 1)}.`,
    why: () => `${where} ${words} is ${shown}. ${landing().told.join(' ')}`,
    expect,
    writes: () => lineOf(expect, lowest, !last),
    load: () => {
      const { facts, most } = landing()
      return { facts, carries: most.kind.startsWith('ten') ? most.cascade + 1 : 0 }
    },
    beads: () => {
      const { most, moves } = landing()
      return { before: frame, kind: most.kind, cascade: most.cascade, moves, finger: place }
    },
    slips: (slip) => productSlips(slip, product, total, shown, where, opening !== undefined, newRow),
  })
}

/** The harder of two moves names the step. */
function order({ kind, cascade }: RodMove): number {
  return ['direct', 'five', 'ten', 'ten-five'].indexOf(kind) + 4 * Math.min(cascade, 1)
}

function productSlips(
  slip: SlipSink,
  { outer, inner, place, words }: DigitProduct,
  total: Decimal,
  shown: string,
  where: string,
  first: boolean,
  newRow: boolean,
): void {
  const value = outer * inner
  const right = `${words} = ${shown}.`
  const land = (n: number, p = place) => add(total, atPlace(n, p))
  const wrongStart = first ? 'start-rod' : newRow ? 'finger-new-row' : 'finger'
  if (value < 10)
    slip(
      'zero-left-out',
      land(value, place + 1),
      6,
      `One digit is written with its zero: ${right} The ${value} goes on the second rod.`,
    )
  slip(wrongStart, land(value, place + 1), 5, `One rod too far to the left. ${where}`)
  slip(wrongStart, land(value, place - 1), 5, `One rod too far to the right. ${where}`)
  const carried = add(total, atPlace(value, place))
  for (const [d, at] of [
    [Math.floor(value / 10), place + 1],
    [value % 10, place],
  ] as const) {
    const v = digitAt(total, at)
    if (d > 0 && v + d > 9)
      slip(
        'carry-forgotten',
        add(carried, atPlace(-1, at + 1)),
        7,
        `The one on the left of the ${placeName(at)} rod was forgotten. ${right}`,
      )
    if (d > 0 && value > 10 && value % 10 > 0)
      slip(
        'digit-left-out',
        add(carried, atPlace(-d, at)),
        2,
        `The ${d} of ${shown} is still missing on the ${placeName(at)} rod.`,
      )
  }
  slip('not-done', total, 2, `This product is still to be put on. ${right}`)
  for (const off of [-outer, outer, -inner, inner])
    slip('fact', land(value + off), 2, `A table fact is off. ${right}`)
}
