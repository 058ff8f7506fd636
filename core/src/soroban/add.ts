/**
 * soroban-add: a signed chain on the frame, number by number, each from its highest place; the frame shows the
 * running value. Every digit is direct, a five, a ten or a ten-five (moves.ts).
 */

import {
  add,
  atPlace,
  compare,
  type Decimal,
  decimal,
  digitAt,
  highestPlace,
  isNegative,
  lowestPlace,
  subtract,
  toWords,
  ZERO,
} from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import {
  fallsBelowZero,
  isPlainSum,
  lowestOf,
  type Problem,
  type SumProblem,
  signed,
} from '../problem/problem.js'
import { type Part, partsOf } from '../technique/addition/parts.js'
import type { Step } from '../technique/contract.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, once, type SlipSink, technique } from '../technique/make.js'
import { parameter } from '../technique/quantities/boards.js'
import { SIDE, TENS } from '../technique/variants.js'
import { BEADS_ADD, FRAME_MISFIT, moveOf, SET } from '../words/soroban.js'
import { chainSpace } from './chains.js'
import { clearFrame, type Frame, MOST_RODS, rodAt, setNumber, USUAL_RODS } from './frame.js'
import { movesBetween, type RodMove, rodMove, type TensVariant } from './moves.js'
import { beadStep, onFrame } from './step.js'

export const sorobanAdd = onFrame(
  technique({
    id: 'soroban-add',
    words: BEADS_ADD,
    family: 'soroban',
    needs: ['soroban-set'],
    variants: [TENS, SIDE],
    // Targets: common practice, no published source.
    levels: [
      ['One digit, direct moves only', 2.5, { digits: 1, five: 0, ten: 0, tenFive: 0 }],
      ['Two digits, direct moves only', 4, { five: 0, ten: 0, tenFive: 0 }],
      ['Two digits, one five', 4, { five: 1, ten: 0, tenFive: 0 }],
      ['Taking away, one five', 4, { minus: 1, five: 1, ten: 0, tenFive: 0 }],
      ['Two digits, one ten', 4.5, { five: 0, ten: 1, tenFive: 0, cascade: 0 }],
      ['Taking away, one ten', 4.5, { minus: 1, five: 0, ten: 1, tenFive: 0, cascade: 0 }],
      ['Two digits, one ten-five', 5, { five: 0, ten: 0, tenFive: 1, cascade: 0 }],
      ['Taking away, one ten-five', 5, { minus: 1, five: 0, ten: 0, tenFive: 1, cascade: 0 }],
      ['Three digits, a carry over two places', 6, { digits: 3, cascade: 1 }],
      ['Taking away, a borrow over two places', 6, { digits: 3, minus: 1, cascade: 1 }],
      ['Five one-digit numbers', 8, { terms: 5, digits: 1 }],
      ['Five one-digit numbers, added and taken away', 8, { terms: 5, digits: 1, minus: 1 }],
      ['Five two-digit numbers', 12, { terms: 5 }],
      ['Five two-digit numbers, added and taken away', 12, { terms: 5, minus: 1 }],
      ['One decimal', 6, { digits: 3, decimals: 1 }],
      ['Six digits', 12, { digits: 6 }],
      ['Eight three-digit numbers', 25, { terms: 8, digits: 3 }],
      ['Eight three-digit numbers, added and taken away', 25, { terms: 8, digits: 3, minus: 1 }],
      ['Ten digits, taken away', 20, { digits: 10, minus: 1 }],
      ['Taking away, direct moves only', 3, { minus: 1, five: 0, ten: 0, tenFive: 0 }],
      [
        'Three numbers, added and taken away, direct moves only',
        5,
        { terms: 3, digits: 1, minus: 1, five: 0, ten: 0, tenFive: 0 },
      ],
      ['Four numbers of different length', 10, { terms: 4, digits: 3, shortest: 1 }],
    ],
    parameters: {
      parameters: [
        parameter('terms', 'Numbers', 2, 15, 2),
        parameter('digits', 'Digits', 1, 12, 2),
        parameter('shortest', 'Digits of the shortest number', 1, 12),
        parameter('decimals', 'Decimals', 0, 4, 0),
        parameter('minus', 'Taking away too (1) or not (0)', 0, 1, 0),
        parameter('five', 'Fives', 0, 20),
        parameter('ten', 'Tens', 0, 20),
        parameter('tenFive', 'Ten-fives', 0, 20),
        parameter('cascade', 'Carries over two places', 0, 20),
      ],
      problems: ({ terms = 2, digits = 2, decimals = 0, minus = 0, ...counts }) =>
        chainSpace({
          ...counts,
          terms,
          digits,
          decimals: Math.min(decimals, digits - 1),
          minus: minus === 1,
        }),
    },
    read(problem): SumProblem | Misfit {
      if (problem.kind !== 'sum') return misfit(FRAME_MISFIT.sums)
      if (present(problem.terms[0]).sign < 0) return misfit(FRAME_MISFIT.first)
      if (fallsBelowZero(problem)) return misfit(FRAME_MISFIT.belowZero)
      return rodsFor(problem) > MOST_RODS - 2 ? misfit(FRAME_MISFIT.tooLong) : problem
    },
    *work(problem, variant) {
      const [first, ...later] = firstOf(1, problem.terms)
      const lowest = lowestOf(problem)
      const tens = variant.tens as TensVariant
      // Wide enough at both ends for whatever a slip may lead to.
      let frame = clearFrame(MOST_RODS, 1 - lowest)
      let total = first.size
      const start = setNumber(frame, total)
      total = yield beadStep({
        action: 'set',
        place: highestPlace(total),
        ask: SET.ask(toWords(total)),
        why: SET.whyFirst,
        expect: total,
        total: true,
        writes: () => lineOf(first.size, lowest, later.length > 0),
        beads: { before: frame, kind: 'set', cascade: 0, moves: movesBetween(frame, start) },
        slips: (slip) => setSlips(slip, first.size, lowest),
      })
      for (const [n, term] of later.entries()) {
        const parts = partsOf([term])
        if (variant.side === 'right') parts.reverse()
        for (const [i, part] of parts.entries()) {
          const expect = add(total, part.value)
          // After a slip there may be too little to take from: the hand stops there.
          if (isNegative(expect)) continue
          frame = setNumber(frame, total)
          const last = n === later.length - 1 && i === parts.length - 1
          total = yield partStep(frame, part, total, tens, { lowest, last, mixed: !isPlainSum(problem) })
        }
      }
      return total
    },
  }),
  frameFor,
)

interface Around {
  readonly lowest: number
  readonly last: boolean
  readonly mixed: boolean
}

function partStep(
  frame: Frame,
  part: Part,
  total: Decimal,
  tens: TensVariant,
  { lowest, last, mixed }: Around,
): Step {
  const { place, digit } = part
  const taken = isNegative(part.value)
  const d = taken ? -digit : digit
  const move = once(() => rodMove(frame, place, d, tens))
  const words = () => beadWords(frame, place, d, move(), tens)
  const expect = add(total, part.value)
  return beadStep({
    action: 'beads',
    place,
    ask: BEADS_ADD.ask(place, String(digit), taken),
    why: words,
    expect,
    total: true,
    writes: () => lineOf(expect, lowest, !last),
    load: () => {
      const { facts, kind, cascade } = move()
      return { facts, carries: kind === 'ten' || kind === 'ten-five' ? cascade + 1 : 0 }
    },
    beads: () => {
      const { kind, cascade, moves } = move()
      return { before: frame, kind, cascade, moves }
    },
    slips: (slip) => beadSlips(slip, frame, part, total, mixed, words()),
  })
}

/** What to do with a digit on its rod, in words. */
export function beadWords(
  frame: Frame,
  place: number,
  digit: number,
  { kind, cascade }: RodMove,
  tens: TensVariant,
): string {
  return moveOf({ place, digit, stands: rodAt(frame, place), kind, cascade, tenFirst: tens === 'ten-first' })
}

/** What goes wrong with a digit on its rod. @param right what should have been done, in words. */
function beadSlips(
  slip: SlipSink,
  frame: Frame,
  part: Part,
  total: Decimal,
  mixed: boolean,
  right: string,
): void {
  const { place, digit, value } = part
  const sign = isNegative(value) ? -1 : 1
  const v = rodAt(frame, place)
  const expect = add(total, value)
  const at = (units: number, p = place) => atPlace(sign * units, p)
  const tens = sign > 0 ? v + digit > 9 : v < digit
  const complement = String(10 - digit)
  if (tens) {
    slip('carry-lost', subtract(expect, at(1, place + 1)), 7, BEADS_ADD.carry(right))
    // On the frame the complement only goes the wrong way where the beads are there.
    if (sign > 0 ? v + 10 - digit <= 9 : v - (10 - digit) >= 0)
      slip(
        'complement-wrong-way',
        add(add(total, at(1, place + 1)), at(10 - digit)),
        5,
        BEADS_ADD.wrongWay(complement, right),
      )
    slip('complement-left-out', add(total, at(1, place + 1)), 4, BEADS_ADD.complement(complement, right))
  } else if (digit < 5 && (sign > 0 ? v < 5 && v + digit >= 5 : v >= 5 && v % 5 < digit)) {
    slip('five-as-ten', add(add(total, at(1, place + 1)), at(digit - 5)), 4, BEADS_ADD.fiveAsTen(right))
    slip('complement-left-out', add(total, at(5)), 5, BEADS_ADD.back(String(5 - digit), right))
  }
  if (digit >= 5) slip('heaven-as-one', add(total, at(digit - 4)), 2, BEADS_ADD.upper(right))
  slip('not-done', total, 2, BEADS_ADD.undone(right))
  for (const wrong of [place - 1, place + 1])
    slip('wrong-rod', add(total, at(digit, wrong)), 3, BEADS_ADD.wrongRod(wrong, place))
  if (mixed) slip('wrong-sign', subtract(total, value), 3, BEADS_ADD.sign(sign < 0))
  for (const off of [-1, 1])
    slip('bead-off', add(expect, atPlace(off, place)), 3, BEADS_ADD.beadOff(off < 0, right))
}

/** What goes wrong when a number is set. */
export function setSlips(slip: SlipSink, number: Decimal, lowest: number): void {
  const words = toWords(number)
  slip('wrong-rod', decimal(number.units, number.scale - 1), 3, SET.left(words))
  if (-(number.scale + 1) >= lowest)
    slip('wrong-rod', decimal(number.units, number.scale + 1), 3, SET.right(words))
  for (let place = lowestPlace(number); place <= highestPlace(number); place += 1) {
    const digit = digitAt(number, place)
    if (digit >= 5) {
      slip('heaven-as-one', subtract(number, atPlace(4, place)), 2, SET.upper)
      slip('heaven-missed', subtract(number, atPlace(5, place)), 4, SET.upperMissing(place))
    } else if (digit > 0) slip('heaven-as-one', add(number, atPlace(4, place)), 2, SET.upper)
    slip('bead-off', add(number, atPlace(1, place)), 2, SET.beadOff(false, place))
    slip('bead-off', subtract(number, atPlace(1, place)), 2, SET.beadOff(true, place))
  }
}

/** Rods a chain needs, from the lowest place to the highest that is ever reached. */
function rodsFor(problem: SumProblem): number {
  let total = ZERO
  let most = ZERO
  for (const term of problem.terms) {
    total = add(total, signed(term))
    if (compare(total, most) > 0) most = total
  }
  return highestPlace(most) + 1 - lowestOf(problem)
}

function frameFor(problem: Problem, rods = USUAL_RODS): Frame {
  const needed = problem.kind === 'sum' ? rodsFor(problem) : rods
  return clearFrame(Math.max(rods, needed), -lowestOf(problem))
}
