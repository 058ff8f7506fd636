import { flashSum } from '../flash/sum.js'
import { PAPER_KINDS } from '../paper/kinds.js'
import { InputError } from '../problem/error.js'
import { sorobanAdd } from '../soroban/add.js'
import { sorobanRead, sorobanSet } from '../soroban/drills.js'
import { sorobanMultiply } from '../soroban/multiply.js'
import { addBlocks } from '../technique/addition/blocks.js'
import { addColumnTotals } from '../technique/addition/column-totals.js'
import { addColumnsLeft } from '../technique/addition/columns-left.js'
import { addCompensation } from '../technique/addition/compensation.js'
import { addPairs } from '../technique/addition/pairs.js'
import { addPlaceSweep } from '../technique/addition/place-sweep.js'
import { addRunningTotal } from '../technique/addition/running-total.js'
import type { Level, Technique } from '../technique/contract.js'
import { divideShort } from '../technique/division/short.js'
import { multiplyAddition } from '../technique/multiplication/addition.js'
import { multiplyCommonFactor } from '../technique/multiplication/common-factor.js'
import { multiplyCrosswise } from '../technique/multiplication/crosswise.js'
import { multiplyDoubleHalve } from '../technique/multiplication/double-halve.js'
import { multiplyFactors } from '../technique/multiplication/factors.js'
import { multiplyComplementRepdigit } from '../technique/multiplication/special/complement-repdigit.js'
import { multiplyNearBase } from '../technique/multiplication/special/near-base.js'
import { multiplyByNines } from '../technique/multiplication/special/nines.js'
import { multiplyRepunit } from '../technique/multiplication/special/repunit.js'
import { multiplySameHead } from '../technique/multiplication/special/same-head.js'
import { multiplySubtraction } from '../technique/multiplication/subtraction.js'
import { rootDuplex } from '../technique/roots/duplex.js'
import { rootEstimate } from '../technique/roots/estimate.js'
import { squareDuplex } from '../technique/squares/duplex.js'
import { squareEndingFive } from '../technique/squares/ending-five.js'
import { squareNearBase } from '../technique/squares/near-base.js'
import { squareRoundBalance } from '../technique/squares/round-balance.js'
import { subtractBlocks } from '../technique/subtraction/blocks.js'
import { subtractComplement } from '../technique/subtraction/complement.js'
import { subtractHoldDrop } from '../technique/subtraction/hold-drop.js'
import { subtractRoundUp } from '../technique/subtraction/round-up.js'

/** Every technique there is, in teaching order. Adding one is adding a line here. */
const ALL = [
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
  ...PAPER_KINDS,
] as const

/** All of them as one list, where their ids do not matter. */
export const TECHNIQUES: readonly Technique[] = ALL

/** The id of any technique: what is kept by it for every one of them is a record of this, so that none can be left out. */
export type TechniqueId = (typeof ALL)[number]['id']
/** Of those of the course. */
export type CourseId = Exclude<TechniqueId, (typeof PAPER_KINDS)[number]['id']>

/** The techniques of the course, which the plan teaches one after another; the kinds of a paper are learnt beside it. */
export const COURSE: readonly Technique[] = TECHNIQUES.filter((t) => t.family !== 'paper')

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

/** The level of problems set by parameters of one's own rather than by a level of its own. */
export const OWN_LEVEL = 0

/** @throws InputError unless the number is OWN_LEVEL or one of the levels. */
export function checkLevel(technique: Technique, n: number): void {
  if (n !== OWN_LEVEL) levelOf(technique, n)
}

/** The time to aim for at a level, in milliseconds; undefined for problems of one's own parameters. */
export function targetOf(technique: Technique, n: number): number | undefined {
  return n === OWN_LEVEL ? undefined : levelOf(technique, n).targetMs
}

/** The level with a number from 1. @throws InputError when there is no such level. */
export function levelOf(technique: Technique, n: number): Level {
  const level = Number.isInteger(n) ? technique.levels[n - 1] : undefined
  if (!level)
    throw new InputError(`${technique.id} has levels 1 to ${technique.levels.length}; ${n} is none of them.`)
  return level
}
