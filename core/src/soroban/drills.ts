/** soroban-read and soroban-set: a number read from the frame, and a number set on it. */

import { highestPlace, lowestPlace, toWords } from '../number/decimal.js'
import { numberSpace } from '../problem/numbers.js'
import { type NumberProblem, numberOf, type Problem } from '../problem/problem.js'
import { shape } from '../problem/shape.js'
import { mapped } from '../problem/space.js'
import { DECIMAL } from '../question/kind.js'
import { dial } from '../technique/boards.js'
import type { DialBoard } from '../technique/contract.js'
import { level } from '../technique/level.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, step, technique } from '../technique/make.js'
import { setSlips } from './add.js'
import { clearFrame, type Frame, MOST_RODS, setNumber, USUAL_RODS } from './frame.js'
import { movesBetween } from './moves.js'

const numbers = (
  digits: number,
  more: { zeros?: number; zeroRun?: number; largest?: number } = {},
  decimals = 0,
) => mapped(numberSpace([shape(digits - decimals, decimals)], more), ([n]) => numberOf(n!))

// Targets: common practice, no published source.
const LEVELS = [
  level('One rod, up to 4', 1.5, () => numbers(1, { largest: 4 })),
  level('One rod', 1.5, () => numbers(1)),
  level('Two rods', 2, () => numbers(2)),
  level('Three rods, one of them zero', 3, () => numbers(3, { zeros: 1 })),
  level('Four rods', 3.5, () => numbers(4)),
  level('One decimal', 3, () => numbers(3, {}, 1)),
  level('Six rods, two zeros side by side', 4.5, () => numbers(6, { zeroRun: 2 })),
  level('Nine rods', 6, () => numbers(9)),
  level('Twelve rods', 8, () => numbers(12)),
]

const DIALS: DialBoard = {
  dials: [
    dial('digits', 'Digits', 1, 20, 3),
    dial('decimals', 'Decimals', 0, 6, 0),
    dial('largest', 'Largest digit', 1, 9),
    dial('zeros', 'Zeros', 0, 19),
    dial('zeroRun', 'Longest run of zeros', 0, 19),
  ],
  problems: ({ digits = 3, decimals = 0, ...more }) => numbers(digits, more, Math.min(decimals, digits - 1)),
}

function readNumber(problem: Problem): NumberProblem | Misfit {
  if (problem.kind !== 'number') return misfit('it takes one number by itself')
  const { number } = problem
  return highestPlace(number) + 1 - lowestPlace(number) > MOST_RODS
    ? misfit(`a frame has at most ${MOST_RODS} rods`)
    : problem
}

function frameFor({ number }: NumberProblem, rods = USUAL_RODS): Frame {
  return clearFrame(Math.max(rods, highestPlace(number) + 1 - lowestPlace(number)), -lowestPlace(number))
}

export const sorobanRead = technique({
  id: 'soroban-read',
  name: 'Beads: read',
  family: 'soroban',
  about: 'Say the number that stands on the frame.',
  needs: [],
  lesson: {
    example: '4096',
    when: 'First of all: a frame must be read at a glance.',
    whenNot: 'Never skipped.',
    because: [
      'A bead counts when it touches the reckoning bar.',
      'The heaven bead above it is worth 5, each earth bead below it 1.',
      'The dotted rods are units, thousands, millions: the place rule on the bar.',
    ],
  },
  schools: [],
  levels: LEVELS,
  dials: DIALS,
  frame: (problem, rods) => {
    const found = readNumber(problem)
    return 'because' in found ? clearFrame(rods) : setNumber(frameFor(found, rods), found.number)
  },
  read: readNumber,
  *work(problem) {
    const { number } = problem
    const frame = setNumber(frameFor(problem), number)
    return yield step({
      action: 'read',
      place: highestPlace(number),
      ask: 'Which number stands on the frame?',
      why: 'Rod by rod from the left: five for the heaven bead at the bar, one for each earth bead at the bar.',
      expect: number,
      writes: () => lineOf(number, lowestPlace(number)),
      kind: DECIMAL,
      beads: { before: frame, kind: 'read', cascade: 0, moves: [] },
      slips: (slip) => setSlips(slip, number, lowestPlace(number) - 1),
    })
  },
})

export const sorobanSet = technique({
  id: 'soroban-set',
  name: 'Beads: set',
  family: 'soroban',
  about: 'Set a number on the cleared frame, its units on the unit rod.',
  needs: ['soroban-read'],
  lesson: {
    example: '4096',
    when: 'Before any work on the frame.',
    whenNot: 'Never skipped.',
    because: [
      'From the left, as the number is spoken.',
      'Thumb for earth beads up, index finger for the rest; 6 to 9 with both at once.',
      'The units go on a dotted rod, so that the number can be read again.',
    ],
  },
  schools: [],
  levels: LEVELS,
  dials: DIALS,
  frame: (problem, rods) => {
    const found = readNumber(problem)
    return 'because' in found ? clearFrame(rods) : frameFor(found, rods)
  },
  read: readNumber,
  *work(problem) {
    const { number } = problem
    const frame = frameFor(problem)
    return yield step({
      action: 'set',
      place: highestPlace(number),
      ask: `Set ${toWords(number)}.`,
      why: 'From the highest place: the heaven bead for five and more, earth beads for the rest.',
      expect: number,
      writes: () => lineOf(number, lowestPlace(number)),
      beads: { before: frame, kind: 'set', cascade: 0, moves: movesBetween(frame, setNumber(frame, number)) },
      slips: (slip) => setSlips(slip, number, lowestPlace(number)),
    })
  },
})
