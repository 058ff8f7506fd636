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
import { integerRoot } from '../../number/root.js'
import { said, wholePart } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { rootOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { between, mapped } from '../../problem/space.js'
import { asDecimal } from '../../question/value.js'
import { ROOT_DUPLEX, ROOT_MISFIT } from '../../words/roots.js'
import { at as inPlace, REMARK } from '../../words/steps.js'
import type { AnswerCell, Fact, Step } from '../contract.js'
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
  asks: (variant) => ROOT_DUPLEX.asks(variant.decimals!),
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
    const asked = Number(variant.decimals)
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
    const enter = function* (asking: Step<Decimal>): Generator<Step, number, Decimal> {
      const entry = yield asking
      if (entry.units !== asking.expect.units || entry.scale !== asking.expect.scale) onPath = false
      return Number(wholePart(entry))
    }

    const r0 = Number(truth[0])
    const root = yield* enter(
      step({
        action: 'root',
        place: groups - 1,
        ask: inPlace(groups - 1, ROOT_DUPLEX.first(said(group))),
        why: ROOT_DUPLEX.whyFirst(groups),
        expect: decimal(r0),
        writes: line([r0]),
        reckons: `√${r0 * r0}`,
        load: () => productLoad(BigInt(r0), BigInt(r0)),
        slips(slip) {
          const square = (r: number) => `${r} × ${r} = ${r * r}`
          slip('square-above', decimal(r0 + 1), 4, ROOT_DUPLEX.above(square(r0 + 1)))
          if (r0 > 1) slip('square-below', decimal(r0 - 1), 4, ROOT_DUPLEX.below(square(r0)))
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
        ask: inPlace(groups - 1, ROOT_DUPLEX.left(said(group), String(root))),
        reckons: `${group} − ${root * root}`,
        why: ROOT_DUPLEX.whyLeft,
        expect: decimal(gap),
        writes: line(),
        holds: [{ what: 'left', value: decimal(gap) }],
        load: () => takeLoad(group, BigInt(root * root)),
        slips(slip) {
          const right = `${said(group)} − ${root * root} = ${gap}`
          slip('fact', decimal(gap - 1), 1, REMARK.off(right))
          slip('fact', decimal(gap + 1), 1, REMARK.off(right))
        },
      }),
    )
    const divisor = yield* enter(
      step({
        action: 'divisor',
        place: groups - 1,
        ask: inPlace(groups - 1, ROOT_DUPLEX.divisor(String(root))),
        reckons: `2 × ${root}`,
        why: ROOT_DUPLEX.whyDivisor,
        expect: decimal(2 * root),
        writes: line(),
        holds: [
          { what: 'left', value: decimal(remainder) },
          { what: 'divisor', value: decimal(2 * root) },
        ],
        load: () => productLoad(BigInt(root), 2n),
        slips: (slip) =>
          slip('not-doubled', decimal(root), 6, REMARK.notDoubled(`2 × ${root} = ${2 * root}`)),
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
      const plain = duplexOf(between_)
      let net = gross
      if (plain.value.units > 0n) {
        const group = between_.join(' ')
        const duplex = yield* enter(
          ask(plain, {
            action: 'product',
            place: rootPlace,
            ask: inPlace(rootPlace, ROOT_DUPLEX.duplex(String(gross), group)),
            why: ROOT_DUPLEX.whyDuplex,
            writes: line(),
            holds: [...holds('stands there', gross), { what: 'duplex', value: plain.value }],
            slips: (slip) => duplexSlips(slip, between_),
          }),
        )
        net = yield* enter(netStep(gross, duplex, rootPlace, line(), holds('left', gross - duplex)))
      }
      const times = (q: number) => `${q} × ${divisor} = ${q * divisor}`
      const most = divisor > 0 ? Math.min(9, Math.max(0, Math.floor(net / divisor))) : 0
      const right = onPath ? Number(truth[k]) : most
      const q = yield* enter(
        step({
          action: 'quotient-digit',
          place: rootPlace,
          ask: inPlace(rootPlace, ROOT_DUPLEX.digit(String(divisor), String(net))),
          why: ROOT_DUPLEX.whyDigit(times(right), right < most),
          expect: decimal(right),
          writes: line([right]),
          holds: k === groups + places - 1 ? [] : holds('left', net),
          reckons: `${right * divisor} ÷ ${divisor}`,
          load: { facts: right > 0 ? [`${right * divisor}/${divisor}` as Fact] : [], carries: 0 },
          slips(slip) {
            if (most > right) slip('not-lowered', decimal(most), 7, ROOT_DUPLEX.lower)
            slip('too-few', decimal(right - 1), 3, ROOT_DUPLEX.few(times(right)))
            if (right < 9) slip('too-many', decimal(right + 1), 3, ROOT_DUPLEX.many(times(right + 1)))
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
          ask: inPlace(rootPlace, ROOT_DUPLEX.rest(String(net), String(q), String(divisor))),
          reckons: `${net} − ${q * divisor}`,
          why: ROOT_DUPLEX.whyRest,
          expect: decimal(left),
          writes: line(),
          holds: holds('left', left),
          load: () => takeLoad(BigInt(Math.max(0, net)), BigInt(q * divisor)),
          slips(slip) {
            const right = `${net} − ${q * divisor} = ${left}`
            slip('rest-forgotten', decimal(0), 3, ROOT_DUPLEX.restForgotten(right))
            slip('fact', decimal(left - 1), 1, REMARK.off(right))
            slip('fact', decimal(left + 1), 1, REMARK.off(right))
          },
        }),
      )
    }
    return decimal(BigInt(digits.join('')), places)
  },
})

/** Is a value the root cut off or rounded to the nearest at its own last place? */
function isRounding(n: Decimal, value: Decimal): boolean {
  const cut = integerRoot(unitsCut(n, 2 * value.scale))
  if (value.units === cut) return true
  // Nearest from above: twice the root is at least twice the value less one, in units of its last place.
  const twice = integerRoot(4n * unitsCut(n, 2 * value.scale))
  return value.units === cut + 1n && twice >= 2n * value.units - 1n
}

function netStep(
  gross: number,
  duplex: number,
  place: number,
  writes: Step['writes'],
  holds: Step['holds'],
): Step<Decimal> {
  const net = gross - duplex
  const right = `${gross} − ${duplex} = ${net}`
  return step({
    action: 'net',
    place,
    ask: inPlace(place, ROOT_DUPLEX.net(String(gross), String(duplex))),
    reckons: `${gross} − ${duplex}`,
    why: ROOT_DUPLEX.whyNet(right),
    expect: decimal(net),
    writes,
    holds,
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
