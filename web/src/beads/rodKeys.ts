/** What keys do on the frame: choose a rod, move single beads, set a rod or add to it. */
import { readDecimal, ZERO } from '@tachymetra/core/number'
import { InputError } from '@tachymetra/core/problem'
import {
  applyMoves,
  beadsOf,
  type Frame,
  highestRod,
  lowestRod,
  rodAt,
  rodMove,
  setNumber,
  setRod,
} from '@tachymetra/core/soroban'

export type DigitMeans = 'set' | 'add' | 'take'

/** A frame with the rod that keys act on, and what was said of the last key. */
export interface Hand {
  readonly frame: Frame
  readonly chosen: number
  readonly notice?: string
}

export function chooseRod(hand: Hand, step: number): Hand {
  const chosen = Math.max(lowestRod(hand.frame), Math.min(highestRod(hand.frame), hand.chosen + step))
  return { frame: hand.frame, chosen }
}

/** One earth bead to the bar (1) or away from it (-1). */
export function earthKey({ frame, chosen }: Hand, by: 1 | -1): Hand {
  const { earth } = beadsOf(rodAt(frame, chosen))
  return earth + by < 0 || earth + by > 4
    ? { frame, chosen }
    : { frame: setRod(frame, chosen, rodAt(frame, chosen) + by), chosen }
}

export function heavenKey({ frame, chosen }: Hand): Hand {
  const v = rodAt(frame, chosen)
  return { frame: setRod(frame, chosen, v >= 5 ? v - 5 : v + 5), chosen }
}

/** A digit typed: sets the rod and goes one to the right, or is added to it or taken from it with all it takes. */
export function digitKey(hand: Hand, digit: number, means: DigitMeans): Hand {
  const { frame, chosen } = hand
  if (means === 'set') return chooseRod({ frame: setRod(frame, chosen, digit), chosen }, -1)
  if (digit === 0) return hand
  return orNotice(hand, () => {
    const { moves } = rodMove(frame, chosen, means === 'add' ? digit : -digit)
    return applyMoves(frame, moves)
  })
}

/** A number typed: it stands on the frame in place of whatever stood there. What is no number leaves the frame alone. */
export function numberKeys(hand: Hand, text: string): Hand {
  const value = text === '' ? ZERO : readDecimal(text)
  return value ? orNotice(hand, () => setNumber(hand.frame, value)) : hand
}

/** The hand with a changed frame; where that is not possible, with the reason. */
function orNotice({ frame, chosen }: Hand, changed: () => Frame): Hand {
  try {
    return { frame: changed(), chosen }
  } catch (error) {
    if (error instanceof InputError) return { frame, chosen, notice: error.message }
    throw error
  }
}
