import { flashSum } from '../flash/sum.js'
import { InputError } from '../problem/error.js'
import { sorobanAdd } from '../soroban/add.js'
import { sorobanRead, sorobanSet } from '../soroban/drills.js'
import { sorobanMultiply } from '../soroban/multiply.js'
import { addBlocks } from './addition/blocks.js'
import { addColumnTotals } from './addition/column-totals.js'
import { addColumnsLeft } from './addition/columns-left.js'
import { addCompensation } from './addition/compensation.js'
import { addPairs } from './addition/pairs.js'
import { addPlaceSweep } from './addition/place-sweep.js'
import { addRunningTotal } from './addition/running-total.js'
import type { Level, Technique } from './contract.js'
import { divideShort } from './division/short.js'
import { multiplyAddition } from './multiplication/addition.js'
import { multiplyCommonFactor } from './multiplication/common-factor.js'
import { multiplyComplementRepdigit } from './multiplication/complement-repdigit.js'
import { multiplyCrosswise } from './multiplication/crosswise.js'
import { multiplyDoubleHalve } from './multiplication/double-halve.js'
import { multiplyFactors } from './multiplication/factors.js'
import { multiplyNearBase } from './multiplication/near-base.js'
import { multiplyByNines } from './multiplication/nines.js'
import { multiplyRepunit } from './multiplication/repunit.js'
import { multiplySameHead } from './multiplication/same-head.js'
import { multiplySubtraction } from './multiplication/subtraction.js'
import { rootDuplex } from './roots/duplex.js'
import { rootEstimate } from './roots/estimate.js'
import { squareDuplex } from './squares/duplex.js'
import { squareEndingFive } from './squares/ending-five.js'
import { squareNearBase } from './squares/near-base.js'
import { squareRoundBalance } from './squares/round-balance.js'
import { subtractBlocks } from './subtraction/blocks.js'
import { subtractComplement } from './subtraction/complement.js'
import { subtractHoldDrop } from './subtraction/hold-drop.js'
import { subtractRoundUp } from './subtraction/round-up.js'

/** Every technique there is, in teaching order. Adding one is adding a line here. */
export const TECHNIQUES: readonly Technique[] = [
  addRunningTotal,
  addPlaceSweep,
  addPairs,
  addColumnsLeft,
  addColumnTotals,
  addCompensation,
  subtractHoldDrop,
  subtractComplement,
  addBlocks,
  subtractBlocks,
  subtractRoundUp,
  multiplyAddition,
  multiplySubtraction,
  multiplyFactors,
  multiplyCrosswise,
  multiplyRepunit,
  multiplyComplementRepdigit,
  multiplySameHead,
  multiplyNearBase,
  multiplyByNines,
  multiplyDoubleHalve,
  multiplyCommonFactor,
  divideShort,
  squareEndingFive,
  squareNearBase,
  squareRoundBalance,
  squareDuplex,
  rootEstimate,
  rootDuplex,
  sorobanRead,
  sorobanSet,
  sorobanAdd,
  sorobanMultiply,
  flashSum,
]
/** @throws InputError for an unknown id; the message lists the known ones. */
export function techniqueById(id: string): Technique {
  const found = TECHNIQUES.find((t) => t.id === id)
  if (!found)
    throw new InputError(`There is no technique "${id}". Known: ${TECHNIQUES.map((t) => t.id).join(', ')}.`)
  return found
}

/** The ids of a technique and of all it needs, in teaching order. @throws InputError for an unknown id. */
export function withNeeds(id: string): string[] {
  const needed = new Set<string>()
  const add = (one: string) => {
    techniqueById(one).needs.forEach(add)
    needed.add(one)
  }
  add(id)
  return TECHNIQUES.map((t) => t.id).filter((one) => needed.has(one))
}

/** The level of problems set by dials of one's own rather than by a rung. */
export const OWN_LEVEL = 0

/** @throws InputError unless the number is OWN_LEVEL or a rung of the ladder. */
export function checkLevel(technique: Technique, n: number): void {
  if (n !== OWN_LEVEL) levelOf(technique, n)
}

/** The time to aim for at a level, in milliseconds; undefined for problems of one's own dials. */
export function targetOf(technique: Technique, n: number): number | undefined {
  return n === OWN_LEVEL ? undefined : levelOf(technique, n).targetMs
}

/** The level with a number from 1. @throws InputError when the ladder has no such rung. */
export function levelOf(technique: Technique, n: number): Level {
  const level = Number.isInteger(n) ? technique.levels[n - 1] : undefined
  if (!level)
    throw new InputError(`${technique.id} has levels 1 to ${technique.levels.length}; ${n} is none of them.`)
  return level
}
