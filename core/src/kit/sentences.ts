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
import { asDecimal, sameValue, type Value } from '../question/value.js'
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

export const plain = (text: string) => text.replace(/\u2009/g, '').replace(/-(?=\d)/g, '−')

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
  return [...sentence.matchAll(EQUATION)].flatMap(([equation, left, right]) => {
    const [a, b] = [reckoned(left!), reckoned(right!)]
    return a && b && sameValue(a, b) ? [] : [equation]
  })
}

/** Every equation said is true, and every other number in a question is one of the problem or was found on the way. */
export const sentences: Rule = (step, { known, right, i }) => {
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
  const may = [...known, ...mine, ...divided, ...held.flatMap((v) => asDecimal(v) ?? [])].map((n) =>
    toText(absolute(n)),
  )
  for (const number of numbersIn(step.ask))
    if (!may.includes(number)) return `where does the ${number} of "${step.ask}" come from?`
  return undefined
}

/** The numbers in a sentence, but those that only count: one less, ten, a hundred. */
export function numbersIn(sentence: string): string[] {
  return [...sentence.replace(/[Dd]ecimal place \d+/g, '').matchAll(/\d[\d\u2009]*(?:\.\d+)?/g)]
    .map(([n]) => toText(readDecimal(plain(n))!))
    .filter((n) => !/^10*$/.test(n))
}
