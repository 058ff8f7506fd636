/**
 * root-duplex: pair digits off from the point; r0 is the root of the first group, the divisor 2×r0 stays. Then for
 * each next digit: gross = remainder and digit; net = gross − duplex of the root digits after r0; quotient digit =
 * net / divisor, the remainder onward. The true digits (integer square root) are expected: with them no net is
 * ever below 0, since the columns used so far never sum to more than the square of the root.
 */
import { type Decimal, decimal, digitAt, highestPlace, power10, unitsAt } from '../../number/decimal.js'
import { placeTitle } from '../../number/places.js'
import { integerRoot } from '../../number/root.js'
import { said, wholePart } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { rootOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { between, mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import type { AnswerCell, Fact, Step } from '../contract.js'
import { differenceLoad, productLoad } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { DECIMALS } from '../schools.js'
import { duplexOf } from '../squares/duplex.js'

const MOST_DIGITS = 12

const space = (digits: number, decimals = 0) =>
  mapped(numberSpace([shape(digits, decimals)]), ([n]) => rootOf(n!))
/** Squares of whole numbers, so that the root comes out. */
const squares = (digits: number) => {
  const least = integerRoot(10n ** BigInt(digits - 1) - 1n) + 1n
  return mapped(between(least, integerRoot(10n ** BigInt(digits) - 1n)), (r) => rootOf(decimal(r * r)))
}

interface Pairing {
  readonly n: Decimal
}

export const rootDuplex = technique({
  id: 'root-duplex',
  name: 'Root by duplexes',
  family: 'roots',
  about: 'One root digit after another: divide by twice the first digit, and take away duplexes as you go.',
  needs: ['square-duplex', 'root-estimate'],
  lesson: {
    example: 'sqrt(2704)',
    when: 'More digits are wanted than an estimate gives, or the number is long.',
    whenNot: 'Two decimals are enough and a known square is near.',
    because: [
      'The square of r0 r1 r2... has the columns r0², 2 r0 r1, 2 r0 r2 + r1², ...',
      'Every column holds 2 r0 times the newest digit, and the duplex of the digits between.',
      'So take the duplex away and divide by 2 r0: the newest digit comes out.',
    ],
  },
  schools: [DECIMALS],
  asks: (school) =>
    school.decimals === '0'
      ? 'the whole root, the rest cut off'
      : `the root to ${school.decimals} decimals, the rest cut off`,
  // Targets: common practice, no published source.
  levels: [
    level('Squares of three and four digits', 8, () => squares(4)),
    level('Squares of five digits', 15, () => squares(5)),
    level('Squares of six digits', 18, () => squares(6)),
    level('Two digits, to three decimals', 20, () => space(2)),
    level('Four digits, to three decimals', 30, () => space(4)),
    level('Six digits, to three decimals', 40, () => space(6)),
    level('Two decimals under the root', 40, () => space(3, 2)),
    level('Twelve digits', 90, () => space(12)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits before the point', 1, MOST_DIGITS, 4),
      dial('decimals', 'Decimals', 0, 6, 0),
      dial('exact', 'Only squares of whole numbers (1)', 1, 1),
    ],
    problems: ({ digits = 4, decimals = 0, exact }) =>
      exact === 1 ? squares(digits) : space(digits, decimals),
  },
  read(problem): Pairing | Misfit {
    if (problem.kind !== 'root') return misfit('it works a square root, and this is none')
    const n = problem.radicand
    const whole = n.units / power10(n.scale)
    if (whole === 0n) return misfit('a number below 1: move the point by two places first')
    return whole.toString().length > MOST_DIGITS
      ? misfit(`more than ${MOST_DIGITS} digits stand before the point`)
      : { n }
  },
  *work({ n }, school): Generator<Step, Decimal, Decimal> {
    const asked = Number(school.decimals)
    const places = exactPlaces(n, asked)
    const groups = Math.ceil((highestPlace(n) + 1) / 2)
    const whole = wholePart(n)
    const group = whole / power10(2 * (groups - 1))
    const truth = integerRoot(unitsCut(n, 2 * places)).toString()
    let onPath = true
    const digits: number[] = []
    const line = (extra: readonly number[] = [], draft = false) => ({
      negative: false,
      cells: [...digits, ...extra].map(
        (d, i): AnswerCell => ({
          place: groups - 1 - i,
          digits: String(d),
          draft: draft && i >= digits.length,
        }),
      ),
    })
    const enter = function* (asking: Step): Generator<Step, number, Decimal> {
      const entry = yield asking
      if (entry.units !== asking.expect.units || entry.scale !== asking.expect.scale) onPath = false
      return Number(wholePart(entry))
    }

    const r0 = Number(truth[0])
    const root = yield* enter(
      step({
        action: 'root',
        place: groups - 1,
        ask: `First group ${said(group)}: which digit has the largest square not above it?`,
        why: `The digits are paired off from the point; the root has ${groups} whole ${groups === 1 ? 'digit' : 'digits'}.`,
        expect: decimal(r0),
        writes: line([r0]),
        load: () => productLoad(BigInt(r0), BigInt(r0)),
        slips: (slip) => {
          slip(
            'square-above',
            decimal(r0 + 1),
            4,
            `${r0 + 1} squared is ${(r0 + 1) ** 2}: that is more than ${said(group)}.`,
          )
          slip('square-below', decimal(r0 - 1), 4, `${r0} squared is ${r0 ** 2}: that still fits.`)
        },
      }),
    )
    digits.push(root)
    if (groups + places === 1) return decimal(root)
    const gap = Number(group) - root * root
    let remainder = yield* enter(
      step({
        action: 'remainder',
        place: groups - 1,
        ask: `${said(group)} less ${root} squared: what is left?`,
        why: 'What is left goes to the next digit.',
        expect: decimal(gap),
        writes: line(),
        holds: [{ what: 'left', value: decimal(gap) }],
        load: () => differenceLoad(group, BigInt(root * root)),
        slips: (slip) => {
          slip('fact', decimal(gap - 1), 1, `${root} squared is ${root * root}; ${gap} is left.`)
          slip('fact', decimal(gap + 1), 1, `${root} squared is ${root * root}; ${gap} is left.`)
        },
      }),
    )
    const divisor = yield* enter(
      step({
        action: 'divisor',
        place: groups - 1,
        ask: `The divisor is twice ${root}: how much?`,
        why: 'It stays the same to the end.',
        expect: decimal(2 * root),
        writes: line(),
        holds: [
          { what: 'left', value: decimal(remainder) },
          { what: 'divisor', value: decimal(2 * root) },
        ],
        load: () => productLoad(BigInt(root), 2n),
        slips: (slip) => slip('not-doubled', decimal(root), 6, `Twice the first digit: ${2 * root}.`),
      }),
    )
    const holds = (what: string, value: number) => [
      { what, value: decimal(value) },
      { what: 'divisor', value: decimal(divisor) },
    ]
    for (let k = 1; k < groups + places; k += 1) {
      // Single digits follow the first group, one for every digit of the root.
      const rootPlace = groups - 1 - k
      const digit = digitAt(n, 2 * (groups - 1) - k)
      const gross = remainder * 10 + digit
      const between_ = digits.slice(1)
      const duplex = duplexOf(between_)
      let net = gross
      if (duplex > 0)
        net = yield* enter(
          netStep({
            gross,
            duplex,
            group: between_,
            place: rootPlace,
            writes: line(),
            holds: holds('net', gross - duplex),
          }),
        )
      const most = divisor > 0 ? Math.min(9, Math.max(0, Math.floor(net / divisor))) : 0
      const right = onPath ? Number(truth[k]) : most
      const q = yield* enter(
        step({
          action: 'quotient-digit',
          place: rootPlace,
          ask: `${placeTitle(rootPlace)}: ${duplex > 0 ? `net ${net}` : `${gross}`} by ${divisor}. Which digit leaves no later net below 0?`,
          why:
            right < most
              ? `${most} would fit now, but what it leaves is too little for the duplexes to come: one lower, and a larger rest.`
              : `${right} × ${divisor} = ${right * divisor} fits, and enough is left.`,
          expect: decimal(right),
          writes: line([right]),
          holds: holds('net', net),
          load: { facts: [`${right * divisor}/${divisor}` as Fact], carries: 0 },
          slips: (slip) => {
            if (most > right)
              slip(
                'not-lowered',
                decimal(most),
                7,
                `${most} fits now but leaves a later net below 0: lower it and keep the larger rest.`,
              )
            slip(
              'too-few',
              decimal(right - 1),
              3,
              `One more still fits: ${right} × ${divisor} = ${right * divisor}.`,
            )
            if (right < 9)
              slip(
                'too-many',
                decimal(right + 1),
                3,
                `${right + 1} × ${divisor} = ${(right + 1) * divisor} is too much.`,
              )
          },
        }),
      )
      digits.push(q)
      if (k === groups + places - 1) break
      const left = net - q * divisor
      remainder = yield* enter(
        step({
          action: 'remainder',
          place: rootPlace,
          ask: `${net} less ${q} × ${divisor}: what is left?`,
          why: 'It may be larger than the divisor: later duplexes are taken from it.',
          expect: decimal(left),
          writes: line(),
          holds: holds('left', left),
          load: () => differenceLoad(BigInt(Math.max(0, net)), BigInt(q * divisor)),
          slips: (slip) => {
            slip('rest-forgotten', decimal(0), 3, `What is left goes on: ${net} − ${q * divisor} = ${left}.`)
            slip('fact', decimal(left - 1), 1, `${net} − ${q * divisor} = ${left}.`)
            slip('fact', decimal(left + 1), 1, `${net} − ${q * divisor} = ${left}.`)
          },
        }),
      )
    }
    return decimal(BigInt(digits.join('')), places)
  },
})

function netStep(at: {
  gross: number
  duplex: number
  group: readonly number[]
  place: number
  writes: Step['writes']
  holds: Step['holds']
}): Step {
  const { gross, duplex, group, place, writes, holds } = at
  const net = gross - duplex
  return step({
    action: 'net',
    place,
    ask: `Gross ${gross}, less the duplex of ${group.join(' ')}: what is the net?`,
    why: `The digits after the first already make ${duplex} in this column.`,
    expect: decimal(net),
    writes,
    holds,
    load: () => ({
      facts: [
        ...group
          .slice(0, Math.ceil(group.length / 2))
          .map((d, i): Fact => `${d}x${group[group.length - 1 - i]!}`),
        `${gross}-${duplex}`,
      ],
      carries: gross % 10 < duplex % 10 ? 1 : 0,
    }),
    slips: (slip) => {
      const right = `The duplex of ${group.join(' ')} is ${duplex}; ${gross} − ${duplex} = ${net}`
      slip('duplex-forgotten', decimal(gross), 6, `${right}.`)
      slip('duplex-added', decimal(gross + duplex), 3, `The duplex is taken away. ${right}.`)
      const single = group.reduce((sum, d, i) => sum + d * group[group.length - 1 - i]!, 0)
      const once = group
        .slice(0, group.length >> 1)
        .reduce((sum, d, i) => sum + d * group[group.length - 1 - i]!, 0)
      if (single !== once && once > 0)
        slip('not-doubled', decimal(net + once), 4, `Each pair counts twice. ${right}.`)
      slip('fact', decimal(net - 1), 1, `${right}.`)
      slip('fact', decimal(net + 1), 1, `${right}.`)
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
