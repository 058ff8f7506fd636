/**
 * What the working of a paper item is held to. Nothing of it stands on the place rule, so the rules are those of what is
 * asked, said, held and reckoned; what is reckoned is worked out by another library.
 */

import { type Decimal, decimal } from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import { printProblem } from '../problem/expression.js'
import type { ItemProblem } from '../problem/items/forms.js'
import { meaning } from '../question/question.js'
import { asDecimal, asFraction, sameValue, type Value, valueText } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import type { Trace } from '../technique/driver.js'
import {
  doubleLoad,
  type Load,
  productLoad,
  quotientLoad,
  sumLoad,
  takeLoad,
  together,
} from '../technique/facts.js'
import { falseEquations, numbersIn, plain, reckoned, toldOf, UNMARKED } from './sentences.js'

/** What is wrong with the working of an item, in a line each. */
export function itemFaults(item: ItemProblem, work: Trace): string[] {
  return work.steps.flatMap((step, i) =>
    RULES.flatMap((rule) => {
      const fault = rule(step, { item, work, i })
      return fault ? [`step ${i + 1} (${step.action}): ${fault}`] : []
    }),
  )
}

interface Around {
  readonly item: ItemProblem
  readonly work: Trace
  readonly i: number
}

type Rule = (step: Step, around: Around) => string | undefined

const RULES: readonly Rule[] = [
  ({ place }) => (place === 0 ? undefined : `lit is place ${place}`),
  ({ writes }) => (writes.cells.length === 0 ? undefined : 'something stands on a rule that is not there'),
  ({ holds }, { work, i }) =>
    i === work.steps.length - 1 || holds.length > 0 ? undefined : 'nothing is held of it',
  (step, { work, i }) =>
    i === work.steps.length - 1 || step.holds.some((h) => sameValue(h.value, step.expect))
      ? undefined
      : 'its value is not held',
  loads,
  sentences,
]

/** What is reckoned is the value asked, and the facts and carries are those of it. */
function loads(step: Step): string | undefined {
  for (const fact of step.facts)
    if (!/^-?\d+(?:\.\d+)?[-+x/]\d+(?:\.\d+)?$/.test(fact)) return `"${fact}" is no fact`
  if (step.reckons === undefined) {
    if (step.facts.length > 0) return 'facts, but nothing is reckoned'
    return step.carries === 0 ? undefined : `${step.carries} carries`
  }
  const value = reckoned(step.reckons)
  if (!value) return `"${step.reckons}" is not to be read`
  // What does not end is cut off where decimals are asked.
  const cut = asDecimal(step.expect) ? roundly(value) : value
  if (!sameValue(value, step.expect) && meaning(step, cut) === undefined)
    return `${step.reckons} is ${valueText(value)}, not ${valueText(step.expect)}`
  const want = loadOf(step.reckons, step.action)
  const sorted = (facts: readonly string[]) => facts.map(commuted).sort().join(' ')
  if (sorted(want.facts) !== sorted(step.facts))
    return `facts ${step.facts.join(' ') || 'none'}, not ${want.facts.join(' ') || 'none'}`
  return want.carries === step.carries ? undefined : `${step.carries} carries, not ${want.carries}`
}

const roundly = (value: Value): Decimal => {
  const { over, under } = present(asFraction(value))
  return decimal((over * 1_000_000n) / under, 6)
}

function commuted(fact: string): string {
  const found = /^(\S+?)([+x])(\S+)$/.exec(fact)
  return found ? [present(found[1]), present(found[3])].sort().join(present(found[2])) : fact
}

/** The facts of products and quotients from the left, then of what is added up. */
function loadOf(reckons: string, action: Step['action']): Load {
  const text = plain(reckons)
  const [, base, n] = /^(10+) − (\d+)$/.exec(text) ?? []
  if (action === 'deviation' && base) return { facts: [`${Number(base)}-${Number(n)}`], carries: 0 }
  const units = (word: string) => BigInt(word.replace('.', ''))
  const found: Load[] = []
  let [total, sign] = [undefined as bigint | undefined, 1n]
  for (const part of text.split(/ (?=[+−] )/)) {
    const [, before, chain] = firstOf(3, present(/^([+−] |−(?=\d))?(.+)$/.exec(part)))
    sign = before?.startsWith('−') ? -1n : 1n
    const words = chain.split(' ')
    let value = units(present(words[0]))
    for (let k = 1; k < words.length; k += 2) {
      const n = units(present(words[k + 1]))
      if (words[k] === '÷') {
        found.push(quotientLoad(value, n))
        value = n === 0n ? 0n : value / n
      } else {
        found.push(action === 'double' ? doubleLoad(n) : productLoad(value, n))
        value *= n
      }
    }
    if (total !== undefined && total !== 0n && value !== 0n) {
      const [x, y] = [total < 0n ? -total : total, value]
      found.push(total < 0n === sign < 0n ? sumLoad(x, y) : takeLoad(x > y ? x : y, x > y ? y : x))
    }
    total = (total ?? 0n) + sign * value
  }
  return together(...found)
}

/** Every equation said is true; every other number asked about is one of the item, or was found on the way. */
function sentences(step: Step, { item, work, i }: Around): string | undefined {
  for (const said of [step.ask, step.why, ...step.slips().map((s) => s.remark)]) {
    const [wrong] = falseEquations(said)
    if (wrong) return `"${wrong}" is not true`
    if (UNMARKED.test(said)) return `"${said}" has a point that is not marked as that of a number`
    if (said.trim() === '' || /undefined|NaN|\[object| {2}/.test(said)) return `"${said}" is no sentence`
  }
  const before = work.steps.slice(0, i).map((s) => valueText(s.expect))
  // What is left stands before the next digit.
  const beside = before.flatMap((v) => [...'0123456789'].map((d) => v + d))
  const given = item.numbers.map((n) => valueText(n))
  const members =
    item.form === 'missing' ? given.toSpliced(Number(item.signs[0]), 0, valueText(work.answer)) : given
  // How far it is from each member of a sequence to the next.
  const gaps = members.slice(1).map((n, k) => String(Number(n) - Number(members[k])))
  const known = [printProblem(item), ...before, ...beside, ...gaps, step.reckons ?? '', KNOWN].join(' ')
  const digits = plain(known)
  for (const number of numbersIn(step.ask))
    if (!digits.includes(number)) return `where does the ${number} of "${step.ask}" come from?`
  const told = [step.why, ...step.slips().map((s) => s.remark)].flatMap((text) => numbersIn(text))
  return toldOf(
    step,
    told.filter((number) => digits.includes(number)),
    item,
  )
}

/** Numbers of the rules themselves: from 50, by 2, 3 and 7, and what digits at the end are read. */
const KNOWN = '50 2 3 4 5 6 7 11 13 17 19 23 29 31'
