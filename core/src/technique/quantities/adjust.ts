/** Round a number up, work with the round one, and mend the rest: adding and taking away share the walk. */
import { type Decimal, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { ADJUST } from '../../words/addition.js'
import type { Step } from '../contract.js'
import { lineOf } from '../line.js'
import type { SlipSink } from '../make.js'
import { ask, gap, type Quantity } from './quantities.js'
import { type Rounded, roundStep } from './rounding.js'

/** In units of 10^-scale. */
export interface Adjusting extends Rounded {
  readonly scale: number
}

interface Words {
  readonly first: (round: string) => string
  readonly whyFirst: string
  readonly last: (soFar: string) => string
  readonly whyLast: (soFar: string, over: string, end: string) => string
}

/**
 * @param first what is worked with the round number
 * @param last what mends it, from what that came to and how much the number was rounded by
 */
export function* roundAndAdjust(given: {
  readonly rounded: Adjusting
  readonly first: (round: bigint) => Quantity
  readonly last: (soFar: bigint, over: bigint) => Quantity
  readonly words: Words
  readonly slips: (slip: SlipSink, soFar: bigint, over: bigint, last: Quantity) => void
}): Generator<Step, Decimal, Decimal> {
  const { rounded, first, last, words, slips } = given
  const { scale } = rounded
  const say = (n: bigint) => toWords(decimal(n, scale))
  const number = rounded.round - rounded.over
  const round = yield* roundStep({ number, round: rounded.round, scale })
  const begun = first(round)
  const soFar = unitsAt(
    yield ask(begun, {
      action: 'running-total',
      place: -scale,
      ask: words.first(say(round)),
      why: words.whyFirst,
      writes: () => lineOf(begun.value, -scale, true),
      holds: [{ what: 'so far', value: begun.value }],
    }),
    scale,
  )
  const too = gap(number, round, scale)
  const over = unitsAt(
    yield ask(too, {
      action: 'decide',
      place: -scale,
      ask: ADJUST.gap(say(number)),
      why: ADJUST.whyGap(say(round), say(number), say(round - number)),
      decision: [too.value],
      writes: () => lineOf(decimal(soFar, scale), -scale, true),
      holds: [
        { what: 'so far', value: decimal(soFar, scale) },
        { what: 'too much', value: too.value },
      ],
    }),
    scale,
  )
  const end = last(soFar, over)
  return yield ask(end, {
    action: 'give-back',
    place: -scale,
    ask: words.last(say(soFar)),
    why: words.whyLast(say(soFar), say(over), toWords(end.value)),
    writes: () => lineOf(end.value, -scale),
    slips: (slip) => slips(slip, soFar, over, end),
  })
}
