/**
 * What every technique is held to, whatever it works: looks at workings step by step and says what is not as the
 * contract has it. Nothing here knows a single technique; each rule reads two things that have to agree, such as the lit
 * place and the place the question names, or the facts told and what the step says it reckons.
 */
import {
  absolute,
  add,
  type Decimal,
  decimal,
  digitAt,
  digitCount,
  equal,
  highestPlace,
  isZero,
  lowestPlace,
  multiply,
  readDecimal,
  subtract,
  toText,
} from '../number/decimal.js'
import { placeTitle } from '../number/places.js'
import { digitsOf } from '../number/whole.js'
import { type Problem, rowsOf } from '../problem/problem.js'
import { meaning } from '../question/question.js'
import { beadWorkOf, frameOf, isAbacus, isOnFrame } from '../soroban/step.js'
import type { AnswerLine, School, Step, Technique } from './contract.js'
import { type Trace, trace } from './driver.js'
import {
  differenceLoad,
  digitProductLoad,
  type Load,
  NO_LOAD,
  productLoad,
  sumLoad,
  together,
} from './facts.js'
import { BLANK } from './line.js'

/** What is wrong with a technique as a whole. */
export function levelFaults({ id, levels, lesson, dials }: Technique): string[] {
  const faults = levels.flatMap((level, i) => [
    ...(level.targetMs > 0 ? [] : [`level ${i + 1} aims at no time`]),
    ...(level.problems().size > 0n ? [] : [`level ${i + 1} has no problems`]),
    ...(level.name.length > 0 ? [] : [`level ${i + 1} has no name`]),
  ])
  const keys = dials.dials.map((d) => d.key)
  if (new Set(keys).size < keys.length) faults.push('two dials have one key')
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
export function workingFaults(technique: Technique, problem: Problem, school: School): string[] {
  const right = trace(technique, problem, school)
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
  faults.push(...entryFaults(technique, problem, school, right), ...frameFaults(technique, problem, right))
  return faults
}

/** Numbers found on the way, what they make with the next digit beside them, and what stands on the line. */
function foundSoFar(steps: readonly Step[], { cells }: AnswerLine, problem: Problem): Decimal[] {
  const digits = [0, ...rowsOf(problem).flatMap(({ size }) => digitsOf(size.units))]
  const found = steps.map((s) => s.expect)
  // After a 0 what is left stands before the next digit without having been asked for.
  const left = [...found.map((v) => v.units), ...(found.some(isZero) ? digits.map(BigInt) : [])]
  const beside = left.flatMap((v) => digits.map((d) => decimal(v * 10n + BigInt(d))))
  const line = cells.toSorted((a, b) => b.place - a.place).map((c) => c.digits)
  const standing = line.map((_, k) => decimal(BigInt(line.slice(0, k + 1).join(''))))
  return [...found, ...beside, ...standing]
}

interface Around {
  readonly technique: Technique
  readonly problem: Problem
  readonly right: Trace
  readonly i: number
  readonly before: AnswerLine
  /** The lowest place anything is written at. */
  readonly scale: number
  /** Numbers a sentence may use: those of the problem, and what was entered so far. */
  readonly known: readonly Decimal[]
}

type Rule = (step: Step, around: Around) => string | undefined

const DIGITS: readonly Step['action'][] = ['hold', 'glance', 'write', 'mend', 'settle', 'quotient-digit']

/** The place that a question names at its head: "Tens: 4 + 3". */
function namedPlace(ask: string, places: readonly number[]): number | undefined {
  return places.find((p) => ask.includes(`${placeTitle(p)}: `) || ask.startsWith(`${placeTitle(p)} rod`))
}

/** The place lit is the one the question speaks of. */
const litPlace: Rule = (step, { right, i, scale, technique }) => {
  const places = Array.from({ length: 60 }, (_, k) => k - 20)
  const named = namedPlace(step.ask, places)
  if (named !== undefined)
    return step.place === named ? undefined : `lit is place ${step.place}, asked for place ${named}`
  const want = unnamedPlace(step, right, i, scale, technique)
  return want === undefined || want === step.place ? undefined : `lit is place ${step.place}, not ${want}`
}

function unnamedPlace(
  step: Step,
  { steps }: Trace,
  i: number,
  scale: number,
  technique: Technique,
): number | undefined {
  // A rod is counted off from the unit rod.
  if (step.action === 'decide' && isAbacus(technique)) return 0
  const total = steps.slice(0, i).findLast((s) => s.total)?.expect ?? decimal(0)
  switch (step.action) {
    case 'add-part':
    case 'take-part': {
      const first = technique.id === 'add-running-total' ? undefined : total
      const part = step.reckons ? partOf(step.reckons) : subtract(step.expect, first ?? total)
      return part && (isZero(part) ? undefined : lowestNonZero(part))
    }
    case 'say-total':
      return undefined
    case 'set':
    case 'read':
      return highestPlace(step.expect)
    case 'beads': {
      const product = evaluated(/(\d+ × \d+)/.exec(step.ask)?.[1] ?? '')
      const landed = subtract(step.expect, steps.slice(0, i).findLast(isOnFrame)?.expect ?? decimal(0))
      return product && lowestNonZero(landed) - lowestNonZero(product) + 1
    }
    case 'estimate':
    case 'settle':
      return step.reckons ? steps[i - 1]?.place : undefined
    case 'front':
      return step.writes.back
    case 'block':
    case 'complement':
    case 'write':
      return lowestFresh(step, steps, i)
    default:
      return step.writes.cells.length > 0 ? Math.min(...step.writes.cells.map((c) => c.place)) : scale
  }
}

/** The part that a running total names last: 564 + 70. */
function partOf(reckons: string): Decimal | undefined {
  const part = /[+−] (\S+)$/.exec(reckons)?.[1]
  const first = /^(\S+) \+ .* \+/.exec(reckons)?.[1]
  return readDecimal(first ?? part ?? '')
}

function lowestNonZero(value: Decimal): number {
  let place = lowestPlace(value)
  while (place < highestPlace(value) && digitAt(value, place) === 0) place += 1
  return place
}

/** The lowest place where this step, or the one its block ends with, writes something new. */
function lowestFresh(step: Step, steps: readonly Step[], i: number): number | undefined {
  const before = new Set((steps[i - 1]?.writes.cells ?? []).map((c) => c.place))
  const writing = step.action === 'complement' ? steps[i + 1] : step
  const fresh = writing?.writes.cells.filter((c) => !before.has(c.place)).map((c) => c.place) ?? []
  return fresh.length > 0 ? Math.min(...fresh) : undefined
}

/** What stands on the line is what was asked for, at its place; the rest stands as it stood. */
const lineAgrees: Rule = (step, { before, right, i, scale }) => {
  const { cells } = step.writes
  const last = i === right.steps.length - 1
  if (last && !isZero(right.answer)) {
    const shown = numberOn(step.writes)
    if (!shown || !equal(absolute(shown), absolute(right.answer)))
      return 'the finished line is not the answer'
  }
  const at = (line: AnswerLine, place: number) => line.cells.find((c) => c.place === place)
  if (DIGITS.includes(step.action) && step.action !== 'mend' && !isWhole(step)) {
    const text = toText(step.expect)
    const digits = at(step.writes, step.place)?.digits ?? ''
    if (!text.endsWith(digits) || digits === '')
      return `place ${step.place} shows "${digits}", asked was ${text}`
    const moved = before.cells.find(
      (c) => !c.draft && c.place !== step.place && at(step.writes, c.place)?.digits !== c.digits,
    )
    return moved ? `what stood at place ${moved.place} is gone` : undefined
  }
  if (step.action === 'cross-sum' || step.action === 'column-total') {
    const gone = before.cells.find(
      (c) => c.digits.length === 1 && at(step.writes, c.place)?.digits !== c.digits,
    )
    if (gone) return `what stood at place ${gone.place} is gone`
    const text = toText(step.expect)
    const shown = at(step.writes, step.place)?.digits ?? ''
    const spread = cells.filter((c) => c.place >= step.place && !at(before, c.place)).map((c) => c.digits)
    if (shown !== text && (shown.length !== 1 || spread.join('') !== text))
      return `place ${step.place} does not show the column's total`
  }
  if (isWhole(step) && cells.length > 0) {
    const shown = numberOn(step.writes)
    const forgotten = shown && multiply(shown, decimal(10n ** BigInt(Math.max(0, -scale))))
    // The point is put at the end in some ways of working: then every line before it is larger by the same power.
    const whole = right.steps.some((s) => s.action === 'point') && step.action !== 'point' ? forgotten : shown
    // What is mended from the left is said without the places still to come.
    const said =
      step.action === 'mend' ? multiply(step.expect, decimal(10n ** BigInt(step.place - scale))) : step.expect
    if (whole && !equal(absolute(whole), absolute(said))) return `the line shows ${toText(whole)}`
  }
  if (step.action === 'front' || step.action === 'back') {
    const { back = 0 } = step.writes
    const part = cells.filter((c) => (step.action === 'front' ? c.place >= back : c.place < back))
    const text = part
      .toSorted((a, b) => b.place - a.place)
      .map((c) => c.digits)
      .join('')
    const low = Math.min(...part.map((c) => c.place))
    if (text !== toText(step.expect) || low !== (step.action === 'front' ? back : scale))
      return `the ${step.action} shows ${text} at ${low}`
  }
  if (step.decision || step.action === 'deviation' || step.action === 'estimate')
    return JSON.stringify(places(step.writes)) === JSON.stringify(places(before))
      ? undefined
      : 'a decision changes the line'
  return undefined
}

const places = ({ cells }: AnswerLine) => cells.map((c) => [c.place, c.digits]).sort()

/** Does a step's value stand on the line as a whole? */
function isWhole({ action, total, writes }: Step): boolean {
  if (action === 'hold' || action === 'read' || action === 'set')
    return action !== 'hold' && writes.cells.length > 0
  if (action === 'settle') return total
  return total && action !== 'estimate' && action !== 'block' && writes.cells.length > 0
}

/** The number a line shows; undefined where sums stand raw. */
function numberOn({ cells }: AnswerLine): Decimal | undefined {
  return cells.reduce<Decimal | undefined>(
    (sum, c) => (sum && c.digits.length > 0 ? add(sum, decimal(BigInt(c.digits), -c.place)) : undefined),
    decimal(0),
  )
}

/** What is still to change is only kept in mind: a draft. What once stood for good is never a draft again. */
const drafts: Rule = (step, { right, i, before }) => {
  const later = right.steps.slice(i + 1)
  if (later.length === 0 && step.writes.cells.some((c) => c.draft)) return 'the finished line is a draft'
  const settles = step.writes.cells.find(
    (c) => !c.draft && before.cells.some((b) => b.place === c.place && b.draft && b.digits === c.digits),
  )
  const idle = later.length > 0 && !DIGITS.includes(step.action) && !isWhole(step)
  if (
    settles &&
    idle &&
    step.action !== 'front' &&
    step.action !== 'back' &&
    (step.action !== 'cross-sum' || settles.place !== step.place)
  )
    return `place ${settles.place} comes to stand for good by itself`
  for (const cell of step.writes.cells) {
    if (cell.draft) continue
    if (cell.digits.length > 1) return `${cell.digits} stands raw as if for good`
    const alone = step.action === 'front' && !step.writes.cells.some((c) => c.place < step.writes.back!)
    const joined = step.action === 'back' && later[0]?.action === 'join' && cell.place < step.writes.back!
    if (alone || joined) return `the ${step.action} stands for good while more is to come`
    if (step.action === 'hold' && cell.place === step.place) return 'what is held stands as if written'
    for (const next of later) {
      const same = next.writes.cells.find((c) => c.place === cell.place)
      if (!same) return `what stood for good at place ${cell.place} is gone`
      if (same.draft) return `place ${cell.place} stands for good, and then only as a draft`
      if (same.digits !== cell.digits && next.action !== 'mend')
        return `place ${cell.place} changes from ${cell.digits} to ${same.digits} after it stood for good`
      if (same.digits !== cell.digits) break
    }
  }
  return undefined
}

/** A value that does not stand on the line, and is not the last, is kept in mind; so is a carry until it is used. */
const holding: Rule = (step, { right, i }) => {
  const next = right.steps[i + 1]
  if (!next || step.holds.length > 0) return undefined
  const stands =
    (isWhole(step) || step.action === 'block' || step.action === 'root') &&
    step.writes.cells.some((c) => !c.draft)
  const [sum] = step.reckons ? [evaluated(step.reckons)] : []
  const carries =
    (step.action === 'write' || step.action === 'settle') &&
    digitCount(step.expect) === 1 &&
    sum &&
    digitCount(sum) > 1
  const column = right.steps[i - 1]?.action === 'cross-sum' || step.action === 'settle'
  if (carries && column) return 'the carry is not held'
  if (step.action === 'cross-sum') {
    const carried = right.steps[i - 1]?.holds.some((h) => h.what === 'carry')
    return carried && next.action === 'write' ? 'the carry is not held any more' : undefined
  }
  if (step.action === 'column-total') return i > 1 ? 'the estimate is not held any more' : undefined
  if (step.action === 'mend' && step.total) return 'what comes over is not held'
  if (step.action === 'block' && next.action === 'block' && digitCount(step.expect) > 2)
    return 'the carry is not held'
  if (step.action === 'front' || step.action === 'back')
    return right.steps.some((s) => s.action === 'deviation') && ['front', 'back'].includes(next.action)
      ? 'the gaps are not held any more'
      : undefined
  if (step.action === 'quotient-digit' && right.steps.slice(0, i).some((s) => s.action === 'divisor'))
    return 'what is divided is not held any more'
  if (DIGITS.includes(step.action) && step.action !== 'hold')
    return right.steps[i - 1]?.action === 'complement' ? 'the borrow is not held' : undefined
  if (isOnFrame(step) || step.action === 'read') return undefined
  if (step.action === 'decide' && isZero(step.expect)) return undefined
  return stands ? undefined : 'nothing is held of it'
}

/** The facts and carries are those of what is reckoned. */
const facts: Rule = (step, { right, i, problem }) => {
  for (const fact of step.facts)
    if (!/^\d+(?:\.\d+)?[-+x/]\d+(?:\.\d+)?$/.test(fact)) return `"${fact}" is no fact`
  const work = beadWorkOf(step)
  if (work) {
    // What beads rest on is known from their moves; a product puts its table fact before them.
    const ten = work.kind === 'ten' || work.kind === 'ten-five'
    if (step.action !== 'beads') return step.carries === 0 ? undefined : `${step.carries} carries`
    if (step.carries !== (ten ? work.cascade + 1 : 0)) return `${step.carries} carries at a ${work.kind}`
    const least = (/×/.test(step.ask) ? 1 : 0) + 1 + (work.kind === 'ten-five' ? 1 : 0) + (ten ? 1 : 0)
    return step.facts.length >= least ? undefined : `only ${step.facts.length} facts`
  }
  if (step.reckons === undefined) {
    if (step.facts.length > 0) return 'facts, but nothing is reckoned'
    // A glance lowers what is held or leaves it; equal digits under a borrow take a ten and pass one on.
    const kept =
      step.action === 'glance' ? equal(step.expect, right.steps[i - 1]!.expect) : step.action !== 'write'
    return step.carries === (kept ? 0 : 1) ? undefined : `${step.carries} carries`
  }
  const value = evaluated(step.reckons)
  if (!value) return `"${step.reckons}" is not to be read`
  if (!reaches(value, step)) return `${step.reckons} is ${toText(value)}, not ${toText(step.expect)}`
  const { facts: want, carries } = loadOf(
    step,
    right.steps[i - 1],
    right.steps[i + 1],
    rowsOf(problem).length,
  )
  const sorted = (some: readonly string[]) => some.map(commuted).sort().join(' ')
  if (sorted(want) !== sorted(step.facts))
    return `facts ${step.facts.join(' ') || 'none'}, not ${want.join(' ') || 'none'}`
  return carries === undefined || carries === step.carries
    ? undefined
    : `${step.carries} carries, not ${carries}`
}

/** Is what is reckoned the value asked, or the column total whose digit is asked, or nearly it where it is rounded? */
function reaches(value: Decimal, step: Step): boolean {
  if (equal(value, step.expect) || meaning(step, value) !== undefined) return true
  const text = toText(value)
  if (DIGITS.includes(step.action)) return text.endsWith(toText(step.expect))
  return step.reckons!.includes('÷') && Math.abs(Number(text) - Number(toText(step.expect))) < 0.001
}

/** Commuted facts are one. */
function commuted(fact: string): string {
  const found = /^(\S+?)([+x])(\S+)$/.exec(fact)
  return found ? [found[1]!, found[3]!].sort().join(found[2]!) : fact
}

/** Facts and carries worked out again from what is reckoned; carries undefined where they hang on the neighbours. */
function loadOf(
  step: Step,
  before: Step | undefined,
  next: Step | undefined,
  rows: number,
): { facts: readonly string[]; carries: number | undefined } {
  const reckons = plain(step.reckons!)
  if (step.action === 'double' || step.action === 'divisor')
    return digitProductLoad(2, termsOf(reckons)[0]!.factors[1]!)
  if (reckons.startsWith('√')) return productLoad(step.expect.units, step.expect.units)
  const division = /^(\S+) ÷ (\S+)$/.exec(reckons)
  if (division) {
    if (step.action === 'halve') return digitProductLoad(2, step.expect.units)
    const [a, b] = [readDecimal(division[1]!)!, readDecimal(division[2]!)!]
    return { facts: isZero(a) ? [] : [`${Number(a.units)}/${Number(b.units)}`], carries: 0 }
  }
  const terms = termsOf(reckons)
  const [first, second] = terms
  const scale = Math.max(...terms.map((t) => t.value.scale))
  const units = (t: { value: Decimal }) => t.value.units * 10n ** BigInt(scale - t.value.scale)
  // What is missing to a round number is one complement.
  if (step.action === 'back' && second?.sign === -1 && /^10+$/.test(first!.text))
    return { facts: [`${units(first!)}-${units(second)}`], carries: 0 }
  // A gap is one complement, read off above the base; so is what makes ten or a hundred.
  if (step.action === 'deviation' || (step.action === 'decide' && second?.sign === -1)) {
    const complement = first!.text.startsWith('1') && /^10+$/.test(first!.text)
    const below = step.action === 'decide' || complement || !/^10+$/.test(second!.text)
    return { facts: below ? [`${units(first!)}-${units(second!)}`] : [], carries: 0 }
  }
  if (step.action === 'write' && reckons.startsWith('100 − '))
    return { facts: [`100-${second!.text}`], carries: 1 }
  const loads: Load[] = terms.map((t) => factorsLoad(t.factors))
  let total = units(first!)
  if (first!.sign < 0) total = -total
  const sums: Load[] = []
  for (const term of terms.slice(1)) {
    const n = units(term)
    const [x, y] = [total < 0n ? -total : total, n]
    const adds = total === 0n || total < 0n === term.sign < 0
    sums.push(
      total === 0n || n === 0n
        ? NO_LOAD
        : adds
          ? sumLoad(x, y)
          : x >= y
            ? differenceLoad(x, y)
            : differenceLoad(y, x),
    )
    total += BigInt(term.sign) * n
  }
  const all = together(...loads, ...sums)
  switch (step.action) {
    case 'cross-sum':
    case 'column-total':
    case 'product':
      return step.action === 'product' && terms.length === 1 ? all : { facts: all.facts, carries: 0 }
    case 'write':
    case 'settle': {
      const last = !next || !['write', 'settle', 'cross-sum', 'mend'].includes(next.action)
      const column = before?.action === 'cross-sum' || step.action === 'settle' || before?.action === 'settle'
      if (step.total) return { facts: all.facts, carries: all.carries }
      // One digit less another, with the ten that was borrowed: one fact.
      if (terms.some((t) => t.sign < 0))
        return { facts: isZero(second!.value) ? [] : [`${first!.text}-${second!.text}`], carries: 0 }
      // From the left a carry that comes in is one more than the digits of the column.
      if (!column) return { facts: all.facts, carries: terms.length > rows ? 1 : 0 }
      return { facts: all.facts, carries: last || total < 10n ? 0 : 1 }
    }
    case 'hold': {
      const [x, y] = [first!, second!]
      const plainly = y.sign < 0 ? [`${x.text}-${y.text}`] : all.facts
      return { facts: isZero(y.value) ? [] : plainly, carries: 0 }
    }
    case 'mend':
      return { facts: all.facts, carries: 1 }
    case 'block':
    case 'complement':
      return { facts: all.facts, carries: reckons.includes('×') ? all.carries : 0 }
    default:
      return {
        facts: all.facts,
        carries: /^\S+ \+ \S+ \+/.test(reckons) ? sums.at(-1)!.carries : all.carries,
      }
  }
}

function factorsLoad(factors: readonly bigint[]): Load {
  const [a, b, c] = factors
  if (b === undefined) return NO_LOAD
  if (c === undefined) return productLoad(a!, b)
  const facts = b > 0n && c > 0n ? ([`${Number(b)}x${Number(c)}`, `${Number(b * c)}x2`] as const) : []
  return { facts, carries: 0 }
}

interface Term {
  readonly sign: 1 | -1
  readonly text: string
  readonly value: Decimal
  readonly factors: readonly bigint[]
}

function termsOf(expression: string): Term[] {
  return [...plain(expression).matchAll(/(^−?|[+−] ?)([\d.]+(?: × [\d.]+)*)/g)].map(
    ([, sign, text]): Term => {
      const factors = text!.split(' × ').map((f) => readDecimal(f)!)
      return {
        sign: sign!.trim() === '−' ? -1 : 1,
        text: text!,
        value: factors.reduce(multiply),
        factors: factors.map((f) => f.units),
      }
    },
  )
}

const plain = (text: string) => text.replace(/\u2009/g, '').replace(/-(?=\d)/g, '−')

/** What an expression comes to: sums and differences of products, one quotient, a root; undefined for anything else. */
export function evaluated(expression: string): Decimal | undefined {
  const text = plain(expression).trim()
  const root = /^√(\d+)$/.exec(text)
  if (root) return decimal(BigInt(Math.round(Math.sqrt(Number(root[1])))))
  const division = /^([\d.]+) ÷ ([\d.]+)$/.exec(text)
  if (division) {
    const [a, b] = [readDecimal(division[1]!)!, readDecimal(division[2]!)!]
    const scale = Math.max(a.scale, b.scale)
    const up = (n: Decimal) => n.units * 10n ** BigInt(scale - n.scale)
    return up(b) === 0n ? undefined : decimal((up(a) * 10n ** 12n) / up(b), 12)
  }
  if (!/^−?[\d.]+(?: [+−×] [\d.]+)*$/.test(text)) return undefined
  return termsOf(text).reduce(
    (sum, t) => (t.sign > 0 ? add(sum, t.value) : subtract(sum, t.value)),
    decimal(0),
  )
}

const EQUATION = /((?:−?[\d.\u2009]*\d)(?: [+−×÷] [\d.\u2009]*\d)+) = (−?[\d.\u2009]*\d)/g

/** The equations of a sentence that do not hold. */
export function falseEquations(sentence: string): string[] {
  return [...sentence.matchAll(EQUATION)].flatMap(([all, left, right]) => {
    const [a, b] = [evaluated(left!), readDecimal(plain(right!).replace('−', '-'))]
    return a && b && equal(a, b) ? [] : [all]
  })
}

/** Every equation said is true, and every other number in a question is one of the problem or was found on the way. */
const sentences: Rule = (step, { known, right, i }) => {
  for (const said of [step.ask, step.why, ...step.slips().map((s) => s.remark)]) {
    const [wrong] = falseEquations(said)
    if (wrong) return `"${wrong}" is not true`
    if (/undefined|NaN|\[object| {2}/.test(said)) return `"${said}" is no sentence`
  }
  const mine = step.reckons
    ? termsOf(step.reckons.replace('√', '')).flatMap((t) => [t.value, ...t.factors.map((f) => decimal(f))])
    : []
  const divided = step.reckons?.includes('÷')
    ? step.reckons.split(' ÷ ').flatMap((n) => readDecimal(n) ?? [])
    : []
  const held = [...step.holds, ...(right.steps[i - 1]?.holds ?? [])].map((h) => h.value)
  const may = [...known, ...mine, ...divided, ...held].map((n) => toText(absolute(n)))
  for (const number of numbersIn(step.ask))
    if (!may.includes(number)) return `where does the ${number} of "${step.ask}" come from?`
  return undefined
}

/** The numbers in a sentence, but those that only count: one less, ten, a hundred. */
function numbersIn(sentence: string): string[] {
  return [...sentence.replace(/[Dd]ecimal place \d+/g, '').matchAll(/\d[\d\u2009]*(?:\.\d+)?/g)]
    .map(([n]) => toText(readDecimal(plain(n))!))
    .filter((n) => !/^10*$/.test(n))
}

/** The digits that are joined are those that are multiplied. */
const links: Rule = (step, { problem }) => {
  if (!step.links) return undefined
  const rows = rowsOf(problem)
  const joined = step.links.map(
    ([[r, p], [s, q]]) => `${digitAt(rows[r]!.size, p)} × ${digitAt(rows[s]!.size, q)}`,
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

function lowestOfLines({ steps, answer }: Trace): number {
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

/** What is entered changes what follows: a mistake leads to other questions, another line or another answer. */
function entryFaults(technique: Technique, problem: Problem, school: School, right: Trace): string[] {
  const tail = ({ steps, answer }: Trace, from: number) =>
    JSON.stringify([steps.slice(from).map((s) => [s.ask, toText(s.expect), s.writes]), toText(answer)])
  return right.steps.flatMap((step, i) => {
    const slips = step.slips()
    if (slips.length === 0 || (i === right.steps.length - 1 && step.action === 'remainder')) return []
    const led = slips.map((slip) =>
      tail(
        trace(technique, problem, school, (_, k) => (k === i ? slip.entry : undefined)),
        i + 1,
      ),
    )
    const same = tail(right, i + 1)
    return led.some((t) => t !== same)
      ? []
      : [`step ${i + 1} (${step.action}): what is entered changes nothing`]
  })
}

/** Every value of the working has its rods. */
function frameFaults(technique: Technique, problem: Problem, { steps }: Trace): string[] {
  const frame = frameOf(technique, problem)
  if (!frame) return []
  const high = frame.rods.length - frame.decimals - 1
  const wide = steps
    .filter(isOnFrame)
    .every(({ expect }) => highestPlace(expect) <= high && lowestPlace(expect) >= -frame.decimals)
  return wide ? [] : ['the frame is too narrow']
}
