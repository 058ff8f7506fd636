/**
 * root-duplex: pair digits off from the point; r0 is the root of the first group, the divisor 2×r0 stays. Then for
 * each next digit: gross = remainder and digit; net = gross − duplex of the root digits after r0; quotient digit =
 * net / divisor, the remainder onward. The true digits (integer square root) are expected: with them no net is
 * ever below 0, since the columns used so far never sum to more than the square of the root.
 */

import {
  type Decimal,
  decimal,
  digitAt,
  equal,
  highestPlace,
  isNegative,
  power10,
  unitsAt,
} from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { integerRoot } from '../../number/root.js'
import { said, wholePart } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { rootOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { between, mapped } from '../../problem/space.js'
import { asDecimal } from '../../question/value.js'
import { ROOT_DUPLEX, ROOT_MISFIT } from '../../words/roots.js'
import { at as inPlace, REMARK } from '../../words/steps.js'
import type { AnswerCell, AnswerLine, Fact, Step } from '../contract.js'
import { productLoad, takeLoad } from '../facts.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask } from '../quantities/quantities.js'
import { duplexOf, duplexSlips } from '../squares/duplex.js'
import { DECIMALS } from '../variants.js'

const MOST_DIGITS = 12

interface Pairing {
  readonly n: Decimal
}

export const rootDuplex = technique({
  id: 'root-duplex',
  words: ROOT_DUPLEX,
  family: 'roots',
  needs: ['square-duplex'],
  variants: [DECIMALS],
  // How many decimals are asked is no way of working: a root cut sooner is not the answer.
  ways: [{}],
  asks: (variant) => ROOT_DUPLEX.asks(present(variant.decimals)),
  rounds(problem, { decimals }, value) {
    const given = asDecimal(value)
    if (problem.kind !== 'root' || !given || isNegative(given)) return false
    const n = problem.radicand
    const asked = exactPlaces(n, Number(decimals))
    const whole = decimal(integerRoot(unitsCut(n, 2 * asked)), asked)
    return given.scale <= asked && !equal(given, whole) && isRounding(n, given)
  },
  // Targets: common practice, no published source.
  levels: [
    ['Squares of three and four digits', 8, { exact: 1 }],
    ['Squares of five digits', 15, { digits: 5, exact: 1 }],
    ['Squares of six digits', 18, { digits: 6, exact: 1 }],
    ['Two digits, to three decimals', 20, { digits: 2 }],
    ['Four digits, to three decimals', 30, {}],
    ['Six digits, to three decimals', 40, { digits: 6 }],
    ['Two decimals under the root', 40, { digits: 3, decimals: 2 }],
    ['Twelve digits', 90, { digits: 12 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits before the point', 1, MOST_DIGITS, 4),
      parameter('decimals', 'Decimals', 0, 6, 0),
      parameter('exact', 'Only squares of whole numbers (1)', 1, 1),
    ],
    problems({ digits = 4, decimals = 0, exact }) {
      if (exact === undefined) return mapped(numberSpace([shape(digits, decimals)]), ([n]) => rootOf(n!))
      const least = integerRoot(10n ** BigInt(digits - 1) - 1n) + 1n
      return mapped(between(least, integerRoot(10n ** BigInt(digits) - 1n)), (r) => rootOf(decimal(r * r)))
    },
  },
  read(problem): Pairing | Misfit {
    if (problem.kind !== 'root') return misfit(ROOT_MISFIT.none)
    const n = problem.radicand
    const whole = n.units / power10(n.scale)
    if (whole === 0n) return misfit(ROOT_MISFIT.below)
    return whole.toString().length > MOST_DIGITS ? misfit(ROOT_DUPLEX.digits(MOST_DIGITS)) : { n }
  },
  *work({ n }, variant): Generator<Step, Decimal, Decimal> {
    const places = exactPlaces(n, Number(variant.decimals))
    const groups = Math.ceil((highestPlace(n) + 1) / 2)
    const group = wholePart(n) / power10(2 * (groups - 1))
    const truth = integerRoot(unitsCut(n, 2 * places)).toString()
    let onPath = true
    const digits: number[] = []
    const enter = function* (asking: Step<Decimal>): Generator<Step, number, Decimal> {
      const entry = yield asking
      if (entry.units !== asking.expect.units || entry.scale !== asking.expect.scale) onPath = false
      return Number(wholePart(entry))
    }

    digits.push(yield* enter(firstStep(Number(truth[0]), group, groups)))
    const root = present(digits[0])
    if (groups + places === 1) return decimal(root)
    let remainder = yield* enter(leftStep(group, root, lineOf(digits, groups)))
    const divisor = yield* enter(divisorStep(root, remainder, lineOf(digits, groups)))
    for (let k = 1; k < groups + places; k += 1) {
      // Single digits follow the first group, one for every digit of the root.
      const place = groups - 1 - k
      const at: At = { place, divisor, line: lineOf(digits, groups), last: k === groups + places - 1 }
      const gross = remainder * 10 + digitAt(n, 2 * (groups - 1) - k)
      const behind = digits.slice(1)
      const plain = duplexOf(behind)
      let net = gross
      if (plain.value.units > 0n)
        net = yield* enter(netStep(gross, yield* enter(duplexStep(gross, behind, plain, at)), at))
      const most = divisor > 0 ? Math.min(9, Math.max(0, Math.floor(net / divisor))) : 0
      const right = onPath ? Number(truth[k]) : most
      const q = yield* enter(digitStep(net, right, most, lineOf([...digits, right], groups), at))
      digits.push(q)
      if (!at.last) remainder = yield* enter(restStep(net, q, { ...at, line: lineOf(digits, groups) }))
    }
    return decimal(BigInt(digits.join('')), places)
  },
})

/** Where a digit of the root is being found. */
interface At {
  readonly place: number
  readonly divisor: number
  /** The root as far as it stands. */
  readonly line: AnswerLine
  /** No digit follows. */
  readonly last: boolean
}

/** The digits of the root found so far, on the answer line. @param groups those of the whole part */
function lineOf(digits: readonly number[], groups: number): AnswerLine {
  const cells = digits.map((d, i): AnswerCell => ({ place: groups - 1 - i, digits: String(d), draft: false }))
  return { negative: false, cells }
}

const holdsOf = (what: string, value: number, { divisor }: At) => [
  { what, value: decimal(value) },
  { what: 'divisor', value: decimal(divisor) },
]

/** The first digit: the root of the largest square in the first group. */
function firstStep(root: number, group: bigint, groups: number): Step<Decimal> {
  return step({
    action: 'root',
    place: groups - 1,
    ask: inPlace(groups - 1, ROOT_DUPLEX.first(said(group))),
    why: ROOT_DUPLEX.whyFirst(groups),
    expect: decimal(root),
    writes: lineOf([root], groups),
    reckons: `√${root * root}`,
    load: () => productLoad(BigInt(root), BigInt(root)),
    slips(slip) {
      const square = (r: number) => `${r} × ${r} = ${r * r}`
      slip('square-above', decimal(root + 1), 4, ROOT_DUPLEX.above(square(root + 1)))
      if (root > 1) slip('square-below', decimal(root - 1), 4, ROOT_DUPLEX.below(square(root)))
    },
  })
}

/** What is left of the first group. */
function leftStep(group: bigint, root: number, line: AnswerLine): Step<Decimal> {
  const gap = Number(group) - root * root
  const place = present(line.cells[0]).place
  return step({
    action: 'remainder',
    place,
    ask: inPlace(place, ROOT_DUPLEX.left(said(group), String(root))),
    reckons: `${group} − ${root * root}`,
    why: ROOT_DUPLEX.whyLeft,
    expect: decimal(gap),
    writes: line,
    holds: [{ what: 'left', value: decimal(gap) }],
    load: () => takeLoad(group, BigInt(root * root)),
    slips(slip) {
      const right = `${said(group)} − ${root * root} = ${gap}`
      slip('fact', decimal(gap - 1), 1, REMARK.off(right))
      slip('fact', decimal(gap + 1), 1, REMARK.off(right))
    },
  })
}

/** Twice the first digit, by which all others are found. */
function divisorStep(root: number, remainder: number, line: AnswerLine): Step<Decimal> {
  const place = present(line.cells[0]).place
  return step({
    action: 'divisor',
    place,
    ask: inPlace(place, ROOT_DUPLEX.divisor(String(root))),
    reckons: `2 × ${root}`,
    why: ROOT_DUPLEX.whyDivisor,
    expect: decimal(2 * root),
    writes: line,
    holds: [
      { what: 'left', value: decimal(remainder) },
      { what: 'divisor', value: decimal(2 * root) },
    ],
    load: () => productLoad(BigInt(root), 2n),
    slips: (slip) => slip('not-doubled', decimal(root), 6, REMARK.notDoubled(`2 × ${root} = ${2 * root}`)),
  })
}

/** The duplex of the digits behind the first. */
function duplexStep(
  gross: number,
  behind: readonly number[],
  plain: ReturnType<typeof duplexOf>,
  at: At,
): Step<Decimal> {
  return ask(plain, {
    action: 'product',
    place: at.place,
    ask: inPlace(at.place, ROOT_DUPLEX.duplex(String(gross), behind.join(' '))),
    why: ROOT_DUPLEX.whyDuplex,
    writes: at.line,
    holds: [...holdsOf('stands there', gross, at), { what: 'duplex', value: plain.value }],
    slips: (slip) => duplexSlips(slip, behind),
  })
}

/** The next digit of the root. @param most what the divisor alone would allow @param line with the digit */
function digitStep(net: number, right: number, most: number, line: AnswerLine, at: At): Step<Decimal> {
  const { divisor, place } = at
  const times = (q: number) => `${q} × ${divisor} = ${q * divisor}`
  return step({
    action: 'quotient-digit',
    place,
    ask: inPlace(place, ROOT_DUPLEX.digit(String(divisor), String(net))),
    why: ROOT_DUPLEX.whyDigit(times(right), right < most),
    expect: decimal(right),
    writes: line,
    holds: at.last ? [] : holdsOf('left', net, at),
    reckons: `${right * divisor} ÷ ${divisor}`,
    load: { facts: right > 0 ? [`${right * divisor}/${divisor}` as Fact] : [], carries: 0 },
    slips(slip) {
      if (most > right) slip('not-lowered', decimal(most), 7, ROOT_DUPLEX.lower)
      slip('too-few', decimal(right - 1), 3, ROOT_DUPLEX.few(times(right)))
      if (right < 9) slip('too-many', decimal(right + 1), 3, ROOT_DUPLEX.many(times(right + 1)))
    },
  })
}

/** What is left after a digit. */
function restStep(net: number, q: number, at: At): Step<Decimal> {
  const { divisor, place } = at
  const left = net - q * divisor
  return step({
    action: 'remainder',
    place,
    ask: inPlace(place, ROOT_DUPLEX.rest(String(net), String(q), String(divisor))),
    reckons: `${net} − ${q * divisor}`,
    why: ROOT_DUPLEX.whyRest,
    expect: decimal(left),
    writes: at.line,
    holds: holdsOf('left', left, at),
    load: () => takeLoad(BigInt(Math.max(0, net)), BigInt(q * divisor)),
    slips(slip) {
      const right = `${net} − ${q * divisor} = ${left}`
      slip('rest-forgotten', decimal(0), 3, ROOT_DUPLEX.restForgotten(right))
      slip('fact', decimal(left - 1), 1, REMARK.off(right))
      slip('fact', decimal(left + 1), 1, REMARK.off(right))
    },
  })
}

/** Is a value the root cut off or rounded to the nearest at its own last place? */
function isRounding(n: Decimal, value: Decimal): boolean {
  const cut = integerRoot(unitsCut(n, 2 * value.scale))
  if (value.units === cut) return true
  // Nearest from above: twice the root is at least twice the value less one, in units of its last place.
  const twice = integerRoot(4n * unitsCut(n, 2 * value.scale))
  return value.units === cut + 1n && twice >= 2n * value.units - 1n
}

/** The same without its duplex. */
function netStep(gross: number, duplex: number, at: At): Step<Decimal> {
  const { place } = at
  const net = gross - duplex
  const right = `${gross} − ${duplex} = ${net}`
  return step({
    action: 'net',
    place,
    ask: inPlace(place, ROOT_DUPLEX.net(String(gross), String(duplex))),
    reckons: `${gross} − ${duplex}`,
    why: ROOT_DUPLEX.whyNet(right),
    expect: decimal(net),
    writes: at.line,
    holds: holdsOf('left', net, at),
    load: () => takeLoad(BigInt(Math.max(gross, duplex)), BigInt(duplex)),
    slips(slip) {
      slip('duplex-forgotten', decimal(gross), 6, ROOT_DUPLEX.forgotten(right))
      slip('duplex-added', decimal(gross + duplex), 3, ROOT_DUPLEX.added(right))
      slip('fact', decimal(net - 1), 1, REMARK.off(right))
      slip('fact', decimal(net + 1), 1, REMARK.off(right))
    },
  })
}

/** Decimals to work: as many as asked, or as many as the root has when it comes out sooner. */
function exactPlaces(n: Decimal, asked: number): number {
  for (let places = 0; places < asked; places += 1) {
    const units = unitsCut(n, 2 * places)
    const root = integerRoot(units)
    if (n.scale <= 2 * places && root * root === units) return places
  }
  return asked
}

/** The value in units of 10^-scale, further decimals cut off. */
function unitsCut(n: Decimal, scale: number): bigint {
  return n.scale <= scale ? unitsAt(n, scale) : n.units / power10(n.scale - scale)
}
