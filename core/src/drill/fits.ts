/**
 * Does this trick fit? Problems that miss just one of its conditions among those that fit; the learner says which condition
 * fails. Written "multiply-same-head: 63*57".
 */
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { printProblem, problemWords, readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { draw, type ProblemSpace } from '../problem/space.js'
import { choiceOf } from '../question/kind.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { Condition } from '../technique/conditions.js'
import type { Technique } from '../technique/contract.js'
import { FITS } from '../words/drill.js'
import type { DrillItem } from './drill.js'

/** The techniques that fit some problems of their shape only. */
export const TRICKS: readonly Trick[] = TECHNIQUES.filter(isTrick)

type Trick = Technique & { readonly conditions: readonly Condition[] }

function isTrick(technique: Technique): technique is Trick {
  return technique.conditions !== undefined
}

/** A problem, and a technique that fits it or does not. */
export interface FitItem extends DrillItem {
  /** The problem itself. */
  readonly problem: Problem
  /** The technique that fits it or does not. */
  readonly trick: Technique
  /** What it misses; undefined where it fits. */
  readonly missed: Condition | undefined
}

const FIT = 'fits'

/** @throws InputError for a text that names no trick, or a problem that fits or misses nothing of it */
export function readFit(text: string): FitItem {
  const [id = '', expression = ''] = text.split(': ')
  const trick = techniqueById(id)
  if (!isTrick(trick)) throw new InputError(`${trick.name} fits every problem of its kind.`)
  const problem = readProblem(expression)
  const missed = trick.conditions.filter((c) => !c.holds(problem))
  if (missed.length > 1 || (missed.length === 0) !== trick.fits(problem).fits)
    throw new InputError(`${expression} is no problem to ask that of.`)
  return {
    problem,
    trick,
    missed: missed[0],
    says: `${problemWords(problem)}: ${trick.name}`,
    inOrder: true,
    questions: [
      {
        ask: FITS.ask(trick.name),
        kind: choiceOf([
          { id: FIT, name: FITS.fits },
          ...trick.conditions.map((c) => ({ id: c.id, name: c.no })),
        ]),
        expect: missed[0]?.id ?? FIT,
      },
    ],
  }
}

/** Every other one fits, by chance; of the others each condition is missed as often. */
export function randomFit(id: string, random: Random): string {
  const trick = techniqueById(id)
  if (!isTrick(trick)) throw new InputError(`${trick.name} fits every problem of its kind.`)
  const pick = <T>(from: readonly T[]): T => present(from[Number(random.below(BigInt(from.length)))])
  // Of the easier half of its levels, where all is seen at a glance.
  const levels = trick.levels.slice(0, Math.ceil(trick.levels.length / 2))
  const space: ProblemSpace =
    random.below(2n) === 0n ? pick(levels).problems() : pick(trick.conditions).misses()
  return `${id}: ${printProblem(present(draw(space, random).next().value))}`
}

/** What is said to a wrong answer. @param chosen the id of the answer that was chosen */
export function fitRemark({ trick, problem, missed }: FitItem, chosen: string): string {
  if (!missed) return FITS.fitsAfterAll(trick.name)
  const fit = trick.fits(problem)
  if (chosen === FIT) return FITS.not(trick.name, fit.fits ? '' : fit.because)
  return FITS.other(missed.no.replace(/^no: /, ''))
}
