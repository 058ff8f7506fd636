/** Answers in two parts: a front, and a back of so many places, worked in either order and joined. */
import { type Decimal, decimal } from '../number/decimal.js'
import { FRONT_BACK } from '../words/multiplication.js'
import type { AnswerLine, Step, Variant } from './contract.js'
import { NO_LOAD, sumLoad, takeLoad } from './facts.js'
import { twoParts, wholeLine } from './line.js'
import { type Later, step } from './make.js'
import { ask, type Quantity } from './quantities.js'

type Part = Generator<Step, bigint, Decimal>

/** Front and back may be worked in either order: both are followed. */
export const EITHER_HALF: readonly Variant[] = [{}, { half: 'back-first' }]

export interface FrontBack {
  /** Places of the back. */
  readonly width: number
  /** Decimals of the answer, whose point is put at the end. */
  readonly scale?: number
  /** The back is taken from the front. */
  readonly taken?: boolean
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
  const f = yield* front((value) => line(value, undefined))
  const b = yield* back((value) => line(f, value))
  return yield* join(f, b, given)
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
