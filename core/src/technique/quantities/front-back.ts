/** Answers in two parts: a front, and a back of so many places, worked in either order and joined. */
import { type Decimal, decimal } from '../../number/decimal.js'
import { FRONT_BACK } from '../../words/multiplication.js'
import type { AnswerLine, Held, Step, Variant } from '../contract.js'
import { NO_LOAD, sumLoad, takeLoad } from '../facts.js'
import { BLANK, twoParts, wholeLine } from '../line.js'
import { type Later, step } from '../make.js'
import { ask, difference, holdsThat, type Quantity, sum } from './quantities.js'

type Part = Generator<Step, bigint, Decimal>

/** Front and back may be worked in either order. */
export const EITHER_HALF: readonly Variant[] = [{}, { half: 'back-first' }]

/** What comes over from the back may also go into the front before they are joined, at once or after it was said alone. */
export const HALVES_THAT_JOIN: readonly Variant[] = [
  ...EITHER_HALF,
  { half: 'carried' },
  { half: 'carried-at-once' },
  { half: 'back-carried' },
]

export interface FrontBack {
  /** Places of the back. */
  readonly width: number
  /** Decimals of the answer, whose point is put at the end. */
  readonly scale?: number
  /** The back is taken from the front. */
  readonly taken?: boolean
  /** Held until both are found. */
  readonly holds?: readonly Held[]
  /** @param line what stands when the front has a value, or while it has none */
  front(line: (front: bigint | undefined) => Later<AnswerLine>): Part
  back(line: (back: bigint | undefined) => Later<AnswerLine>): Part
}

/** @returns the joined value. */
export function* frontBack(given: FrontBack, variant: Variant): Part {
  const { width, scale = 0, taken = false, front, back } = given
  // Until the back is found, and where both have to be joined, they may still change.
  const line = (f: bigint | undefined, b: bigint | undefined) => () => {
    const draft = b === undefined || joins(b, width, taken)
    return twoParts(f, b, width, { taken, scale, draft })
  }
  if (variant.half === 'back-first') {
    const b = yield* back((value) => line(undefined, value))
    const f = yield* beside(
      front((value) => line(value, b)),
      line(undefined, b)(),
      width - scale,
    )
    return yield* join(f, b, given)
  }
  const carried = variant.half !== undefined && (yield* carriedOver(given, variant.half, line))
  if (carried) return carried
  const f = yield* front((value) => line(value, undefined))
  const b = yield* back((value) => line(f, value))
  return yield* join(f, b, given)
}

/**
 * The front with what comes over from the back, and then the rest of the back: 74|169 is 75|69.
 * @returns undefined, with nothing asked, where nothing comes over
 */
function* carriedOver(
  { width, scale = 0, taken = false, holds = [], front, back }: FrontBack,
  half: string,
  line: (f: bigint | undefined, b: bigint | undefined) => () => AnswerLine,
): Generator<Step, bigint | undefined, Decimal> {
  const base = 10n ** BigInt(width)
  const right = expected(back(() => BLANK))
  if (!taken && right < base) return undefined
  const whole = half === 'back-carried' ? yield* back((value) => line(undefined, value)) : right
  const plain =
    half === 'carried' ? yield* front((value) => line(value, undefined)) : expected(front(() => BLANK))
  const signed = taken ? -whole : whole
  const rest = ((signed % base) + base) % base
  const over = (signed - rest) / base
  const into = over < 0n ? difference(plain, -over) : sum(plain, over)
  const raised = (yield ask(into, {
    action: 'front',
    place: width - scale,
    ask: FRONT_BACK.over(String(plain), over < 0n),
    why: FRONT_BACK.whyOver,
    holds: half === 'back-carried' ? [{ what: 'back', value: decimal(whole) }] : holds,
    writes: line(into.value.units, undefined),
    slips: (slip) =>
      slip(over < 0n ? 'borrow-missed' : 'carry-lost', decimal(plain), 6, FRONT_BACK.into(holdsThat(into))),
  })).units
  const value = raised * base + rest
  yield step({
    action: 'back',
    place: -scale,
    ask: FRONT_BACK.rest,
    why: FRONT_BACK.whyRest(width),
    expect: decimal(rest),
    writes: () => ({ ...wholeLine(value, scale), back: width - scale }),
  })
  return value
}

/** What a part comes to, without asking for it. */
function expected(part: Part): bigint {
  let state = part.next()
  while (!state.done) state = part.next(state.value.expect as Decimal)
  return state.value
}

/** NumberWork on the front while the back stands already: its cells are seen beside whatever is written. */
function* beside(work: Part, standing: AnswerLine, above: number): Part {
  let state = work.next()
  while (!state.done) {
    const { writes } = state.value
    const both = writes.cells.some((c) => c.place < above)
    const cells = both ? writes.cells : [...writes.cells, ...standing.cells]
    const seen = { ...writes, back: above, cells }
    state = work.next(yield Object.create(state.value, { writes: { value: seen } }) as Step)
  }
  return state.value
}

function joins(back: bigint, width: number, taken: boolean): boolean {
  return taken || String(back).length !== width
}

/** A front or a back that is one quantity. */
export function* half(
  quantity: Quantity,
  around: Omit<Parameters<typeof ask>[1], 'writes'>,
  line: (value: bigint | undefined) => Later<AnswerLine>,
): Part {
  return (yield ask(quantity, { ...around, writes: line(quantity.value.units) })).units
}

/** Only asked where there is something to do: a back to be padded, one whose excess carries, one that is taken away. */
function* join(front: bigint, back: bigint, { width, scale = 0, taken = false }: FrontBack): Part {
  const base = 10n ** BigInt(width)
  const value = front * base + (taken ? -back : back)
  const pad = width - String(back).length
  if (!joins(back, width, taken)) return value
  const carried = back / base
  const reckoned = taken || carried > 0n
  return (yield step({
    action: 'join',
    place: -scale,
    ask: FRONT_BACK.ask,
    why: () =>
      taken
        ? FRONT_BACK.whyTaken(front, back, base)
        : back >= base
          ? FRONT_BACK.whyExcess(width, back, carried, back % base)
          : FRONT_BACK.whyPadded(width, back),
    expect: decimal(value),
    writes: () => ({ ...wholeLine(value, scale), back: width - scale }),
    // The front with what has come over into it is on the way.
    parts: () => (reckoned ? [decimal(value / base), decimal(value % base)] : []),
    ...(reckoned && { reckons: `${front * base} ${taken ? '−' : '+'} ${back}` }),
    load: () => (taken ? takeLoad(front * base, back) : reckoned ? sumLoad(front * base, back) : NO_LOAD),
    slips(slip) {
      const sideBySide = decimal(BigInt(`${front}${back}`))
      if (taken) {
        slip('borrow-missed', decimal(value + base), 6, FRONT_BACK.borrow(front))
        slip('back-added', decimal(front * base + back), 4, FRONT_BACK.added(back))
        return
      }
      if (back >= base) {
        slip('excess-not-carried', sideBySide, 6, FRONT_BACK.excess(width, back, carried))
        slip('carry-lost', decimal(front * base + (back % base)), 4, FRONT_BACK.lost(carried))
        return
      }
      slip('not-padded', sideBySide, 8, FRONT_BACK.pad(width, back))
      if (back > 0n)
        slip(
          'padded-behind',
          decimal(front * base + back * 10n ** BigInt(pad)),
          2,
          FRONT_BACK.padBehind(back),
        )
    },
  })).units
}
