/** Facts and carries, worked out again. */

import { type Decimal, equal, isZero, readDecimal, toText } from '../number/decimal.js'
import { present } from '../number/present.js'
import { rowsOf } from '../problem/problem.js'
import { meaning } from '../question/question.js'
import { beadWorkOf } from '../soroban/step.js'
import type { Step } from '../technique/contract.js'
import {
  digitProductLoad,
  doubleLoad,
  type Load,
  NO_LOAD,
  productLoad,
  quotientLoad,
  sumLoad,
  takeLoad,
  together,
} from '../technique/facts.js'
import { DIGITS, type Rule } from './rule.js'
import { evaluated, plain, termsOf } from './sentences.js'

/** The facts and carries are those of what is reckoned. */
export const facts: Rule = (step, { right, i, problem }) => {
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
      step.action === 'glance'
        ? equal(step.expect, present(right.steps[i - 1]).expect)
        : step.action !== 'write'
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
function reaches(value: Decimal, step: Step<Decimal>): boolean {
  if (equal(value, step.expect) || meaning(step, value) !== undefined) return true
  const text = toText(value)
  if (DIGITS.includes(step.action)) return text.endsWith(toText(step.expect))
  return present(step.reckons).includes('÷') && Math.abs(Number(text) - Number(toText(step.expect))) < 0.001
}

/** Commuted facts are one. */
function commuted(fact: string): string {
  const found = /^(\S+?)([+x])(\S+)$/.exec(fact)
  return found ? [present(found[1]), present(found[3])].sort().join(present(found[2])) : fact
}

/** Facts and carries worked out again from what is reckoned; carries undefined where they hang on the neighbours. */
function loadOf(
  step: Step<Decimal>,
  before: Step | undefined,
  next: Step | undefined,
  rows: number,
): Reckoned {
  const reckons = plain(present(step.reckons))
  if (step.action === 'double') return doubleLoad(present(present(termsOf(reckons)[0]).factors[1]))
  if (step.action === 'divisor') return digitProductLoad(2, present(present(termsOf(reckons)[0]).factors[1]))
  if (reckons.startsWith('√')) return productLoad(step.expect.units, step.expect.units)
  const division = /^(\S+) ÷ (\S+)$/.exec(reckons)
  if (division) {
    if (step.action === 'halve') return digitProductLoad(2, step.expect.units)
    const [a, b] = [present(readDecimal(present(division[1]))), present(readDecimal(present(division[2])))]
    if (isZero(a)) return NO_LOAD
    // Divided digit by digit, or seen at a glance as one fact.
    const glance = `${Number(a.units)}/${Number(b.units)}`
    return step.facts.join() === glance ? { facts: [glance], carries: 0 } : quotientLoad(a.units, b.units)
  }
  const terms = termsOf(reckons)
  return complementLoad(step, terms, reckons) ?? addedLoad(step, before, next, rows, terms, reckons)
}

type Terms = ReturnType<typeof termsOf>

/** Facts and carries as they are worked out again; carries undefined where they hang on the neighbours. */
interface Reckoned {
  readonly facts: readonly string[]
  readonly carries: number | undefined
}

/** The units of each term at the lowest place of all. */
function unitsOf(terms: Terms): (t: { value: Decimal }) => bigint {
  const scale = Math.max(...terms.map((t) => t.value.scale))
  return (t) => t.value.units * 10n ** BigInt(scale - t.value.scale)
}

/** What is seen as one complement, or read off; undefined for anything else. */
function complementLoad(step: Step<Decimal>, terms: Terms, reckons: string): Reckoned | undefined {
  const [first, second] = terms
  const units = unitsOf(terms)
  // What is missing to a round number is one complement.
  if (step.action === 'back' && second?.sign === -1 && /^10+$/.test(first!.text))
    return { facts: [`${units(first!)}-${units(second)}`], carries: 0 }
  // So is what a round number lies above; what it lies below can be read off.
  if (step.action === 'round') {
    const below = second?.sign === 1
    return { facts: below ? [`${toText(step.expect)}-${first!.text}`] : [], carries: 0 }
  }
  // A gap is one complement, read off above the base; so is what makes ten or a hundred.
  if (step.action === 'deviation' || (step.action === 'decide' && second?.sign === -1)) {
    const complement = first!.text.startsWith('1') && /^10+$/.test(first!.text)
    const below = step.action === 'decide' || complement || !/^[1-9]0+$/.test(second!.text)
    return { facts: below ? [`${units(first!)}-${units(second!)}`] : [], carries: 0 }
  }
  if (step.action === 'write' && reckons.startsWith('100 − '))
    return { facts: [`100-${second!.text}`], carries: 1 }
  return undefined
}

/** Products and what is added to them or taken away, one after another. */
function termLoads(terms: Terms): { readonly loads: Load[]; readonly sums: Load[]; readonly total: bigint } {
  const units = unitsOf(terms)
  const [first] = terms
  const loads: Load[] = terms.map((t) => factorsLoad(t.factors))
  let total = units(first!)
  if (first!.sign < 0) total = -total
  const sums: Load[] = []
  for (const term of terms.slice(1)) {
    const n = units(term)
    const [x, y] = [total < 0n ? -total : total, n]
    const adds = total === 0n || total < 0n === term.sign < 0
    sums.push(
      total === 0n || n === 0n ? NO_LOAD : adds ? sumLoad(x, y) : x >= y ? takeLoad(x, y) : takeLoad(y, x),
    )
    total += BigInt(term.sign) * n
  }
  return { loads, sums, total }
}

function addedLoad(
  step: Step<Decimal>,
  before: Step | undefined,
  next: Step | undefined,
  rows: number,
  terms: Terms,
  reckons: string,
): Reckoned {
  const [first, second] = terms
  const { loads, sums, total } = termLoads(terms)
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
      return all
    default:
      return {
        facts: all.facts,
        carries: /^\S+ \+ \S+ \+/.test(reckons) ? present(sums.at(-1)).carries : all.carries,
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
