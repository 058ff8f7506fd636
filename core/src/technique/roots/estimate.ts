/**
 * root-estimate: the largest square not above n has root r; then (n − r×r) / 2r more. 70: 8 + 6/16 = 8.375.
 * The estimate is never below the true root (it is Newton's step, an arithmetic mean above the geometric one).
 * Where it is still far off, the same again from the estimate: (r + n/r) / 2.
 */
import {
  absolute,
  add,
  compare,
  type Decimal,
  decimal,
  multiply,
  power10,
  subtract,
  toText,
  toWords,
  unitsAt,
} from '../../number/decimal.js'
import { dividedBy, fractionOf } from '../../number/fraction.js'
import { integerRoot, squareRoot } from '../../number/root.js'
import { said, size } from '../../number/whole.js'
import { rootOf } from '../../problem/problem.js'
import { between, kept, mapped } from '../../problem/space.js'
import type { Value } from '../../question/value.js'
import { ESTIMATE, ROOT_MISFIT } from '../../words/roots.js'
import { REMARK } from '../../words/steps.js'
import type { Step } from '../contract.js'
import { differenceLoad, productLoad } from '../facts.js'
import { lineOf } from '../line.js'
import { roundings } from '../listening/by-parts.js'
import { type Misfit, misfit, type SlipSink, step, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask, holdsThat, twice } from '../quantities/quantities.js'
import { SQUARE } from '../variants.js'

const MOST = 1_000_000n
/** Decimals of a shown estimate, and half a unit of the second decimal: how far an entry may be from it. */
const SHOWN = 3
/** Newton's steps double the right digits, so more are never needed. */
const MOST_ROUNDS = 4
const TOLERANCE = decimal(5, 3)

interface Radicand {
  readonly n: Decimal
}

export const rootEstimate = technique({
  id: 'root-estimate',
  words: ESTIMATE,
  family: 'roots',
  needs: ['divide-short'],
  variants: [SQUARE],
  asks: () => ESTIMATE.asks,
  // Targets: common practice, no published source (8 s).
  levels: [
    ['Up to 100, at most four above a square', 8, { distance: 4 }],
    ['Up to 100', 8, {}],
    ['Up to 400', 9, { least: 101, most: 400 }],
    ['Below 26: once again', 14, { least: 2, most: 24 }],
    ['Up to 1000', 12, { least: 401, most: 999 }],
    ['One decimal', 12, { least: 10, most: 99, decimals: 1 }],
    ['Four digits', 18, { least: 1000, most: 9999 }],
  ],
  parameters: {
    parameters: [
      parameter('least', 'From', 2, 999_999, 26),
      parameter('most', 'To', 3, 999_999, 99),
      parameter('distance', 'Above the square at most', 1, 1998),
      parameter('decimals', 'Decimals', 0, 1, 0),
    ],
    problems({ least = 26, most = 99, distance, decimals = 0 }) {
      const unit = 10n ** BigInt(decimals)
      const numbers = between(BigInt(least) * unit, BigInt(Math.max(least, most)) * unit)
      const kinds = kept(numbers, (n) => {
        if (decimals > 0) return n % 10n !== 0n
        const r = integerRoot(n)
        return n !== r * r && (distance === undefined || n - r * r <= BigInt(distance))
      })
      return mapped(kinds, (n) => rootOf(decimal(n, decimals)))
    },
  },
  read(problem): Radicand | Misfit {
    if (problem.kind !== 'root') return misfit(ROOT_MISFIT.none)
    const n = problem.radicand
    if (compare(n, decimal(1)) < 0) return misfit(ROOT_MISFIT.below)
    return compare(n, decimal(MOST)) > 0 ? misfit(ESTIMATE.upTo(said(MOST))) : { n }
  },
  *work({ n }, variant) {
    const below = integerRoot(n.units / power10(n.scale))
    // The nearer square: which of r and r + 1 has the smaller gap to n.
    const above =
      variant.square === 'nearest' && compare(multiply(decimal(below), decimal(below + 1n)), n) < 0
    const start = above ? below + 1n : below
    const nearest = variant.square === 'nearest'
    const r = (yield startStep(n, start, nearest)).units
    const gap = subtract(n, decimal(r * r))
    const under = gap.units < 0n
    const left = yield leftStep(n, r, gap)
    if (left.units === 0n) return decimal(r)
    const doubled = twice(r)
    const divisor = (yield ask(doubled, {
      action: 'divisor',
      place: 0,
      ask: ESTIMATE.divisor(said(r)),
      why: ESTIMATE.whyDivisor,
      writes: () => lineOf(decimal(r), 0, true),
      holds: [
        { what: under ? 'over' : 'left', value: left },
        { what: 'divide by', value: doubled.value },
      ],
      slips: (slip) => slip('squared', decimal(r * r), 2, ESTIMATE.squared(holdsThat(doubled))),
    })).units
    const [over, by] = yield* reduced(left, divisor, r)
    const c = rounded(over, decimal(by), SHOWN)
    const correction = yield correctionStep(over, by, r, c)
    const first = under ? subtract(decimal(r), correction) : add(decimal(r), correction)
    let estimate = yield lastStep(ESTIMATE.add(said(r), under), first, n, farOff(c, start), (slip) => {
      const wrong = under ? add(decimal(r), correction) : subtract(decimal(r), correction)
      slip('given-wrong-way', wrong, 5, ESTIMATE.wrongWay(under))
      slip('part-left-out', decimal(r), 3, ESTIMATE.missing)
    })
    let again = farOff(c, start)
    for (let rounds = 1; again && rounds <= MOST_ROUNDS; rounds += 1) {
      const other = rounded(n, estimate, SHOWN)
      again = farOff(half(absolute(subtract(estimate, other))), start) && rounds < MOST_ROUNDS
      const quotient: Decimal = yield quotientStep(n, estimate, other)
      const mean = rounded(add(estimate, quotient), decimal(2), SHOWN)
      const words = ESTIMATE.middle(toWords(estimate), toWords(quotient))
      const before = estimate
      estimate = yield lastStep(words, mean, n, again, (slip) => {
        slip('not-halved', add(before, quotient), 4, ESTIMATE.notHalved)
        slip('part-left-out', quotient, 3, ESTIMATE.quotient)
      })
    }
    return estimate
  },
})

const squareOf = (r: bigint) => `${said(r)} × ${said(r)} = ${said(r * r)}`

/** The square to start from. @param nearest it may be the one above */
function startStep(n: Decimal, start: bigint, nearest: boolean): Step<Decimal> {
  return step({
    action: 'root',
    place: 0,
    ask: ESTIMATE.start(toWords(n), nearest),
    why: ESTIMATE.whyStart,
    expect: decimal(start),
    writes: () => lineOf(decimal(start), 0, true),
    holds: [{ what: 'root', value: decimal(start) }],
    reckons: `√${start * start}`,
    load: () => productLoad(start, start),
    slips(slip) {
      const other = nearest ? ESTIMATE.nearer(squareOf(start)) : ESTIMATE.below(squareOf(start))
      slip('square-above', decimal(start + 1n), 4, ESTIMATE.above(squareOf(start + 1n)))
      if (start > 1n) slip('square-below', decimal(start - 1n), 4, other)
    },
  })
}

/** How far the square is off. @param gap what is left, below zero where the square is too large */
function leftStep(n: Decimal, r: bigint, gap: Decimal): Step<Decimal> {
  const under = gap.units < 0n
  const squared = r * r * power10(n.scale)
  return step({
    action: 'remainder',
    place: 0,
    ask: ESTIMATE.left(toWords(n), said(r), under),
    why: ESTIMATE.whyLeft(squareOf(r)),
    expect: absolute(gap),
    // The gap may be said with its sign.
    meant: (entry) => (under && entry.units < 0n ? absolute(entry) : undefined),
    writes: () => lineOf(decimal(r), 0, true),
    holds: [
      { what: 'root', value: decimal(r) },
      { what: under ? 'over' : 'left', value: absolute(gap) },
    ],
    reckons: under ? `${r * r} − ${toText(n)}` : `${toText(n)} − ${r * r}`,
    load: () => (under ? differenceLoad(squared, size(n.units)) : differenceLoad(size(n.units), squared)),
    slips(slip) {
      for (const off of [-10n, 10n, -1n, 1n])
        slip('fact', add(absolute(gap), decimal(off)), 2, REMARK.check(squareOf(r)))
    },
  })
}

/** What is left, shared out over twice the root. @param c what it comes to */
function correctionStep(over: Decimal, by: bigint, r: bigint, c: Decimal): Step<Decimal> {
  return step({
    action: 'correction',
    place: 0,
    ask: ESTIMATE.divide(toWords(over), said(by)),
    why: ESTIMATE.whyDivide,
    expect: c,
    also: (entry) => close(entry, c),
    writes: () => lineOf(decimal(r), 0, true),
    holds: [
      { what: 'root', value: decimal(r) },
      { what: 'correction', value: c },
    ],
    reckons: `${toText(over)} ÷ ${by}`,
    load: () => ({ facts: [`${Number(over.units)}/${Number(by)}`], carries: 0 }),
    slips(slip) {
      slip('point-misplaced', decimal(c.units, c.scale + 1), 4, ESTIMATE.point)
      slip('point-misplaced', multiply(c, decimal(10)), 3, ESTIMATE.point)
      slip('remainder-as-decimal', asDecimals(over), 3, ESTIMATE.stillDivide(toWords(over), said(by)))
      const turned = rounded(decimal(by), over, SHOWN)
      slip('divided-upside-down', turned, 2, ESTIMATE.upsideDown(toWords(over), said(by)))
    },
  })
}

/** A fraction is reduced before it is divided out: 4/12 is a third. @returns what is divided by what */
function* reduced(
  left: Decimal,
  divisor: bigint,
  root: bigint,
): Generator<Step, readonly [Decimal, bigint], Decimal> {
  const by = left.scale === 0 ? common(left.units, divisor) : 1n
  if (by === 1n) return [left, divisor]
  const words = (n: bigint) => [said(n), said(left.units / n), said(divisor / n)] as const
  const [common_, a, b] = words(by)
  const entry = (yield step({
    action: 'decide',
    place: 0,
    ask: ESTIMATE.reduce(toWords(left), said(divisor)),
    why: ESTIMATE.whyReduce(toWords(left), said(divisor), common_, a, b),
    expect: decimal(by),
    also: (n) => n.scale === 0 && n.units > 1n && by % n.units === 0n,
    decision: [decimal(by), decimal(1)],
    writes: () => lineOf(decimal(root), 0, true),
    holds: [
      { what: 'over', value: left },
      { what: 'divide by', value: decimal(divisor) },
    ],
    reckons: `${left.units} ÷ ${left.units / by}`,
    load: { facts: [`${Number(left.units)}/${Number(left.units / by)}`], carries: 0 },
  })).units
  const goes = entry > 0n && left.units % entry === 0n && divisor % entry === 0n ? entry : 1n
  return [decimal(left.units / goes), divisor / goes]
}

function common(a: bigint, b: bigint): bigint {
  return b === 0n ? a : common(b, a % b)
}

/** Is another round worth its time: would the part left out, about c²/2r, show in the second decimal? */
function farOff(c: Decimal, r: bigint): boolean {
  return compare(multiply(multiply(c, c), decimal(100)), decimal(2n * r)) >= 0
}

function half(n: Decimal): Decimal {
  return decimal(n.units * 5n, n.scale + 1)
}

function quotientStep(n: Decimal, estimate: Decimal, other: Decimal): Step {
  return step({
    action: 'quotient',
    place: -estimate.scale,
    ask: ESTIMATE.again(toWords(n), toWords(estimate)),
    why: ESTIMATE.whyAgain,
    expect: other,
    also: (entry) => close(entry, other),
    writes: () => lineOf(estimate, -estimate.scale, true),
    holds: [
      { what: 'estimate', value: estimate },
      { what: 'quotient', value: other },
    ],
    reckons: `${toText(n)} ÷ ${toText(estimate)}`,
    // Some take the first rule once more: what is left beside the estimate's square, by twice the estimate.
    parts: () => ruleAgain(n, estimate),
    load: () => ({ facts: [`${Number(n.units)}/${Number(estimate.units)}`], carries: 0 }),
    slips(slip) {
      slip('point-misplaced', decimal(other.units, other.scale + 1), 3, ESTIMATE.point)
      slip('point-misplaced', multiply(other, decimal(10)), 3, ESTIMATE.point)
      for (const off of [-1, 1]) slip('fact', add(other, decimal(off, 1)), 2, ESTIMATE.division)
    },
  })
}

/** What the first rule gives with an estimate in place of the root: its square, what is left, twice it, the correction. */
function ruleAgain(n: Decimal, estimate: Decimal): Value[] {
  const square = multiply(estimate, estimate)
  const left = absolute(subtract(n, square))
  const twice = multiply(estimate, decimal(2))
  const correction = dividedBy(fractionOf(left), fractionOf(twice))
  return [square, left, twice, correction, ...roundings(correction)]
}

function lastStep(
  question: string,
  expect: Decimal,
  n: Decimal,
  more: boolean,
  slips: (slip: SlipSink) => void,
): Step<Decimal> {
  const exact = squareRoot(n, 6)
  return step<Decimal>({
    action: 'running-total',
    place: -expect.scale,
    ask: question,
    why: ESTIMATE.whyAdd,
    expect,
    // The answer may be given to two decimals, or better than the estimate itself.
    also: more ? undefined : (entry) => close(entry, expect) || close(entry, exact),
    writes: () => lineOf(expect, -expect.scale, more),
    after: (entry) => ({ writes: lineOf(entry, -entry.scale, more), holds: [] }),
    holds: more ? [{ what: 'estimate', value: expect }] : [],
    load: { facts: [], carries: 0 },
    // Whoever improves it by the first rule comes to the same.
    total: true,
    slips,
  })
}

/** a / b rounded half up. */
function rounded(a: Decimal, b: Decimal, places: number): Decimal {
  const scale = Math.max(a.scale, b.scale)
  const [x, y] = [unitsAt(a, scale), unitsAt(b, scale)]
  if (y === 0n) return decimal(0)
  return decimal((2n * x * power10(places) + y) / (2n * y), places)
}

function close(entry: Decimal, to: Decimal): boolean {
  return compare(absolute(subtract(entry, to)), TOLERANCE) <= 0
}

/** What is left, written behind the point as it stands: the slip of leaving out the division. */
function asDecimals(left: Decimal): Decimal {
  const digits = left.units.toString()
  return decimal(left.units, digits.length)
}
