import { InputError } from '../problem/error.js'
import { addPlaceSweep } from './addition/place-sweep.js'
import { addRunningTotal } from './addition/running-total.js'
import type { Level, Technique } from './contract.js'
import { subtractComplement } from './subtraction/complement.js'
import { subtractHoldDrop } from './subtraction/hold-drop.js'

/** Every technique there is, in teaching order. Adding one is adding a line here. */
export const TECHNIQUES: readonly Technique[] = [
  addRunningTotal,
  addPlaceSweep,
  subtractHoldDrop,
  subtractComplement,
]

/** @throws InputError for an unknown id; the message lists the known ones. */
export function techniqueById(id: string): Technique {
  const found = TECHNIQUES.find((t) => t.id === id)
  if (!found)
    throw new InputError(`There is no technique "${id}". Known: ${TECHNIQUES.map((t) => t.id).join(', ')}.`)
  return found
}

/** The level with a number from 1. @throws InputError when the ladder has no such rung. */
export function levelOf(technique: Technique, n: number): Level {
  const level = Number.isInteger(n) ? technique.levels[n - 1] : undefined
  if (!level)
    throw new InputError(`${technique.id} has levels 1 to ${technique.levels.length}; ${n} is none of them.`)
  return level
}
