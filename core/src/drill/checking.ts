/**
 * Is it right? Finished work is checked without redoing it: right answers, wrong ones, and wrong ones that pass. The learner
 * gives what is left of each number, says whether it agrees, and what that proves. Written "nines: 63*67 = 4221".
 */

import { nearMisses, residue } from '../check/checks.js'
import { equationOf } from '../check/equation.js'
import {
  type Decimal,
  decimal,
  equal,
  isNegative,
  readDecimal,
  subtract,
  toText,
  toWords,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { digitsOf, size } from '../number/whole.js'
import { InputError } from '../problem/error.js'
import { printProblem, problemWords, readProblem } from '../problem/expression.js'
import { answerOf, isExact, type Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { choiceOf, WHOLE } from '../question/kind.js'
import type { AnyQuestion, Question } from '../question/question.js'
import { asDecimal } from '../question/value.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import { trace, variantOf } from '../technique/driver.js'
import { CHECKING } from '../words/drill.js'
import type { DrillItem } from './drill.js'

/** The checks that are drilled, in the order they are taught. */
export const CHECK_KINDS = ['nines', 'elevens'] as const
/** One of the checks that are drilled. */
export type CheckKind = (typeof CHECK_KINDS)[number]
const MODULUS = { nines: 9, elevens: 11 } as const

/** A finished piece of work that is to be checked. */
export interface CheckItem extends DrillItem {
  /** The problem itself. */
  readonly problem: Problem
  /** By which check it is looked at. */
  readonly check: CheckKind
  /** The answer that is to be checked. */
  readonly claimed: Decimal
  /** Does the claimed answer pass it? */
  readonly passes: boolean
  /** What it came to in truth, told afterwards. */
  readonly truth: string
}

const AGREES = choiceOf([
  { id: 'passes', name: CHECKING.agrees },
  { id: 'fails', name: CHECKING.differs },
])
const KNOWN = choiceOf([
  { id: 'wrong', name: CHECKING.wrong },
  { id: 'open', name: CHECKING.open },
])

/** @throws InputError for a text that is no finished work, or work this check says nothing of */
export function readChecking(text: string): CheckItem {
  const found = /^(nines|elevens): (.+) = (-?[\d.]+)$/.exec(text)
  const claimed = found && readDecimal(present(found[3]))
  if (!claimed) throw new InputError(`"${text.slice(0, 60)}" is no finished work.`)
  const [check, problem] = [found[1] as CheckKind, readProblem(present(found[2]))]
  const asked = checkQuestions(check, problem, claimed)
  if (!asked) throw new InputError(`Casting out says nothing of ${present(found[2]).slice(0, 60)}.`)
  const { passes } = asked
  const right = present(asDecimal(answerOf(problem)))
  const truth = equal(right, claimed)
    ? CHECKING.truthRight
    : passes
      ? CHECKING.truthPasses(check, toWords(right), size(subtract(right, claimed).units))
      : CHECKING.truthWrong(toWords(right))
  const known: Question<string> = { ask: CHECKING.known, kind: KNOWN, expect: passes ? 'open' : 'wrong' }
  const questions: AnyQuestion[] = [...asked.questions, known]
  return {
    problem,
    check,
    claimed,
    passes,
    truth,
    says: `${problemWords(problem)} = ${toWords(claimed)}`,
    inOrder: true,
    questions,
  }
}

/**
 * The questions of a check of an answer: what is left of each number, of what they make, of the answer, and whether that
 * agrees; undefined where it says nothing of the problem.
 */
export function checkQuestions(
  check: CheckKind,
  problem: Problem,
  claimed: Decimal,
): { readonly questions: readonly AnyQuestion[]; readonly passes: boolean } | undefined {
  // Below zero the digits alone would tell another rest.
  const equation = isNegative(claimed) ? undefined : equationOf(problem, claimed)
  if (!equation) return undefined
  const modulus = MODULUS[check]
  const left = (n: bigint) => residue(n, modulus)
  const numbers = equation.left.flatMap((p) => p.factors)
  const different = [...new Map(numbers.map((n) => [n.text, n])).values()]
  const rests = equation.left.map((p) => ({ sign: p.sign, factors: p.factors.map((f) => left(f.units)) }))
  const made = residue(
    BigInt(rests.reduce((sum, p) => sum + p.sign * p.factors.reduce((a, b) => a * b, 1), 0)),
    modulus,
  )
  const shown = rests
    .map((p, i) => `${p.sign < 0 ? '− ' : i > 0 ? '+ ' : ''}${p.factors.join(' × ')}`)
    .join(' ')
  const plain = rests.length === 1 && present(rests[0]).factors.length === 1
  const passes = made === left(equation.right.units)
  return {
    passes,
    questions: [
      ...different.map((n) => leftQuestion(CHECKING.left(check, n.text), n.units, modulus)),
      ...(plain ? [] : [leftQuestion(CHECKING.made(shown), BigInt(made), modulus)]),
      leftQuestion(CHECKING.left(check, equation.right.text), equation.right.units, modulus),
      { ask: CHECKING.agree, kind: AGREES, expect: passes ? 'passes' : 'fails' },
    ],
  }
}

/** A digit sum on the way is as right as what is left at the end: 12 for 3, and 9 for 0. */
function leftQuestion(ask: string, n: bigint, modulus: number): Question {
  const rest = residue(n, modulus)
  const most =
    modulus === 9
      ? Math.max(
          9,
          digitsOf(size(n)).reduce((a, b) => a + b, 0),
        )
      : modulus
  return {
    ask,
    kind: WHOLE,
    expect: decimal(rest),
    also: (value) =>
      value.scale === 0 && value.units <= BigInt(most) && residue(value.units, modulus) === rest,
  }
}

/** Problems looked at of a level until one can be checked. */
const MOST_LOOKED_AT = 30

/** A problem of a level whose answer is exact and says enough for the check; undefined where none is found. */
function checkable(
  check: CheckKind,
  { technique, level }: { readonly technique: string; readonly level: number },
  random: Random,
): Problem | undefined {
  const problems = draw(levelOf(techniqueById(technique), level).problems(), random)
  for (let i = 0; i < MOST_LOOKED_AT; i += 1) {
    const problem = present(problems.next().value)
    const answer = asDecimal(answerOf(problem))
    if (answer && isExact(problem, answer) && checkQuestions(check, problem, answer)) return problem
  }
  return undefined
}

/** Are there answers at this level that can be checked? The same everywhere, since it looks at the same problems. */
export function hasChecks(check: CheckKind, at: Parameters<typeof checkable>[1]): boolean {
  return checkable(check, at, seeded(1)) !== undefined
}

/** A third right, a third wrong and found out, a third wrong in a way that passes. */
export function randomChecking(
  check: CheckKind,
  { technique: id, level }: { readonly technique: string; readonly level: number },
  random: Random,
): string {
  const technique = techniqueById(id)
  const pick = <T>(from: readonly T[]): T | undefined =>
    from[Number(random.below(BigInt(Math.max(1, from.length))))]
  const problem = checkable(check, { technique: id, level }, random)
  if (!problem) throw new InputError(`${technique.name} has no answers to check at level ${level}.`)
  const right = present(asDecimal(answerOf(problem)))
  const passing = (answer: Decimal) => checkQuestions(check, problem, answer)?.passes === true
  const claimed = () => {
    switch (Number(random.below(3n))) {
      case 0:
        return right
      case 1:
        return pick(
          slipsOf(id, problem).filter(
            (a) => !equal(a, right) && checkQuestions(check, problem, a)?.passes === false,
          ),
        )
      default:
        return pick(nearMisses(right).filter(passing).slice(0, PASSING_FROM))
    }
  }
  return `${check}: ${printProblem(problem)} = ${toText(claimed() ?? right)}`
}

/** Of the wrong answers that pass the likeliest: swapped digits, and off by the least. */
const PASSING_FROM = 3

/** The answers that one mistake at one step leads to. */
function slipsOf(id: string, problem: Problem): Decimal[] {
  const technique = techniqueById(id)
  const variant = variantOf(technique)
  return trace(technique, problem, variant).steps.flatMap((step, at) =>
    step
      .slips()
      .flatMap(
        (slip) =>
          asDecimal(
            trace(technique, problem, variant, (_, i) => (i === at ? slip.entry : undefined)).answer,
          ) ?? [],
      ),
  )
}

/** What is said where what was left of a number is not right: how it is found. */
export const checkRemark = ({ check }: Pick<CheckItem, 'check'>): string => CHECKING.how[check]
