/**
 * soroban-multiply: only the product stands on the frame. The first product's tens go on the rod whose number is
 * the digits of both factors together, its units one rod to the right; every digit product has two digits. The
 * finger rests on the last units rod, where the next product of the same multiplier digit starts.
 * 36×52 from rod 4: 15, 06, 30, 12 → 1872 (3×5, 3×2 | 6×5, 6×2).
 */

import {
  add,
  atPlace,
  type Decimal,
  decimal,
  digitAt,
  highestPlace,
  isZero,
  lowestPlace,
  ZERO,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { wholePart } from '../number/whole.js'
import { asProduct, type Factors, type Problem } from '../problem/problem.js'
import { WHOLE } from '../question/kind.js'
import type { AnswerLine, Fact, Step } from '../technique/contract.js'
import { BLANK, lineOf } from '../technique/line.js'
import { type Misfit, misfit, once, type SlipSink, step, technique } from '../technique/make.js'
import { productBoard } from '../technique/multiplication/product.js'
import { OUTER, TENS } from '../technique/variants.js'
import { MISFIT } from '../words/multiplication.js'
import { BEADS_MULTIPLY, FRAME_MISFIT } from '../words/soroban.js'
import { REMARK } from '../words/steps.js'
import { beadWords } from './add.js'
import { clearFrame, type Frame, MOST_RODS, setNumber, USUAL_RODS } from './frame.js'
import { applyMoves, type BeadMove, type RodMove, rodMove, type TensVariant } from './moves.js'
import { beadStep, onFrame } from './step.js'

export const sorobanMultiply = onFrame(
  technique({
    id: 'soroban-multiply',
    words: BEADS_MULTIPLY,
    family: 'soroban',
    needs: ['soroban-add'],
    variants: [OUTER, TENS],
    // Targets: common practice, no published source.
    levels: [
      ['Two by one digit, nothing carries', 5, { second: 1, carries: 0, zeros: 0 }],
      ['Two by one digit', 6, { second: 1 }],
      ['Three by one digit with a zero', 8, { first: 3, second: 1, zeros: 1 }],
      ['Three by one digit', 8, { first: 3, second: 1 }],
      ['Two by two digits, small digits', 10, { largest: 4 }],
      ['Two by two digits', 12, {}],
      ['Three by two digits', 18, { first: 3 }],
      ['Three by three digits with a zero', 25, { first: 3, second: 3, zeros: 1 }],
      ['Three by three digits', 28, { first: 3, second: 3 }],
      ['One decimal by two digits', 14, { decimals: 1 }],
      ['Five by four digits', 70, { first: 5, second: 4 }],
    ],
    parameters: productBoard(8, 8),
    read: readFactors,
    *work({ factors }, variant) {
      const lowest = lowestPlace(factors[0]) + lowestPlace(factors[1])
      const tens = variant.tens as TensVariant
      const rows = rowsOf(factors, variant.outer === 'first')
      let total = ZERO
      // How far a wrong start has moved everything, in rods to the left.
      let off = 0
      for (const [r, row] of rows.entries()) {
        const begins = present(row[0]).place + 1 + off
        const words = r === 0 ? startWords(factors) : rowWords(present(row[0]), begins)
        const id = r === 0 ? 'start-rod' : 'finger-new-row'
        const rod = yield rodStep({ words, place: begins, id, first: present(row[0]), total, lowest })
        off += Number(wholePart(rod)) - rodOf(begins)
        for (const [i, given] of row.entries()) {
          // Fewer rods than that are on no frame.
          const place = Math.max(given.place + off, lowest - 1)
          const frame = setNumber(clearFrame(MOST_RODS, 1 - lowest), total)
          let product = { ...given, place }
          if (product.outer * product.inner < 10) {
            const zero = yield zeroStep(product, total, lowest)
            // Written without its zero it stands one rod too far to the left.
            if (zero.units !== 0n) product = { ...product, place: place + 1 }
          }
          const end = row === rows.at(-1) && i === row.length - 1
          total = yield productStep({ frame, product, total, lowest, tens, last: end })
        }
      }
      return total
    },
  }),
  (problem, rods) => {
    const found = readFactors(problem)
    return 'because' in found ? clearFrame(rods) : frameFor(found.factors, rods)
  },
)

/** What stands on the frame, as it is written; nothing while it is clear. */
function standing(total: Decimal, lowest: number): AnswerLine {
  return isZero(total) ? BLANK : lineOf(total, lowest, true)
}

/** A rod by its number: the unit rod is 1. */
const rodOf = (place: number) => place + 1

interface RodWords {
  readonly ask: string
  readonly why: string
}

/** The digits before the point of both factors together name the first rod. */
function startWords([a, b]: Factors): RodWords {
  const [x, y] = [highestPlace(a) + 1, highestPlace(b) + 1]
  return { ask: BEADS_MULTIPLY.start, why: BEADS_MULTIPLY.whyStart(String(x), String(y), String(x + y)) }
}

function rowWords({ outer }: DigitProduct, place: number): RodWords {
  return { ask: BEADS_MULTIPLY.row(String(outer)), why: BEADS_MULTIPLY.whyRow(String(rodOf(place))) }
}

interface Beginning {
  readonly words: RodWords
  readonly place: number
  readonly id: 'start-rod' | 'finger-new-row'
  /** The product that lands there, which may be said before its rod. */
  readonly first: DigitProduct
  readonly total: Decimal
  readonly lowest: number
}

/** On which rod the learner begins. Nothing is lit but the unit rod, from which they are counted. */
function rodStep({ words, place, id, first, total, lowest }: Beginning): Step {
  const rod = decimal(rodOf(place))
  return step({
    action: 'decide',
    place: 0,
    ...words,
    kind: WHOLE,
    expect: rod,
    decision: [rod],
    parts: () => [decimal(first.outer * first.inner)],
    writes: () => standing(total, lowest),
    holds: [{ what: 'rod', value: rod }],
    slips(slip) {
      for (const off of [-1, 1])
        slip(id, decimal(rodOf(place) + off), 4, BEADS_MULTIPLY.oneOff(off > 0, String(rodOf(place))))
    },
  })
}

/** A one-digit product has a 0 before it. */
function zeroStep({ outer, inner, place, words }: DigitProduct, total: Decimal, lowest: number): Step {
  const value = outer * inner
  const shown = `0${value}`
  return step({
    action: 'decide',
    place: place + 1,
    ask: BEADS_MULTIPLY.leadingZero(place + 1, words),
    why: BEADS_MULTIPLY.whyLeadingZero(words, shown),
    kind: WHOLE,
    expect: ZERO,
    decision: [ZERO],
    writes: () => standing(total, lowest),
    slips: (slip) => slip('zero-left-out', decimal(value), 6, BEADS_MULTIPLY.zero(words, shown)),
  })
}

function readFactors(problem: Problem): { factors: Factors } | Misfit {
  const factors = asProduct(problem)
  if (!factors) return misfit(MISFIT.product)
  if (factors.some((f) => f.units === 0n)) return misfit(MISFIT.zero)
  return rodsFor(factors) > MOST_RODS - 2 ? misfit(FRAME_MISFIT.tooLong) : { factors }
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
  readonly tens: TensVariant
  readonly last: boolean
}

function productStep({ frame, product, total, lowest, tens, last }: Landing): Step {
  const { outer, inner, place, words } = product
  const value = outer * inner
  const digits = [
    [Math.floor(value / 10), place + 1],
    [value % 10, place],
  ] as const
  const expect = add(total, atPlace(value, place))
  const shown = String(value).padStart(2, '0')
  const landing = once(() => {
    let now = frame
    const moves: BeadMove[] = []
    const told: string[] = []
    const facts: Fact[] = [`${inner}x${outer}`]
    let most: RodMove | undefined
    for (const [d, at] of digits) {
      if (d === 0) continue
      const move = rodMove(now, at, d, tens)
      told.push(beadWords(now, at, d, move, tens))
      facts.push(...move.facts)
      moves.push(...move.moves)
      now = applyMoves(now, move.moves)
      if (!most || order(move) > order(most)) most = move
    }
    return { moves, told, facts, most: most! }
  })
  return beadStep({
    action: 'beads',
    place: place + 1,
    ask: BEADS_MULTIPLY.put(words),
    typedAs: shown,
    why: () => BEADS_MULTIPLY.why(words, shown, landing().told.join(' ')),
    expect,
    total: true,
    writes: () => lineOf(expect, lowest, !last),
    load: () => {
      const { facts, most } = landing()
      return { facts, carries: most.kind.startsWith('ten') ? most.cascade + 1 : 0 }
    },
    beads: () => {
      const { most, moves } = landing()
      return { before: frame, kind: most.kind, cascade: most.cascade, moves, finger: place }
    },
    slips: (slip) => productSlips(slip, product, total, shown),
  })
}

/** The harder of two moves names the step. */
function order({ kind, cascade }: RodMove): number {
  return ['direct', 'five', 'ten', 'ten-five'].indexOf(kind) + 4 * Math.min(cascade, 1)
}

function productSlips(slip: SlipSink, product: DigitProduct, total: Decimal, shown: string): void {
  const { outer, inner, place, words } = product
  const value = outer * inner
  const right = `${words} = ${value}`
  const land = (n: number, p = place) => add(total, atPlace(n, p))
  if (value < 10) slip('zero-left-out', land(value, place + 1), 6, BEADS_MULTIPLY.zero(words, shown))
  slip('finger', land(value, place + 1), 5, BEADS_MULTIPLY.finger(true, place + 1))
  slip('finger', land(value, place - 1), 5, BEADS_MULTIPLY.finger(false, place + 1))
  const carried = add(total, atPlace(value, place))
  for (const [d, at] of [
    [Math.floor(value / 10), place + 1],
    [value % 10, place],
  ] as const) {
    const v = digitAt(total, at)
    if (d > 0 && v + d > 9) slip('carry-lost', add(carried, atPlace(-1, at + 1)), 7, BEADS_MULTIPLY.carry(at))
    if (d > 0 && value > 10 && value % 10 > 0)
      slip('digit-left-out', add(carried, atPlace(-d, at)), 2, BEADS_MULTIPLY.missing(String(d), shown, at))
  }
  slip('not-done', total, 2, BEADS_MULTIPLY.undone(right))
  for (const off of [-outer, outer, -inner, inner])
    if (value + off > 0) slip('fact', land(value + off), 2, REMARK.check(right))
}
