/**
 * What every technique is held to, whatever it works: looks at workings step by step and says what is not as the
 * contract has it. Nothing here knows a single technique; each rule reads two things that have to agree, such as the lit
 * place and the place the question names, or the facts told and what the step says it reckons.
 */

import { type Decimal, decimal, digitAt, highestPlace, isZero, lowestPlace } from '../number/decimal.js'
import { present } from '../number/present.js'
import { digitsOf } from '../number/whole.js'
import { isItem, type Problem, rowsOf } from '../problem/problem.js'
import { valueText } from '../question/value.js'
import { beadWorkOf, frameOf, isOnFrame } from '../soroban/step.js'
import type { AnswerLine, Step, Technique, Variant } from '../technique/contract.js'
import { answerQuestion, type Trace, trace } from '../technique/driver.js'
import { BLANK } from '../technique/line.js'
import { itemFaults } from './items.js'
import { drafts, holding, lineAgrees } from './line.js'
import { facts } from './load.js'
import { nameFaults } from './names.js'
import { litPlace } from './place.js'
import { type Around, inNumbers, type NumberTrace, type Rule } from './rule.js'
import { falseEquations, sentences } from './sentences.js'

/** What is wrong with a technique as a whole. */
export function levelFaults({ id, levels, lesson, parameters }: Technique): string[] {
  const faults = levels.flatMap((level, i) => [
    ...(level.targetMs > 0 ? [] : [`level ${i + 1} aims at no time`]),
    ...(level.problems().size > 0n ? [] : [`level ${i + 1} has no problems`]),
    ...(level.name.length > 0 ? [] : [`level ${i + 1} has no name`]),
    ...nameFaults(level),
  ])
  const keys = parameters.parameters.map((d) => d.key)
  if (new Set(keys).size < keys.length) faults.push('two parameters have one key')
  const said = [lesson.when, lesson.whenNot, ...lesson.because]
  if (said.some((line) => !/[.]$/.test(line))) faults.push('a line of the lesson has no end')
  for (const line of said) {
    faults.push(...falseEquations(line).map((e) => `the lesson says ${e}`))
    // Letters that stand for numbers are for adults.
    if (/(?<![’'])\b(?!a\b)[a-z]\b/.test(line.replace(/[^ -~]/g, ' ')))
      faults.push(`the lesson has letters: ${line}`)
  }
  return faults.map((f) => `${id}: ${f}`)
}

/** What is wrong with one working, in a line each. */
export function workingFaults(technique: Technique, problem: Problem, variant: Variant): string[] {
  const worked = trace(technique, problem, variant)
  if (isItem(problem))
    return [...itemFaults(problem, worked), ...entryFaults(technique, problem, variant, worked)]
  const right = inNumbers(worked)
  const faults: string[] = []
  const known = numbersOf(problem)
  const scale = lowestOfLines(right)
  let before: AnswerLine = BLANK
  for (const [i, step] of right.steps.entries()) {
    const around: Around = {
      technique,
      problem,
      right,
      i,
      before,
      scale,
      known: [...known, ...foundSoFar(right.steps.slice(0, i), before, problem)],
    }
    for (const rule of RULES) {
      const fault = rule(step, around)
      if (fault) faults.push(`step ${i + 1} (${step.action}): ${fault}`)
    }
    before = step.writes
  }
  faults.push(...entryFaults(technique, problem, variant, worked), ...frameFaults(technique, problem, right))
  return faults
}

/** Numbers found on the way, what they make with the next digit beside them, and what stands on the line. */
function foundSoFar(steps: readonly Step<Decimal>[], { cells }: AnswerLine, problem: Problem): Decimal[] {
  const digits = [0, ...rowsOf(problem).flatMap(({ size }) => digitsOf(size.units))]
  const found = steps.map((s) => s.expect)
  // After a 0 what is left stands before the next digit without having been asked for.
  const left = [...found.map((v) => v.units), ...(found.some(isZero) ? digits.map(BigInt) : [])]
  const beside = left.flatMap((v) => digits.map((d) => decimal(v * 10n + BigInt(d))))
  const line = cells.toSorted((a, b) => b.place - a.place).map((c) => c.digits)
  const standing = line.map((_, k) => decimal(BigInt(line.slice(0, k + 1).join(''))))
  return [...found, ...beside, ...standing]
}

/** The digits that are joined are those that are multiplied. */
const links: Rule = (step, { problem }) => {
  if (!step.links) return undefined
  const rows = rowsOf(problem)
  const joined = step.links.map(
    ([[r, p], [s, q]]) => `${digitAt(present(rows[r]).size, p)} × ${digitAt(present(rows[s]).size, q)}`,
  )
  return joined.join(' + ') === step.reckons
    ? undefined
    : `joined are ${joined.join(' + ')}, multiplied ${step.reckons}`
}

/** The finger rests where the last digit went. */
const finger: Rule = (step) => {
  const work = beadWorkOf(step)
  return work?.finger === undefined || work.finger === step.place - 1
    ? undefined
    : `the finger rests on ${work.finger}`
}

const RULES: readonly Rule[] = [litPlace, lineAgrees, drafts, holding, facts, sentences, links, finger]

function lowestOfLines({ steps, answer }: NumberTrace): number {
  return Math.min(lowestPlace(answer), ...steps.flatMap((s) => s.writes.cells.map((c) => c.place)))
}

/** The numbers of a problem, each also by its digits and parts, as people speak of them. */
function numbersOf(problem: Problem): Decimal[] {
  return rowsOf(problem).flatMap(({ size }) => {
    const whole = decimal(size.units)
    const digits = digitsOf(size.units)
    const parts = digits.flatMap((d, k) => [
      decimal(d),
      decimal(BigInt(d) * 10n ** BigInt(k), size.scale),
      decimal(BigInt(d) * 10n ** BigInt(k)),
    ])
    const heads = digits.flatMap((_, k) => [
      decimal(size.units / 10n ** BigInt(k)),
      decimal(size.units % 10n ** BigInt(k)),
    ])
    const pairs = digits.flatMap((_, k) => [decimal((size.units / 10n ** BigInt(k)) % 100n)])
    return [size, whole, ...parts, ...heads, ...pairs]
  })
}

/** Where nothing is written, what is reckoned, said and taken for a mistake shows what was entered. */
const beside = (step: Step) => [step.reckons, step.why, step.slips().map((slip) => valueText(slip.entry))]

/** What is entered changes what follows: a mistake leads to other questions, another line or another answer. */
function entryFaults(technique: Technique, problem: Problem, variant: Variant, right: Trace): string[] {
  const tail = ({ steps, answer }: Trace, from: number) =>
    JSON.stringify([
      steps
        .slice(from)
        .map((s) => [s.ask, valueText(s.expect), s.writes, ...(isItem(problem) ? beside(s) : [])]),
      valueText(answer),
    ])
  const { kind } = answerQuestion(technique, variant, right)
  return right.steps.flatMap((step, i) => {
    const slips = step.slips()
    if (slips.length === 0 || (i === right.steps.length - 1 && step.action === 'remainder')) return []
    const led = slips.map((slip) =>
      trace(technique, problem, variant, (_, k) => (k === i ? slip.entry : undefined)),
    )
    const same = tail(right, i + 1)
    const where = `step ${i + 1} (${step.action})`
    return [
      ...(led.some((t) => tail(t, i + 1) !== same) ? [] : [`${where}: what is entered changes nothing`]),
      // An answer of another kind, as a number of the wrong sort, could not even be shown.
      ...(led.every(({ answer }) => typeof kind.print(answer) === 'string')
        ? []
        : [`${where}: a mistake ends in no answer`]),
    ]
  })
}

/** Every value of the working has its rods. */
function frameFaults(technique: Technique, problem: Problem, { steps }: NumberTrace): string[] {
  const frame = frameOf(technique, problem)
  if (!frame) return []
  const high = frame.rods.length - frame.decimals - 1
  const wide = steps
    .filter(isOnFrame)
    .every(({ expect }) => highestPlace(expect) <= high && lowestPlace(expect) >= -frame.decimals)
  return wide ? [] : ['the frame is too narrow']
}
