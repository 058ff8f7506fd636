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
  toWords,
  unitsAt,
} from '../../number/decimal.js'
import { integerRoot, squareRoot } from '../../number/root.js'
import { said, size } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { rootOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { between, kept, mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import type { Step } from '../contract.js'
import { differenceLoad, productLoad } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { SQUARE } from '../schools.js'

const MOST = 1_000_000n
/** Decimals of a shown estimate, and half a unit of the second decimal: how far an entry may be from it. */
const SHOWN = 3
/** Newton's steps double the right digits, so more are never needed. */
const MOST_ROUNDS = 4
const TOLERANCE = decimal(5, 3)

const space = (least: number, most: number, distance?: number) =>
  mapped(
    kept(between(least, most), (n) => {
      const r = integerRoot(n)
      return n !== r * r && (distance === undefined || n - r * r <= BigInt(distance))
    }),
    (n) => rootOf(decimal(n)),
  )

interface Radicand {
  readonly n: Decimal
}

export const rootEstimate = technique({
  id: 'root-estimate',
  name: 'Root by estimate',
  family: 'roots',
  about: 'Start from the nearest square you know and add what is left, over twice its root.',
  needs: ['square-round-balance', 'divide-short'],
  lesson: {
    example: 'sqrt(70)',
    when: 'Two decimals are enough: the estimate comes in one breath.',
    whenNot: 'More digits are wanted, or the number is long: take the duplex way.',
    because: [
      '(r + c)² = r² + 2rc + c², and c² is small.',
      'So n − r² is nearly 2rc, and c is nearly (n − r²) / 2r.',
      'Leaving c² out makes c a little too large: the estimate is never below the root.',
    ],
  },
  schools: [SQUARE],
  asks: () => 'the estimate to two decimals',
  // Targets: common practice, no published source (8 s).
  levels: [
    level('Up to 100, at most four above a square', 8, () => space(26, 99, 4)),
    level('Up to 100', 8, () => space(26, 99)),
    level('Up to 400', 9, () => space(101, 400)),
    level('Below 26: once again', 14, () => space(2, 24)),
    level('Up to 1000', 12, () => space(401, 999)),
    level('One decimal', 12, () => mapped(numberSpace([shape(2, 1)]), ([n]) => rootOf(n!))),
    level('Four digits', 18, () => space(1000, 9999)),
  ],
  dials: {
    dials: [
      dial('least', 'From', 2, 999_999, 26),
      dial('most', 'To', 3, 999_999, 99),
      dial('distance', 'Above the square at most', 1, 1998),
    ],
    problems: ({ least = 26, most = 99, distance }) => space(least, Math.max(least, most), distance),
  },
  read(problem): Radicand | Misfit {
    if (problem.kind !== 'root') return misfit('it works a square root, and this is none')
    const n = problem.radicand
    if (compare(n, decimal(1)) < 0) return misfit('a number below 1: move the point by two places first')
    return compare(n, decimal(MOST)) > 0
      ? misfit(`only up to ${said(MOST)}: the first square must be known`)
      : { n }
  },
  *work({ n }, school) {
    const below = integerRoot(n.units / power10(n.scale))
    // The nearer square: which of r and r + 1 has the smaller gap to n.
    const above = school.square === 'nearest' && compare(multiply(decimal(below), decimal(below + 1n)), n) < 0
    const start = above ? below + 1n : below
    const r = (yield step({
      action: 'root',
      place: 0,
      ask: `Which whole number has the ${school.square === 'nearest' ? 'square nearest to' : 'largest square not above'} ${toWords(n)}?`,
      why: 'The square is a fact you know; the rest is a small correction.',
      expect: decimal(start),
      // Any whole start serves a step later, but only this one keeps the correction small.
      writes: () => lineOf(decimal(start), 0, true),
      holds: [{ what: 'root', value: decimal(start) }],
      load: () => productLoad(start, start),
      slips: (slip) => {
        slip(
          'square-above',
          decimal(start + 1n),
          4,
          `${said(start + 1n)} squared is ${said((start + 1n) * (start + 1n))}.`,
        )
        slip(
          'square-below',
          decimal(start - 1n),
          4,
          `${said(start)} squared is ${said(start * start)}: that is nearer.`,
        )
      },
    })).units
    const gap = subtract(n, decimal(r * r))
    const under = gap.units < 0n
    const left = yield step({
      action: 'remainder',
      place: 0,
      ask: under
        ? `${said(r)} squared is ${said(r * r)}. How much is that above ${toWords(n)}?`
        : `${toWords(n)} less ${said(r)} squared (${said(r * r)}): what is left?`,
      why: 'This is what the correction has to make up for.',
      expect: absolute(gap),
      writes: () => lineOf(decimal(r), 0, true),
      holds: [
        { what: 'root', value: decimal(r) },
        { what: under ? 'over' : 'left', value: absolute(gap) },
      ],
      load: () => differenceLoad(size(n.units), r * r * power10(n.scale)),
      slips: (slip) => {
        for (const off of [-10n, 10n, -1n, 1n])
          slip(
            'fact',
            add(absolute(gap), decimal(off)),
            2,
            `${said(r)} × ${said(r)} = ${said(r * r)}; the gap to ${toWords(n)} is ${toWords(absolute(gap))}.`,
          )
      },
    })
    if (left.units === 0n) return decimal(r)
    const twice = (yield step({
      action: 'divisor',
      place: 0,
      ask: `Twice ${said(r)}: how much?`,
      why: 'Each hundredth added to the root adds twice the root, in hundredths, to the square.',
      expect: decimal(2n * r),
      writes: () => lineOf(decimal(r), 0, true),
      holds: [
        { what: under ? 'over' : 'left', value: left },
        { what: 'divide by', value: decimal(2n * r) },
      ],
      load: () => productLoad(r, 2n),
      slips: (slip) => {
        slip('not-doubled', decimal(r), 6, `The gap is divided by twice the root: ${said(2n * r)}.`)
        slip('squared', decimal(r * r), 2, `Twice the root, not the root squared: ${said(2n * r)}.`)
      },
    })).units
    const c = rounded(left, decimal(twice), SHOWN)
    const correction = yield step({
      action: 'correction',
      place: -2,
      ask: `${toWords(left)} divided by ${said(twice)}: how much, to two or three decimals?`,
      why: 'The gap is shared out over twice the root.',
      expect: c,
      also: (entry) => close(entry, c),
      writes: () => lineOf(decimal(r), 0, true),
      holds: [
        { what: 'root', value: decimal(r) },
        { what: 'correction', value: c },
      ],
      load: () => ({ facts: [`${Number(left.units)}/${Number(twice)}`], carries: 0 }),
      slips: (slip) => {
        slip(
          'point-misplaced',
          decimal(c.units, c.scale + 1),
          4,
          `${toWords(left)} / ${said(twice)} is ${toWords(c)}: look at the point.`,
        )
        slip(
          'point-misplaced',
          multiply(c, decimal(10)),
          3,
          `${toWords(left)} / ${said(twice)} is ${toWords(c)}: look at the point.`,
        )
        slip(
          'remainder-as-decimal',
          asDecimals(left),
          3,
          `The ${toWords(left)} is still to be divided by ${said(twice)}.`,
        )
        slip(
          'divided-upside-down',
          rounded(decimal(twice), left, SHOWN),
          2,
          `${toWords(left)} is divided by ${said(twice)}, not the other way round.`,
        )
      },
    })
    const first = under ? subtract(decimal(r), correction) : add(decimal(r), correction)
    let estimate = yield lastStep(
      under ? 'Take the correction from the root' : 'Add the correction to the root',
      first,
      n,
      farOff(c, start),
      (slip) => {
        slip(
          'correction-sign',
          under ? add(decimal(r), correction) : subtract(decimal(r), correction),
          5,
          under
            ? 'The square is above, so the correction is taken away.'
            : 'The square is below, so the correction is added.',
        )
        slip('correction-left-out', decimal(r), 3, 'The correction is still missing.')
      },
    )
    let again = farOff(c, start)
    for (let rounds = 1; again && rounds <= MOST_ROUNDS; rounds += 1) {
      const other = rounded(n, estimate, SHOWN)
      again = farOff(half(absolute(subtract(estimate, other))), start) && rounds < MOST_ROUNDS
      const quotient: Decimal = yield quotientStep(n, estimate, other)
      const mean = rounded(add(estimate, quotient), decimal(2), SHOWN)
      estimate = yield lastStep(
        `Midway between ${toWords(estimate)} and ${toWords(quotient)}`,
        mean,
        n,
        again,
        (slip) => {
          slip('not-halved', add(estimate, quotient), 4, 'Half of the sum lies midway.')
          slip('mean-left-out', quotient, 3, `Midway, not the quotient itself: ${toWords(mean)}.`)
        },
      )
    }
    return estimate
  },
})

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
    place: -2,
    ask: `Still far off, so once more: ${toWords(n)} divided by ${toWords(estimate)}. How much, to two or three decimals?`,
    why: 'One factor is too large, so the other is too small; the root lies between them.',
    expect: other,
    also: (entry) => close(entry, other),
    writes: () => lineOf(estimate, -estimate.scale, true),
    holds: [
      { what: 'estimate', value: estimate },
      { what: 'quotient', value: other },
    ],
    load: () => ({ facts: [`${Number(n.units)}/${Number(estimate.units)}`], carries: 0 }),
    slips: (slip) => {
      slip(
        'point-misplaced',
        decimal(other.units, other.scale + 1),
        3,
        `The quotient is ${toWords(other)}: look at the point.`,
      )
      slip(
        'point-misplaced',
        multiply(other, decimal(10)),
        3,
        `The quotient is ${toWords(other)}: look at the point.`,
      )
      slip('fact', add(other, decimal(1, 1)), 2, `The quotient is ${toWords(other)}.`)
      slip('fact', subtract(other, decimal(1, 1)), 2, `The quotient is ${toWords(other)}.`)
    },
  })
}

function lastStep(
  ask: string,
  expect: Decimal,
  n: Decimal,
  more: boolean,
  slips: Parameters<typeof step>[0]['slips'] & {},
): Step {
  const exact = squareRoot(n, 6)
  return step({
    action: 'root',
    place: 0,
    ask: `${ask}: what is the estimate?`,
    why: 'The estimate is never below the true root, and very near it when the square was near.',
    expect,
    // The answer may be given to two decimals, or better than the estimate itself.
    also: more ? undefined : (entry) => close(entry, expect) || close(entry, exact),
    writes: () => lineOf(expect, -expect.scale, more),
    after: (entry) => ({ writes: lineOf(entry, -entry.scale, more), holds: [] }),
    holds: more ? [{ what: 'estimate', value: expect }] : [],
    load: { facts: [], carries: 0 },
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
