/**
 * Products written one answer digit a column: the sums of the columns are known from the factors, and what is
 * left is the order in which they are worked and what becomes of their tens.
 */
import { type Decimal, decimal } from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { said, wholePart } from '../../number/whole.js'
import type { AnswerLine, Spot, Step } from '../contract.js'
import { type Load, sumLoad } from '../facts.js'
import { BLANK, digitCells } from '../line.js'
import { type SlipSink, step } from '../make.js'

/** One column of the answer. */
export interface SumColumn {
  readonly sum: number
  /** "6×2 + 3×5": what is added up, without the result. */
  readonly work: () => string
  readonly why: string
  readonly load: () => Load
  readonly links?: () => readonly (readonly [Spot, Spot])[]
  readonly slips: (slip: SlipSink) => void
}

/** A way through the columns, from place 0 up. @returns the value written in the end. */
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
        yield sumStep(
          column,
          place,
          () => columnLine(column.sum, done, place, last && inCarry === 0),
          inCarry,
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

/** From the right, every sum written raw; the tens are settled once at the end. */
export function* rightRaw(columns: readonly SumColumn[], shift = 0): Walking {
  return yield* rawThenSettled(
    columns,
    columns.map((_, k) => k),
    shift,
  )
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
    const column = columns[k]!
    const place = k + shift
    const before = written
    const raw = wholePart(
      yield sumStep(
        column,
        place,
        () => rawLine([[place, column.sum]], before === 0n ? BLANK : lineAt(before, place + 1)),
        0,
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
        ask: `${placeTitle(place)}: ${said(raw)}. Write ${unit} and raise what stands before by ${said(tens)}. What is written now?`,
        why: `${said(tens)} tens of this column count in the column to its left.`,
        expect: decimal(expect),
        writes: () => lineAt(expect, place),
        holds: [{ what: 'to raise by', value: decimal(tens) }],
        load: () => withCarries(sumLoad(before, tens), 1),
        slips: (slip) => {
          slip(
            'carry-lost',
            decimal(before * 10n + unit),
            8,
            `The ${said(tens)} of ${said(raw)} raises the digits before: ${said(before)} becomes ${said(before + tens)}.`,
          )
          slip(
            'carry-doubled',
            decimal((before + 2n * tens) * 10n + unit),
            2,
            `The ${said(tens)} comes in once only.`,
          )
          slip(
            'both-digits-written',
            decimal(BigInt(`${before}${raw}`)),
            4,
            `One digit a column: write the ${unit}, raise by ${said(tens)}.`,
          )
          slip(
            'carry-not-through-nine',
            decimal(withoutRipple(before, tens) * 10n + unit),
            4,
            'Raising a nine gives 0 and raises the digit before it too.',
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
  for (const k of order) {
    const column = columns[k]!
    const place = k + shift
    const entries = [...sums].map(([j, sum]) => [j + shift, sum] as const)
    const raw = wholePart(yield sumStep(column, place, () => rawLine([...entries, [place, column.sum]]), 0))
    sums.set(k, Number(raw))
  }
  const inOrder = columns.map((_, k) => sums.get(k)!)
  const value = inOrder.reduceRight((total, sum) => total * 10n + BigInt(sum), 0n)
  if (inOrder.every((sum, k) => sum < 10 || k === columns.length - 1)) return value
  return wholePart(yield settleStep(inOrder, value, shift))
}

/** The one step that turns raw column sums into the answer. `sums[k]` stands at place k + shift. */
export function settleStep(sums: readonly number[], value: bigint, shift: number): Step {
  let carries = 0
  let carry = 0
  for (const [k, sum] of sums.entries()) {
    carry = Math.floor((sum + carry) / 10)
    if (carry > 0 && k < sums.length - 1) carries += 1
  }
  return step({
    action: 'settle',
    place: shift,
    ask: 'Settle the carries: the tens of every sum go into the column on its left. What is the answer?',
    why: 'Ten of one column are one of the next, so a sum of two digits spills to the left.',
    expect: decimal(value),
    writes: () => lineAt(value, shift),
    load: () => ({
      facts: sums
        .slice(1)
        .flatMap((s, k) => (sums[k]! >= 10 ? [`${s}+${Math.floor(sums[k]! / 10)}` as const] : [])),
      carries,
    }),
    slips: (slip) => {
      carry = 0
      for (const [k, sum] of sums.slice(0, -1).entries()) {
        carry = Math.floor((sum + carry) / 10)
        if (carry === 0) continue
        const unit = 10n ** BigInt(k + 1)
        const here = placeName(k + 1 + shift)
        slip(
          'carry-lost',
          decimal(value - BigInt(carry) * unit),
          8,
          `The ${carry} that spills into the ${here} was left out.`,
        )
      }
      carry = 0
      for (const [k, sum] of sums.slice(0, -1).entries()) {
        carry = Math.floor((sum + carry) / 10)
        if (carry > 0)
          slip(
            'carry-doubled',
            decimal(value + BigInt(carry) * 10n ** BigInt(k + 1)),
            2,
            `The ${carry} that spills into the ${placeName(k + 1 + shift)} comes in once only.`,
          )
      }
      const beside = sums.reduceRight((text, sum) => text + String(sum), '')
      slip(
        'both-digits-written',
        decimal(BigInt(beside)),
        4,
        'One digit a column: the tens of a sum go to the left, they are not written beside it.',
      )
    },
  })
}

function sumStep(column: SumColumn, place: number, writes: () => AnswerLine, carry: number): Step {
  return step({
    action: 'cross-sum',
    place,
    ask: () => `${placeTitle(place)}: ${column.work()}. How much is that?`,
    why: column.why,
    expect: decimal(column.sum),
    writes,
    holds: carry > 0 ? [{ what: 'carry', value: decimal(carry) }] : [],
    load: column.load,
    links: column.links?.(),
    slips: column.slips,
  })
}

function writeStep(at: {
  readonly place: number
  readonly raw: number
  readonly carry: number
  readonly carriedBefore: number
  readonly last: boolean
  readonly written: string
  readonly shift: number
}): Step {
  const { place, raw, carry, carriedBefore, last, written, shift } = at
  const total = raw + carry
  const expect = last ? total : total % 10
  const plus = carry > 0 ? `${raw} and the carry ${carry}: ` : `${raw}: `
  const carries = Math.floor(total / 10)
  return step({
    action: 'write',
    place,
    ask: last
      ? `${placeTitle(place)}: ${plus}what is written in front?`
      : `${placeTitle(place)}: ${plus}which digit is written?`,
    why: last
      ? 'Nothing comes after the last column, so its sum is written whole.'
      : 'A column holds one digit; the tens are carried into the next column.',
    expect: decimal(expect),
    writes: () => ({ negative: false, cells: digitCells(String(expect) + written, shift) }),
    holds: last || carries === 0 ? [] : [{ what: 'carry', value: decimal(carries) }],
    load: () =>
      withCarries(
        carry > 0 ? sumLoad(BigInt(raw), BigInt(carry)) : { facts: [], carries: 0 },
        last ? 0 : carries > 0 ? 1 : 0,
      ),
    slips: (slip) => {
      const title = placeTitle(place)
      const right = `${said(raw)} and ${carry} are ${said(total)}`
      const shown = (t: number) => decimal(last ? t : t % 10)
      if (carry > 0) {
        slip('carry-lost', shown(raw), 8, `${title}: the ${carry} carried in was left out. ${right}.`)
        slip(
          'carry-doubled',
          shown(raw + 2 * carry),
          2,
          `${title}: the ${carry} was carried in twice. ${right}.`,
        )
        if (carriedBefore > 0)
          slip(
            'wrong-carry',
            shown(raw + carriedBefore),
            2,
            `${title}: the ${carriedBefore} belongs to the column before. ${right}.`,
          )
        slip('fact', shown(total - 1), 2, `${title}: one too few. ${right}.`)
        slip('fact', shown(total + 1), 2, `${title}: one too many. ${right}.`)
      }
      if (!last && total >= 10)
        slip(
          'both-digits-written',
          decimal(total),
          5,
          `${title}: write the ${total % 10} alone and carry the ${carries}.`,
        )
    },
  })
}

function withCarries(load: Load, carries: number): Load {
  return { facts: load.facts, carries: load.carries + carries }
}

/** A column's sum before what is written: raw while it still has to be carried. */
function columnLine(sum: number, written: string, place: number, settled: boolean): AnswerLine {
  const cells = digitCells(written, place - written.length)
  const raw = sum >= 10 && !settled
  const fresh = raw ? [{ place, digits: String(sum), draft: true }] : digitCells(String(sum), place, !settled)
  return { negative: false, cells: [...fresh, ...cells] }
}

/** A whole number written so that its last digit stands at a place. */
function lineAt(value: bigint, lowest: number): AnswerLine {
  return { negative: false, cells: digitCells(String(value), lowest) }
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
