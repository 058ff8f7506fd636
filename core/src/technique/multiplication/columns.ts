/**
 * Products written one answer digit a column: the sums of the columns are known from the factors, and what is
 * left is the order in which they are worked and what becomes of their tens.
 */

import { type Decimal, decimal } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { said, wholePart } from '../../number/whole.js'
import { COLUMNS } from '../../words/multiplication.js'
import { at, REMARK } from '../../words/steps.js'
import type { AnswerCell, AnswerLine, Spot, Step } from '../contract.js'
import { type Load, NO_LOAD, sumLoad } from '../facts.js'
import { BLANK, digitCells } from '../line.js'
import { type SlipSink, step } from '../make.js'
import { ask, type Quantity } from '../quantities/quantities.js'

/** One column of the answer. */
export interface SumColumn {
  readonly sum: number
  /** What is added up, given what is carried in. */
  readonly quantity: (carry: number) => Quantity
  /** Left out: the usual question. */
  readonly ask?: string
  readonly why: (place: number) => string
  readonly links?: readonly (readonly [Spot, Spot])[]
  readonly slips: (slip: SlipSink) => void
}

/** A way through the columns, from place 0 up. @param shift the place of the first one. @returns the value written in the end. */
export type Walk = (columns: readonly SumColumn[], shift?: number) => Walking

export type Walking = Generator<Step, bigint, Decimal>

/** From the right: write the unit of each column, carry its tens into the next. */
export function* rightCarry(columns: readonly SumColumn[], shift = 0): Walking {
  let carry = 0
  let carriedBefore = 0
  let written = ''
  for (const [k, column] of columns.entries()) {
    const last = k === columns.length - 1
    const place = k + shift
    const done = written
    const inCarry = carry
    const raw = Number(
      wholePart(
        yield sumStep(column, place, inCarry, () =>
          columnLine(column.sum, done, place, inCarry === 0 && (last || column.sum < 10)),
        ),
      ),
    )
    if (carry === 0 && (raw < 10 || last)) {
      written = String(raw) + written
      carriedBefore = 0
      continue
    }
    const total = raw + carry
    const entry = Number(
      wholePart(yield writeStep({ place, raw, carry, carriedBefore, last, written: done, shift })),
    )
    written = String(entry) + written
    // What was really reckoned decides what is carried on: a carry that was forgotten is missing here too.
    const meant = last
      ? total
      : ([total, raw, raw + 2 * carry, raw + carriedBefore].find((t) => t % 10 === entry) ??
        total - (total % 10) + entry)
    carriedBefore = carry
    carry = entry >= 10 ? 0 : Math.floor(meant / 10)
  }
  return BigInt(written)
}

/** From the right, every sum written raw; the tens are settled at the end, column by column from the right. */
export function* rightRaw(columns: readonly SumColumn[], shift = 0): Walking {
  return yield* rawThenSettled(
    columns,
    columns.map((_, k) => k),
    shift,
  )
}

/** From the left, every sum written raw; the tens are settled from the right at the end. */
export function* leftRaw(columns: readonly SumColumn[], shift = 0): Walking {
  return yield* rawThenSettled(columns, columns.map((_, k) => k).reverse(), shift)
}

/** The first and the last column, then inwards; the tens are settled at the end. */
export function* endsFirst(columns: readonly SumColumn[], shift = 0): Walking {
  const order: number[] = []
  for (let [low, high] = [0, columns.length - 1]; low <= high; low += 1, high -= 1)
    order.push(...(low === high ? [low] : [high, low]))
  return yield* rawThenSettled(columns, order, shift)
}

/** From the left: what is written is mended as the tens of each next column come in. */
export function* leftMend(columns: readonly SumColumn[], shift = 0): Walking {
  let written = 0n
  for (let k = columns.length - 1; k >= 0; k -= 1) {
    const column = present(columns[k])
    const place = k + shift
    const before = written
    const raw = wholePart(
      yield sumStep(column, place, 0, () =>
        before === 0n && k > 0
          ? rawLine([[place, column.sum]])
          : k === 0 && column.sum < 10
            ? lineAt(before * 10n + BigInt(column.sum), place)
            : rawLine([[place, column.sum]], before === 0n ? BLANK : lineAt(before, place + 1, true)),
      ),
    )
    if (raw < 10n || before === 0n) {
      written = before * 10n + raw
      continue
    }
    const expect = before * 10n + raw
    const [unit, tens] = [raw % 10n, raw / 10n]
    written = wholePart(
      yield step({
        action: 'mend',
        place,
        ask: at(place, COLUMNS.mended(said(raw), said(before))),
        why: COLUMNS.whyMended(said(unit), said(tens)),
        expect: decimal(expect),
        total: true,
        writes: () => lineAt(expect, place, k > 0),
        reckons: `${before}0 + ${raw}`,
        load: () => withCarries({ ...sumLoad(before, tens), carries: 0 }, 1),
        slips(slip) {
          const lost = COLUMNS.raise(said(before), said(tens), said(before + tens))
          slip('carry-lost', decimal(before * 10n + unit), 8, lost)
          slip('carry-doubled', decimal((before + 2n * tens) * 10n + unit), 2, COLUMNS.onceOnly(said(tens)))
          slip(
            'both-digits-written',
            decimal(BigInt(`${before}${raw}`)),
            4,
            COLUMNS.oneDigit(said(unit), said(tens)),
          )
          slip(
            'carry-not-through-nine',
            decimal(withoutRipple(before, tens) * 10n + unit),
            4,
            COLUMNS.throughNine,
          )
        },
      }),
    )
  }
  return written
}

/** The digits before, raised without carrying on: 19 raised by 1 wrongly gives 10. */
function withoutRipple(before: bigint, tens: bigint): bigint {
  return before - (before % 10n) + ((before + tens) % 10n)
}

function* rawThenSettled(columns: readonly SumColumn[], order: readonly number[], shift: number): Walking {
  const sums = new Map<number, number>()
  const needsNone = (of: ReadonlyMap<number, number>) =>
    columns.every((_, k) => (of.get(k) ?? 10) < 10 || (k === columns.length - 1 && of.has(k)))
  const worth = (of: ReadonlyMap<number, number>) =>
    columns.reduceRight((total, _, k) => total * 10n + BigInt(present(of.get(k))), 0n)
  for (const k of order) {
    const column = present(columns[k])
    const place = k + shift
    const then = new Map([...sums, [k, column.sum]])
    const raw = yield sumStep(column, place, 0, () =>
      needsNone(then)
        ? lineAt(worth(then), shift)
        : rawLine([...then].map(([j, sum]) => [j + shift, sum] as const)),
    )
    sums.set(k, Number(wholePart(raw)))
  }
  if (needsNone(sums)) return worth(sums)
  return yield* settle(
    columns.map((_, k) => present(sums.get(k))),
    shift,
  )
}

/** Raw sums become the answer, column by column from the right. `sums[k]` stands at place k + shift. */
function* settle(sums: readonly number[], shift: number): Walking {
  let [carry, carriedBefore, written] = [0, 0, '']
  for (const [k, sum] of sums.entries()) {
    const last = k === sums.length - 1
    if (carry === 0 && (sum < 10 || last)) {
      written = String(sum) + written
      carriedBefore = 0
      continue
    }
    const total = sum + carry
    const given = { place: k + shift, raw: sum, carry, carriedBefore, last, written, shift }
    const later = sums.slice(k + 1)
    // What needs no settling any more stands as it is.
    const settled = total < 10 && later.every((s, i) => s < 10 || i === later.length - 1)
    const rest = settled
      ? digitCells(later.toReversed().join(''), k + 1 + shift)
      : later.map((s, i) => ({ place: k + 1 + i + shift, digits: String(s), draft: true }))
    const entry = Number(wholePart(yield writeStep({ ...given, rest })))
    written = String(entry) + written
    const meant = last
      ? total
      : ([total, sum, sum + 2 * carry, sum + carriedBefore].find((t) => t % 10 === entry) ??
        total - (total % 10) + entry)
    carriedBefore = carry
    carry = entry >= 10 ? 0 : Math.floor(meant / 10)
  }
  return BigInt(written)
}

function sumStep(column: SumColumn, place: number, carry: number, writes: () => AnswerLine): Step {
  const quantity = column.quantity(carry)
  return ask(quantity, {
    action: 'cross-sum',
    place,
    ask: () => at(place, column.ask ?? COLUMNS.column(quantity.text)),
    why: () => column.why(place),
    writes,
    holds: carry > 0 ? [{ what: 'carry', value: decimal(carry) }] : [],
    links: column.links,
    slips: column.slips,
  })
}

interface Writing {
  readonly place: number
  readonly raw: number
  readonly carry: number
  readonly carriedBefore: number
  readonly last: boolean
  readonly written: string
  readonly shift: number
  /** Settling: what stands beyond, raw or for good. */
  readonly rest?: readonly AnswerCell[]
}

function writeStep({ place, raw, carry, carriedBefore, last, written, shift, rest }: Writing): Step {
  const total = raw + carry
  const expect = last ? total : total % 10
  const carries = Math.floor(total / 10)
  // The column's whole total says the digit too; so does the printed digit with what is carried: 8 + 4 = 12, write 2.
  const says = [total, (raw % 10) + carry].map(BigInt)
  return step({
    action: rest ? 'settle' : 'write',
    place,
    ask: at(place, rest ? COLUMNS.settle(said(raw), carry, last) : COLUMNS.write(said(raw), carry, last)),
    why: rest ? COLUMNS.whySettle : COLUMNS.whyWrite(last),
    expect: decimal(expect),
    sum: decimal(total),
    meant: (n) => (n.scale === 0 && !last && says.includes(n.units) ? decimal(expect) : undefined),
    parts: () => [raw % 10, (raw % 10) + carry, total % 10, carries].map((n) => decimal(n)),
    writes: () => ({
      negative: false,
      cells: [...digitCells(String(expect) + written, shift), ...(rest ?? [])],
    }),
    holds: last || carries === 0 ? [] : [{ what: 'carry', value: decimal(carries) }],
    reckons: `${raw} + ${carry}`,
    load: () =>
      withCarries(
        carry > 0 ? { ...sumLoad(BigInt(raw), BigInt(carry)), carries: 0 } : NO_LOAD,
        last ? 0 : carries > 0 ? 1 : 0,
      ),
    slips(slip) {
      const right = `${said(raw)} + ${carry} = ${said(total)}`
      const shown = (t: number) => decimal(last ? t : t % 10)
      if (carry > 0) {
        slip('carry-lost', shown(raw), 8, at(place, COLUMNS.carryLost(said(carry), right)))
        slip('carry-doubled', shown(raw + 2 * carry), 2, at(place, COLUMNS.carryTwice(said(carry), right)))
        if (carriedBefore > 0 && carriedBefore !== carry)
          slip(
            'wrong-carry',
            shown(raw + carriedBefore),
            2,
            at(place, COLUMNS.otherCarry(said(carriedBefore), right)),
          )
        slip('fact', shown(total - 1), 2, at(place, REMARK.off(right)))
        slip('fact', shown(total + 1), 2, at(place, REMARK.off(right)))
      }
      if (!last && total >= 10)
        slip(
          'both-digits-written',
          decimal(total),
          5,
          at(place, COLUMNS.oneDigit(said(total % 10), said(carries))),
        )
    },
  })
}

function withCarries(load: Load, carries: number): Load {
  return { facts: load.facts, carries: load.carries + carries }
}

/** A column's sum before what is written: raw while it still has to be carried or carried into. */
function columnLine(sum: number, written: string, place: number, settled: boolean): AnswerLine {
  const cells = digitCells(written, place - written.length)
  const fresh = settled ? digitCells(String(sum), place) : [{ place, digits: String(sum), draft: true }]
  return { negative: false, cells: [...fresh, ...cells] }
}

/** A whole number written so that its last digit stands at a place. */
function lineAt(value: bigint, lowest: number, draft = false): AnswerLine {
  return { negative: false, cells: digitCells(String(value), lowest, draft) }
}

function rawLine(
  sums: readonly (readonly [place: number, sum: number])[],
  before: AnswerLine = BLANK,
): AnswerLine {
  return {
    negative: false,
    cells: [...before.cells, ...sums.map(([place, sum]) => ({ place, digits: String(sum), draft: true }))],
  }
}
