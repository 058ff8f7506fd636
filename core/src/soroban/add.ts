/**
 * soroban-add: a signed chain on the frame, number by number, each from its highest place; the frame shows the
 * running value. Every digit is direct, a five, a ten or a ten-five (moves.ts).
 */
import {
  absolute,
  add,
  atPlace,
  compare,
  type Decimal,
  decimal,
  highestPlace,
  isNegative,
  lowestPlace,
  subtract,
  toWords,
  ZERO,
} from '../number/decimal.js'
import { placeTitle } from '../number/places.js'
import { isPlainSum, lowestOf, type Problem, type SumProblem, signed } from '../problem/problem.js'
import { type Part, partsOf } from '../technique/addition/parts.js'
import { dial } from '../technique/boards.js'
import type { Step } from '../technique/contract.js'
import { level } from '../technique/level.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, once, type SlipSink, step, technique } from '../technique/make.js'
import { SIDE, TENS } from '../technique/schools.js'
import { chainSpace } from './chains.js'
import { clearFrame, type Frame, MOST_RODS, rodAt, setNumber, USUAL_RODS } from './frame.js'
import { movesBetween, rodMove, type TensSchool } from './moves.js'
import { coach, rodName } from './words.js'

export const sorobanAdd = technique({
  id: 'soroban-add',
  name: 'Beads: add and take away',
  family: 'soroban',
  about: 'Sums, differences and chains of both on the frame, rod by rod from the left.',
  needs: ['soroban-set'],
  lesson: {
    example: '364+278-95',
    when: 'Any chain of numbers: the frame carries what the head would have to hold.',
    whenNot: 'Two short numbers, which are said faster than set.',
    because: [
      '+4 is +5 − 1: where four earth beads are not free, the heaven bead and one back do the same.',
      '+8 is +10 − 2: where the rod is too full, one on the left and two off do the same.',
      'The highest place first: what stands on the frame is near the answer from the start.',
    ],
  },
  schools: [TENS, SIDE],
  // Targets: common practice, no published source.
  levels: [
    level('One digit, direct moves only', 2.5, () =>
      chainSpace({ terms: 2, digits: 1, five: 0, ten: 0, tenFive: 0 }),
    ),
    level('Two digits, direct moves only', 4, () =>
      chainSpace({ terms: 2, digits: 2, five: 0, ten: 0, tenFive: 0 }),
    ),
    level('Two digits, one five', 4, () => chainSpace({ terms: 2, digits: 2, five: 1, ten: 0, tenFive: 0 })),
    level('Taking away, one five', 4, () =>
      chainSpace({ terms: 2, digits: 2, minus: true, five: 1, ten: 0, tenFive: 0 }),
    ),
    level('Two digits, one ten', 4.5, () =>
      chainSpace({ terms: 2, digits: 2, five: 0, ten: 1, tenFive: 0, cascade: 0 }),
    ),
    level('Taking away, one ten', 4.5, () =>
      chainSpace({ terms: 2, digits: 2, minus: true, five: 0, ten: 1, tenFive: 0, cascade: 0 }),
    ),
    level('Two digits, one ten-five', 5, () =>
      chainSpace({ terms: 2, digits: 2, five: 0, ten: 0, tenFive: 1, cascade: 0 }),
    ),
    level('Taking away, one ten-five', 5, () =>
      chainSpace({ terms: 2, digits: 2, minus: true, five: 0, ten: 0, tenFive: 1, cascade: 0 }),
    ),
    level('Three digits, a ten passed on', 6, () => chainSpace({ terms: 2, digits: 3, cascade: 1 })),
    level('Taking away, a ten passed on', 6, () =>
      chainSpace({ terms: 2, digits: 3, minus: true, cascade: 1 }),
    ),
    level('Five one-digit numbers', 8, () => chainSpace({ terms: 5, digits: 1 })),
    level('Five one-digit numbers, added and taken away', 8, () =>
      chainSpace({ terms: 5, digits: 1, minus: true }),
    ),
    level('Five two-digit numbers', 12, () => chainSpace({ terms: 5, digits: 2 })),
    level('Five two-digit numbers, added and taken away', 12, () =>
      chainSpace({ terms: 5, digits: 2, minus: true }),
    ),
    level('One decimal', 6, () => chainSpace({ terms: 2, digits: 3, decimals: 1 })),
    level('Six digits', 12, () => chainSpace({ terms: 2, digits: 6 })),
    level('Eight three-digit numbers', 25, () => chainSpace({ terms: 8, digits: 3 })),
    level('Eight three-digit numbers, added and taken away', 25, () =>
      chainSpace({ terms: 8, digits: 3, minus: true }),
    ),
    level('Ten digits, taken away', 20, () => chainSpace({ terms: 2, digits: 10, minus: true })),
  ],
  dials: {
    dials: [
      dial('terms', 'Numbers', 2, 15, 2),
      dial('digits', 'Digits', 1, 12, 2),
      dial('decimals', 'Decimals', 0, 4, 0),
      dial('minus', 'Taking away too (1) or not (0)', 0, 1, 0),
      dial('five', 'Fives', 0, 20),
      dial('ten', 'Tens', 0, 20),
      dial('tenFive', 'Ten-fives', 0, 20),
      dial('cascade', 'Tens passed on', 0, 20),
    ],
    problems: ({ terms = 2, digits = 2, decimals = 0, minus = 0, ...counts }) =>
      chainSpace({ ...counts, terms, digits, decimals: Math.min(decimals, digits - 1), minus: minus === 1 }),
  },
  frame: frameFor,
  read(problem): SumProblem | Misfit {
    if (problem.kind !== 'sum') return misfit('it works sums and differences, and this is none')
    if (problem.terms[0]!.sign < 0) return misfit('the first number must be set, so it cannot be taken away')
    let total = ZERO
    for (const term of problem.terms) {
      total = add(total, signed(term))
      if (isNegative(total)) return misfit('the value on the frame would fall below zero on the way')
    }
    return rodsFor(problem) > MOST_RODS - 2 ? misfit(`it needs more rods than a frame has`) : problem
  },
  *work(problem, school) {
    const [first, ...later] = problem.terms
    const lowest = lowestOf(problem)
    const tens = school.tens as TensSchool
    // Wide enough at both ends for whatever a slip may lead to.
    let frame = clearFrame(MOST_RODS, 1 - lowest)
    let total = first!.size
    const start = setNumber(frame, total)
    total = yield step({
      action: 'set',
      place: highestPlace(total),
      ask: `Set ${toWords(total)}.`,
      why: 'The first number goes onto the cleared frame, its units on the unit rod.',
      expect: total,
      writes: () => lineOf(first!.size, lowest),
      beads: { before: frame, kind: 'set', cascade: 0, moves: movesBetween(frame, start) },
      slips: (slip) => setSlips(slip, first!.size, lowest),
    })
    for (const [n, term] of later.entries()) {
      const parts = partsOf([term])
      if (school.side === 'right') parts.reverse()
      for (const [i, part] of parts.entries()) {
        const expect = add(total, part.value)
        // After a slip there may be too little to take from: the hand stops there.
        if (isNegative(expect)) continue
        frame = setNumber(frame, total)
        const last = n === later.length - 1 && i === parts.length - 1
        total = yield beadStep(frame, part, total, tens, { lowest, last, mixed: !isPlainSum(problem) })
      }
    }
    return total
  },
})

interface Around {
  readonly lowest: number
  readonly last: boolean
  readonly mixed: boolean
}

function beadStep(
  frame: Frame,
  part: Part,
  total: Decimal,
  tens: TensSchool,
  { lowest, last, mixed }: Around,
): Step {
  const { place, digit } = part
  const taken = isNegative(part.value)
  const d = taken ? -digit : digit
  const move = once(() => rodMove(frame, place, d, tens))
  const expect = add(total, part.value)
  return step({
    action: 'beads',
    place,
    ask: `${placeTitle(place)}: ${taken ? `take ${digit} away` : `add ${digit}`}.`,
    why: () => coach(frame, place, d, move()),
    expect,
    writes: () => lineOf(expect, lowest, !last),
    load: () => {
      const { facts, kind, cascade } = move()
      return { facts, carries: kind === 'ten' || kind === 'ten-five' ? cascade + 1 : 0 }
    },
    beads: () => {
      const { kind, cascade, moves } = move()
      return { before: frame, kind, cascade, moves }
    },
    slips: (slip) => beadSlips(slip, frame, part, total, mixed, coach(frame, place, d, move())),
  })
}

/** What goes wrong with a digit on its rod. @param right what should have been done, in words. */
export function beadSlips(
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
  if (tens) {
    slip(
      'carry-forgotten',
      subtract(expect, at(1, place + 1)),
      7,
      `The one on the left was forgotten. ${right}`,
    )
    const complement = 10 - digit
    // On the frame the complement only goes the wrong way where the beads are there.
    if (sign > 0 ? v + complement <= 9 : v - complement >= 0)
      slip(
        'complement-wrong-way',
        add(add(total, at(1, place + 1)), at(complement)),
        5,
        `The complement ${complement} goes the other way. ${right}`,
      )
    slip(
      'complement-left-out',
      add(total, at(1, place + 1)),
      4,
      `One on the left is ten: the complement ${complement} is still to do. ${right}`,
    )
  } else if (digit < 5 && (sign > 0 ? v < 5 && v + digit >= 5 : v >= 5 && v % 5 < digit)) {
    slip(
      'five-as-ten',
      add(add(total, at(1, place + 1)), at(digit - 5)),
      4,
      `A five was worked as a ten. ${right}`,
    )
    slip(
      'complement-left-out',
      add(total, at(5)),
      5,
      `The heaven bead is five: ${5 - digit} must go back. ${right}`,
    )
  }
  if (digit >= 5)
    slip('heaven-as-one', add(total, at(digit - 4)), 2, `The heaven bead is worth five. ${right}`)
  slip('not-done', total, 2, `This is still to do. ${right}`)
  for (const wrong of [place - 1, place + 1])
    slip(
      'wrong-rod',
      add(total, at(digit, wrong)),
      3,
      `It went onto ${rodName(wrong)}; it belongs on ${rodName(place)}.`,
    )
  if (mixed)
    slip(
      'wrong-sign',
      subtract(total, value),
      3,
      sign < 0 ? 'This number is taken away.' : 'This number is added.',
    )
  for (const off of [-1, 1])
    slip(
      'bead-off',
      add(expect, atPlace(off, place)),
      3,
      `One earth bead too ${off < 0 ? 'few' : 'many'}. ${right}`,
    )
}

/** What goes wrong when a number is set. */
export function setSlips(slip: SlipSink, number: Decimal, lowest: number): void {
  const right = `It is ${toWords(number)}, its units on the unit rod.`
  slip(
    'wrong-rod',
    decimal(number.units, number.scale - 1),
    3,
    `Every digit stands one rod too far to the left. ${right}`,
  )
  if (-(number.scale + 1) >= lowest)
    slip(
      'wrong-rod',
      decimal(number.units, number.scale + 1),
      3,
      `Every digit stands one rod too far to the right. ${right}`,
    )
  for (let place = lowestPlace(number); place <= highestPlace(number); place += 1) {
    const digit = Number((absolute(number).units / 10n ** BigInt(place + number.scale)) % 10n)
    if (digit >= 5) {
      slip('heaven-as-one', subtract(number, atPlace(4, place)), 2, `The heaven bead is worth five. ${right}`)
      slip(
        'heaven-missed',
        subtract(number, atPlace(5, place)),
        4,
        `The heaven bead of ${rodName(place)} is missing. ${right}`,
      )
    } else if (digit > 0)
      slip(
        'heaven-for-earth',
        add(number, atPlace(4, place)),
        2,
        `The heaven bead is worth five, an earth bead one. ${right}`,
      )
    slip(
      'bead-off',
      add(number, atPlace(1, place)),
      2,
      `One earth bead too many on ${rodName(place)}. ${right}`,
    )
    slip(
      'bead-off',
      subtract(number, atPlace(1, place)),
      2,
      `One earth bead too few on ${rodName(place)}. ${right}`,
    )
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
