/** Numbers and equations in what is said. */

import { all, create, type Fraction as Exact } from 'mathjs'
import {
  absolute,
  add,
  type Decimal,
  decimal,
  multiply,
  readDecimal,
  subtract,
  toText,
} from '../number/decimal.js'
import { fraction } from '../number/fraction.js'
import { unmarked } from '../number/marks.js'
import { present } from '../number/present.js'
import { integerRoot } from '../number/root.js'
import { digitsOf } from '../number/whole.js'
import { printProblem } from '../problem/expression.js'
import { answerOf, type Problem, rowsOf } from '../problem/problem.js'
import { asDecimal, asFraction, sameValue, type Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import type { Rule } from './rule.js'

interface Term {
  readonly sign: 1 | -1
  readonly text: string
  readonly value: Decimal
  readonly factors: readonly bigint[]
}

export function termsOf(expression: string): Term[] {
  return [...plain(expression).matchAll(/(^−?|[+−] ?)([\d.]+(?: × [\d.]+)*)/g)].map(
    ([, sign, text]): Term => {
      const factors = text!.split(' × ').map((f) => present(readDecimal(f)))
      return {
        sign: sign!.trim() === '−' ? -1 : 1,
        text: text!,
        value: factors.reduce(multiply),
        factors: factors.map((f) => f.units),
      }
    },
  )
}

export const plain = (text: string) =>
  unmarked(text)
    .replace(/\u2009/g, '')
    .replace(/-(?=\d)/g, '−')

/** What an expression comes to: sums and differences of products, one quotient, a root; undefined for anything else. */
export function evaluated(expression: string): Decimal | undefined {
  const text = plain(expression).trim()
  const root = /^√(\d+)$/.exec(text)
  if (root) return decimal(BigInt(Math.round(Math.sqrt(Number(root[1])))))
  const division = /^([\d.]+) ÷ ([\d.]+)$/.exec(text)
  if (division) {
    const [a, b] = [present(readDecimal(present(division[1]))), present(readDecimal(present(division[2])))]
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

const exact = create(all!, { number: 'Fraction' })

/** What an expression as it is written comes to, worked out by another library; undefined for a text that is none. */
export function reckoned(text: string): Value | undefined {
  const typed = plain(text)
    .replace(/×/g, '*')
    .replace(/÷/g, '/')
    .replace(/−/g, '-')
    .replace(/^(-?)(\d+) (\d+\/\d+)$/, '$1($2+$3)')
  if (!/^[-+*/\d. ()]+$/.test(typed)) return undefined
  const { s: sign, n, d } = exact.evaluate(typed) as Exact
  return fraction(BigInt(sign) * BigInt(n), BigInt(d))
}

const EQUATION = /((?:−?[\d.\u2009]*\d)(?: [+−×÷] [\d.\u2009]*\d)+) = (−?[\d.\u2009]*\d(?:(?: \d+)?\/\d+)?)/g

/** The equations of a sentence that do not hold. */
export function falseEquations(sentence: string): string[] {
  return [...unmarked(sentence).matchAll(EQUATION)].flatMap(([equation, left, right]) => {
    const [a, b] = [reckoned(left!), reckoned(right!)]
    return a && b && sameValue(a, b) ? [] : [equation]
  })
}

/** A decimal point that whoever shows the sentence would not find. */
export const UNMARKED = /\d\.\d/

/** Every equation said is true, and every other number in a question is one of the problem or was found on the way. */
export const sentences: Rule = (step, { known, right, i, problem }) => {
  for (const said of [step.ask, step.why, ...step.slips().map((s) => s.remark)]) {
    const [wrong] = falseEquations(said)
    if (wrong) return `"${wrong}" is not true`
    if (/undefined|NaN|\[object| {2}/.test(said)) return `"${said}" is no sentence`
    if (UNMARKED.test(said)) return `"${said}" has a point that is not marked as that of a number`
  }
  const mine = step.reckons
    ? termsOf(step.reckons.replace('√', '')).flatMap((t) => [t.value, ...t.factors.map((f) => decimal(f))])
    : []
  const divided = step.reckons?.includes('÷')
    ? step.reckons.split(' ÷ ').flatMap((n) => readDecimal(n) ?? [])
    : []
  const held = [...step.holds, ...(right.steps[i - 1]?.holds ?? [])].map((h) => h.value)
  const may = [...known, ...mine, ...divided, ...held.flatMap((v) => asDecimal(v) ?? [])].map((n) =>
    toText(absolute(n)),
  )
  for (const number of numbersIn(step.ask))
    if (!may.includes(number)) return `where does the ${number} of "${step.ask}" come from?`
  return toldOf(step, may, problem)
}

/**
 * Every number of a reason or a remark is one that may be asked about, the value asked for, the one entered, how far the two
 * are apart, a part of one of them, or stands in an equation or a count that holds.
 */
export function toldOf(step: Step, may: readonly string[], problem: Problem): string | undefined {
  const expect = asDecimal(step.expect)
  const size = (n: Decimal) => toText(absolute(n))
  const whole = step.reckons === undefined ? undefined : evaluated(step.reckons.replace('√', ''))
  const asked = [expect, whole].flatMap((n) => (n ? [size(n), ...partsOf(n)] : []))
  const told = (entry: Value): string[] => {
    const given = asDecimal(entry)
    return given ? [size(given), ...partsOf(given), ...(expect ? [size(subtract(given, expect))] : [])] : []
  }
  const said = [
    { text: step.why, mine: asked, of: undefined },
    ...step.slips().map((s) => ({ text: s.remark, mine: [...asked, ...told(s.entry)], of: s.entry })),
  ]
  for (const { text, mine, of } of said) {
    let rest = unmarked(text)
    for (const [pattern, holds] of COUNTS) {
      const found = pattern.exec(rest)
      if (!found) continue
      const numbers = found.slice(1).map((n) => BigInt(plain(n ?? '0')))
      if (!holds(numbers, { step, problem, may, entry: of })) return `"${found[0]}" is not so`
      rest = rest.replace(pattern, '')
    }
    // How many beads: single digits, as the beads themselves show.
    const left = / rod\b/.test(rest) ? rest.replace(/\b\d\b/g, '') : rest
    for (const number of numbersIn(left.replace(EQUATION, '')))
      if (!may.includes(number) && !mine.includes(number))
        return `where does the ${number} of "${text}" come from?`
  }
  return undefined
}

/** What a number is before and behind each of its digits, and what makes ten and five of a digit. */
function partsOf({ units }: Decimal): string[] {
  const n = units < 0n ? -units : units
  return digitsOf(n).flatMap((d, k) => {
    const unit = 10n ** BigInt(k)
    const made = [10 - d, Math.abs(5 - d), d].map(String)
    return [String(n / unit), String(n % unit), String((n / unit) % 100n), ...made]
  })
}

type Counts = readonly [
  pattern: RegExp,
  holds: (
    numbers: readonly bigint[],
    around: {
      readonly step: Step
      readonly problem: Problem
      readonly may: readonly string[]
      readonly entry: Value | undefined
    },
  ) => boolean,
]

const N = '(\\d[\\d\u2009]*)'
const factorsOf = (problem: Problem) => rowsOf(problem).map((r) => r.size)
const wholeOf = ({ units, scale }: Decimal) => units / 10n ** BigInt(scale)
const scales = (problem: Problem) => {
  const all = factorsOf(problem).map((n) => n.scale)
  return problem.kind === 'square' ? 2 * present(all[0]) : all.reduce((a, b) => a + b, 0)
}

/** Counts and splits that are said, each worked out from the step or the problem. */
const COUNTS: readonly Counts[] = [
  [
    new RegExp(`${N} products in this column`),
    ([n], { step }) => BigInt(termsOf(step.reckons ?? '').length) === n,
  ],
  [
    new RegExp(`window is ${N} digits wide`),
    ([n], { problem }) =>
      factorsOf(problem).some((f) => /^1+$/.test(toText(f)) && BigInt(toText(f).length) === n),
  ],
  [
    new RegExp(`has (?:only )?${N} places?: of ${N} write ${N} and carry ${N}`),
    ([places, of, write, carry]) => of === carry! * 10n ** places! + write!,
  ],
  [
    new RegExp(`has (?:only )?${N} places?: carry the ${N} of ${N}`),
    ([places, carry, of]) => of! / 10n ** places! === carry,
  ],
  [
    new RegExp(`has (?:only )?${N} places?, so the ${N} needs a zero`),
    ([places, back]) => places === BigInt(String(back).length) + 1n,
  ],
  [
    new RegExp(`has (?:only )?${N} places?, so the ${N} needs zeros`),
    ([places, back]) => places! > BigInt(String(back).length) + 1n,
  ],
  [
    new RegExp(`has (?:only )?${N} places?: put a zero before the ${N}`),
    ([places, back]) => places === BigInt(String(back).length) + 1n,
  ],
  [
    new RegExp(`has (?:only )?${N} places?: put zeros before the ${N}`),
    ([places, back]) => places! > BigInt(String(back).length) + 1n,
  ],
  [new RegExp(`Count ${N} places? from the right`), ([n], { problem }) => BigInt(scales(problem)) === n],
  [
    new RegExp(`the root has ${N} whole digits`),
    ([n], { problem }) => BigInt(String(integerRoot(wholeOf(present(factorsOf(problem)[0])))).length) === n,
  ],
  // What is carried is the front of something that was worked before.
  ...[`forgot to carry ${N} to the front`, `Carry the ${N} only once`, `the ${N} goes to the left`].map(
    (text): Counts => [
      new RegExp(text),
      ([n], { step, may }) =>
        [...may, ...partsOf(step.expect as Decimal)].some((m) => m.startsWith(String(n))),
    ],
  ),
  // Another column's carry was added: that is what was entered, or its last digit.
  [
    new RegExp(`The ${N} belongs to the column before: ${N} \\+ ${N} = ${N}`),
    ([other, raw, carry, total], { entry }) =>
      raw! + carry! === total &&
      entry !== undefined &&
      (raw! + other! - (asDecimal(entry)?.units ?? 0n)) % 10n === 0n,
  ],
  [new RegExp(`forgot to carry ${N} to the [a-z ]+: ${N}`), ([carry, total]) => total! / 10n === carry],
  [
    new RegExp(`Only ${N} places of the back are left`),
    ([n], { problem }) => n! < BigInt(printProblem(problem).length),
  ],
  // Numbers of the rule itself.
  [/not from 50\b|make 9\b/, () => true],
  [
    new RegExp(`${N} is ${N} of ${N} equal parts`),
    ([whole, part, parts], { may }) => may.includes(String(whole)) && part! <= parts!,
  ],
  [new RegExp(`${N} goes into ${N} and into ${N}`), ([n, a, b]) => a! % n! === 0n && b! % n! === 0n],
  [
    new RegExp(`The ${N} of ${N} is missing`),
    ([d, n], { step }) => step.typedAs === String(n).padStart(2, '0') && String(n).includes(String(d)),
  ],
  [
    new RegExp(`${N} over ${N}`),
    ([a, b], { problem }) => {
      const exact = asFraction(answerOf(problem))
      return exact !== undefined && exact.over * b! === exact.under * a!
    },
  ],
  [
    new RegExp(`${N} × ${N} ${N}/${N} = ${N} ${N}/${N}`),
    ([a, b, c, d, e, f, g]) => a! * (b! * d! + c!) * g! === (e! * g! + f!) * d!,
  ],
  [new RegExp(`${N} × ${N} is ${N}`), ([a, b, c]) => a! * b! === c],
  [new RegExp(`${N} = ${N} × ${N}`), ([c, a, b]) => a! * b! === c],
  [new RegExp(`${N} cubed is ${N}`), ([a, b]) => a! ** 3n === b],
]

/** The numbers in a sentence, but those that only count: one less, ten, a hundred. */
export function numbersIn(sentence: string): string[] {
  return [
    ...unmarked(sentence)
      .replace(/[Dd]ecimal place \d+/g, '')
      .matchAll(/\d[\d\u2009]*(?:\.\d+)?/g),
  ]
    .map(([n]) => toText(present(readDecimal(plain(n)))))
    .filter((n) => !/^10*$/.test(n))
}
