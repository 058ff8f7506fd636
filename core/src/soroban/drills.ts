/** soroban-read and soroban-set: a number read from the frame, and a number set on it. */

import { highestPlace, lowestPlace, toWords } from '../number/decimal.js'
import { numberSpace } from '../problem/numbers.js'
import { type NumberProblem, numberOf, type Problem } from '../problem/problem.js'
import { shape } from '../problem/shape.js'
import { mapped } from '../problem/space.js'
import { DECIMAL } from '../question/kind.js'
import type { ParameterSpace } from '../technique/contract.js'
import { lineOf } from '../technique/line.js'
import { type LevelSetting, type Misfit, misfit, technique } from '../technique/make.js'
import { parameter } from '../technique/quantities/boards.js'
import { FRAME_MISFIT, READ, SET } from '../words/soroban.js'
import { setSlips } from './add.js'
import { clearFrame, type Frame, MOST_RODS, setNumber, USUAL_RODS } from './frame.js'
import { movesBetween } from './moves.js'
import { beadStep, onFrame } from './step.js'

// Targets: common practice, no published source.
const LEVELS: readonly LevelSetting[] = [
  ['One rod, up to 4', 1.5, { digits: 1, largest: 4 }],
  ['One rod', 1.5, { digits: 1 }],
  ['Two rods', 2, { digits: 2 }],
  ['Three rods, one of them zero', 3, { zeros: 1 }],
  ['Four rods', 3.5, { digits: 4 }],
  ['One decimal', 3, { decimals: 1 }],
  ['Six rods, two zeros side by side', 4.5, { digits: 6, zeroRun: 2 }],
  ['Nine rods', 6, { digits: 9 }],
  ['Twelve rods', 8, { digits: 12 }],
]

const PARAMETERS: ParameterSpace = {
  parameters: [
    parameter('digits', 'Digits', 1, 20, 3),
    parameter('decimals', 'Decimals', 0, 6, 0),
    parameter('largest', 'Largest digit', 1, 9),
    parameter('zeros', 'Zeros', 0, 19),
    parameter('zeroRun', 'Longest run of zeros', 0, 19),
  ],
  problems({ digits = 3, decimals = 0, ...more }) {
    const behind = Math.min(decimals, digits - 1)
    return mapped(numberSpace([shape(digits - behind, behind)], more), ([n]) => numberOf(n!))
  },
}

function readNumber(problem: Problem): NumberProblem | Misfit {
  if (problem.kind !== 'number') return misfit(FRAME_MISFIT.number)
  const { number } = problem
  return highestPlace(number) + 1 - lowestPlace(number) > MOST_RODS
    ? misfit(FRAME_MISFIT.rods(MOST_RODS))
    : problem
}

function frameFor({ number }: NumberProblem, rods = USUAL_RODS): Frame {
  return clearFrame(Math.max(rods, highestPlace(number) + 1 - lowestPlace(number)), -lowestPlace(number))
}

export const sorobanRead = onFrame(
  technique({
    id: 'soroban-read',
    words: READ,
    family: 'soroban',
    needs: [],
    levels: LEVELS,
    parameters: PARAMETERS,
    read: readNumber,
    *work(problem) {
      const { number } = problem
      return yield beadStep({
        action: 'read',
        place: highestPlace(number),
        ask: READ.ask,
        why: READ.why,
        expect: number,
        kind: DECIMAL,
        writes: () => lineOf(number, lowestPlace(number)),
        beads: () => ({ before: setNumber(frameFor(problem), number), kind: 'read', cascade: 0, moves: [] }),
        slips: (slip) => setSlips(slip, number, lowestPlace(number) - 1),
      })
    },
  }),
  (problem, rods) => {
    const found = readNumber(problem)
    return 'because' in found ? clearFrame(rods) : setNumber(frameFor(found, rods), found.number)
  },
)

export const sorobanSet = onFrame(
  technique({
    id: 'soroban-set',
    words: SET,
    family: 'soroban',
    needs: ['soroban-read'],
    levels: LEVELS,
    parameters: PARAMETERS,
    read: readNumber,
    *work(problem) {
      const { number } = problem
      const frame = frameFor(problem)
      return yield beadStep({
        action: 'set',
        place: highestPlace(number),
        ask: SET.ask(toWords(number)),
        why: SET.why,
        expect: number,
        writes: () => lineOf(number, lowestPlace(number)),
        beads: () => ({
          before: frame,
          kind: 'set',
          cascade: 0,
          moves: movesBetween(frame, setNumber(frame, number)),
        }),
        slips: (slip) => setSlips(slip, number, lowestPlace(number)),
      })
    },
  }),
  (problem, rods) => {
    const found = readNumber(problem)
    return 'because' in found ? clearFrame(rods) : frameFor(found, rods)
  },
)
